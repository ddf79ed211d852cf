import { positive, resolve } from "./arrange/resolve";
import { areaOf } from "./arrange/tidy";
import { valueAt } from "./bezier";
import { boxesOf } from "./boxes";
import type { Budget } from "./budget";
import type { Contour } from "./contour";
import { windingAbout } from "./measure";

/** The shape without its counters. @param clean contours that do not cross, outers positive */
export function withoutCounters(clean: readonly Contour[], budget: Budget): Contour[] {
  const outers = clean.filter((c) => areaOf(c) > 0);
  if (outers.length < 2) return outers;
  // What stood inside a counter is covered now.
  return resolve(outers, positive, budget);
}

/**
 * The separate shapes of a path: every outer with the counters that lie straight inside it, in the order of the outers.
 * @param clean contours that do not cross, outers positive
 */
export function separateShapes(clean: readonly Contour[]): Contour[][] {
  const all = clean.map((c) => ({ c, area: areaOf(c) }));
  const shapes = all.filter((o) => o.area > 0).map((outer) => ({ ...outer, parts: [outer.c] }));
  if (shapes.length === all.length) return shapes.map((s) => s.parts);
  // The smallest outer around a counter is its own; a counter's points lie inside that.
  const bySize = [...shapes].sort((a, b) => a.area - b.area);
  for (const { c, area } of all) {
    if (area > 0) continue;
    const x = valueAt(c.points, 0, c.degrees[0], 0.5);
    const y = valueAt(c.points, 1, c.degrees[0], 0.5);
    bySize.find((o) => -area < o.area && boxHolds(o.c, x, y) && windingAbout([o.c], x, y) !== 0)?.parts.push(c);
  }
  return shapes.map((s) => s.parts);
}

function boxHolds(c: Contour, x: number, y: number): boolean {
  const [minX, minY, maxX, maxY] = boxesOf(c).subarray(4 * c.size);
  return x >= minX && x <= maxX && y >= minY && y <= maxY;
}
