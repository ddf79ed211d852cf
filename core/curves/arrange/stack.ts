import type { Budget } from "../budget";
import type { Contour } from "../contour";
import { RankedCover } from "./cover";
import { arrange } from "./resolve";

/** One of several shapes that lie over one another, and the number of the part that it belongs to. */
export interface Layer {
  readonly contours: readonly Contour[];
  readonly part: number;
}

/**
 * The visible parts of shapes that lie over one another: each point belongs to the part of the nearest shape that winds positively about
 * it. One arrangement serves all, so that parts that meet have the same border.
 * @param layers nearest first
 * @param parts how many there are
 * @returns the contours of each part, outers positive, counters negative
 */
export function stackContours(layers: readonly Layer[], parts: number, budget: Budget): Contour[][] {
  const cover = new RankedCover();
  const contours = layers.flatMap((l) => l.contours);
  const weights = new Int32Array(contours.length);
  let next = 0;
  layers.forEach((l, rank) => {
    const one = cover.one(rank);
    weights.fill(one, next, (next += l.contours.length));
  });
  const partOf: number[] = [];
  const labelOf = (c: number) => {
    const known = partOf[c];
    if (known !== undefined) return known;
    const rank = cover.nearest(c);
    return (partOf[c] = rank < 0 ? -1 : layers[rank].part);
  };
  const out: Contour[][] = Array.from({ length: parts }, () => []);
  for (const { label, contour } of arrange({ contours, weights, cover, labelOf, sharing: true }, budget)) out[label].push(contour);
  return out;
}
