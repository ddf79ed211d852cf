import { norm } from "../../curves/bezier";
import { Budget } from "../../curves/budget";
import { ContourBuilder, type Contour } from "../../curves/contour";
import { fitCubics, type Sampler } from "../../curves/fit";
import type { Line, LinePoint } from "./line";

const { abs, ceil, floor, max, min, round } = Math;

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Units: what lies straight for longer than this within `level` is a straight line. */
const straightFrom = 50;
const level = 0.15;
/** Of the tolerance: a whole run within it is one straight line. */
const straightWithin = 0.6;
const passes = 10;

/** A line of many places as few straight lines and cubics within `tolerance` units of its smoothed course. */
export function smoothed(line: Line, step: number, tolerance: number): Contour {
  const out = new ContourBuilder();
  const budget = new Budget();
  const runs = runsOf(line, step, tolerance);
  const [first] = runs[0];
  out.move(first.x, first.y);
  for (const run of runs) draw(run, tolerance, out, budget);
  if (line.closed) out.endAt(first.x, first.y);
  return out.build(line.closed);
}

/** A line as straight steps between some of its places, corners among them: near enough while it is dragged. */
export function roughened({ points, closed }: Line, step: number): Contour {
  const out = new ContourBuilder();
  const last = points.length - 1;
  out.move(points[0].x, points[0].y);
  let gone = 0;
  for (let i = 1; i <= last; i++) {
    gone += norm(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y);
    if (i < last && !points[i].corner && !points[i + 1].joint && gone < step) continue;
    out.line(points[i].x, points[i].y);
    gone = 0;
  }
  if (closed) out.endAt(points[0].x, points[0].y);
  return out.build(closed);
}

/** The line from corner to corner, each at even steps and smoothed. A closed one without corners is one run that ends where it begins. */
function runsOf({ points, closed }: Line, step: number, tolerance: number): Point[][] {
  let all = [...points];
  const [a, b] = [all[0], all[all.length - 1]];
  if (!closed) return split(all, step, tolerance);
  if (norm(a.x - b.x, a.y - b.y) < 1e-6) all.pop();
  const corner = all.findIndex((p) => p.corner);
  if (corner >= 0) return split([...all.slice(corner), ...all.slice(0, corner + 1)], step, tolerance);
  all = [...all, all[0]];
  const ring = evened(all, step, true);
  return [[...ring, ring[0]]];
}

function split(points: readonly LinePoint[], step: number, tolerance: number): Point[][] {
  const runs: Point[][] = [];
  let from = 0;
  for (let i = 1; i < points.length; i++) {
    if (!points[i].corner && i < points.length - 1) continue;
    // What is straight as it is, as most stems are, needs no smoothing.
    const straight = isStraight(points, from, i, straightWithin * tolerance);
    runs.push(straight ? [points[from], points[i]] : evened(points.slice(from, i + 1), step));
    from = i;
  }
  return runs;
}

/** The same course at even steps, smoothed. */
function evened(points: readonly Point[], step: number, closed = false): Point[] {
  const last = points.length - 1;
  const lengths = new Float64Array(last + 1);
  for (let i = 1; i <= last; i++) lengths[i] = lengths[i - 1] + norm(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y);
  const whole = lengths[last];
  const count = max(1, round(whole / step));
  // Of a closed course the last place is its first.
  const [xs, ys] = [new Float64Array(closed ? count : count + 1), new Float64Array(closed ? count : count + 1)];
  for (let i = 0, k = 0; i < xs.length; i++) {
    const at = (whole * i) / count;
    while (k + 1 < last && lengths[k + 1] < at) k++;
    const u = lengths[k + 1] > lengths[k] ? (at - lengths[k]) / (lengths[k + 1] - lengths[k]) : 0;
    xs[i] = points[k].x + u * (points[k + 1].x - points[k].x);
    ys[i] = points[k].y + u * (points[k + 1].y - points[k].y);
  }
  taubin(xs, closed);
  taubin(ys, closed);
  return Array.from(xs, (x, i) => ({ x, y: ys[i] }));
}

/** Smoothing that does not shrink: a step towards the neighbours' middle and one back (Taubin, Curve and surface smoothing, 1995). */
function taubin(values: Float64Array, closed: boolean): void {
  for (let pass = 0; pass < passes; pass++) {
    towardsNeighbours(values, 0.5, closed);
    towardsNeighbours(values, -0.52, closed);
  }
}

