import { bendTolerance } from "../bend/bent";
import { fromPerspective } from "../bend/perspective";
import { placeOfPart, type Shape } from "../coat/shape";
import type { Kernel, Warp } from "../curves/kernel";
import { invert, multiply } from "../curves/matrix";
import { memoByIdentity, numberOf } from "../memo";
import type { View } from "./perspective-view";
import { placeKey, type Placed } from "./placed";

const joined = memoByIdentity<Shape, Shape>(4);
const brought = memoByIdentity<Shape, Shape>(6);

/** All that these forms cover, as one shape; kept with the letters that they are made of. */
export const covered = (letters: Shape, forms: readonly Shape[]): Shape =>
  joined(letters, forms.map(numberOf).join(), () => ({ parts: forms.flatMap((f) => f.parts) }));

/** A shape of one item as it is seen, in the space of another item before that one's own view. */
export function inSpaceOf(shape: Shape, from: Placed, to: Placed, kernel: Kernel): Shape {
  const m = multiply(invert(to.matrix), from.matrix);
  const key = `${kernel.name} ${placeKey(m)} ${from.view?.key ?? ""} ${to.view?.key ?? ""}`;
  return brought(shape, key, () => ({
    parts: shape.parts.map((part) => {
      const { matrix: _, ...rest } = part;
      let path = part.path.transform(placeOfPart(part));
      if (from.view) path = kernel.warp(path, from.view.warp, bendTolerance);
      path = path.transform(m);
      return { ...rest, path: to.view ? kernel.warp(path, unseen(to.view), bendTolerance) : path, x: 0, y: 0 };
    }),
  }));
}

/** From where something is seen to where it lies, with its derivatives: the inverse of the view's. */
function unseen({ box, corners, warp }: View): Warp {
  const back = fromPerspective(box, corners);
  const there = new Float64Array(6);
  return (x, y, out) => {
    const at = back({ x, y });
    warp(at.x, at.y, there);
    const [, , a, b, c, d] = there;
    const det = a * d - b * c;
    out.set([at.x, at.y, d / det, -b / det, -c / det, a / det]);
  };
}
