import type { FitBend } from "@/core/bend/schema";
import { isShape, type Lettering } from "@/core/piece/schema";
import { Button } from "../../parts/button";
import { Field, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Switch } from "../../parts/switch";
import { newShape } from "../../state/commands";
import { fillShape, setBend } from "../../state/edits/bend";
import { flagItems } from "../../state/edits/items";
import { newCoat } from "../../state/edits/style";
import { studioNow, useItem, useStudio } from "../../state/store";
import { shapeItemOf } from "../../state/work";
import { ShapePicker } from "../controls/shape-picker";
import { newFormStep } from "@/core/coat/schema";

/** Words pressed into a shape of the board. */
export function FitSection({ lettering, bend }: { lettering: Lettering; bend: FitBend }) {
  const shapes = useStudio((s) => s.work!.piece.items).filter(isShape);
  const shape = useStudio((s) => shapeItemOf(s.work!, bend.shape));
  const { change, changeStyle, settle, set } = studioNow();
  const here = useItem(shape?.id);
  const put = (next: FitBend, name: string | null) =>
    change((w) => setBend(w, [lettering.id], next), name && `fit ${name} ${lettering.id}`);
  const number = (name: "inset" | "gap", label: string, hint: string, min: number) => (
    <Field label={label} hint={hint} htmlFor={`fit-${name}`}>
      <NumberField
        id={`fit-${name}`}
        label={label}
        suffix="‰"
        min={min}
        max={name === "gap" ? 5000 : 20_000}
        step={5}
        value={bend[name]}
        onChange={(v) => put({ ...bend, [name]: v }, name)}
        onSettle={settle}
      />
    </Field>
  );
  const asCoat = () => {
    let id = "";
    changeStyle((s) => {
      const coat = {
        ...newCoat(s.inks.at(-1)?.id ?? "face", "Ground"),
        form: [newFormStep("ground", "ground")],
      };
      id = coat.id;
      return { ...s, coats: [coat, ...s.coats] };
    });
    change((w) => flagItems(w, [bend.shape], "hidden", true));
    set({ coatId: id, stage: "coats" });
  };
  return (
    <Section title="Fill a shape">
      {shapes.length === 0 ? (
        <>
          <p className="text-pencil">There is no shape on the board yet. Add one; it lies behind the words, and they fill it.</p>
          <div className="grid grid-cols-3 gap-1.5">
            {(["shield", "ellipse", "banner"] as const).map((k) => (
              <Button
                key={k}
                onClick={() => {
                  newShape(k);
                  const made = studioNow().selection.at(-1)!;
                  change((w) => fillShape(w, lettering.id, shapeItemOf(w, made)!));
                  studioNow().select([lettering.id]);
                  set({ stage: "bend" });
                }}
              >
                {k[0].toUpperCase() + k.slice(1)}
              </Button>
            ))}
          </div>
        </>
      ) : (
        <Field label="Shape" hint="Which shape the words fill" htmlFor="fit-shape">
          <ShapePicker
            id="fit-shape"
            label="Shape to fill"
            value={bend.shape}
            onChange={(id) =>
              change((w) => {
                const chosen = shapeItemOf(w, id);
                return chosen ? fillShape(w, lettering.id, chosen) : w;
              })
            }
          />
        </Field>
      )}
      {shape && (
        <>
          {number("inset", "Inset", "From the outline of the shape, in thousandths of the em; below 0 beyond it", -20_000)}
          {number("gap", "Line gap", "Between the lines, in thousandths of the em", 0)}
          <Field label="Corners" hint="Where the outline is parted into top, sides and bottom: drag the diamonds on the bench">
            <Button disabled={bend.corners === null} onClick={() => put({ ...bend, corners: null }, null)}>
              {bend.corners === null ? "Found by themselves" : "Find them anew"}
            </Button>
          </Field>
          <Switch
            label="Show the shape"
            hint="Hidden, the words still fill it"
            checked={!(here?.hidden ?? shape.hidden)}
            onChange={(on) => change((w) => flagItems(w, [shape.id], "hidden", !on))}
          />
          <Button className="w-full" onClick={asCoat}>
            Use the shape as a coat
          </Button>
        </>
      )}
    </Section>
  );
}
