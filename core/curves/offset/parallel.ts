import { bendAt, curvatureAt, directionAt, slopeAt, valueAt } from "../bezier";
import type { Budget } from "../budget";
import type { ContourBuilder } from "../contour";
import { fitCubics, type Sampler } from "../fit";

const dir = new Float64Array(2);

/**
 * Writes the parallel curve of one segment at distance d to the right of travel (x right, y up), from where `out` stands, which is the
 * parallel of the segment's start, to the parallel of its end.
 *
 * Where the curve turns towards d more tightly than d, the parallel runs backwards. That part is never on the border of the
 * grown shape, but would take winding away from what it sweeps over; the strip between the curve and its parallel is gone round
 * chord by chord there instead, so that it only ever adds. Where such a part reaches to an end of the segment, the way stays on the
 * curve itself there.
 *
 * @param backward what `backwardParts` gives for this segment and distance
 * @param ends which ends of the segment are those of an open line
 * @param tolerance how far the fitted cubics may lie from the true parallel, in units
 */
export function parallel(p: Float64Array, o: number, degree: number, d: number, backward: readonly Part[], tolerance: number, out: ContourBuilder, budget: Budget, ends: Ends = noEnds): void {
  const n = 2 * degree;
  if (degree === 1) {
    directionAt(p, o, 1, 1, dir);
    out.line(p[o + 2] + d * dir[1], p[o + 3] - d * dir[0]);
    return;
  }
  const curve: Sampler = (t, s) => {
    directionAt(p, o, degree, t, dir);
    s[0] = valueAt(p, o, degree, t) + d * dir[1];
    s[1] = valueAt(p, o + 1, degree, t) - d * dir[0];
    s[2] = dir[0];
    s[3] = dir[1];
  };
  let from = 0;
  for (const [a, b] of backward) {
    if (a > from) fitCubics(curve, from, a, tolerance, out, budget);
    strip(p, o, degree, d, a, b, out, budget, ends);
    if (b < 1) {
      curve(b, point);
      out.line(point[0], point[1]);
    }
    from = b;
  }
  if (from < 1) {
    fitCubics(curve, from, 1, tolerance, out, budget);
    directionAt(p, o, degree, 1, dir);
    out.endAt(p[o + n] + d * dir[1], p[o + n + 1] - d * dir[0]);
  }
}

const point = new Float64Array(4);

/** Whether a segment starts or ends an open line. */
export interface Ends {
  readonly start: boolean;
  readonly end: boolean;
}

const noEnds: Ends = { start: false, end: false };

/** How the parallel's speed compares with the curve's, 1 + curvature * d, times the cube of the curve's: no roots to take. */
function pace(p: Float64Array, o: number, degree: number, d: number, t: number): number {
  const dx = slopeAt(p, o, degree, t);
  const dy = slopeAt(p, o + 1, degree, t);
  const turn = dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t);
  const speed2 = dx * dx + dy * dy;
  return speed2 * Math.sqrt(speed2) + turn * d;
}

/** Samples of a segment among which sign changes of its pace are looked for. */
const samples = 16;

/** A stretch of t, from a to b. */
export type Part = readonly [a: number, b: number];

const none: readonly Part[] = [];

/** The stretches of t where the parallel at distance d runs backwards, in order. */
export function backwardParts(p: Float64Array, o: number, degree: number, d: number): readonly Part[] {
  if (degree === 1 || turnsAway(p, o, degree, d)) return none;
  return backwardStretches((t) => pace(p, o, degree, d, t));
}

/** The stretches of t where f is below 0, in order. */
export function backwardStretches(f: (t: number) => number): readonly Part[] {
  const edge = 1e-4;
  const at = (i: number) => (i === 0 ? edge : i === samples ? 1 - edge : i / samples);
  const roots: number[] = [];
  const between = (a: number, b: number) => {
    const startsBack = f(a) < 0;
    for (let k = 0; k < 40; k++) {
      const m = (a + b) / 2;
      if (f(m) < 0 === startsBack) a = m;
      else b = m;
    }
    roots.push((a + b) / 2);
  };
  let before = f(at(0));
  const startsBack = before < 0;
  let beforeThat = before;
  for (let i = 1; i <= samples; i++) {
    const now = f(at(i));
    if (now < 0 !== before < 0) between(at(i - 1), at(i));
    else if (i > 1 && before > 0 && before < beforeThat && before < now) {
      // A dip: see whether it goes below zero between the samples.
      const low = lowest(f, at(i - 2), at(i));
      if (f(low) < 0) {
        between(at(i - 2), low);
        between(low, at(i));
      }
    }
    beforeThat = before;
    before = now;
  }
  if (!startsBack && roots.length === 0) return none;
  roots.sort((a, b) => a - b);
  const bounds = [...(startsBack ? [0] : []), ...roots];
  if (bounds.length % 2) bounds.push(1);
  const parts: Part[] = [];
  for (let i = 0; i < bounds.length; i += 2) parts.push([bounds[i], bounds[i + 1]]);
  return parts;
}

