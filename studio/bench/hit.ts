import { isEmpty, mapped, type Bounds } from "@/core/curves/bounds";
import { apply, invert, type Point } from "@/core/curves/matrix";
import type { ItemUpdate, LetteringUpdate, LetterUpdate } from "@/worker/protocol";

/** The box that stands for an item when it is aimed at, moved and scaled: its ink, or its frame where it has none. */
export const itemBox = (item: ItemUpdate): Bounds => (isEmpty(item.ink) ? item.frame : item.ink);

/** The inked box on the board. */
export const boardBox = (item: ItemUpdate): Bounds => mapped(item.matrix, itemBox(item));

/** The frame on the board: from the feet of the last line to the heads of the first, inked or not. */
export const frameBox = (item: ItemUpdate): Bounds => mapped(item.matrix, item.frame);

/** The foremost item at a point of the board that can be taken hold of. @param slack board pixels around it that still count */
export function hit(items: readonly ItemUpdate[], p: Point, slack: number): ItemUpdate | undefined {
  return items.findLast((item) => {
    if (item.hidden || item.locked) return false;
    const at = apply(invert(item.matrix), p);
    const scale = Math.hypot(item.matrix[0], item.matrix[1]);
    const s = slack / scale;
    const b = itemBox(item);
    if (!(at.x >= b.minX - s && at.x <= b.maxX + s && at.y >= b.minY - s && at.y <= b.maxY + s)) return false;
    // A ring of letters has a hole that shows what lies behind: only the letters and the stripe around them are the word.
    return item.kind !== "lettering" || !item.letters.length || !item.marks.length || item.letters.some((l) => near(l, at, s + 60));
  });
}

const near = (l: LetterUpdate, p: Point, slack: number): boolean => {
  const xs = l.quad.map((q) => q.x);
  const ys = l.quad.map((q) => q.y);
  return (
    p.x >= Math.min(...xs) - slack && p.x <= Math.max(...xs) + slack && p.y >= Math.min(...ys) - slack && p.y <= Math.max(...ys) + slack
  );
};

/** The caret place in a lettering's text nearest to a point of its space. */
export function caretAt(item: LetteringUpdate, at: Point): number {
  let best = { index: 0, distance: Infinity };
  for (const c of item.carets) {
    const distance = fromSegment(at, c.foot, c.head);
    if (distance < best.distance - 1e-9) best = { index: c.index, distance };
  }
  return best.index;
}

function fromSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}
