import { cut, valueAt } from "../bezier";
import { addJoin, type Join } from "../offset/joins";
import { loopsOf } from "../offset/trim";
import { eachContour, filler, outer, type DraftPath } from "./draft-path";
import { Pen } from "./pen";

/** The least share of its length that a handle keeps where a curve closes up. */
const least = 0.02;

/** A segment's end: the direction of travel there, the length of its handle and the curvature. */
const ahead = { x: 0, y: 0, handle: 0, curvature: 0 };
const behind = { x: 0, y: 0, handle: 0, curvature: 0 };

/**
 * Of a cubic with points a, b, c, d at a: 2/3 of the cross product of its first two legs over the cube of the first (Farin, Curves and
 * Surfaces for CAGD, "Geometric continuity"). Where the handle has no length the direction is that to the next point that is elsewhere.
 */
function readEnd(p: Float64Array, a: number, b: number, c: number, d: number, out: typeof ahead): void {
  let x = p[b] - p[a];
  let y = p[b + 1] - p[a + 1];
  let length = Math.sqrt(x * x + y * y);
  out.handle = length;
  out.curvature = 0;
  if (length > 1e-9) {
    const cross = x * (p[c + 1] - p[b + 1]) - y * (p[c] - p[b]);
    out.curvature = (2 * cross) / (3 * length * length * length);
  } else {
    const next = p[c] !== p[a] || p[c + 1] !== p[a + 1] ? c : d;
    x = p[next] - p[a];
    y = p[next + 1] - p[a + 1];
    length = Math.sqrt(x * x + y * y) || 1;
  }
  out.x = x / length;
  out.y = y / length;
}

const readStart = (p: Float64Array, o: number, degree: number): void =>
  degree === 1 ? readEnd(p, o, o + 2, o, o, ahead) : readEnd(p, o, o + 2, o + 4, o + 6, ahead);

/** Written as one that is travelled backwards: its direction is turned round, and so is the sign of its curvature. */
function readFinish(p: Float64Array, o: number, degree: number): void {
  if (degree === 1) readEnd(p, o + 2, o, o + 2, o + 2, behind);
  else readEnd(p, o + 6, o + 4, o + 2, o, behind);
  behind.x = -behind.x;
  behind.y = -behind.y;
  behind.curvature = -behind.curvature;
}

const raw = new Pen();
const closings: number[] = [];

/**
 * The contours of a path moved sideways by d, for a picture while it is dragged: each segment becomes one curve whose ends lie on the
 * true parallel and whose handles have its curvature there (Tiller and Hanson, Offsets of two-dimensional profiles, IEEE Computer
 * Graphics and Applications 4, 1984, with handles scaled by 1 + curvature times distance, which is exact of circles). They cross
 * themselves: filled nonzero they cover what the true outlines cover where d is above 0, and all but closed-up places where it is below.
 * Counters that would close up are left out, and what is too thin to be shrunk.
 * @param d units; above 0 outwards
 * @param kinds receives that of each contour that is written
 * @param edge what for: the shape itself, or one edge of a band, of which the inner one runs backwards
 * @param neat leaves out the loops at closing corners also where d is above 0, for an outline that will be stroked
 */
