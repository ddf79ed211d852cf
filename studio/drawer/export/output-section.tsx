import { Download } from "lucide-react";
import { outputOf, type OutputStep } from "@/core/output/outputs";
import { withValue } from "@/core/params";
import { Button } from "../../parts/button";
import { Tip } from "../../parts/tip";
import { ParamControls } from "../controls/param-controls";

interface Props {
  step: OutputStep;
  /** The first of those that write the same sort of file is what is mostly wanted. */
  first: boolean;
  /** The name of the file to be. */
  fileName: string;
  refusal: string | null;
  busy: "this" | "another" | null;
  onChange: (step: OutputStep) => void;
  onWrite: () => void;
  onStop: () => void;
}

/** One way to take the piece away: its settings, and a button. */
export function OutputSection({ step, first, fileName, refusal, busy, onChange, onWrite, onStop }: Props) {
  const { label, hint, params } = outputOf(step.kind);
  return (
    <div className="space-y-2 [&+&]:mt-2">
      <ParamControls params={params} values={step} onChange={(name, value) => onChange(withValue(step, name, value))} />
      {busy === "this" ? (
        <Button className="w-full" onClick={onStop}>
          Writing the file… Stop
        </Button>
      ) : (
        <Tip text={fileName}>
          <Button look={first ? "primary" : undefined} className="w-full" disabled={refusal !== null || busy !== null} onClick={onWrite}>
            <Download className="size-4" /> {label}
          </Button>
        </Tip>
      )}
      {refusal ? <p className="text-warn">{refusal}</p> : <p className="text-xs text-pencil">{hint}.</p>}
    </div>
  );
}
