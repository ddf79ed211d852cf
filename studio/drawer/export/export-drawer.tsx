import { useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { isEmpty, joinAll, mapped } from "@/core/curves/bounds";
import { fileName } from "@/core/output/file-name";
import { newOutput, outputKinds, outputOf, type OutputName, type OutputStep } from "@/core/output/outputs";
import { exportedFaces, type Wish } from "@/core/piece/exported";
import { download } from "../../download";
import { useFaces } from "../../faces";
import { Choice } from "../../parts/choice";
import { Field, Section } from "../../parts/field";
import { useRefusals, writtenFile } from "../../state/exporting";
import { useParts } from "../../state/store";
import { ExportedPartContext } from "./exported-part";
import { OutputSection } from "./output-section";

type What = "board" | "selection";

/** The outputs by what their files end in, in order. */
const extensions = [...new Set(outputKinds.map((k) => k.extension))];

/** Takes the piece away as vectors or as a picture. */
export function ExportDrawer() {
  const { work, scene, selection } = useParts("work", "scene", "selection");
  const faces = useFaces();
  const [what, setWhat] = useState<What>("board");
  const [ground, setGround] = useState(true);
  const [steps, setSteps] = useState<readonly OutputStep[]>(() => outputKinds.map((k) => newOutput(k.kind)));
  const [busy, setBusy] = useState<OutputName | null>(null);
  const stop = useRef<AbortController | null>(null);

  const { piece } = work!;
  const wish: Wish = { area: what === "selection" ? { kind: "items", ids: selection } : { kind: "board" }, ground };
  const refusals = useRefusals(wish, steps);
  const names = exportedFaces(piece, wish.area).map((id) => faces.find((f) => f.id === id)?.name ?? id);
  const nameOf = (kind: OutputName) => {
    const { extension, remark } = outputOf(kind);
    return fileName(piece.name, remark ? [...names, remark] : names, extension);
  };
  const box =
    scene &&
    (what === "selection"
      ? joinAll(scene.items.filter((i) => selection.includes(i.id)).map((i) => mapped(i.matrix, i.painted)))
      : { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height });
  const nothing = !box || isEmpty(box);
  const { board } = piece;
  const [width, height] = nothing ? [0, 0] : [box.maxX - box.minX, box.maxY - box.minY];
  const shown = useMemo(() => ({ board, part: width > 0 && height > 0 ? { width, height } : null }), [board, width, height]);

  const write = async (step: OutputStep) => {
    const run = new AbortController();
    stop.current = run;
    setBusy(step.kind);
    await writtenFile(work!, wish, step, run.signal)
      .then((file) => download(file, nameOf(step.kind)))
      .catch((error: Error) => !run.signal.aborted && toast.error(error.message));
    if (stop.current === run) setBusy(null);
  };

  return (
    <>
      <Section title="What is exported">
        <Field label="Area" hint="The whole board, or the selected letterings cut to their ink">
          <Choice
            label="Area"
            value={what}
            options={[
              { value: "board", label: "Board", hint: "All that lies on the board" },
              { value: "selection", label: "Selection", hint: "The selected letterings only" },
            ]}
            onChange={(v) => setWhat(v as What)}
          />
        </Field>
        <Field label="Ground" hint="Whether the board's colour is part of the export">
          <Choice
            label="Ground"
            value={ground ? "with" : "without"}
            options={[
              { value: "with", label: board.ground ? "With" : "None set", hint: "The ground colour is drawn" },
              { value: "without", label: "Transparent", hint: "Nothing is drawn behind the letters" },
            ]}
            onChange={(v) => setGround(v === "with")}
          />
        </Field>
        {what === "selection" && nothing && <p className="text-warn">Select a lettering with ink on the bench first.</p>}
      </Section>
      <ExportedPartContext.Provider value={shown}>
        {extensions.map((extension) => (
          <Section key={extension} title={extension.toUpperCase()}>
            {steps
              .filter((s) => outputOf(s.kind).extension === extension)
              .map((step, i) => (
                <OutputSection
                  key={step.kind}
                  step={step}
                  first={i === 0}
                  fileName={nameOf(step.kind)}
                  refusal={nothing ? "There is nothing to draw." : (refusals[step.kind] ?? null)}
                  busy={busy === step.kind ? "this" : busy ? "another" : null}
                  onChange={(changed) => setSteps(steps.map((s) => (s.kind === changed.kind ? changed : s)))}
                  onWrite={() => void write(step)}
                  onStop={() => stop.current?.abort()}
                />
              ))}
          </Section>
        ))}
      </ExportedPartContext.Provider>
      <p className="px-4 py-3 text-xs break-words text-pencil">
        Files are named after the piece and its faces: {nameOf("svg").replace(/\.svg$/, "")}.
      </p>
    </>
  );
}
