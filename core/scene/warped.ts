import { joinAll, mapped, shifted } from "../curves/bounds";
import type { Kernel, NamedWarp } from "../curves/kernel";
import { identity, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { withReach } from "./effects";
import type { SceneFill, SceneLayer, ScenePath } from "./scene";

const layers = memoByIdentity<SceneLayer, SceneLayer>(3);
const paths = memoByIdentity<Path, Path>(64);
const out = new Float64Array(6);

/**
 * A layer under a smooth map. Gradients and photos, which SVG cannot draw so, follow the map as it is in the middle of what they stretch
 * over.
 * @param tolerance units that outlines may be off
 */
export function warpedLayer(layer: SceneLayer, map: NamedWarp, tolerance: number, kernel: Kernel): SceneLayer {
  const { effects = [] } = layer;
  return layers(layer, `${kernel.name} ${map.key}`, () => {
    const warped = layer.paths.map((p): ScenePath => ({
      path: paths(p.path, `${kernel.name} ${map.key} ${p.x} ${p.y} ${p.matrix?.join() ?? ""}`, () =>
        kernel.warp(p.matrix ? p.path.transform(p.matrix) : p.path, (x, y, o) => map.warp(x + p.x, y + p.y, o), tolerance),
      ),
      x: 0,
      y: 0,
      fill: p.fill,
    }));
    const lying = layer.layers?.map((l) => warpedLayer(l, map, tolerance, kernel));
    const at = (p: { readonly x: number; readonly y: number }) => {
      map.warp(p.x, p.y, out);
      return { x: out[0], y: out[1] };
    };
    return {
      ...layer,
      paths: warped,
      ...(lying ? { layers: lying } : {}),
      fills: layer.fills.map((f) => warpedFill(f, map)),
      ...(layer.fade ? { fade: { ...layer.fade, from: at(layer.fade.from), to: at(layer.fade.to) } } : {}),
      bounds: withReach(joinAll([...warped.map((p) => shifted(p.path.bounds, p.x, p.y)), ...(lying ?? []).map((l) => l.bounds)]), effects),
    };
  });
}

function warpedFill(fill: SceneFill, { warp }: NamedWarp): SceneFill {
  if (fill.kind === "flat") return fill;
  const own = mapped(fill.matrix ?? identity, fill.box);
  const middle = { x: (own.minX + own.maxX) / 2, y: (own.minY + own.maxY) / 2 };
  warp(middle.x, middle.y, out);
  const [x, y, a, b, c, d] = out;
  const near: Matrix = [a, b, c, d, x - a * middle.x - c * middle.y, y - b * middle.x - d * middle.y];
  return { ...fill, matrix: multiply(near, fill.matrix ?? identity) };
}
