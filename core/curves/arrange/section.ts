import { cut, valueAt } from "../bezier";
import { segmentOf, type Contour, type ContourBuilder, type Segment } from "../contour";
import type { Reach } from "./rings";

/** Parts shorter than this come from rounding, in units. */
const tooShort = 0.002;

/** An end of a section: segment and parameter, and the point there. */
export interface SectionEnd {
  readonly k: number;
  t: number;
  x: number;
  y: number;
}

/** A part of a contour on its way into a ring; its ends are moved to where it meets its neighbours. */
export interface Section {
  readonly contour: Contour;
  readonly start: SectionEnd;
  readonly end: SectionEnd;
  /** How many segments after the first the last one is: below 0 backwards. */
  readonly span: number;
  /** The node where it ends. */
  readonly to: number;
}

/** @returns nothing where no segment is left of it */
export function sectionOf(contour: Contour, { u0, u1, to }: Reach): Section | undefined {
  const { size } = contour;
  const forward = u1 > u0;
  // A place on the border of two segments belongs to the one that the section runs through.
  const first = forward ? Math.floor(u0) : Math.ceil(u0) - 1;
  const last = forward ? Math.ceil(u1) - 1 : Math.floor(u1);
  if (forward ? last < first : last > first) return undefined;
  const at = (segment: number, t: number): SectionEnd => {
    const k = ((segment % size) + size) % size;
    const { p, o, degree } = segmentOf(contour, k);
    return { k, t, x: valueAt(p, o, degree, t), y: valueAt(p, o + 1, degree, t) };
  };
  return { contour, start: at(first, u0 - first), end: at(last, u1 - last), span: last - first, to };
}

export const segmentAt = ({ contour }: Section, { k }: SectionEnd): Segment => segmentOf(contour, k);

/** Whether the end is one of its segment. */
export const isWhole = ({ t }: SectionEnd): boolean => t === 0 || t === 1;

export function moveTo(end: SectionEnd, x: number, y: number): void {
  end.x = x;
  end.y = y;
}

/** Whether a section of a single segment still runs the way it did with its end (or start) at t. */
export function keepsDirection({ start, end, span }: Section, t: number, atStart: boolean): boolean {
  if (span !== 0) return true;
  return atStart ? (end.t - start.t) * (end.t - t) > 0 || end.t === t : (end.t - start.t) * (t - start.t) > 0 || start.t === t;
}

const part = new Float64Array(8);

/** Writes a section; its last point is `next`, which the following one starts from. */
export function emit({ contour, start, end, span }: Section, out: ContourBuilder, next: SectionEnd): void {
  const step = span < 0 ? -1 : 1;
  const forward = span !== 0 ? span > 0 : end.t >= start.t;
  const count = Math.abs(span) + 1;
  for (let i = 0; i < count; i++) {
    const k = (((start.k + i * step) % contour.size) + contour.size) % contour.size;
    const { p, o, degree } = segmentOf(contour, k);
    const n = 2 * degree;
    const a = i === 0 ? start.t : forward ? 0 : 1;
    const b = i === count - 1 ? end.t : forward ? 1 : 0;
    cut(p, o, degree, a, b, part, 0);
    // What the ends were moved by, the handles next to them move by, too: the tangents stay.
    if (i === 0) shiftEnd(degree, 0, 2, out.x - part[0], out.y - part[1]);
    if (i === count - 1) {
      shiftEnd(degree, n, n - 2, next.x - part[n], next.y - part[n + 1]);
      part[n] = next.x;
      part[n + 1] = next.y;
    }
    if (Math.abs(a - b) < 1 && isShort(degree, out.x, out.y)) continue;
    out.segment(part, 0, degree);
  }
}

/** Whether the whole of `part` lies about (x, y). */
function isShort(degree: number, x: number, y: number): boolean {
  for (let i = 2; i <= 2 * degree; i += 2) if (Math.abs(part[i] - x) + Math.abs(part[i + 1] - y) > tooShort) return false;
  return true;
}

function shiftEnd(degree: number, end: number, handle: number, dx: number, dy: number): void {
  if (dx === 0 && dy === 0) return;
  part[end] += dx;
  part[end + 1] += dy;
  if (degree === 3) {
    part[handle] += dx;
    part[handle + 1] += dy;
  } else if (degree === 2) {
    part[2] += dx / 2;
    part[3] += dy / 2;
  }
}
