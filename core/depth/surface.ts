import { thinned, type Lit } from "./lit";

export const surfaceKinds = ["matt", "satin", "gloss", "metal"] as const;
export type SurfaceKind = (typeof surfaceKinds)[number];

const { abs, ceil, exp, max, min } = Math;

/** A highlight: as wide as its deviation around a tone. */
const shine = (tone: number, at: number, deviation: number): number => exp(-(((tone - at) / deviation) ** 2));

/** Bands of a horizon, a dark ground below it and a light sky, as letterers draw metal (common practice): tones by where they lie. */
const bands: readonly (readonly [number, number])[] = [
  [0, 0.1],
  [0.14, 0.3],
  [0.27, 0.7],
  [0.36, 0.94],
  [0.42, 0.6],
  [0.47, 0.05],
  [0.55, 0.16],
  [0.7, 0.46],
  [0.82, 0.86],
  [0.9, 1],
  [1, 0.8],
];

/** How light a surface is that would be so light if it were matt: both from 0, turned away from the lamp, to 1. */
export function toneOn(surface: SurfaceKind, tone: number): number {
  switch (surface) {
    case "matt":
      return tone;
    case "satin":
      return min(1, 0.84 * tone + 0.3 * shine(tone, 0.88, 0.12));
    case "gloss":
      return min(1, 0.06 + 0.68 * tone + 0.14 * shine(tone, 0.12, 0.06) + 0.5 * shine(tone, 0.9, 0.05));
    case "metal": {
      const t = min(1, max(0, tone));
      const after = max(
        1,
        bands.findIndex(([at]) => at >= t),
      );
      const [[a, from], [b, to]] = [bands[after - 1], bands[after]];
      return from + ((to - from) * (t - a)) / (b - a);
    }
  }
}

/** Stops between which a surface's tones run all but straight. */
const fine = 0.01;

/** The light across a matt surface as it lies across another one. */
export function litOn(surface: SurfaceKind, lit: Lit): Lit {
  if (surface === "matt") return lit;
  const stops: { at: number; tone: number }[] = [];
  lit.stops.forEach((stop, i) => {
    const last = lit.stops[i - 1] ?? stop;
    const steps = max(1, ceil(abs(stop.tone - last.tone) / fine));
    for (let k = i === 0 ? steps : 1; k <= steps; k++) {
      const t = k / steps;
      stops.push({ at: last.at + (stop.at - last.at) * t, tone: toneOn(surface, last.tone + (stop.tone - last.tone) * t) });
    }
  });
  return { ...lit, stops: thinned(stops) };
}
