import { RotateCw } from "lucide-react";
import { useId, type ComponentProps, type FC, type ReactNode } from "react";
import { isOfUse, type AngleParam, type LengthParam, type NumberParam, type Param, type Params, type ValueOf } from "@/core/params";
import type { Measure } from "@/core/style/schema";
import { IconButton } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field } from "../../parts/field";
import { Guarded } from "../../parts/guarded";
import { NumberField } from "../../parts/number-field";
import { Slider } from "../../parts/slider";
import { Switch } from "../../parts/switch";
import { SizeControl } from "../export/size-control";
import { useStyleControls } from "./context";
import { DirectionControl } from "./direction-control";
import { InkPicker } from "./ink-picker";
import { KeyLinesControl } from "./key-lines-control";
import { LengthsControl } from "./lengths-control";
import { CoatPicker, ItemPicker } from "./other-pickers";
import { PhotoControl } from "./photo-control";
import { PhotosControl } from "./photos-control";
import { PlaceControl } from "./place-control";
import { SectionControl } from "./section-control";
import { SeedControl } from "./seed-control";
import { ShapePicker } from "./shape-picker";
import { StopsControl } from "./stops-control";

type ParamOf<T extends Param["type"]> = Extract<Param, { readonly type: T }>;

interface ControlProps<P extends Param> {
  readonly id: string;
  readonly label: string;
  readonly param: P;
  readonly value: ValueOf<P>;
  readonly onChange: (value: ValueOf<P>) => void;
}
type Controls = { readonly [T in Param["type"]]?: FC<ControlProps<ParamOf<T>>> };

/** What stands to the right of a setting's label, by its type. */
const beside: Controls = {
  length: LengthControl,
  number: NumberControl,
  angle: NumberControl,
  seed: SeedControl,
  choice: ({ param, ...props }) => <Choice options={param.options} {...props} />,
  ink: InkPicker,
  shape: ShapePicker,
  coat: CoatPicker,
  item: ItemPicker,
  photo: PhotoControl,
  lengths: LengthsControl,
  direction: DirectionControl,
  place: PlaceControl,
};

/** What takes the whole width, by its type. */
const alone: Controls = {
  toggle: ({ label, param, value, onChange }) => <Switch label={label} hint={param.hint} checked={value} onChange={onChange} />,
  stops: StopsControl,
  size: SizeControl,
  strands: (props) => (props.param.shown === "keys" ? <KeyLinesControl {...props} /> : null),
  profile: (props) => (props.param.shown === "edge" ? <SectionControl {...props} /> : null),
  list: (props) =>
    props.param.shown === "photos" ? (
      <PhotosControl
        {...(props as unknown as Omit<ComponentProps<typeof PhotosControl>, "settings">)}
        settings={(row, change) => <ParamControls params={props.param.of} values={row} onChange={change} />}
      />
    ) : null,
};

/** Settings that are set on the bench say so. */
const onBench: readonly Param["type"][] = ["direction", "place"];

interface Props {
  params: Params;
  values: Readonly<Record<string, unknown>>;
  onChange: (name: string, value: unknown) => void;
}

/** The controls of a form step, a paint, a lay or a finish, built from its own description. What is drawn on the bench itself has none. */
export function ParamControls({ params, values, onChange }: Props) {
  return Object.entries(params)
    .filter(([, p]) => isOfUse(p, values) && !(p.type === "choice" && p.options.length < 2))
    .map(([name, p]) => <Setting key={name} param={p} value={values[name]} onChange={(v) => onChange(name, v)} />);
}

function Setting({ param, value, onChange }: { param: Param; value: unknown; onChange: (value: unknown) => void }): ReactNode {
  const id = useId();
  const { type, label, hint } = param;
  // Which control goes with which type the tables say, and that the value is of that type the document's schema has seen to.
  const Beside = beside[type] as FC<object> | undefined;
  const Alone = alone[type] as FC<object> | undefined;
  const props = { id, label, param, value, onChange };
  if (Alone)
    return (
      <Guarded what={label}>
        <Alone {...props} />
      </Guarded>
    );
  if (!Beside) return null;
  return (
    <Field label={label} hint={onBench.includes(type) ? `${hint}; drag its grip on the bench` : hint} htmlFor={id}>
      <Beside {...props} />
    </Field>
  );
}

/** The next eighth of a turn, once round within what the setting takes. */
function eighth(value: number, { min, max }: NumberParam | AngleParam): number {
  const next = (Math.floor(value / 45) + 1) * 45;
  return next > max ? Math.max(min, next - 360) : next;
}

/** A number, with a slider where it is a share or an angle. */
function NumberControl({ id, label, param, value, onChange }: ControlProps<NumberParam | AngleParam>) {
  const { settle } = useStyleControls();
  const { step, suffix } = param.type === "angle" ? { step: 1, suffix: "°" } : param;
  const range = { min: param.min, max: param.max, step, value, onChange, onSettle: settle };
  return (
    <div className="flex items-center gap-2">
      <NumberField id={id} className="w-[92px] shrink-0" label={label} suffix={suffix} {...range} />
      {(suffix === "%" || suffix === "°") && <Slider label={`${label} slider`} {...range} />}
      {suffix === "°" && param.max >= 180 && (
        <IconButton label={`${label}: turn by 45°`} className="!size-7 shrink-0" onClick={() => onChange(eighth(value, param))}>
          <RotateCw />
        </IconButton>
      )}
    </div>
  );
}

/** How far a slider goes: the lengths that lettering uses; the field takes more. */
const reach: Record<Measure, number> = { em: 20, cap: 30, stem: 100, fixed: 60 };

function LengthControl({ id, label, param: p, value, onChange }: ControlProps<LengthParam>) {
  const { measure, factors, settle } = useStyleControls();
  const most = p.reach ?? reach[measure];
  const step = most / 200;
  return (
    <div className="flex items-center gap-2">
      <NumberField
        id={id}
        className="w-[92px] shrink-0"
        label={label}
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
        label={`${label} slider`}
        min={p.min < 0 ? -most : p.min}
        max={most}
        step={step}
        value={value}
        onChange={onChange}
        onSettle={settle}
      />
    </div>
  );
}