/** Whether the control polygon turns away from d, or not at all, everywhere: then so does the curve. */
function turnsAway(p: Float64Array, o: number, degree: number, d: number): boolean {
  const ax = p[o + 2] - p[o];
  const ay = p[o + 3] - p[o + 1];
  const bx = p[o + 4] - p[o + 2];
  const by = p[o + 5] - p[o + 3];
  if ((ax * by - ay * bx) * d < 0) return false;
  if (degree === 2) return true;
  const cx = p[o + 6] - p[o + 4];
  const cy = p[o + 7] - p[o + 5];
  return (ax * cy - ay * cx) * d >= 0 && (bx * cy - by * cx) * d >= 0;
}

function lowest(f: (t: number) => number, a: number, b: number): number {
  for (let k = 0; k < 24; k++) {
    const u = a + (b - a) / 3;
    const v = b - (b - a) / 3;
    if (f(u) < f(v)) b = v;
    else a = u;
  }
  return (a + b) / 2;
}

/** Turn of one chord of a strip, in radians: coarse, for it is never seen. */
const chordTurn = 0.8;

/**
 * Goes round the strip along the part from a to b: a rectangle on each of a few chords. They reach as far as the curve's own
 * centres of curvature lie, since what is farther off has a nearer point elsewhere, and never as far as d.
 */
export function strip(p: Float64Array, o: number, degree: number, d: number, a: number, b: number, out: ContourBuilder, budget: Budget, ends: Ends = noEnds): void {
  let turn = 0;
  for (let k = 0; k <= 8; k++) {
    directionAt(p, o, degree, a + ((b - a) * k) / 8, dir);
    if (k > 0) turn += Math.abs(Math.atan2(lastX * dir[1] - lastY * dir[0], lastX * dir[0] + lastY * dir[1]));
    lastX = dir[0];
    lastY = dir[1];
  }
  if (ends.start || ends.end) return fan(p, o, degree, d, a, b, turn, out, budget);
  const steps = Math.max(1, Math.ceil(turn / chordTurn));
  budget.spend(steps);
  let x0 = valueAt(p, o, degree, a);
  let y0 = valueAt(p, o + 1, degree, a);
  if (out.x !== x0 || out.y !== y0) out.line(x0, y0);
  for (let k = 1; k <= steps; k++) {
    const t0 = a + ((b - a) * (k - 1)) / steps;
    const t1 = a + ((b - a) * k) / steps;
    const x1 = valueAt(p, o, degree, t1);
    const y1 = valueAt(p, o + 1, degree, t1);
    const length = Math.hypot(x1 - x0, y1 - y0);
    if (length > 1e-9) {
      let radius = 0;
      for (let i = 0; i <= 4; i++) {
        const own = 1 / Math.abs(curvatureAt(p, o, degree, t0 + ((t1 - t0) * i) / 4));
        // Where the curve stands still it has no radius.
        if (own > radius) radius = Math.min(Math.abs(d), own);
      }
      const bulge = Math.hypot(valueAt(p, o, degree, (t0 + t1) / 2) - (x0 + x1) / 2, valueAt(p, o + 1, degree, (t0 + t1) / 2) - (y0 + y1) / 2);
      const reach = Math.sign(d) * Math.max(0, Math.min(Math.abs(d) - bulge - Math.min(0.05, Math.abs(d) / 20), 1.25 * radius + 2 * bulge));
      const nx = ((y1 - y0) / length) * reach;
      const ny = ((x0 - x1) / length) * reach;
      out.line(x0 + nx, y0 + ny);
      out.line(x1 + nx, y1 + ny);
      out.line(x1, y1);
    }
    x0 = x1;
    y0 = y1;
  }
}

/** Turn from one normal of a fan to the next, in radians. */
const normalTurn = 0.06;

/**
 * Goes round what the normals themselves cover, d long, from a to b: at the end of a line, which may be cut off there, nothing past
 * its last normal. Where two neighbours cross, the part beyond is gone round the other way, so that it adds, too.
 */
function fan(p: Float64Array, o: number, degree: number, d: number, a: number, b: number, turn: number, out: ContourBuilder, budget: Budget): void {
  const steps = Math.max(4, Math.ceil(turn / normalTurn));
  budget.spend(steps);
  const at = (t: number) => {
    directionAt(p, o, degree, t, dir);
    const [x, y] = [valueAt(p, o, degree, t), valueAt(p, o + 1, degree, t)];
    return { x, y, ex: x + d * dir[1], ey: y - d * dir[0] };
  };
  let from = at(a);
  if (out.x !== from.x || out.y !== from.y) out.line(from.x, from.y);
  for (let k = 1; k <= steps; k++) {
    const to = at(a + ((b - a) * k) / steps);
    const [ux, uy, vx, vy] = [from.ex - from.x, from.ey - from.y, to.ex - to.x, to.ey - to.y];
    const det = ux * vy - uy * vx;
    const s = ((to.x - from.x) * vy - (to.y - from.y) * vx) / det;
    if (det !== 0 && s > 0 && s < 1) {
      const [x, y] = [from.x + s * ux, from.y + s * uy];
      out.line(x, y);
      out.line(to.ex, to.ey);
      out.line(from.ex, from.ey);
      out.line(x, y);
    } else {
      out.line(from.ex, from.ey);
      out.line(to.ex, to.ey);
    }
    out.line(to.x, to.y);
    from = to;
  }
}

let lastX = 0;
let lastY = 0;
