import { inAll, insideOf, lessThan, positive, resolve } from "../arrange/resolve";
import type { Budget } from "../budget";
import { ContourBuilder, reversed, stride, type Contour } from "../contour";
import { CurveError } from "../errors";
import type { Path } from "../path";
import { Course } from "../length";
import { fitTolerance, growContours, simpler } from "./grow";
import type { Cap, Join } from "./joins";
import { rawBand, rawOutline } from "./raw-outline";
import { startedAt } from "./started";
import { rawTaper, type TaperStop } from "./taper";

export type Side = "inside" | "centre" | "outside";

/** A stroke made a shape. */
export interface Band {
  /** Full width in units, above 0. */
  readonly width: number;
  /** Where it lies on a closed outline; open lines lie in its middle. */
  readonly side: Side;
  readonly join: Join;
  readonly cap: Cap;
  /** Lengths in units, painted and left out in turn as in SVG's stroke-dasharray; empty for an unbroken band. */
  readonly dashes: readonly number[];
  /** Whether dashes are made longer or shorter until a whole number of them fits each contour; open lines end in a painted one. */
  readonly fit?: boolean;
  /**
   * Widths along the way, in units, that take the place of `width`: places run from 0, the start of each contour or dash, to 1, its end.
   * Empty for an even width.
   */
  readonly taper?: readonly TaperStop[];
  /** Where widths begin on closed contours without dashes: where they lie farthest in this direction, in degrees clockwise on screen. */
  readonly start?: number;
  /** Whether closed contours are lines, too, which may lie within one another, and not outlines of a filled shape. */
  readonly rings?: boolean;
  /** What only is kept of it lies in here; it is found together with the band, which is sooner than afterwards. */
  readonly within?: Path;
}

/** More dashes than this on one outline are a slip, not art. */
const mostDashes = 20_000;

/**
 * The area of a band along filled outlines.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function bandContours(clean: readonly Contour[], band: Band, budget: Budget): Contour[] {
  const { width, side, join } = band;
  if (!broken(band) && !band.taper?.length) {
    // An even band is what lies between two parallels.
    const outer = side === "inside" ? clean : growContours(clean, side === "centre" ? width / 2 : width, join, budget);
    const inner = side === "outside" ? clean : growContours(clean, side === "centre" ? -width / 2 : -width, join, budget);
    return inner.length ? lessThan(outer, inner, 1, budget) : [...outer];
  }
  const doubled = side === "centre" ? band : { ...band, width: 2 * width, taper: band.taper?.map((s) => ({ ...s, width: 2 * s.width })) };
  const strokes = lineContours(clean, doubled, budget);
  if (side === "centre") return strokes;
  return side === "inside" ? resolve([...strokes, ...clean], inAll(2), budget) : lessThan(strokes, clean, 1, budget);
}

/**
 * The area of a band in the middle of lines, open or closed.
 * @param within clean contours that it is kept within
 */
export function lineContours(lines: readonly Contour[], band: Band, budget: Budget, within?: readonly Contour[]): Contour[] {
  const { raw, tolerance } = rawLines(lines, band, budget);
  const slack = 2 * tolerance;
  const seen = within ? insideOf([{ kept: raw }, { within }], positive, budget, slack) : resolve(raw, positive, budget, { slack });
  return seen.map((c) => simpler(c, tolerance, budget));
}

/** Contours that wind about the band in the middle of lines at least once, and may cross; within `tolerance` units of it. */
export function rawLines(lines: readonly Contour[], band: Band, budget: Budget): { raw: Contour[]; tolerance: number } {
  const { width, join, cap, taper } = band;
  const raw: Contour[] = [];
  // Finer for hairlines, whose width it would show against.
  const widest = taper?.length ? Math.max(...taper.map((s) => s.width)) : width;
  const tolerance = Math.min(fitTolerance(lines), Math.max(1e-4, widest / 300));
  for (const line of broken(band) ? lines.flatMap((c) => dashed(c, band.dashes, band.fit === true)) : lines) {
    const whole = band.start !== undefined && line.closed ? startedAt(line, band.start) : line;
    if (taper?.length) raw.push(...rawTaper(whole, taper, join, cap, tolerance, budget));
    else if (!line.closed) raw.push(rawBand(line, width / 2, join, cap, tolerance, budget));
    else raw.push(rawOutline(line, width / 2, join, tolerance, budget), rawOutline(reversed(line), width / 2, join, tolerance, budget));
  }
  return { raw, tolerance };
}

const broken = (band: Band): boolean => band.dashes.some((d) => d > 0);

/**
 * The painted stretches of a line. As in SVG, an odd list is run through twice, and dashes start anew on every contour.
 * @throws CurveError where there would be more than 20,000
 */
export function dashed(c: Contour, dashes: readonly number[], fit: boolean): Contour[] {
  let pattern = (dashes.length % 2 ? [...dashes, ...dashes] : dashes).map((d) => Math.max(0, d));
  const course = new Course(c);
  if (fit) pattern = fitted(pattern, course.length, c.closed);
  const period = pattern.reduce((a, b) => a + b, 0);
  if ((course.length / period) * pattern.length > 2 * mostDashes)
    throw new CurveError(`Dashes this short would be more than ${mostDashes} on one outline.`);
  if (pattern.every((d, i) => i % 2 === 0 || d === 0)) return [c];
  const out: Contour[] = [];
  let at = 0;
  for (let i = 0; at < course.length; i = (i + 1) % pattern.length) {
    const to = Math.min(course.length, at + pattern[i]);
    if (i % 2 === 0) {
      const part = to - at > 1e-6 ? course.part(at, to) : undefined;
      if (part) out.push(part);
    }
    at += pattern[i];
  }
  // On a closed outline a dash that ends where it starts runs on into the first.
  const last = out[out.length - 1];
  const first = out[0];
  if (
    c.closed &&
    out.length > 1 &&
    endsAt(last, c.points[0], c.points[1]) &&
    first.points[0] === c.points[0] &&
    first.points[1] === c.points[1]
  ) {
    const joined = new ContourBuilder();
    joined.move(last.points[0], last.points[1]);
    for (const part of [last, first]) for (let k = 0; k < part.size; k++) joined.segment(part.points, k * stride, part.degrees[k]);
    out.pop();
    out[0] = joined.build(false);
  }
  return out;
}

/** The pattern at the size at which a whole number of it closes a contour; of an open one the last gap is left out. */
function fitted(pattern: readonly number[], length: number, closed: boolean): number[] {
  const period = pattern.reduce((a, b) => a + b, 0);
  const gap = closed ? 0 : pattern[pattern.length - 1];
  const count = Math.max(1, Math.round((length + gap) / period));
  return pattern.map((d) => (d * length) / (count * period - gap));
}

function endsAt(c: Contour, x: number, y: number): boolean {
  const at = (c.size - 1) * stride + 2 * c.degrees[c.size - 1];
  return c.points[at] === x && c.points[at + 1] === y;
}