export function draftOutline(
  path: DraftPath,
  d: number,
  join: Join,
  out: Pen,
  kinds: number[],
  edge: "shape" | "outer" | "inner" = "shape",
  neat = false,
): void {
  const { verbs, coords: p } = path;
  eachContour(path, (contour, at, from, close) => {
    const kind = path.kinds[contour];
    const back = edge === "inner";
    if (kind === filler) {
      if (edge !== "shape") return;
      out.contour(verbs, p, at, from, close);
      kinds.push(kind);
      return;
    }
    if ((kind === outer) !== d > 0 && thickness(verbs, p, at, from, close) <= 2 * Math.abs(d)) return;
    kinds.push(back ? 1 - kind : kind);
    raw.clear();
    closings.length = 0;
    readStart(p, at, verbs[from]);
    raw.move(p[at] + d * ahead.y, p[at + 1] - d * ahead.x);
    for (let v = from, o = at; v < close; v++) {
      const degree = verbs[v];
      const end = o + 2 * degree;
      const { x: ax, y: ay } = ahead;
      const first = spread(ahead.handle, ahead.curvature, d);
      const opens = 1 + ahead.curvature * d > 0;
      readFinish(p, o, degree);
      const { x: bx, y: by } = behind;
      const x = p[end] + d * by;
      const y = p[end + 1] - d * bx;
      if (degree === 1) raw.line(x, y);
      else if (!opens && 1 + behind.curvature * d <= 0) {
        // A bend that is tighter than the distance closes as a corner does, and is left out as one.
        closings.push(raw.verbCount - 1);
        raw.line(valueAt(p, o, 3, 0.5), valueAt(p, o + 1, 3, 0.5));
        raw.line(x, y);
      } else {
        const last = spread(behind.handle, behind.curvature, d);
        raw.cubic(raw.x + ax * first, raw.y + ay * first, x - bx * last, y - by * last, x, y);
      }
      const next = v + 1 < close ? v + 1 : from;
      readStart(p, next === from ? at : end, verbs[next]);
      const before = raw.verbCount - 1;
      if (addJoin(raw, { x: p[end], y: p[end + 1], ax: bx, ay: by, bx: ahead.x, by: ahead.y, fromCorner: false, toCorner: false }, d, join))
        closings.push(before);
      o = end;
    }
    raw.endAt(raw.coords[0], raw.coords[1]);
    raw.close();
    const one = (neat || d < 0) && trim() ? trimmed : raw;
    if (back) out.backwards(one.verbs, one.coords, 0, 1, one.verbCount - 1);
    else out.contour(one.verbs, one.coords, 0, 1, one.verbCount - 1);
  });
}

/**
 * How long a handle gets beside its curve. Beside half a circle it gets longer by 4/3 of the distance, and by no more beside anything:
 * the curvature at a handle of nearly no length says nothing.
 */
const spread = (handle: number, curvature: number, d: number): number =>
  Math.min(handle * Math.max(least, 1 + curvature * d), handle + (4 / 3) * Math.abs(d));

const trimmed = new Pen();
const part = new Float64Array(8);
let starts = new Int32Array(64);

/** Writes the raw contour without its loops as the trimmed one, if there are any. */
function trim(): boolean {
  if (closings.length === 0) return false;
  const { verbs, coords: p } = raw;
  const size = raw.verbCount - 2;
  if (starts.length < size) starts = new Int32Array(2 * size);
  starts[0] = 0;
  for (let k = 1; k < size; k++) starts[k] = starts[k - 1] + 2 * verbs[k];
  const trims = loopsOf({ size, points: p, degree: (k) => verbs[k + 1], start: (k) => starts[k] }, closings);
  if (!trims) return false;
  trimmed.clear();
  for (let k = 0; k < size; k++) {
    if (trims.drop[k]) continue;
    cut(p, starts[k], verbs[k + 1], trims.from[k], trims.to[k], part, 0);
    if (trimmed.verbCount === 0) trimmed.move(part[0], part[1]);
    trimmed.segment(part, 0, verbs[k + 1]);
  }
  const [x, y] = trimmed.coords;
  // Newton's method ends a hair apart on the two curves.
  if (Math.abs(trimmed.x - x) + Math.abs(trimmed.y - y) < 1e-6) trimmed.endAt(x, y);
  else trimmed.line(x, y);
  trimmed.close();
  return true;
}

/** The shorter side of the box of a contour's nodes. */
function thickness(verbs: Uint8Array, p: Float64Array, at: number, from: number, close: number): number {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let v = from, o = at; v < close; o += 2 * verbs[v++]) {
    if (p[o] < minX) minX = p[o];
    if (p[o] > maxX) maxX = p[o];
    if (p[o + 1] < minY) minY = p[o + 1];
    if (p[o + 1] > maxY) maxY = p[o + 1];
  }
  return Math.min(maxX - minX, maxY - minY);
}
