import { NumberField } from "../../parts/number-field";
import { useStyleControls } from "./context";

interface Place {
  readonly x: number;
  readonly y: number;
}

/** A place as percent across and down. */
export function PlaceControl({
  id,
  label,
  value: at,
  onChange,
}: {
  id: string;
  label: string;
  value: Place;
  onChange: (value: Place) => void;
}) {
  const { settle } = useStyleControls();
  const axis = (name: "x" | "y") => (
    <NumberField
      id={name === "x" ? id : undefined}
      label={`${label}, ${name === "x" ? "across" : "down"}`}
      suffix={name === "x" ? "% →" : "% ↓"}
      units={{ "%": 1 }}
      min={-2000}
      max={2000}
      decimals={1}
      value={at[name] * 100}
      onChange={(v) => onChange({ ...at, [name]: v / 100 })}
      onSettle={settle}
    />
  );
  return (
    <div className="grid grid-cols-2 gap-1.5">
      {axis("x")}
      {axis("y")}
    </div>
  );
}
