import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { plain, type Shape } from "./shape";

// Of a draft and of the exact outlines: where something is dragged both may be asked for.
const fronts = memoByIdentity<Shape, Path>(2);

/** All letters as one outline, in lettering space: what shades are of, so that none falls on a neighbour's face. */
export const frontOf = (shape: Shape, kernel: Kernel): Path =>
  fronts(shape, kernel.name, () => {
    const all = shape.parts.map(plain);
    return kernel.union(
      all.map((p) => p.path),
      all.map(({ x, y }) => ({ x, y })),
    );
  });
