import { directionAt } from "../../curves/bezier";
import { contoursOf, stride } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import type { Path } from "../../curves/path";

/** A mitre longer than so many widths is none: slits have round ends. */
export const longest = 4;

/** What is left of a shape within slopes of a width, as `facetsOf` leaves it: corners that point inwards are mitred, but for slits. */
export function topOf(path: Path, width: number, kernel: Kernel): Path {
  const mitred = kernel.grow(path, -width, { kind: "miter", limit: longest });
  // A picture of a drag does without.
  return kernel === kernel.exact && hasSlit(path) ? kernel.intersect([mitred, kernel.grow(path, -width, { kind: "round" })]) : mitred;
}

const before = new Float64Array(2);
const after = new Float64Array(2);

/** Whether a corner points inwards so sharply that its mitre would be too long. */
const hasSlit = (path: Path): boolean =>
  contoursOf(path, true).some(({ points, degrees, size }) => {
    for (let k = 0; k < size; k++) {
      const last = (k + size - 1) % size;
      directionAt(points, last * stride, degrees[last], 1, before);
      directionAt(points, k * stride, degrees[k], 0, after);
      const turn = before[0] * after[1] - before[1] * after[0];
      // Half of the angle between the normals has a cosine under one over the limit.
      const half = Math.sqrt(Math.max(0, (1 + before[0] * after[0] + before[1] * after[1]) / 2));
      if (turn < 0 && half < 1 / longest) return true;
    }
    return false;
  });
