import { mapped } from "../curves/bounds";
import { apply, identity, multiply, translation, type Matrix } from "../curves/matrix";
import type { SceneLayer, SceneOverlay } from "./scene";

/** How much longer lengths become, all ways taken together. */
export const sizeOf = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

/** A layer under an affine map: paths that repeat stay one object. Blurs become as much larger as the area does. */
export function movedLayer(layer: SceneLayer, m: Matrix): SceneLayer {
  const { effects } = layer;
  const size = sizeOf(m);
  return {
    ...layer,
    paths: layer.paths.map((p) => {
      const own = multiply(translation(p.x, p.y), p.matrix ?? identity);
      const [a, b, c, d, e, f] = multiply(m, own);
      return { ...p, x: e, y: f, matrix: [a, b, c, d, 0, 0] };
    }),
    fills: layer.fills.map((f) => (f.kind === "flat" ? f : { ...f, matrix: multiply(m, f.matrix ?? identity) })),
    bounds: mapped(m, layer.bounds),
    ...(layer.layers ? { layers: layer.layers.map((l) => movedLayer(l, m)) } : {}),
    ...(layer.over ? { over: layer.over.map((o) => movedOverlay(o, m, size)) } : {}),
    ...(layer.fade ? { fade: { ...layer.fade, from: apply(m, layer.fade.from), to: apply(m, layer.fade.to) } } : {}),
    ...(effects ? { effects: effects.map((e) => ({ ...e, deviation: e.deviation * size })) } : {}),
  };
}

/** @param size how much longer lengths become */
export function movedOverlay(o: SceneOverlay, [a, b, c, d]: Matrix, size: number): SceneOverlay {
  const scaled = { ...o, deviation: o.deviation * size };
  return scaled.kind === "edge"
    ? scaled
    : { ...scaled, rise: { x: a * scaled.rise.x + c * scaled.rise.y, y: b * scaled.rise.x + d * scaled.rise.y } };
}
