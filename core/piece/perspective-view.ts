import { bendTolerance } from "../bend/bent";
import { perspective } from "../bend/perspective";
import { corners, empty, join, type Bounds } from "../curves/bounds";
import type { Kernel, Warp } from "../curves/kernel";
import type { Point } from "../curves/matrix";
import type { SceneLayer } from "../scene/scene";
import { warpedLayer } from "../scene/warped";
import type { Pose } from "./pose";

/** How an item is seen: in its own space, before it is placed on the board. */
export interface View {
  readonly key: string;
  readonly warp: Warp;
  /** The box whose corners were moved, and where they are seen, clockwise from the top left. */
  readonly box: Bounds;
  readonly corners: readonly Point[];
}

/** The view of an item whose ink fills `box`; undefined where it is looked at straight. */
export function viewOf({ view }: Pick<Pose, "view">, box: Bounds): View | undefined {
  if (!view || !(box.maxX > box.minX && box.maxY > box.minY)) return undefined;
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const at = view.map((p) => ({ x: box.minX + p.x * w, y: box.minY + p.y * h }));
  return { key: JSON.stringify([view, box]), warp: perspective(box, at), box, corners: at };
}

const out = new Float64Array(6);

/** Where a point is seen. */
export function seen(view: View | undefined, p: Point): Point {
  if (!view) return p;
  view.warp(p.x, p.y, out);
  return { x: out[0], y: out[1] };
}

/** The upright box around a box as it is seen: lines stay straight, so its corners bound it. */
export function seenBox(view: View | undefined, b: Bounds): Bounds {
  if (!view || b.minX > b.maxX) return b;
  return corners(b)
    .map((p) => seen(view, p))
    .reduce((all, p) => join(all, { minX: p.x, maxX: p.x, minY: p.y, maxY: p.y }), empty);
}

/** A layer as it is seen. */
export const seenLayer = (layer: SceneLayer, view: View | undefined, kernel: Kernel): SceneLayer =>
  view ? warpedLayer(layer, view, bendTolerance, kernel) : layer;
