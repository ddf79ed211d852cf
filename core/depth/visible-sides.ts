import { contoursOf, pathOf } from "../curves/contour";
import type { Kernel, StackItem } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Way } from "../curves/sweep";
import { nearestFirst } from "./order";
import { arcOf, sidesOf, stripOf, type Cut, type CutsAt, type Side } from "./sides";

/**
 * What is seen of the sides of a shape that is swept along a way, its front in front: one part for each label, with no gap and no overlap
 * between them.
 * @param front a welded shape
 * @param labelOf what a side belongs to
 * @param cutsAt where curves are cut so that each piece belongs to one label
 */
export const visibleSides = <L>(front: Path, way: Way, kernel: Kernel, labelOf: (side: Side) => L, cutsAt?: CutsAt): Map<L, Path> =>
  visibleOf(sidesOf(contoursOf(front, true), way, cutsAt), way, kernel, labelOf);

/** The same of an outline that is cut already. */
export function visibleOf<L>({ contours, sides }: Cut, way: Way, kernel: Kernel, labelOf: (side: Side) => L): Map<L, Path> {
  const arcs = sides.map((s) => arcOf(contours, s, way));
  const items: StackItem<{ readonly of: L } | undefined>[] = [{ path: pathOf(contours), label: undefined }];
  const labels = new Map<L, { readonly of: L }>();
  for (const i of nearestFirst(arcs, way)) {
    const of = labelOf(sides[i]);
    let label = labels.get(of);
    if (!label) labels.set(of, (label = { of }));
    items.push({ path: pathOf([stripOf(contours, sides[i], way)]), label });
  }
  const seen = new Map<L, Path>();
  for (const { label, path } of kernel.stack(items)) if (label && !path.isEmpty) seen.set(label.of, path);
  return seen;
}
