import { norm } from "./bezier";
import type { Budget } from "./budget";
import type { ContourBuilder } from "./contour";

/**
 * A smooth curve that is only known by evaluating it.
 * @param out receives x, y and a vector along the direction of travel, of any length
 */
export type Sampler = (t: number, out: Float64Array) => void;

/** Intervals between the points that a cubic is fitted to and checked at. */
const intervals = 8;
const xs = new Float64Array(intervals + 1);
const ys = new Float64Array(intervals + 1);
const us = new Float64Array(intervals + 1);
const sample = new Float64Array(4);
/** The cubic of the last `fitOne`: x0 y0 ... x3 y3. */
export const fitted = new Float64Array(8);

/** Deepest halving where a cubic is merely off, and where the curve turns so fast that its samples tell nothing. */
const deepest = 10;
const deepestTurn = 30;

/** Directions of neighbouring samples may differ by this much, half a right angle: more may hide a turn. */
const leastCos = Math.SQRT1_2;

/**
 * Writes cubics along a curve from t = a to t = b, as few as halving finds, each within `tolerance` of the curve where it is
 * checked, with the curve's ends and directions: where the curve is smooth the cubics join smoothly.
 * The first starts where `out` stands.
 */
export function fitCubics(
  curve: Sampler,
  a: number,
  b: number,
  tolerance: number,
  out: ContourBuilder,
  budget: Budget,
  halvings = 0,
  turns = 0,
): void {
  budget.spend(intervals);
  const off = fitOne(curve, a, b, tolerance);
  const wild = off === Infinity;
  if (off <= tolerance || (wild ? turns >= deepestTurn : halvings >= deepest)) {
    out.cubic(fitted[2], fitted[3], fitted[4], fitted[5], fitted[6], fitted[7]);
    return;
  }
  const m = (a + b) / 2;
  fitCubics(curve, a, m, tolerance, out, budget, halvings + (wild ? 0 : 1), turns + (wild ? 1 : 0));
  fitCubics(curve, m, b, tolerance, out, budget, halvings + (wild ? 0 : 1), turns + (wild ? 1 : 0));
}

const ends = new Float64Array(8);

/** Writes one cubic along a curve from t = a to t = b by its ends and directions alone: what a draft needs, at two places of the curve. */
export function sketchCubic(curve: Sampler, a: number, b: number, out: ContourBuilder): void {
  const [from, to] = [ends.subarray(0, 4), ends.subarray(4, 8)];
  curve(a, from);
  curve(b, to);
  const third = norm(to[0] - from[0], to[1] - from[1]) / 3;
  const [k, l] = [third / (norm(from[2], from[3]) || 1), third / (norm(to[2], to[3]) || 1)];
  out.cubic(from[0] + k * from[2], from[1] + k * from[3], to[0] - l * to[2], to[1] - l * to[3], to[0], to[1]);
}

/**
 * Fits one cubic with given ends and end directions to a curve by least squares over the two handle lengths, and moves the
 * parameters of the points to their feet on the cubic in turn (Schneider, An Algorithm for Automatically Fitting Digitized Curves,
 * Graphics Gems, 1990). Leaves it in `fitted`.
 * @returns the largest distance found between a sampled point and the cubic; gives up early when far over `tolerance`.
 *   Infinity where the curve turns too fast between samples to be judged
 */
export function fitOne(curve: Sampler, a: number, b: number, tolerance: number): number {
  const n = intervals;
  curve(b, sample);
  xs[n] = sample[0];
  ys[n] = sample[1];
  let ex = sample[2];
  let ey = sample[3];
  let length = norm(ex, ey) || 1;
  ex /= length;
  ey /= length;
  curve(a, sample);
  xs[0] = sample[0];
  ys[0] = sample[1];
  let sx = sample[2];
  let sy = sample[3];
  length = norm(sx, sy) || 1;
  sx /= length;
  sy /= length;
  let around = 0;
  let turns = false;
  let dx = sx;
  let dy = sy;
  for (let i = 1; i <= n; i++) {
    if (i === n) {
      turns ||= dx * ex + dy * ey < leastCos;
      break;
    }
    curve(a + ((b - a) * i) / n, sample);
    length = norm(sample[2], sample[3]) || 1;
    turns ||= dx * sample[2] + dy * sample[3] < leastCos * length;
    dx = sample[2] / length;
    dy = sample[3] / length;
    xs[i] = sample[0];
    ys[i] = sample[1];
    us[i] = i / n;
    around += norm(xs[i] - xs[i - 1], ys[i] - ys[i - 1]);
  }
  around += norm(xs[n] - xs[n - 1], ys[n] - ys[n - 1]);
  if (turns && around > tolerance) {
    set(sx, sy, ex, ey, around / 3, around / 3);
    return Infinity;
  }
  return solve(sx, sy, ex, ey, around, tolerance);
}

