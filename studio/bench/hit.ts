import { isEmpty, mapped, type Bounds } from "@/core/curves/bounds";
import { apply, invert, type Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";

/** The box that stands for a lettering when it is aimed at, moved and scaled: its ink, or its frame where it has none. */
export const itemBox = (item: ItemUpdate): Bounds => (isEmpty(item.ink) ? item.frame : item.ink);

/** The inked box on the board. */
export const boardBox = (item: ItemUpdate): Bounds => mapped(item.matrix, itemBox(item));

/** The foremost lettering at a point of the board. @param slack board pixels around it that still count */
export function hit(items: readonly ItemUpdate[], p: Point, slack: number): ItemUpdate | undefined {
  return items.findLast((item) => {
    const at = apply(invert(item.matrix), p);
    const scale = Math.hypot(item.matrix[0], item.matrix[1]);
    const s = slack / scale;
    const b = itemBox(item);
    return at.x >= b.minX - s && at.x <= b.maxX + s && at.y >= b.minY - s && at.y <= b.maxY + s;
  });
}

/** The caret place in a lettering's text nearest to a point of lettering space. */
export function caretAt(item: ItemUpdate, at: Point): number {
  const line = item.lines.reduce(
    (best, l, i) => (Math.abs(l.baseline - item.metrics.capHeight / 2 - at.y) < Math.abs(item.lines[best].baseline - item.metrics.capHeight / 2 - at.y) ? i : best),
    0,
  );
  const stops = item.carets.filter((c) => c.line === line);
  return stops.reduce((best, c) => (Math.abs(c.x - at.x) < Math.abs(best.x - at.x) ? c : best), stops[0])?.index ?? 0;
}
