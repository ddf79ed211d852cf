import { Dices } from "lucide-react";
import { lastSeed } from "@/core/params";
import { Button } from "../../parts/button";
import { NumberField } from "../../parts/number-field";
import { useStyleControls } from "./context";

/** Enough to choose from, and short enough to be read in the field. */
const throws = 10_000;

/** What chance is drawn from, and another throw. */
export function SeedControl({
  id,
  label,
  value,
  onChange,
}: {
  id?: string;
  label: string;
  value: number;
  onChange: (value: number) => void;
}) {
  const { settle } = useStyleControls();
  const again = () => {
    onChange(Math.floor(Math.random() * throws));
    settle();
  };
  return (
    <div className="flex items-center gap-2">
      <NumberField
        id={id}
        className="w-[82px] shrink-0"
        label={label}
        min={0}
        max={lastSeed}
        decimals={0}
        value={value}
        onChange={(v) => onChange(Math.round(v))}
        onSettle={settle}
      />
      <Button className="grow" onClick={again}>
        <Dices className="size-4" /> Again
      </Button>
    </div>
  );
}