/** One step of all values at once, each from what its neighbours were; the ends of what is not closed stay. */
function towardsNeighbours(values: Float64Array, by: number, closed: boolean): void {
  const last = values.length - 1;
  const [first, second, end] = [values[0], values[1], values[last]];
  let before = first;
  for (let i = 1; i < last; i++) {
    const at = values[i];
    values[i] = at + by * ((before + values[i + 1]) / 2 - at);
    before = at;
  }
  if (!closed || last < 1) return;
  values[last] = end + by * ((before + first) / 2 - end);
  values[0] = first + by * ((end + second) / 2 - first);
}

/** Straight stretches as lines, and what lies between them as cubics that join them smoothly. */
function draw(run: readonly Point[], tolerance: number, out: ContourBuilder, budget: Budget): void {
  const n = run.length - 1;
  if (n < 1) return;
  if (isStraight(run, 0, n, straightWithin * tolerance)) return out.line(run[n].x, run[n].y);
  const closed = norm(run[0].x - run[n].x, run[0].y - run[n].y) < 1e-9;
  let at = 0;
  for (const [from, to] of [...straights(run), [n, n] as const]) {
    if (from > at) fitCubics(through(run, at, from, closed), 0, 1, tolerance, out, budget);
    if (to > from) out.line(run[to].x, run[to].y);
    at = to;
  }
}

function isStraight(run: readonly Point[], from: number, to: number, within: number): boolean {
  const [a, b] = [run[from], run[to]];
  const l = norm(b.x - a.x, b.y - a.y);
  if (!(l > 0.5)) return to <= from + 1;
  for (let k = from + 1; k < to; k++) if (abs((run[k].x - a.x) * (b.y - a.y) - (run[k].y - a.y) * (b.x - a.x)) / l > within) return false;
  return true;
}

/** The longest stretches that are straight. */
function straights(run: readonly Point[]): [number, number][] {
  const n = run.length - 1;
  const least = max(2, ceil(straightFrom / (norm(run[1].x - run[0].x, run[1].y - run[0].y) || 1)));
  const found: [number, number][] = [];
  for (let i = 0; i + least <= n;) {
    if (!isStraight(run, i, i + least, level)) {
      i++;
      continue;
    }
    let [low, high] = [least, n - i];
    while (low < high) {
      const m = (low + high + 1) >> 1;
      if (isStraight(run, i, i + m, level)) low = m;
      else high = m - 1;
    }
    found.push([i, i + low]);
    i += low;
  }
  return found;
}

/** A stretch of places as a smooth course: cubics through them, with directions from neighbour to neighbour (Catmull and Rom, 1974). */
function through(run: readonly Point[], from: number, to: number, closed: boolean): Sampler {
  const n = run.length - 1;
  const at = (i: number): Point => (closed ? run[((i % n) + n) % n] : run[min(n, max(0, i))]);
  const slope = (i: number): Point => {
    const [a, b] = [at(i - 1), at(i + 1)];
    const half = closed || (i > 0 && i < n) ? 0.5 : 1;
    return { x: (b.x - a.x) * half, y: (b.y - a.y) * half };
  };
  return (t, out) => {
    const s = from + t * (to - from);
    const i = min(to - 1, floor(s));
    const u = s - i;
    const [p, q, a, b] = [run[i], run[i + 1], slope(i), slope(i + 1)];
    const [h00, h10, h01, h11] = [2 * u ** 3 - 3 * u * u + 1, u ** 3 - 2 * u * u + u, 3 * u * u - 2 * u ** 3, u ** 3 - u * u];
    const [d00, d10, d11] = [6 * u * u - 6 * u, 3 * u * u - 4 * u + 1, 3 * u * u - 2 * u];
    out[0] = h00 * p.x + h10 * a.x + h01 * q.x + h11 * b.x;
    out[1] = h00 * p.y + h10 * a.y + h01 * q.y + h11 * b.y;
    out[2] = d00 * (p.x - q.x) + d10 * a.x + d11 * b.x;
    out[3] = d00 * (p.y - q.y) + d10 * a.y + d11 * b.y;
  };
}
