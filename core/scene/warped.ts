import { isEmpty, joinAll, mapped, shifted, type Bounds } from "../curves/bounds";
import type { Kernel, NamedWarp } from "../curves/kernel";
import { identity, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { withReach } from "./effects";
import { movedOverlay, sizeOf } from "./moved";
import type { SceneFill, SceneLayer, ScenePath } from "./scene";

const layers = memoByIdentity<SceneLayer, SceneLayer>(3);
const paths = memoByIdentity<Path, Path>(64);
const out = new Float64Array(6);

/**
 * A layer under a smooth map. Gradients and photos, which SVG cannot draw so, follow the map as it is in the middle of what they stretch
 * over; light on edges and blurs as it is in the middle of the layer.
 * @param tolerance units that outlines may be off
 */
export function warpedLayer(layer: SceneLayer, map: NamedWarp, tolerance: number, kernel: Kernel): SceneLayer {
  return layers(layer, `${kernel.name} ${map.key}`, () => {
    const warped = layer.paths.map((p): ScenePath => ({
      path: paths(p.path, `${kernel.name} ${map.key} ${p.x} ${p.y} ${p.matrix?.join() ?? ""}`, () =>
        kernel.warp(p.matrix ? p.path.transform(p.matrix) : p.path, (x, y, o) => map.warp(x + p.x, y + p.y, o), tolerance),
      ),
      x: 0,
      y: 0,
      fill: p.fill,
    }));
    const near = nearMiddle(layer.bounds, map);
    const size = sizeOf(near);
    const { effects: asked } = layer;
    const effects = asked?.map((e) => ({ ...e, deviation: e.deviation * size }));
    const lying = layer.layers?.map((l) => warpedLayer(l, map, tolerance, kernel));
    const at = (p: { readonly x: number; readonly y: number }) => {
      map.warp(p.x, p.y, out);
      return { x: out[0], y: out[1] };
    };
    return {
      ...layer,
      paths: warped,
      ...(lying ? { layers: lying } : {}),
      ...(layer.over ? { over: layer.over.map((o) => movedOverlay(o, near, size)) } : {}),
      ...(effects ? { effects } : {}),
      fills: layer.fills.map((f) => warpedFill(f, map)),
      ...(layer.fade ? { fade: { ...layer.fade, from: at(layer.fade.from), to: at(layer.fade.to) } } : {}),
      bounds: withReach(
        joinAll([...warped.map((p) => shifted(p.path.bounds, p.x, p.y)), ...(lying ?? []).map((l) => l.bounds)]),
        effects ?? [],
      ),
    };
  });
}

function warpedFill(fill: SceneFill, map: NamedWarp): SceneFill {
  if (fill.kind === "flat") return fill;
  return { ...fill, matrix: multiply(nearMiddle(mapped(fill.matrix ?? identity, fill.box), map), fill.matrix ?? identity) };
}

/** A map as it is in the middle of a box. */
function nearMiddle(box: Bounds, { warp }: NamedWarp): Matrix {
  if (isEmpty(box)) return identity;
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  warp(middle.x, middle.y, out);
  const [x, y, a, b, c, d] = out;
  return [a, b, c, d, x - a * middle.x - c * middle.y, y - b * middle.x - d * middle.y];
}
