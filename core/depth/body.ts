import type { Kernel } from "../curves/kernel";
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
