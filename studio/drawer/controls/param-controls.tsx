import { useId } from "react";
import { isOfUse, type Direction, type ItemRef, type LengthParam, type Param, type Params, type Stop } from "@/core/params";
import type { Photo } from "@/core/photo";
import type { Measure } from "@/core/style/schema";
import { Choice } from "../../parts/choice";
import { Field } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Slider } from "../../parts/slider";
import { Switch } from "../../parts/switch";
import { useStyleControls } from "./context";
import { InkPicker } from "./ink-picker";
import { DirectionControl } from "./direction-control";
import { CoatPicker, ItemPicker } from "./other-pickers";
import { SeedControl } from "./seed-control";
import { PhotoControl } from "./photo-control";
import { ShapePicker } from "./shape-picker";
import { LengthsControl } from "./lengths-control";
import { StopsControl } from "./stops-control";

interface Props {
  params: Params;
  values: Readonly<Record<string, unknown>>;
  onChange: (name: string, value: unknown) => void;
}

/** The controls of a form step, a paint, a lay or a finish, built from its own description. */
export function ParamControls({ params, values, onChange }: Props) {
  return Object.entries(params)
    .filter(([, p]) => isOfUse(p, values))
    .map(([name, p]) => <Control key={name} param={p} value={values[name]} onChange={(v) => onChange(name, v)} />);
}

function Control({ param: p, value, onChange }: { param: Param; value: unknown; onChange: (value: unknown) => void }) {
  const id = useId();
  const { settle } = useStyleControls();
  switch (p.type) {
    case "length":
      return <LengthControl param={p} value={value as number} onChange={onChange} />;
    case "number":
    case "angle":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <div className="flex items-center gap-2">
            <NumberField
              id={id}
              className="w-[92px] shrink-0"
              label={p.label}
              suffix={p.type === "angle" ? "°" : p.suffix}
              min={p.min}
              max={p.max}
              step={p.type === "angle" ? 1 : p.step}
              value={value as number}
              onChange={onChange}
              onSettle={settle}
            />
            {(p.type === "angle" || p.suffix === "%" || p.suffix === "°") && (
              <Slider
                label={`${p.label} slider`}
                min={p.min}
                max={p.max}
                step={p.type === "angle" ? 1 : p.step}
                value={value as number}
                onChange={onChange}
                onSettle={settle}
              />
            )}
          </div>
        </Field>
      );
    case "choice":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <Choice id={id} label={p.label} value={value as string} options={p.options} onChange={onChange} />
        </Field>
      );
    case "ink":
      return (
        <Field label={p.label} hint={p.hint}>
          <InkPicker label={p.label} value={value as string} onChange={onChange} />
        </Field>
      );
    case "shape":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <ShapePicker id={id} label={p.label} value={value as string} onChange={onChange} />
        </Field>
      );
    case "photo":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <PhotoControl id={id} label={p.label} value={value as Photo | null} onChange={onChange} />
        </Field>
      );
    case "strand":
    case "strands":
      // Edited on the bench itself.
      return null;
    case "coat":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <CoatPicker id={id} label={p.label} value={value as string} onChange={onChange} />
        </Field>
      );
    case "item":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <ItemPicker id={id} label={p.label} value={value as ItemRef} onChange={onChange} />
        </Field>
      );
    case "toggle":
      return <Switch label={p.label} hint={p.hint} checked={value as boolean} onChange={onChange} />;
    case "seed":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <SeedControl id={id} label={p.label} value={value as number} onChange={onChange} />
        </Field>
      );
    case "direction":
      return (
        <Field label={p.label} hint={`${p.hint}; drag its grip on the bench`}>
          <DirectionControl param={p} value={value as Direction} onChange={onChange} />
        </Field>
      );
    case "lengths":
      return (
        <Field label={p.label} hint={p.hint} htmlFor={id}>
          <LengthsControl id={id} label={p.label} value={value as number[]} onChange={onChange} />
        </Field>
      );
    case "stops":
      return <StopsControl value={value as Stop[]} onChange={onChange} />;
    case "place": {
      const at = value as { x: number; y: number };
      const axis = (name: "x" | "y") => (
        <NumberField
          label={`${p.label}, ${name === "x" ? "across" : "down"}`}
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
        <Field label={p.label} hint={`${p.hint}; drag its grip on the bench`}>
          <div className="grid grid-cols-2 gap-1.5">
            {axis("x")}
            {axis("y")}
          </div>
        </Field>
      );
    }
  }
}

/** How far a slider goes: the lengths that lettering uses; the field takes more. */
const reach: Record<Measure, number> = { em: 20, cap: 30, stem: 100, fixed: 60 };

function LengthControl({ param: p, value, onChange }: { param: LengthParam; value: number; onChange: (v: number) => void }) {
  const id = useId();
  const { measure, factors, settle } = useStyleControls();
  const most = reach[measure];
  const step = most / 200;
  return (
    <Field label={p.label} hint={p.hint} htmlFor={id}>
      <div className="flex items-center gap-2">
        <NumberField
          id={id}
          className="w-[92px] shrink-0"
          label={p.label}
          suffix={measure === "fixed" ? "pt" : "%"}
          units={factors}
          min={p.min}
          max={p.max}
          step={step * 5}
          value={value}
          onChange={onChange}
          onSettle={settle}
        />
        <Slider
          label={`${p.label} slider`}
          min={p.min < 0 ? -most : p.min}
          max={most}
          step={step}
          value={value}
          onChange={onChange}
          onSettle={settle}
        />
      </div>
    </Field>
  );
}
