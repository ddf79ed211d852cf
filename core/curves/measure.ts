import { curvatureAt, directionAt, footNear, valueAt } from "./bezier";
import { boxesOf } from "./boxes";
import { contoursOf, stride, type Contour } from "./contour";
import { changeBetween } from "./halving";
import { lengthOf } from "./length";
import type { Path } from "./path";
import { derivative, signChanges } from "./roots";

/**
 * How often contours run round (x, y); counterclockwise, with x to the right and y up, counts up. Exact in the curves: each segment is cut
 * where it turns up or down, and a piece that passes y counts where it passes east of the point. A point on an outline may go either way.
 */
export function windingAbout(contours: readonly Contour[], x: number, y: number): number {
  let winding = 0;
  for (const c of contours)
    for (let k = 0; k < c.size; k++) {
      const o = k * stride;
      const degree = c.degrees[k];
      if (!reaches(c.points, o + 1, degree, y)) continue;
      const ys = Array.from({ length: degree + 1 }, (_, i) => c.points[o + 2 * i + 1]);
      const cuts = degree === 1 ? [0, 1] : [0, ...signChanges(derivative(ys)), 1];
      for (let i = 0; i + 1 < cuts.length; i++) {
        const isBelow = (t: number) => valueAt(c.points, o + 1, degree, t) <= y;
        const below = isBelow(cuts[i]);
        if (below === isBelow(cuts[i + 1])) continue;
        const t = changeBetween(cuts[i], cuts[i + 1], isBelow);
        if (valueAt(c.points, o, degree, t) > x) winding += below ? 1 : -1;
      }
    }
  return winding;
}

/** Whether some control points lie above y and some do not. */
function reaches(p: ArrayLike<number>, o: number, degree: number, y: number): boolean {
  const above = p[o] > y;
  for (let i = 1; i <= degree; i++) if (p[o + 2 * i] > y !== above) return true;
  return false;
}

/** Whether a point lies inside a path, filled nonzero. */
export const contains = (path: Path, x: number, y: number): boolean => windingAbout(contoursOf(path, true), x, y) !== 0;

/** A place on a path: the contour, the segment on it and its parameter. */
export interface Place {
  readonly contour: number;
  readonly segment: number;
  readonly t: number;
  readonly x: number;
  readonly y: number;
}

/**
 * The point of a path next to (x, y), and its distance. Every segment whose box is near enough is searched from several starts.
 * Undefined for an empty path.
 */
export function nearest(path: Path, x: number, y: number): (Place & { readonly distance: number }) | undefined {
  let best: (Place & { distance: number }) | undefined;
  contoursOf(path, false).forEach((c, contour) => {
    for (let segment = 0; segment < c.size; segment++) {
      const o = segment * stride;
      const degree = c.degrees[segment];
      if (best && boxDistance(c, segment, x, y) >= best.distance) continue;
      const starts = degree === 1 ? 1 : 8;
      for (let i = 0; i <= starts; i++) {
        const t = footNear(c.points, o, degree, x, y, i / starts);
        const px = valueAt(c.points, o, degree, t);
        const py = valueAt(c.points, o + 1, degree, t);
        const distance = Math.hypot(px - x, py - y);
        if (!best || distance < best.distance) best = { contour, segment, t, x: px, y: py, distance };
      }
    }
  });
  return best;
}

function boxDistance(c: Contour, k: number, x: number, y: number): number {
  const [minX, minY, maxX, maxY] = boxesOf(c).subarray(4 * k, 4 * k + 4);
  return Math.hypot(Math.max(0, minX - x, x - maxX), Math.max(0, minY - y, y - maxY));
}

/** The length of all contours, in units; open contours stay open. */
export function perimeterOf(path: Path): number {
  let sum = 0;
  for (const c of contoursOf(path, false)) for (let k = 0; k < c.size; k++) sum += lengthOf(c.points, k * stride, c.degrees[k]);
  return sum;
}

/** Direction (unit) and signed curvature (1 / unit) at a place of a path. @throws RangeError where there is no such segment */
export function shapeAt(path: Path, contour: number, segment: number, t: number): { dx: number; dy: number; curvature: number } {
  const c = contoursOf(path, false)[contour];
  if (!c || !(segment >= 0 && segment < c.size)) throw new RangeError(`There is no segment ${segment} on contour ${contour}.`);
  const out = new Float64Array(2);
  directionAt(c.points, segment * stride, c.degrees[segment], t, out);
  return { dx: out[0], dy: out[1], curvature: curvatureAt(c.points, segment * stride, c.degrees[segment], t) };
}
