import { isEmpty, type Bounds } from "../curves/bounds";
import type { SceneEffect } from "./scene";

/** How far effects reach beyond what they are given: a blur fades out within three deviations, common practice. */
export const reachOf = (effects: readonly SceneEffect[]): number => effects.reduce((sum, e) => sum + 3 * e.deviation, 0);

/** A box with room for effects on all sides. */
export function withReach(b: Bounds, effects: readonly SceneEffect[]): Bounds {
  const by = reachOf(effects);
  return isEmpty(b) ? b : { minX: b.minX - by, minY: b.minY - by, maxX: b.maxX + by, maxY: b.maxY + by };
}
