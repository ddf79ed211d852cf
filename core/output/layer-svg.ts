import type { Matrix } from "../curves/matrix";
import { toSvgPath } from "../curves/svg-path";
import type { SceneFill, SceneItem, SceneLayer } from "../scene/scene";
import type { SvgNode } from "./svg-node";

/** Short and exact enough: six significant digits. */
export const number = (v: number): string => String(Number(v.toPrecision(7)));

export const matrixText = (m: Matrix): string => `matrix(${m.map(number).join(" ")})`;

/**
 * One layer as a group of one path a letter, with the gradients it needs. Ids start with `prefix`, which must be its
 * own in the document.
 */
export function layerNode(layer: SceneLayer, item: SceneItem, prefix: string): SvgNode {
  const gradients = layer.fills.flatMap((fill, i) => (fill.kind === "flat" ? [] : [gradientNode(fill, `${prefix}f${i}`)]));
  const paint = layer.fills.map((fill, i): Record<string, string | number> =>
    fill.kind === "flat"
      ? { fill: fill.colour, ...(fill.opacity < 1 ? { "fill-opacity": number(fill.opacity) } : {}) }
      : { fill: `url(#${prefix}f${i})` },
  );
  const paths = layer.paths.map((p): SvgNode => ({ name: "path", attributes: { d: toSvgPath(p.path, p.x, p.y), ...paint[p.fill] } }));
  const attributes: Record<string, string> = { id: prefix, transform: matrixText(item.matrix) };
  if (layer.opacity < 1) attributes.opacity = number(layer.opacity);
  if (layer.blend !== "normal") attributes.style = `mix-blend-mode:${layer.blend}`;
  const title: SvgNode = { name: "title", attributes: {}, text: layer.label };
  const defs: SvgNode[] = gradients.length ? [{ name: "defs", attributes: {}, children: gradients }] : [];
  return { name: "g", attributes, children: [title, ...defs, ...paths] };
}

function gradientNode(fill: Exclude<SceneFill, { kind: "flat" }>, id: string): SvgNode {
  const { from, to } = fill;
  const place: Record<string, string> =
    fill.kind === "linear"
      ? { x1: number(from.x), y1: number(from.y), x2: number(to.x), y2: number(to.y) }
      : { cx: number(from.x), cy: number(from.y), r: number(Math.max(1e-3, Math.hypot(to.x - from.x, to.y - from.y))) };
  return {
    name: fill.kind === "linear" ? "linearGradient" : "radialGradient",
    attributes: {
      id,
      gradientUnits: "userSpaceOnUse",
      ...place,
      ...(fill.matrix ? { gradientTransform: matrixText(fill.matrix) } : {}),
    },
    children: fill.stops.map((s): SvgNode => ({
      name: "stop",
      attributes: { offset: number(s.offset), "stop-color": s.colour, ...(s.opacity < 1 ? { "stop-opacity": number(s.opacity) } : {}) },
    })),
  };
}
