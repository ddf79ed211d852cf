import { joinAll } from "../curves/bounds";
import { reachOf } from "./effects";
import type { SceneFade, SceneLayer } from "./scene";

/**
 * A blur that grows: pictures of the whole, each blurred more than the one over it and seen where that one begins to go. For each how much
 * of the blur it has, and from where to where it comes and goes, in shares of the way.
 */
const blurs = [
  { share: 1, in: [0.45, 0.6], out: null },
  { share: 0.5, in: [0.1, 0.25], out: [0.6, 0.85] },
  { share: 0.12, in: null, out: [0.25, 0.5] },
] as const;

/** From 0 to 1 over a stretch; 1 where there is none. */
const ramp = (stretch: readonly [number, number] | null, at: number): number =>
  stretch ? Math.min(1, Math.max(0, (at - stretch[0]) / (stretch[1] - stretch[0]))) : 1;

/**
 * Layers as pictures that are blurred the more the farther along a way.
 * @param deviation at its end, in the space of the layers
 * @param fade the opacities of shares of the way as a fade along it
 * @returns back to front
 */
export function softenedAlong(
  layers: readonly SceneLayer[],
  deviation: number,
  fade: (opacity: (share: number) => number) => SceneFade,
): SceneLayer[] {
  return blurs.map((b) => ({
    ...softened(layers, deviation * b.share),
    fade: fade((share) => ramp(b.in, share) * (b.out ? 1 - ramp(b.out, share) : 1)),
  }));
}

/** Layers as one picture that is blurred alike everywhere. */
export function softened(layers: readonly SceneLayer[], deviation: number): SceneLayer {
  const whole = joinAll(layers.map((l) => l.bounds));
  const effects = [{ kind: "blur", deviation }] as const;
  const by = reachOf(effects);
  const bounds = { minX: whole.minX - by, minY: whole.minY - by, maxX: whole.maxX + by, maxY: whole.maxY + by };
  return { ...plainLayer, layers, bounds, effects };
}

/** A layer of nothing. */
export const plainLayer: SceneLayer = {
  ...{ id: "", group: "", label: "", opacity: 1, blend: "normal" },
  ...{ paths: [], fills: [], bounds: joinAll([]) },
};
