import { positive, resolve } from "../arrange/resolve";
import { areaOf, withoutIdleNodes } from "../arrange/tidy";
import { boxesOf } from "../boxes";
import type { Budget } from "../budget";
import type { Contour } from "../contour";
import { mergeSmooth, withoutSpecks } from "../merge";
import type { Join } from "./joins";
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
 * as asked.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function growContours(clean: readonly Contour[], d: number, join: Join, budget: Budget): Contour[] {
  // What is thinner than twice the distance closes up: counters that are grown into, outers that are shrunk away.
  const left = clean.filter((c) => areaOf(c) > 0 === d > 0 || extent(c).shorter > 2 * Math.abs(d));
  const tolerance = fitTolerance(left);
  const raw = left.map((c) => rawOutline(c, d, join, tolerance, budget));
  return resolve(raw, positive, budget, { slack: 2 * tolerance }).map((c) => simpler(c, tolerance, budget));
}

/** A fresh outline with the fewest nodes that draw it. */
export const simpler = (c: Contour, tolerance: number, budget: Budget): Contour =>
  mergeSmooth(withoutIdleNodes(withoutSpecks(c, 1.4 * tolerance)), (2 / 3) * tolerance, budget);

/** The sides of the box of a contour's points; its true width is no more than the shorter. */
function extent(c: Contour): { shorter: number; longer: number } {
  const [minX, minY, maxX, maxY] = boxesOf(c).subarray(4 * c.size);
  return { shorter: Math.min(maxX - minX, maxY - minY), longer: Math.max(maxX - minX, maxY - minY) };
}
