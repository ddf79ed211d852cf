import { positive, resolveEach } from "../arrange/resolve";
import { areaOf, withoutIdleNodes } from "../arrange/tidy";
import { directionAt } from "../bezier";
import { boxesOf } from "../boxes";
import type { Budget } from "../budget";
import { reversed, stride, type Contour } from "../contour";
import { mergeSmooth, withoutSpecks } from "../merge";
import { separateShapes } from "../shapes";
import { opens, type Join } from "./joins";
import { rawOutline } from "./raw-outline";

/**
 * How far fitted parallels may lie from the true ones, in units: a sixteen-thousandth of the shape, and no more than 0.028 in shapes the
 * size of letters and up. Joining curves may add two thirds of that.
 */
export function fitTolerance(shape: readonly Contour[]): number {
  let size = 0;
  for (const c of shape) size = Math.max(size, extent(c).longer);
  return Math.min(0.028, Math.max(1e-4, size / 16_000));
}

/**
 * The outline of all points within d of a shape (d > 0), or of those farther than -d from its outside (d < 0), with corners joined
 * as asked. Separate shapes are shrunk each by itself: the miter of one takes nothing from another that it reaches into. So are counters
 * where they are grown into: a miter in one does not come out through the ink on its far side.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function growContours(clean: readonly Contour[], d: number, join: Join, budget: Budget): Contour[] {
  const parts = (d > 0 ? [clean] : separateShapes(clean)).map((part) => leftOf(part, d, join)).filter((part) => part.length > 0);
  const tolerance = fitTolerance(parts.flat());
  const raw = parts.map((part) =>
    part.flatMap((c) => {
      const outline = rawOutline(c, d, join, tolerance, budget);
      const comesOut = d > 0 && join.kind === "miter" && areaOf(c) < 0 && !isWithin(outline, c);
      return comesOut ? growContours([reversed(c)], -d, join, budget).map(reversed) : [outline];
    }),
  );
  const partOf = Int32Array.from(raw.flatMap((part, i) => part.map(() => i)));
  const fresh = resolveEach(raw.flat(), partOf, parts.length, positive, budget, 2 * tolerance).flat();
  return fresh.map((c) => simpler(c, tolerance, budget));
}

/**
 * Without what is thinner than twice the distance and closes up: counters that are grown into, outers that are shrunk away, with all that
 * is in them. Where corners are cut off, what lies before them may stay however thin all else is.
 */
function leftOf(part: readonly Contour[], d: number, join: Join): Contour[] {
  const isLeft = (c: Contour) =>
    areaOf(c) > 0 === d > 0 || extent(c).shorter > 2 * Math.abs(d) || (join.kind !== "round" && hasOpening(c, d));
  return d > 0 || isLeft(part[0]) ? part.filter(isLeft) : [];
}

const into = new Float64Array(2);
const outOf = new Float64Array(2);

/** Whether a contour has a corner that opens towards d. */
function hasOpening({ points, degrees, size }: Contour, d: number): boolean {
  for (let k = 0; k < size; k++) {
    const next = (k + 1) % size;
    directionAt(points, k * stride, degrees[k], 1, into);
    directionAt(points, next * stride, degrees[next], 0, outOf);
    const sin = into[0] * outOf[1] - into[1] * outOf[0];
    if (sin * d > 0 && opens(into, outOf, d)) return true;
  }
  return false;
}

/** A fresh outline with the fewest nodes that draw it. */
export const simpler = (c: Contour, tolerance: number, budget: Budget): Contour =>
  mergeSmooth(withoutIdleNodes(withoutSpecks(c, 1.4 * tolerance)), (2 / 3) * tolerance, budget);

/** The box of a contour's points. */
const boxOf = (c: Contour): Float64Array => boxesOf(c).subarray(4 * c.size);

function isWithin(inner: Contour, outer: Contour): boolean {
  const [a, b] = [boxOf(inner), boxOf(outer)];
  return a[0] >= b[0] && a[1] >= b[1] && a[2] <= b[2] && a[3] <= b[3];
}

/** The sides of the box of a contour's points; its true width is no more than the shorter. */
function extent(c: Contour): { shorter: number; longer: number } {
  const [minX, minY, maxX, maxY] = boxOf(c);
  return { shorter: Math.min(maxX - minX, maxY - minY), longer: Math.max(maxX - minX, maxY - minY) };
}
