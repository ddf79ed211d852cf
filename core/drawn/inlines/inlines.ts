import { contoursOf, type Contour } from "../../curves/contour";
import { Course } from "../../curves/length";
import type { Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import { prune } from "./prune";
import { smoothed } from "./smooth";
import { stripsOf, type Strips } from "./strips";
import type { Weave } from "./line";
import { weave } from "./weave";

export type Inlines = Omit<Weave, "thinnest">;

/** A line along strokes, in their middle or beside it. */
export interface Inline {
  readonly line: Contour;
  /** 0 for the lines next to the edge, counted inwards. */
  readonly depth: number;
}

/** Units between places on an outline; coarser on what is larger than letters. */
const finest = 8;
const mostSamples = 1500;
/** Units: lines that come nearer to each other run into one. */
const leastGap = 9;
const tolerance = 0.6;

const pruned = memoByIdentity<Path, Strips>(1);

/**
 * Lines along the strokes of a letter, evenly between the two sides of each: open at the ends of strokes or closed around. Strokes are
 * found from the strips between the sides (see `stripsOf`); lines keep their shares of the way across, meet in mitres at corners, and join
 * or stop at junctions.
 * @param path a welded form
 */
export function inlinesOf(path: Path, options: Inlines): Inline[] {
  const contours = contoursOf(path, true);
  const around = contours.reduce((sum, c) => sum + new Course(c).length, 0);
  const step = Math.max(finest, around / mostSamples);
  const { samples, triangles } = pruned(path, "", () => {
    const strips = stripsOf(contours, step);
    prune(strips);
    return strips;
  });
  // Weaving takes triangles away, which the next one still needs.
  const own: Strips = { samples, triangles: triangles.map((t) => ({ ...t })) };
  return weave(own, { ...options, thinnest: leastGap * (options.count + 1) }).map((line) => ({
    line: smoothed(line, step / 2, tolerance),
    depth: line.depth,
  }));
}
