import { placeIn, shareOf } from "@/core/coat/handles";
import { formStepKind } from "@/core/coat/forms";
import type { Bounds } from "@/core/curves/bounds";
import type { Point } from "@/core/curves/matrix";
import { isOfUse, withValue } from "@/core/params";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useShownStyle, useStudio } from "../state/store";
import { useStepFacts } from "../step-facts";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { placeOf } from "./place";

/** As far as a place may lie from what it is a share of. */
const clamp = (v: number): number => Math.min(20, Math.max(-20, Number(v.toFixed(4))));

/** Places that steps of the chosen coat are set to, on the art itself: each with a lead from the middle of the letters. */
export function StepPlaces({ item }: { item: ItemUpdate }) {
  const facts = useStepFacts();
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  const { toScreen, fromBoard } = placeOf(item, view);
  const drag =
    (step: string, param: string, box: Bounds, value: Point) =>
    (start: Point): Gesture => {
      const key = newKey(`${step} ${param}`);
      const from = shareOf(box, fromBoard(start));
      return ({ at, shift }) => {
        const to = shareOf(box, fromBoard(at));
        const [dx, dy] = [to.x - from.x, to.y - from.y];
        const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
        // Straight across or down, by what is longer on the art.
        const across = Math.abs(dx * w) > Math.abs(dy * h);
        const moved = { x: clamp(value.x + (shift && !across ? 0 : dx)), y: clamp(value.y + (shift && across ? 0 : dy)) };
        const set = (style: Parameters<typeof editCoat>[0]) =>
          editCoat(style, coatId!, (c) => ({ ...c, form: c.form.map((s) => (s.id === step ? withValue(s, param, moved) : s)) }));
        studioNow().changeStyle(set, key);
        return [];
      };
    };
  return Object.entries(facts).flatMap(([id, { places = [] }]) =>
    places.map(({ param, box }) => {
      const step = coat?.form.find((s) => s.id === id);
      if (!step) return null;
      const described = formStepKind(step.kind).params[param];
      const values = step as unknown as Readonly<Record<string, unknown>>;
      if (!described || !isOfUse(described, values)) return null;
      const value = values[param] as Point;
      const at = toScreen(placeIn(box, value));
      return (
        <g key={`${id} ${param}`}>
          <Lead points={[toScreen(placeIn(box, { x: 0.5, y: 0.5 })), at]} dashed />
          <Grip
            at={at}
            look="diamond"
            name={`step-${param}`}
            label={`${described.label} (Shift: straight)`}
            gesture={drag(id, param, box, value)}
          />
        </g>
      );
    }),
  );
}
