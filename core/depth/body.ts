import type { Kernel } from "../curves/kernel";
import type { Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Way } from "../curves/sweep";

/** How far what lies under the sides stays within them, in units: its edge would be seen beside theirs. */
const inset = 3;

/** What lies under the sides of a welded shape, so that no ground is seen between two of them. */
export const bodyUnder = (front: Path, way: Way, kernel: Kernel): Path =>
  kernel.sweep(kernel.grow(front, -inset, { kind: "miter", limit: 4 }), way).silhouette;

/** All that it covers on the first share of its way. */
export const bodyTo = (front: Path, way: Way, share: number, kernel: Kernel): Path => kernel.sweep(front, shortened(way, share)).silhouette;

/** A way that ends after a share of it. */
export const shortened = (way: Way, share: number): Way =>
  way.kind === "vector" ? { ...way, x: way.x * share, y: way.y * share } : { ...way, by: way.by * share };

/** From the start of a way to where a shape is after a share of it. */
export function movedAlong(way: Way, share: number): Matrix {
  if (way.kind === "vector") return [1, 0, 0, 1, way.x * share, way.y * share];
  const k = 1 - way.by * share;
  return [k, 0, 0, k, way.x * way.by * share, way.y * way.by * share];
}

/** What is left of a way after a share of it. */
export const rest = (way: Way, share: number): Way =>
  way.kind === "vector"
    ? { ...way, x: way.x * (1 - share), y: way.y * (1 - share) }
    : { ...way, by: (way.by * (1 - share)) / (1 - way.by * share) };
