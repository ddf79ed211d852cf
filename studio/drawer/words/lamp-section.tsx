import { produce } from "immer";
import type { Lamp } from "@/core/piece/lamp";
import { ColourField, Swatch } from "../../parts/colour-field";
import { Field, Fold } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Slider } from "../../parts/slider";
import { studioNow, useStudio } from "../../state/store";

const settings = [
  {
    name: "angle",
    label: "Comes from",
    hint: "Where the light comes from: degrees from the right, clockwise; drag it on the bench",
    suffix: "°",
    min: -360,
    max: 360,
    step: 15,
  },
  {
    name: "height",
    label: "Height",
    hint: "How high the lamp stands over the board: the lower, the longer the shadows",
    suffix: "°",
    min: 5,
    max: 90,
    step: 5,
  },
  {
    name: "strength",
    label: "Strength",
    hint: "How strong the light is: the stronger, the darker the shadows",
    suffix: "%",
    min: 0,
    max: 200,
    step: 5,
  },
  {
    name: "ambient",
    label: "All around",
    hint: "Light from all around: how much falls on sides and slopes that turn away from the lamp",
    suffix: "%",
    min: 0,
    max: 100,
    step: 5,
  },
] as const;

/** The one light of the piece, which all coats follow that are not told otherwise. */
export function LampSection() {
  const lamp = useStudio((s) => s.work!.piece.lamp);
  const { change, settle } = studioNow();
  const put = (name: keyof Lamp, value: number | string) =>
    change((w) => produce(w, (d) => void Object.assign(d.piece.lamp, { [name]: value })), `lamp ${name}`);
  return (
    <Fold title="Lamp">
      {settings.map(({ name, label, hint, ...range }) => (
        <Field key={name} label={label} hint={hint} htmlFor={`lamp-${name}`}>
          <div className="flex items-center gap-2">
            <NumberField
              id={`lamp-${name}`}
              className="w-[92px] shrink-0"
              label={`Lamp, ${label.toLowerCase()}`}
              value={lamp[name]}
              onChange={(v) => put(name, v)}
              onSettle={settle}
              {...range}
            />
            <Slider
              label={`${label} slider`}
              min={range.min}
              max={range.max}
              step={1}
              value={lamp[name]}
              onChange={(v) => put(name, v)}
              onSettle={settle}
            />
          </div>
        </Field>
      ))}
      <Field label="Colour" hint="Of its light: what turns towards the lamp takes it on, the more the lighter it is">
        <ColourField label="Colour of the lamp" value={lamp.colour} onChange={(colour) => put("colour", colour)} onSettle={settle}>
          <button type="button" aria-label="Colour of the lamp" className="w-fit rounded-md">
            <Swatch colour={lamp.colour} className="size-8" />
          </button>
        </ColourField>
      </Field>
    </Fold>
  );
}