function solve(sx: number, sy: number, ex: number, ey: number, around: number, tolerance: number): number {
  const n = intervals;
  const x0 = xs[0];
  const y0 = ys[0];
  const x3 = xs[n];
  const y3 = ys[n];
  let best = Infinity;
  let alpha = around / 3;
  let beta = around / 3;
  let bestAlpha = alpha;
  let bestBeta = beta;
  for (let turn = 0; turn < 5; turn++) {
    let ss = 0;
    let se = 0;
    let ee = 0;
    let rs = 0;
    let re = 0;
    for (let i = 1; i < n; i++) {
      const t = us[i];
      const v = 1 - t;
      const b1 = 3 * v * v * t;
      const b2 = 3 * v * t * t;
      const c0 = v * v * v + b1;
      const c3 = t * t * t + b2;
      const qx = xs[i] - x0 * c0 - x3 * c3;
      const qy = ys[i] - y0 * c0 - y3 * c3;
      ss += b1 * b1;
      se -= b1 * b2 * (sx * ex + sy * ey);
      ee += b2 * b2;
      rs += b1 * (sx * qx + sy * qy);
      re -= b2 * (ex * qx + ey * qy);
    }
    const det = ss * ee - se * se;
    if (det > 1e-12 * ss * ee) {
      alpha = (rs * ee - re * se) / det;
      beta = (ss * re - se * rs) / det;
    }
    // Handles that point backwards, or reach far past the curve, make loops.
    if (!(alpha > 1e-3 * around && beta > 1e-3 * around && alpha < 2 * around && beta < 2 * around)) {
      if (best < Infinity) break;
      alpha = beta = around / 3;
    }
    set(sx, sy, ex, ey, alpha, beta);
    const worst = Math.sqrt(refine());
    const stalled = worst > 0.8 * best;
    if (worst < best) {
      best = worst;
      bestAlpha = alpha;
      bestBeta = beta;
    }
    if (best <= 0.7 * tolerance || worst > 40 * tolerance || stalled) break;
  }
  set(sx, sy, ex, ey, bestAlpha, bestBeta);
  return best;
}

/** Moves every parameter one step of Newton's method towards its foot on the cubic. @returns the largest squared distance */
function refine(): number {
  const x0 = fitted[0];
  const y0 = fitted[1];
  const x1 = fitted[2];
  const y1 = fitted[3];
  const x2 = fitted[4];
  const y2 = fitted[5];
  const x3 = fitted[6];
  const y3 = fitted[7];
  // Coefficients of 1, t, t^2, t^3: one set serves all points.
  const bx = 3 * (x1 - x0);
  const by = 3 * (y1 - y0);
  const cx = 3 * (x0 - 2 * x1 + x2);
  const cy = 3 * (y0 - 2 * y1 + y2);
  const dx = x3 - x0 + 3 * (x1 - x2);
  const dy = y3 - y0 + 3 * (y1 - y2);
  let worst = 0;
  for (let i = 1; i < intervals; i++) {
    const t = us[i];
    const ex = ((dx * t + cx) * t + bx) * t + x0 - xs[i];
    const ey = ((dy * t + cy) * t + by) * t + y0 - ys[i];
    const vx = (3 * dx * t + 2 * cx) * t + bx;
    const vy = (3 * dy * t + 2 * cy) * t + by;
    const speed = vx * vx + vy * vy;
    let slope = speed + ex * (6 * dx * t + 2 * cx) + ey * (6 * dy * t + 2 * cy);
    if (slope < 0.3 * speed) slope = speed;
    const u = slope > 1e-18 ? Math.min(1, Math.max(0, t - (ex * vx + ey * vy) / slope)) : t;
    us[i] = u;
    const fx = ((dx * u + cx) * u + bx) * u + x0 - xs[i];
    const fy = ((dy * u + cy) * u + by) * u + y0 - ys[i];
    const off = fx * fx + fy * fy;
    if (off > worst) worst = off;
  }
  return worst;
}

function set(sx: number, sy: number, ex: number, ey: number, alpha: number, beta: number): void {
  const n = intervals;
  fitted[0] = xs[0];
  fitted[1] = ys[0];
  fitted[2] = xs[0] + sx * alpha;
  fitted[3] = ys[0] + sy * alpha;
  fitted[4] = xs[n] - ex * beta;
  fitted[5] = ys[n] - ey * beta;
  fitted[6] = xs[n];
  fitted[7] = ys[n];
}
