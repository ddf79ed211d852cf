import { isView } from "@/core/bend/perspective";
import { apply, invert, multiply, type Point } from "@/core/curves/matrix";
import { plainView } from "@/core/piece/pose";
import type { ItemUpdate } from "@/worker/protocol";
import { editItems } from "../state/edits/items";
import { studioNow, useStudio } from "../state/store";
import { itemOf } from "../state/work";
import { newKey, type Gesture } from "./gestures";
import { Grip, Lead } from "./grip";
import { itemBox } from "./hit";
import { viewMatrix } from "./view";

const names = ["top left", "top right", "lower right", "lower left"];

/** The four corners that an item is seen by in perspective. */
export function ViewHandles({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const box = item.view?.box ?? itemBox(item);
  const [w, h] = [box.maxX - box.minX || 1, box.maxY - box.minY || 1];
  const shares = useStudio((s) => itemOf(s.work!, item.id)?.view) ?? plainView;
  const toScreen = multiply(viewMatrix(view), item.matrix);
  const at = shares.map((p) => apply(toScreen, { x: box.minX + p.x * w, y: box.minY + p.y * h }));

  const drag =
    (corner: number) =>
    (start: Point): Gesture => {
      const key = newKey("view");
      const back = invert(item.matrix);
      const grip = { x: box.minX + shares[corner].x * w, y: box.minY + shares[corner].y * h };
      const off = apply(back, start);
      return ({ at: to, shift }) => {
        const p = apply(back, to);
        const [px, py] = [grip.x + p.x - off.x, grip.y + p.y - off.y];
        const place = { x: Number(((px - box.minX) / w).toFixed(5)), y: Number(((py - box.minY) / h).toFixed(5)) };
        const next = shares.map((s, i) => (i === corner ? place : { ...s }));
        // Shift moves the neighbour across as well, so that a side stays level: the look along a road.
        if (shift) {
          const twin = corner ^ 1;
          next[twin] = { x: 1 - place.x, y: place.y };
        }
        if (isView(next) && next.every((s) => Math.abs(s.x) <= 20 && Math.abs(s.y) <= 20))
          studioNow().change(
            (work) => editItems(work, [item.id], (i) => void (i.view = next as unknown as NonNullable<typeof i.view>)),
            key,
          );
        return [];
      };
    };

  return (
    <g>
      <Lead points={at} closed />
      {at.map((p, i) => (
        <Grip
          key={i}
          at={p}
          look="diamond"
          name={`view-${i}`}
          label={`Corner of the view, ${names[i]} (Shift: both of its row)`}
          gesture={drag(i)}
        />
      ))}
    </g>
  );
}
