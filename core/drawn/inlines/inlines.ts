import { contoursOf, type Contour } from "../../curves/contour";
import { Course } from "../../curves/length";
import type { Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import { isStillEnd, strokeEnds, tipOf } from "./ends";
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

/** The pruned strips of a path, as its own copy: weaving takes triangles away, which the next one still needs. */
function prunedOf(path: Path): { strips: Strips; step: number } {
  const contours = contoursOf(path, true);
  const around = contours.reduce((sum, c) => sum + new Course(c).length, 0);
  const step = Math.max(finest, around / mostSamples);
  const { samples, triangles } = pruned(path, "", () => {
    const strips = stripsOf(contours, step);
    prune(strips);
    return strips;
  });
  return { strips: { samples, triangles: triangles.map((t) => ({ ...t })) }, step };
}

/** The tips of a letter's strokes, in units. @param path a welded form */
export function strokeTips(path: Path): { x: number; y: number }[] {
  const { strips } = prunedOf(path);
  const found = new Map(strokeEnds(strips).map((end) => [end.triangle, end]));
  return [...found.values()].filter((end) => isStillEnd(strips, end)).map((end) => tipOf(strips, end));
}

/**
 * The most lines that the strokes of a letter carry, as most of their length is wide.
 * @param path a welded form
 * @param weight units that a line is wide
 * @returns 0 where not even one fits
 */
export function mostInlines(path: Path, weight: number): number {
  const { strips } = prunedOf(path);
  const widths = weave(strips, { count: 1, margin: 1, closed: false, endGap: 0, thinnest: 0 }).flatMap((l) =>
    l.points.slice(1).map((p, i) => ({ width: p.width, length: Math.hypot(p.x - l.points[i].x, p.y - l.points[i].y) })),
  );
  widths.sort((a, b) => a.width - b.width);
  // Two fifths of the length may be thinner: the joins and turns of a stroke are.
  let left = 0.4 * widths.reduce((sum, w) => sum + w.length, 0);
  const usual = widths.find((w) => (left -= w.length) <= 0)?.width ?? 0;
  // Between two lines as much is left as a quarter of their weight, or they look like one.
  const gap = Math.max(leastGap, 1.25 * weight);
  return Math.max(0, Math.min(9, Math.floor(usual / gap) - 1));
}

/**
 * Lines along the strokes of a letter, evenly between the two sides of each: open at the ends of strokes or closed around. Strokes are
 * found from the strips between the sides (see `stripsOf`); lines keep their shares of the way across, meet in mitres at corners, and join
 * or stop at junctions.
 * @param path a welded form
 */
export function inlinesOf(path: Path, options: Inlines): Inline[] {
  const { strips, step } = prunedOf(path);
  return weave(strips, { ...options, thinnest: leastGap * (options.count + 1) }).map((line) => ({
    line: smoothed(line, step / 2, tolerance),
    depth: line.depth,
  }));
}
