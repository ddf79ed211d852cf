import { join, type Bounds } from "../curves/bounds";
import { identity, multiply, translation, type Matrix } from "../curves/matrix";
import { toSvgPath } from "../curves/svg-path";
import type { SceneFill, SceneItem, SceneLayer } from "../scene/scene";
import type { SvgNode } from "./svg-node";

/** Short and exact enough: six significant digits. */
export const number = (v: number): string => String(Number(v.toPrecision(7)));

export const matrixText = (m: Matrix): string => `matrix(${m.map(number).join(" ")})`;

/**
 * What an image element says of where a photo's picture is; undefined where it is not here. Files for others' programs want SVG 1.1's
 * xlink:href, a page that builds its elements itself SVG 2's href.
 */
export type PhotoSource = (id: string) => Record<string, string> | undefined;
const none: PhotoSource = () => undefined;

/** What stands in for a photo that is not here. */
const missing = "#808080";

/**
 * One layer as a group of one path a letter, with the gradients it needs. Ids start with `prefix`, which must be its
 * own in the document.
 */
export function layerNode(layer: SceneLayer, item: SceneItem, prefix: string, photos: PhotoSource = none): SvgNode {
  const servers = layer.fills.map((fill, i): SvgNode | null => {
    if (fill.kind === "flat") return null;
    if (fill.kind !== "photo") return gradientNode(fill, `${prefix}f${i}`);
    const source = photos(fill.photo);
    return source ? photoNode(fill, source, `${prefix}f${i}`) : null;
  });
  const paint = layer.fills.map((fill, i): Record<string, string | number> => {
    const flat = fill.kind === "flat" ? fill.colour : missing;
    if (!servers[i]) return { fill: flat, ...(fill.kind === "flat" && fill.opacity < 1 ? { "fill-opacity": number(fill.opacity) } : {}) };
    return { fill: `url(#${prefix}f${i})`, ...(fill.kind === "photo" && fill.opacity < 1 ? { "fill-opacity": number(fill.opacity) } : {}) };
  });
  const used = servers.filter((s) => s !== null);
  const paths = layer.paths.map((p): SvgNode => ({ name: "path", attributes: { d: toSvgPath(p.path, p.x, p.y), ...paint[p.fill] } }));
  const attributes: Record<string, string> = { id: prefix, transform: matrixText(item.matrix) };
  if (layer.opacity < 1) attributes.opacity = number(layer.opacity);
  if (layer.blend !== "normal") attributes.style = `mix-blend-mode:${layer.blend}`;
  const title: SvgNode = { name: "title", attributes: {}, text: layer.label };
  const defs: SvgNode[] = used.length ? [{ name: "defs", attributes: {}, children: used }] : [];
  return { name: "g", attributes, children: [title, ...defs, ...paths] };
}

/**
 * A photo as a pattern of one tile, which reaches over all that is painted, so that it is never seen twice. The tile starts at 0, 0 and is
 * moved by the transform: renderers differ on where the content of another tile starts.
 */
function photoNode({ area, box, matrix }: Extract<SceneFill, { kind: "photo" }>, source: Record<string, string>, id: string): SvgNode {
  const tile = join(area, box);
  const sized = (b: Bounds) => ({ width: number(b.maxX - b.minX), height: number(b.maxY - b.minY) });
  return {
    name: "pattern",
    attributes: { id, patternUnits: "userSpaceOnUse", ...sized(tile), patternTransform: matrixText(multiply(matrix ?? identity, translation(tile.minX, tile.minY))) },
    children: [{ name: "image", attributes: { x: number(area.minX - tile.minX), y: number(area.minY - tile.minY), ...sized(area), preserveAspectRatio: "none", ...source } }],
  };
}

function gradientNode(fill: Extract<SceneFill, { kind: "linear" | "radial" }>, id: string): SvgNode {
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
