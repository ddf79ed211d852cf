import { bendTolerance } from "../bend/bent";
import { perspective } from "../bend/perspective";
import { corners, empty, join, joinAll, mapped, shifted, type Bounds } from "../curves/bounds";
import type { Kernel, Warp } from "../curves/kernel";
import { identity, multiply, type Matrix, type Point } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { withReach } from "../scene/effects";
import type { SceneFill, SceneLayer, ScenePath } from "../scene/scene";
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

const layers = memoByIdentity<SceneLayer, SceneLayer>(3);
const paths = memoByIdentity<Path, Path>(64);

/**
 * A layer as it is seen. Gradients and photos, which SVG cannot draw in perspective, follow the view as it is in the middle of what they
 * stretch over.
 */
export function seenLayer(layer: SceneLayer, view: View | undefined, kernel: Kernel): SceneLayer {
  if (!view) return layer;
  const { effects = [] } = layer;
  return layers(layer, `${kernel.name} ${view.key}`, () => {
    const warped = layer.paths.map((p): ScenePath => ({
      path: paths(p.path, `${kernel.name} ${view.key} ${p.x} ${p.y} ${p.matrix?.join() ?? ""}`, () =>
        kernel.warp(p.matrix ? p.path.transform(p.matrix) : p.path, (x, y, o) => view.warp(x + p.x, y + p.y, o), bendTolerance),
      ),
      x: 0,
      y: 0,
      fill: p.fill,
    }));
    return {
      ...layer,
      paths: warped,
      fills: layer.fills.map((f) => seenFill(f, view)),
      ...(layer.fade ? { fade: { ...layer.fade, from: seen(view, layer.fade.from), to: seen(view, layer.fade.to) } } : {}),
      bounds: withReach(joinAll(warped.map((p) => shifted(p.path.bounds, p.x, p.y))), effects),
    };
  });
}

function seenFill(fill: SceneFill, view: View): SceneFill {
  if (fill.kind === "flat") return fill;
  const own = mapped(fill.matrix ?? identity, fill.box);
  const middle = { x: (own.minX + own.maxX) / 2, y: (own.minY + own.maxY) / 2 };
  view.warp(middle.x, middle.y, out);
  const [x, y, a, b, c, d] = out;
  const near: Matrix = [a, b, c, d, x - a * middle.x - c * middle.y, y - b * middle.x - d * middle.y];
  return { ...fill, matrix: multiply(near, fill.matrix ?? identity) };
}
