import { cut, footNear, valueAt } from "../bezier";
import { ContourBuilder, reversed, stride, type Contour } from "../contour";
import { meet, met } from "../crossing";
import type { Mesh } from "./mesh";
import type { Run } from "./rings";
import type { Strands } from "./strands";
import { withoutIdleNodes } from "./tidy";

/**
 * How far, in units, the exact meeting of two curves may lie from where their chords met: chords lie within a tolerance of their
 * curves, so that it is some of that over the sine of the angle at which they meet, but no farther than this.
 */
const farthestMeeting = 60;
/** Pieces shorter than this come from rounding, in units. */
const tooShort = 0.002;

export interface Rebuilt {
  /** Nothing where all of the ring is too short to keep. */
  readonly contour: Contour | undefined;
  /** How many junctions are not at a common point of their two curves, which stay more than `slack` units apart there. */
  readonly misses: number;
}

interface End {
  /** Segment and parameter, and the point there. */
  k: number;
  t: number;
  x: number;
  y: number;
}

interface Piece {
  readonly contour: Contour;
  readonly start: End;
  readonly end: End;
  /** How many segments after the first the last one is: below 0 backwards. */
  readonly span: number;
  /** The node where it ends. */
  readonly to: number;
}

/**
 * A ring of runs as one contour: inside a run the segments are those of the source, bit for bit; where two runs meet, both are
 * cut at their exact common point, found by Newton's method from where their chords met.
 */
export function rebuild(mesh: Mesh, s: Strands, ring: readonly Run[], tolerance: number, slack: number): Rebuilt {
  if (ring.length === 1) {
    const [{ contour, u0, u1, from, to }] = ring;
    const c = mesh.contours[contour];
    // The whole of a contour: also where it only ran through nodes that turned out to be no borders.
    if (from < 0 || (from === to && Math.abs(Math.abs(u1 - u0) - c.size) < 1e-9)) return { contour: u1 > u0 ? c : reversed(c), misses: 0 };
  }
  const pieces: Piece[] = [];
  for (const run of ring) {
    const piece = pieceOf(mesh, run);
    if (piece) pieces.push(piece);
  }
  if (pieces.length === 0) return { contour: undefined, misses: 0 };
  let misses = 0;
  for (let i = 0; i < pieces.length; i++) {
    const a = pieces[i];
    const b = pieces[(i + 1) % pieces.length];
    const node = a.to;
    const gap = join(a, b, s.nodeX[node] / mesh.scale + mesh.originX, s.nodeY[node] / mesh.scale + mesh.originY, 2 / mesh.scale, 3 * tolerance);
    if (gap > slack) misses++;
  }
  const out = new ContourBuilder();
  out.move(pieces[0].start.x, pieces[0].start.y);
  pieces.forEach((piece, i) => emit(piece, out, pieces[(i + 1) % pieces.length].start));
  if (out.size === 0) return { contour: undefined, misses };
  // A last piece that was too short to keep leaves a gap of less than that.
  out.endAt(pieces[0].start.x, pieces[0].start.y);
  return { contour: withoutIdleNodes(out.build(true)), misses };
}

function pieceOf(mesh: Mesh, { contour, u0, u1, to }: Run): Piece | undefined {
  const c = mesh.contours[contour];
  const forward = u1 > u0;
  // A place on the border of two segments belongs to the one that the piece runs through.
  const first = forward ? Math.floor(u0) : Math.ceil(u0) - 1;
  const last = forward ? Math.ceil(u1) - 1 : Math.floor(u1);
  const mod = (k: number) => ((k % c.size) + c.size) % c.size;
  const at = (k: number, t: number): End => {
    const o = mod(k) * stride;
    const d = c.degrees[mod(k)];
    return { k: mod(k), t, x: valueAt(c.points, o, d, t), y: valueAt(c.points, o + 1, d, t) };
  };
  if (forward ? last < first : last > first) return undefined;
  return { contour: c, start: at(first, u0 - first), end: at(last, u1 - last), span: last - first, to };
}

