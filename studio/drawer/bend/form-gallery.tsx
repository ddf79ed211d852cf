import { useRef, useState, type PointerEvent } from "react";
import { Sheet } from "@/core/bend/mesh";
import { startingForms, type StartingForm } from "@/core/bend/starting-forms";
import type { Lettering } from "@/core/piece/schema";
import { newKey } from "../../bench/gestures";
import { Field } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Slider } from "../../parts/slider";
import { Tip } from "../../parts/tip";
import { layForm } from "../../state/edits/bend";
import { studioNow } from "../../state/store";

/** How far a drag over the bench goes for the full strength, in screen pixels. */
const fullReach = 320;
const usual = 0.5;

/**
 * Forms to start an envelope from. One is dragged from here over the lettering, and is the stronger the further it goes; upwards from
 * where it came in it is turned over. A click lays it on at half its strength.
 */
export function FormGallery({ lettering, line }: { lettering: Lettering; line: number | null }) {
  const [last, setLast] = useState<{ form: string; strength: number } | null>(null);
  const { change, settle } = studioNow();
  const drag = useRef<{ key: string; entered: { x: number; y: number } | null; laid: boolean } | null>(null);
  const lay = (form: string, strength: number, key: string | null) => {
    const rounded = Math.round(Math.min(1, Math.max(-1, strength)) * 100) / 100;
    setLast({ form, strength: rounded });
    change((w) => layForm(w, lettering.id, form, rounded, line), key);
  };
  const onMove = (form: string) => (e: PointerEvent) => {
    const now = drag.current;
    const bench = document.querySelector("[data-bench]")?.getBoundingClientRect();
    if (!now || !bench) return;
    if (!now.entered && e.clientX > bench.left && e.clientY > bench.top) now.entered = { x: e.clientX, y: e.clientY };
    if (!now.entered) return;
    now.laid = true;
    const turnedOver = now.entered.y - e.clientY > 60 ? -1 : 1;
    lay(form, (turnedOver * Math.max(0, e.clientX - now.entered.x)) / fullReach, now.key);
  };
  return (
    <>
      <div className="grid grid-cols-5 gap-1.5" role="group" aria-label="Forms to start from">
        {startingForms.map((f) => (
          <Tip key={f.id} text={`${f.hint}. Drag it over the lettering: further is stronger.`} side="right">
            <button
              type="button"
              data-form={f.id}
              aria-label={f.label}
              aria-pressed={last?.form === f.id}
              onPointerDown={(e) => {
                e.currentTarget.setPointerCapture(e.pointerId);
                drag.current = { key: newKey("form"), entered: null, laid: false };
              }}
              onPointerMove={onMove(f.id)}
              onPointerUp={settle}
              onClick={() => {
                // A drag has laid it on already.
                if (!drag.current?.laid) lay(f.id, usual, null);
                drag.current = null;
              }}
              className="touch-none rounded-md border border-rule bg-sheet py-1 text-center hover:border-accent aria-pressed:border-accent aria-pressed:bg-wash"
            >
              <FormPicture form={f} />
              <span className="block whitespace-nowrap text-[10px] leading-3 tracking-tight text-pencil">{f.label}</span>
            </button>
          </Tip>
        ))}
      </div>
      {last && (
        <Field
          label="Strength"
          hint="How strongly the form was laid on; laying it on anew takes back what was pulled by hand"
          htmlFor="form-strength"
        >
          <div className="flex items-center gap-2">
            <NumberField
              id="form-strength"
              label="Strength"
              className="w-[92px] shrink-0"
              suffix="%"
              min={-100}
              max={100}
              value={last.strength * 100}
              onChange={(v) => lay(last.form, v / 100, `strength ${lettering.id}`)}
              onSettle={settle}
            />
            <Slider
              label="Strength slider"
              min={-100}
              max={100}
              step={1}
              value={last.strength * 100}
              onChange={(v) => lay(last.form, v / 100, `strength ${lettering.id}`)}
              onSettle={settle}
            />
          </div>
        </Field>
      )}
    </>
  );
}

const stems = 5;

/** A row of stems in the form. */
function FormPicture({ form }: { form: StartingForm }) {
  const sheet = new Sheet(form.mesh(0.6));
  const out = new Float64Array(6);
  const at = (u: number, v: number) => {
    sheet.at(u, v, out);
    return `${(out[0] * 44).toFixed(1)} ${(out[1] * 20).toFixed(1)}`;
  };
  const steps = Array.from({ length: 9 }, (_, i) => i / 8);
  const bar = (u0: number, u1: number) => `M${[...steps.map((v) => at(u0, v)), ...steps.map((v) => at(u1, 1 - v))].join("L")}Z`;
  const d = Array.from({ length: stems }, (_, i) => bar((i + 0.14) / stems, (i + 0.86) / stems)).join("");
  return (
    <svg aria-hidden viewBox="-4 -14 52 48" className="h-9 w-full text-graphite">
      <path d={d} fill="currentColor" />
    </svg>
  );
}
