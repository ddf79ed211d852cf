import type { Spline } from "./spline";

const { max, min } = Math;

/** A stroke that runs level in a frame. */
export interface LevelStroke {
  readonly from: number;
  readonly to: number;
  /** The height of its middle; a number where that is one all along. */
  readonly middle: Spline | number;
  /** Half its thickness, from place to place; between them it changes evenly. At least two, the first and last at its ends. */
  readonly halves: readonly { readonly x: number; readonly half: number }[];
  /** Levels between which its middle lies. */
  readonly low: number;
  readonly high: number;
}

/** Half its thickness at a place. */
export function halfOf({ halves }: LevelStroke, x: number): number {
  let k = 0;
  while (k + 2 < halves.length && halves[k + 1].x < x) k++;
  const [a, b] = [halves[k], halves[k + 1]];
  const t = min(1, max(0, (x - a.x) / (b.x - a.x)));
  return a.half + t * (b.half - a.half);
}

/** How fast half the thickness changes. */
export function flareOf({ halves }: LevelStroke, x: number): number {
  let k = 0;
  while (k + 2 < halves.length && halves[k + 1].x < x) k++;
  return (halves[k + 1].half - halves[k].half) / (halves[k + 1].x - halves[k].x);
}

export const heightOf = ({ middle }: LevelStroke, x: number): number => (typeof middle === "number" ? middle : middle.at(x));
export const slopeOf = ({ middle }: LevelStroke, x: number): number => (typeof middle === "number" ? 0 : middle.slopeAt(x));
