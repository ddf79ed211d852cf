import { norm } from "../../curves/bezier";
import type { Contour } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import type { Path } from "../../curves/path";
import { widthOfDot } from "./dot-lines";
import { isStillEnd, tipOf } from "./ends";
import { roughened, smoothed } from "./smooth";
import { chordsOf } from "./strips";
import { strokesOf } from "./strokes";
import type { Weave } from "./line";
import { weave } from "./weave";

export type Inlines = Omit<Weave, "thinnest">;

/** A line along strokes, in their middle or beside it. */
export interface Inline {
  readonly line: Contour;
  /** 0 for the lines next to the edge, counted inwards. */
  readonly depth: number;
}

/** Units: lines that come nearer to each other run into one. */
const leastGap = 9;
const tolerance = 0.6;

/** The tips of a letter's strokes, in units. @param path a welded form */
export function strokeTips(path: Path, kernel: Kernel): { x: number; y: number }[] {
  const { strips, ends } = strokesOf(path, kernel);
  return [...ends.values()].filter((end) => isStillEnd(strips, end)).map((end) => tipOf(strips, end));
}

/**
 * The most lines that the strokes of a letter carry, as most of their length is wide.
 * @param path a welded form
 * @param weight units that a line is wide
 * @returns 0 where not even one fits
 */
export function mostInlines(path: Path, weight: number, kernel: Kernel): number {
  const { strips, dots } = strokesOf(path, kernel);
  const widths = strips.triangles.flatMap((t, i) => {
    const chords = t.alive ? chordsOf(strips, i) : [];
    if (chords.length !== 2) return [];
    const [a, b] = chords;
    return [{ width: (a.width + b.width) / 2, length: norm(a.x - b.x, a.y - b.y) }];
  });
  for (const dot of dots) widths.push({ width: widthOfDot(dot), length: widthOfDot(dot) });
  widths.sort((a, b) => a.width - b.width);
  // A sixth of what they cover may be thinner: the joins and turns of a stroke are.
  let left = widths.reduce((sum, w) => sum + w.length * w.width, 0) / 6;
  const usual = widths.find((w) => (left -= w.length * w.width) <= 0)?.width ?? 0;
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
export function inlinesOf(path: Path, options: Inlines, kernel: Kernel): Inline[] {
  const strokes = strokesOf(path, kernel);
  return weave(strokes, { ...options, thinnest: leastGap * (options.count + 1) }).map((line) => ({
    line: options.rough ? roughened(line, 4 * strokes.step) : smoothed(line, strokes.step * 0.9, tolerance),
    depth: line.depth,
  }));
}
