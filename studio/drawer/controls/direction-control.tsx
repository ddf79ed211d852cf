import type { Direction, DirectionParam } from "@/core/params";
import { NumberField } from "../../parts/number-field";
import { useStyleControls } from "./context";

/** A way by its angle and how far. */
export function DirectionControl({
  id,
  param,
  value,
  onChange,
}: {
  id: string;
  param: DirectionParam;
  value: Direction;
  onChange: (value: Direction) => void;
}) {
  const { measure, factors, settle } = useStyleControls();
  return (
    <div className="grid grid-cols-2 gap-1.5">
      <NumberField
        id={id}
        label={`${param.label}, angle`}
        suffix="°"
        min={-360}
        max={360}
        step={5}
        value={value.angle}
        onChange={(angle) => onChange({ ...value, angle })}
        onSettle={settle}
      />
      <NumberField
        label={`${param.label}, distance`}
        suffix={measure === "fixed" ? "pt" : "%"}
        units={factors}
        min={0}
        max={param.max}
        step={0.5}
        value={value.distance}
        onChange={(distance) => onChange({ ...value, distance })}
        onSettle={settle}
      />
    </div>
  );
}
