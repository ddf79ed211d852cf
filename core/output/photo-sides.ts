import { multiply } from "../curves/matrix";
import type { Scene } from "../scene/scene";
import { fillsIn } from "../scene/walk";
import { exportedItems, type Area } from "./output-kind";

/** Sides are taken in steps of so many pixels, so that a photo that is a little larger elsewhere is the same one. */
const step = 64;

/**
 * How many pixels the longer side of each photo needs, by its id: as it is seen where it is largest.
 * @param density pixels to one of the board
 */
export function photoSides(scene: Scene, area: Area, density: number): ReadonlyMap<string, number> {
  const sides = new Map<string, number>();
  for (const { layers, matrix } of exportedItems(scene, area))
    for (const fill of layers.flatMap(fillsIn)) {
      if (fill.kind !== "picture" || fill.source.kind !== "photo") continue;
      const [a, b, c, d] = fill.matrix ? multiply(matrix, fill.matrix) : matrix;
      const { minX, minY, maxX, maxY } = fill.area;
      const longer = Math.max((maxX - minX) * Math.hypot(a, b), (maxY - minY) * Math.hypot(c, d)) * density;
      const { photo } = fill.source;
      sides.set(photo, Math.max(sides.get(photo) ?? step, step * Math.ceil(longer / step)));
    }
  return sides;
}
