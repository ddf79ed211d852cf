import { isEmpty, type Bounds } from "../curves/bounds";
import { toSvgPath } from "../curves/svg-path";
import type { SceneLayer, SceneOverlay } from "../scene/scene";
import { matrixText, number } from "./numbers";
import type { SvgNode } from "./svg-node";

/**
 * Paths with what is laid on them: a group that mixes by itself, with the overlays clipped to the outline. Each is a filter on the outline
 * itself; what they need of lighting is made of blurs and sums of channels, in which browsers and other programs agree.
 * @param blur the deviation to write for one that is asked for
 */
export function overlaid(
  { paths, over = [], bounds }: SceneLayer,
  body: readonly SvgNode[],
  prefix: string,
  blur: (deviation: number) => number,
  link: (id: string) => Record<string, string>,
): { defs: SvgNode[]; node: SvgNode } {
  const shape = `${prefix}s`;
  // The outline once, for the clip and for each overlay. A clip takes paths and what uses them, and no groups.
  const outlines = paths.map((p, i): SvgNode => ({
    name: "path",
    attributes: { id: `${shape}${i}`, d: toSvgPath(p.matrix ? p.path.transform(p.matrix) : p.path, p.x, p.y) },
  }));
  const uses = paths.map((_, i): SvgNode => ({ name: "use", attributes: link(`${shape}${i}`) }));
  const clip: SvgNode = { name: "clipPath", attributes: { id: `${prefix}c` }, children: uses };
  const drawn = isEmpty(bounds) ? [] : over;
  const filters = drawn.map((o, i) => filter(o, bounds, `${prefix}o${i}`, blur(o.deviation)));
  const laid = drawn.map((o, i): SvgNode => ({
    name: "g",
    // Clipped each for itself: a clip around all of them would keep them from mixing with what they lie on.
    attributes: {
      "clip-path": `url(#${prefix}c)`,
      ...(o.opacity < 1 ? { opacity: number(o.opacity) } : {}),
      ...(o.blend === "normal" ? {} : { style: `mix-blend-mode:${o.blend}` }),
    },
    children: [{ name: "g", attributes: { filter: `url(#${prefix}o${i})` }, children: source(o, bounds, uses) }],
  }));
  return {
    defs: [...outlines, clip, ...filters],
    node: { name: "g", attributes: { style: "isolation:isolate" }, children: [...body, ...laid] },
  };
}

/** How far beyond the outline blurs are drawn, in deviations: with less they would darken towards its border (measured). */
const margin = 1.5;

function region(o: SceneOverlay, { minX, minY, maxX, maxY }: Bounds) {
  const by = margin * o.deviation + (o.kind === "slope" ? Math.hypot(o.rise.x, o.rise.y) : 0) + 1;
  const [x, y] = [Math.floor(minX - by), Math.floor(minY - by)];
  return { x: number(x), y: number(y), width: number(Math.ceil(maxX + by) - x), height: number(Math.ceil(maxY + by) - y) };
}

/** What the filter of an overlay works on: the outline, or, for a slope, the outline moved one way in red and the other way in green. */
function source(o: SceneOverlay, bounds: Bounds, uses: readonly SvgNode[]): SvgNode[] {
  if (o.kind === "edge") return [...uses];
  const { x, y } = o.rise;
  const moved = (colour: string, dx: number, dy: number): SvgNode => ({
    name: "g",
    attributes: { fill: colour, style: "mix-blend-mode:screen", transform: matrixText([1, 0, 0, 1, dx, dy]) },
    children: uses,
  });
  return [{ name: "rect", attributes: { ...region(o, bounds), fill: "#000000" } }, moved("#ff0000", x, y), moved("#00ff00", -x, -y)];
}

function filter(o: SceneOverlay, bounds: Bounds, id: string, deviation: number): SvgNode {
  const [r, g, b] = [1, 3, 5].map((at) => number(parseInt(o.colour.slice(at, at + 2), 16) / 255));
  const k = number(o.gain);
  const opacity = o.kind === "edge" ? `0 0 0 -${k} ${k}` : `${k} -${k} 0 0 0`;
  const steps: SvgNode[] = deviation > 0 ? [{ name: "feGaussianBlur", attributes: { stdDeviation: number(deviation) } }] : [];
  return {
    name: "filter",
    attributes: {
      id,
      filterUnits: "userSpaceOnUse",
      primitiveUnits: "userSpaceOnUse",
      "color-interpolation-filters": "sRGB",
      ...region(o, bounds),
    },
    children: [...steps, { name: "feColorMatrix", attributes: { values: `0 0 0 0 ${r} 0 0 0 0 ${g} 0 0 0 0 ${b} ${opacity}` } }],
  };
}
