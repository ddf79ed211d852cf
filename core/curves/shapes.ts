import { positive, resolve } from "./arrange/resolve";
import { areaOf } from "./arrange/tidy";
import { valueAt } from "./bezier";
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
  const outers = clean.map((c, i) => ({ c, i, area: areaOf(c) })).filter((o) => o.area > 0);
  const shapes = new Map(outers.map((o) => [o.i, [o.c]]));
  for (const counter of clean) {
    if (areaOf(counter) > 0) continue;
    const degree = counter.degrees[0];
    const x = valueAt(counter.points, 0, degree, 0.5);
    const y = valueAt(counter.points, 1, degree, 0.5);
    // The smallest outer around it; a counter's own points lie inside that.
    const around = outers.filter((o) => -areaOf(counter) < o.area && windingAbout([o.c], x, y) !== 0).sort((a, b) => a.area - b.area)[0];
    if (around) shapes.get(around.i)!.push(counter);
  }
  return [...shapes.values()];
}