/** Brings the end of `a` and the start of `b` to one point near the node (x, y). @returns how far apart they were; 0 where it is an exact common point */
function join(a: Piece, b: Piece, x: number, y: number, cell: number, chordError: number): number {
  const ea = a.end;
  const sb = b.start;
  const wholeA = ea.t === 0 || ea.t === 1;
  const wholeB = sb.t === 0 || sb.t === 1;
  if (wholeA && wholeB && Math.abs(ea.x - sb.x) <= cell && Math.abs(ea.y - sb.y) <= cell) {
    moveTo(sb, ea.x, ea.y);
    return 0;
  }
  const A = a.contour;
  const B = b.contour;
  const oa = ea.k * stride;
  const ob = sb.k * stride;
  const da = A.degrees[ea.k];
  const db = B.degrees[sb.k];
  if (meet(A.points, oa, da, ea.t, B.points, ob, db, sb.t)) {
    const px = valueAt(A.points, oa, da, met.a);
    const py = valueAt(A.points, oa + 1, da, met.a);
    const reach = Math.min(farthestMeeting, Math.max(chordError, 2 * cell) / met.sine);
    if (Math.abs(px - x) <= reach && Math.abs(py - y) <= reach && keepsDirection(a, met.a, false) && keepsDirection(b, met.b, true)) {
      // Where one of the two ends its segment there, that end is the exact point.
      const snapA = near(A, ea.k, met.a, px, py, cell);
      const snapB = near(B, sb.k, met.b, px, py, cell);
      ea.t = snapA >= 0 ? snapA : met.a;
      sb.t = snapB >= 0 ? snapB : met.b;
      const [c, o, d, t] = snapB >= 0 && snapA < 0 ? [B, ob, db, sb.t] : [A, oa, da, ea.t];
      const qx = valueAt(c.points, o, d, t);
      const qy = valueAt(c.points, o + 1, d, t);
      moveTo(ea, qx, qy);
      moveTo(sb, qx, qy);
      return 0;
    }
  }
  // The curves run along one another, or touch only as chords: each is cut at its point next to the node.
  if (!wholeA) settle(a, ea, x, y, false);
  if (!wholeB) settle(b, sb, x, y, true);
  const gap = wholeA || wholeB ? 0 : Math.max(1e-9, Math.hypot(ea.x - sb.x, ea.y - sb.y));
  if (wholeA && !wholeB) moveTo(sb, ea.x, ea.y);
  else if (wholeB && !wholeA) moveTo(ea, sb.x, sb.y);
  else {
    const mx = (ea.x + sb.x) / 2;
    const my = (ea.y + sb.y) / 2;
    moveTo(ea, mx, my);
    moveTo(sb, mx, my);
  }
  return gap;
}

function moveTo(end: End, x: number, y: number): void {
  end.x = x;
  end.y = y;
}

/** The end of segment k that lies within a cell of (x, y), 0 or 1, where `t` is close to it; -1 where none. */
function near(c: Contour, k: number, t: number, x: number, y: number, cell: number): number {
  const o = k * stride;
  const n = 2 * c.degrees[k];
  if (t < 0.5 && Math.abs(c.points[o] - x) <= cell && Math.abs(c.points[o + 1] - y) <= cell) return 0;
  if (t >= 0.5 && Math.abs(c.points[o + n] - x) <= cell && Math.abs(c.points[o + n + 1] - y) <= cell) return 1;
  return -1;
}

/** Whether a piece of a single segment still runs the way it did with its end (or start) at t. */
function keepsDirection({ start, end, span }: Piece, t: number, atStart: boolean): boolean {
  if (span !== 0) return true;
  return atStart ? (end.t - start.t) * (end.t - t) > 0 || end.t === t : (end.t - start.t) * (t - start.t) > 0 || start.t === t;
}

function settle(piece: Piece, end: End, x: number, y: number, atStart: boolean): void {
  const { contour: c } = piece;
  const o = end.k * stride;
  const d = c.degrees[end.k];
  const t = footNear(c.points, o, d, x, y, end.t);
  if (keepsDirection(piece, t, atStart)) end.t = t;
  moveTo(end, valueAt(c.points, o, d, end.t), valueAt(c.points, o + 1, d, end.t));
}

const part = new Float64Array(8);

/** Writes a piece; its last point is `next`, which the following piece starts from. */
function emit({ contour: c, start, end, span }: Piece, out: ContourBuilder, next: End): void {
  const step = span < 0 ? -1 : 1;
  const forward = span !== 0 ? span > 0 : end.t >= start.t;
  const count = Math.abs(span) + 1;
  for (let i = 0; i < count; i++) {
    const k = (((start.k + i * step) % c.size) + c.size) % c.size;
    const degree = c.degrees[k];
    const n = 2 * degree;
    const a = i === 0 ? start.t : forward ? 0 : 1;
    const b = i === count - 1 ? end.t : forward ? 1 : 0;
    cut(c.points, k * stride, degree, a, b, part, 0);
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
