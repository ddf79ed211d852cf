import type { Bounds } from "../curves/bounds";
import type { SceneFade } from "../scene/scene";
import { number } from "./numbers";
import type { SvgNode } from "./svg-node";

/** A fade as a mask: white, as opaque as the layer is to be (CSS Masking Level 1, luminance masks). */
export function fadeNodes({ from, to, stops }: SceneFade, { minX, minY, maxX, maxY }: Bounds, id: string): SvgNode[] {
  const [x, y] = [Math.floor(minX) - 1, Math.floor(minY) - 1];
  const area = { x: number(x), y: number(y), width: number(Math.ceil(maxX) + 1 - x), height: number(Math.ceil(maxY) + 1 - y) };
  const line = { x1: number(from.x), y1: number(from.y), x2: number(to.x), y2: number(to.y) };
  return [
    {
      name: "linearGradient",
      attributes: { id: `${id}g`, gradientUnits: "userSpaceOnUse", ...line },
      children: stops.map((s) => ({
        name: "stop",
        attributes: { offset: number(s.offset), "stop-color": "#ffffff", "stop-opacity": number(s.opacity) },
      })),
    },
    {
      name: "mask",
      attributes: { id, maskUnits: "userSpaceOnUse", ...area },
      children: [{ name: "rect", attributes: { ...area, fill: `url(#${id}g)` } }],
    },
  ];
}
