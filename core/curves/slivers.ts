import { areaOf } from "./arrange/tidy";
import { contoursOf, pathOf, stride, type Contour } from "./contour";
import { lengthOf } from "./length";
import type { Path } from "./path";

/** Units: what is thinner than this all along no eye sees. */
const unseen = 0.5;

/** The length of a contour, in units. */
function around({ points, degrees, size }: Contour): number {
  let sum = 0;
  for (let k = 0; k < size; k++) sum += lengthOf(points, k * stride, degrees[k]);
  return sum;
}

/**
 * A clean path without the pieces that are thinner than half a unit all along, by twice their area over their outline: what is left where
 * two outlines all but run along one another. The same object where there are none.
 */
export function withoutSlivers(path: Path): Path {
  const contours = contoursOf(path, true);
  const kept = contours.filter((c) => {
    const area = areaOf(c);
    return area <= 0 || 2 * area >= unseen * around(c);
  });
  return kept.length === contours.length ? path : pathOf(kept);
}
