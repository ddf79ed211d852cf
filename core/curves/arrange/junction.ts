import { footNear, norm, valueAt } from "../bezier";
import type { Segment } from "../contour";
import { crossingNear } from "../crossing";
import type { GridMesh } from "./mesh";
import { isWhole, keepsDirection, moveTo, segmentAt, type Section, type SectionEnd } from "./section";

/**
 * How far, in units, the exact meeting of two curves may lie from where their chords met: chords lie within a tolerance of their
 * curves, so that it is some of that over the sine of the angle at which they meet, but no farther than this.
 */
const farthestMeeting = 60;

/** A node that two sections meet at, in units: its point, the size of two cells about it, and how far chords may be off. */
export interface Junction {
  readonly x: number;
  readonly y: number;
  readonly cell: number;
  readonly chordError: number;
}

export const junctionAt = (x: number, y: number, { scale, originX, originY }: GridMesh["grid"], tolerance: number): Junction => ({
  x: x / scale + originX,
  y: y / scale + originY,
  cell: 2 / scale,
  chordError: 3 * tolerance,
});

/**
 * Brings the end of `a` and the start of `b` to one point near a node.
 * @returns how far apart they were; 0 where it is an exact common point
 */
export function join(a: Section, b: Section, node: Junction): number {
  const [end, start] = [a.end, b.start];
  if (isWhole(end) && isWhole(start) && isNear(end, start.x, start.y, node.cell)) {
    moveTo(start, end.x, end.y);
    return 0;
  }
  return cross(a, b, node) ? 0 : meetBetween(a, b, node);
}

/** Cuts both at the exact common point of their curves. @returns false where there is none near by */
function cross(a: Section, b: Section, { x, y, cell, chordError }: Junction): boolean {
  const [end, start] = [a.end, b.start];
  const sa = segmentAt(a, end);
  const sb = segmentAt(b, start);
  const found = crossingNear(sa, end.t, sb, start.t);
  if (!found) return false;
  const px = valueAt(sa.p, sa.o, sa.degree, found.a);
  const py = valueAt(sa.p, sa.o + 1, sa.degree, found.a);
  const reach = Math.min(farthestMeeting, Math.max(chordError, 2 * cell) / found.sine);
  if (Math.abs(px - x) > reach || Math.abs(py - y) > reach) return false;
  if (!keepsDirection(a, found.a, false) || !keepsDirection(b, found.b, true)) return false;
  // Where one of the two ends its segment there, that end is the exact point.
  const endOfA = endNear(sa, found.a, px, py, cell);
  const endOfB = endNear(sb, found.b, px, py, cell);
  end.t = endOfA ?? found.a;
  start.t = endOfB ?? found.b;
  const [s, t] = endOfB !== undefined && endOfA === undefined ? [sb, start.t] : [sa, end.t];
  const qx = valueAt(s.p, s.o, s.degree, t);
  const qy = valueAt(s.p, s.o + 1, s.degree, t);
  moveTo(end, qx, qy);
  moveTo(start, qx, qy);
  return true;
}

/** The curves run along one another, or touch only as chords: each is cut at its point next to the node, and they are joined in between. */
function meetBetween(a: Section, b: Section, { x, y }: Junction): number {
  const [end, start] = [a.end, b.start];
  const [wholeA, wholeB] = [isWhole(end), isWhole(start)];
  if (!wholeA) settle(a, end, x, y, false);
  if (!wholeB) settle(b, start, x, y, true);
  const gap = wholeA || wholeB ? 0 : Math.max(1e-9, norm(end.x - start.x, end.y - start.y));
  if (wholeA && !wholeB) moveTo(start, end.x, end.y);
  else if (wholeB && !wholeA) moveTo(end, start.x, start.y);
  else {
    const mx = (end.x + start.x) / 2;
    const my = (end.y + start.y) / 2;
    moveTo(end, mx, my);
    moveTo(start, mx, my);
  }
  return gap;
}

function settle(section: Section, end: SectionEnd, x: number, y: number, atStart: boolean): void {
  const { p, o, degree } = segmentAt(section, end);
  const t = footNear(p, o, degree, x, y, end.t);
  if (keepsDirection(section, t, atStart)) end.t = t;
  moveTo(end, valueAt(p, o, degree, end.t), valueAt(p, o + 1, degree, end.t));
}

const isNear = (end: SectionEnd, x: number, y: number, cell: number): boolean => Math.abs(end.x - x) <= cell && Math.abs(end.y - y) <= cell;

/**
 * The end of a segment that lies within a cell of (x, y), 0 or 1, where the way from it to `t` does not leave the place: a curve may come
 * back through its own end.
 */
function endNear({ p, o, degree }: Segment, t: number, x: number, y: number, cell: number): 0 | 1 | undefined {
  const end = t < 0.5 ? 0 : 1;
  const near = (u: number, by: number) => Math.abs(valueAt(p, o, degree, u) - x) <= by && Math.abs(valueAt(p, o + 1, degree, u) - y) <= by;
  return near(end, cell) && near((end + t) / 2, 2 * cell) ? end : undefined;
}
