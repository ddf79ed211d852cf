import type { Bounds } from "../curves/bounds";
import type { SceneEffect } from "../scene/scene";
import { number } from "./numbers";
import type { SvgNode } from "./svg-node";

/**
 * Effects as an SVG filter, in sRGB and in units of what it is used on, its region in whole units: the numbers in which browsers and other
 * programs agree (SVG 1.1, chapter 15). Null where nothing is left to do.
 * @param blur the deviation to write for one that is asked for; 0 for none
 */
export function filterOf(
  effects: readonly SceneEffect[],
  { minX, minY, maxX, maxY }: Bounds,
  id: string,
  blur: (deviation: number) => number,
): SvgNode | null {
  const steps = effects.flatMap((effect): SvgNode[] => {
    const deviation = blur(effect.deviation);
    return deviation > 0 ? [{ name: "feGaussianBlur", attributes: { stdDeviation: number(deviation) } }] : [];
  });
  if (!steps.length) return null;
  const [x, y] = [Math.floor(minX), Math.floor(minY)];
  return {
    name: "filter",
    attributes: {
      id,
      filterUnits: "userSpaceOnUse",
      primitiveUnits: "userSpaceOnUse",
      "color-interpolation-filters": "sRGB",
      x: number(x),
      y: number(y),
      width: number(Math.ceil(maxX) - x),
      height: number(Math.ceil(maxY) - y),
    },
    children: steps,
  };
}
