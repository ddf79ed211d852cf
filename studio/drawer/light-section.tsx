import { lightSchema, type CoatLight } from "@/core/coat/light";
import { needsOf } from "@/core/coat/needs";
import type { Coat } from "@/core/coat/schema";
import { Choice } from "../parts/choice";
import { Field, Section } from "../parts/field";
import { NumberField } from "../parts/number-field";
import { Slider } from "../parts/slider";
import { studioNow } from "../state/store";

const sources = [
  { value: "lamp", label: "Lamp", hint: "From the lamp of the piece" },
  { value: "turned", label: "Turned", hint: "From the lamp, turned by an angle: it follows the lamp" },
  { value: "own", label: "Own", hint: "From a place of its own, wherever the lamp is" },
] as const;

const fields = {
  turn: { label: "Turned by", hint: "Clockwise against the lamp: 180 is from the other side", min: -360, max: 360 },
  angle: { label: "Comes from", hint: "Degrees from the right, clockwise; drag it on the bench", min: -360, max: 360 },
  height: { label: "Height", hint: "How high it stands over the board", min: 5, max: 90 },
} as const;

interface Props {
  readonly coat: Coat;
  readonly edit: (name: string | null, change: (c: Coat) => Coat) => void;
}

/** Where the light of a coat comes from, where anything of it is lit. */
export function LightSection({ coat, edit }: Props) {
  if (!needsOf(coat).has("lamp")) return null;
  const { light } = coat;
  const put = (name: keyof typeof fields, value: number) =>
    edit(`light ${name}`, (c) => (c.light ? { ...c, light: { ...c.light, [name]: value } } : c));
  return (
    <Section title="Light">
      <Field label="From" hint="Where the light of this coat comes from">
        <Choice label="Light from" value={light?.by ?? "lamp"} options={sources} onChange={(by) => edit(null, (c) => withLight(c, by))} />
      </Field>
      {light?.by === "turned" && <Degrees name="turn" light={light} put={put} />}
      {light?.by === "own" && <Degrees name="angle" light={light} put={put} />}
      {light?.by === "own" && <Degrees name="height" light={light} put={put} />}
    </Section>
  );
}

/** @param by one of the sources */
function withLight({ light, ...coat }: Coat, by: string): Coat {
  return by === "lamp" ? coat : { ...coat, light: lightSchema.parse({ ...light, by }) };
}

function Degrees({
  name,
  light,
  put,
}: {
  name: keyof typeof fields;
  light: CoatLight;
  put: (name: keyof typeof fields, value: number) => void;
}) {
  const { settle } = studioNow();
  const { label, hint, ...range } = fields[name];
  const shared = { ...range, value: light[name], onChange: (v: number) => put(name, v), onSettle: settle };
  return (
    <Field label={label} hint={hint} htmlFor={`light-${name}`}>
      <div className="flex items-center gap-2">
        <NumberField
          id={`light-${name}`}
          className="w-[92px] shrink-0"
          label={`Light, ${label.toLowerCase()}`}
          suffix="°"
          step={15}
          {...shared}
        />
        <Slider label={`${label} slider`} step={1} {...shared} />
      </div>
    </Field>
  );
}
