import { directionAt, footNear, valueAt } from "./bezier";
import type { Budget } from "./budget";
import { ContourBuilder, stride, type Contour } from "./contour";
import { fitOne, fitted, type Sampler } from "./fit";
import { intervalOf } from "./halving";

/** Corners sharper than this, in degrees, are kept as corners; gentler ones are taken for steps along a curve. */
const corner = 20;
const cornerCos = Math.cos((corner * Math.PI) / 180);

const a = new Float64Array(2);
const b = new Float64Array(2);

/**
 * The contour with fewer nodes, within `tolerance` units of the one given: stretches between corners are drawn anew with the fewest curves
 * that serve, each as long as one can be. Straight stretches become lines. Works on curves and on points of a polyline alike.
 */
export function simplifyContour(c: Contour, tolerance: number, budget: Budget): Contour {
  const n = c.size;
  if (n < 2) return c;
  const isCorner = new Uint8Array(n); // whether the start of segment k is one
  let first = -1;
  for (let k = 0; k < n; k++) {
    if (k === 0 && !c.closed) isCorner[0] = 1;
    else {
      const before = k === 0 ? n - 1 : k - 1;
      directionAt(c.points, before * stride, c.degrees[before], 1, a);
      directionAt(c.points, k * stride, c.degrees[k], 0, b);
      if (a[0] * b[0] + a[1] * b[1] < cornerCos) isCorner[k] = 1;
    }
    if (isCorner[k] && first < 0) first = k;
  }
  if (first < 0) first = 0;
  const out = new ContourBuilder();
  out.move(c.points[first * stride], c.points[first * stride + 1]);
  for (let done = 0; done < n;) {
    const k = (first + done) % n;
    let run = 1;
    while (done + run < n && !isCorner[(k + run) % n]) run++;
    drawAnew(c, k, run, isCorner, tolerance, out, budget);
    done += run;
  }
  return out.size < n ? out.build(c.closed) : c;
}

/** Greedy: from each node the longest stretch that one line or cubic serves, found by doubling and halving. */
function drawAnew(
  c: Contour,
  from: number,
  count: number,
  isCorner: Uint8Array,
  tolerance: number,
  out: ContourBuilder,
  budget: Budget,
): void {
  let at = 0;
  while (at < count) {
    let good = 1;
    let line = false;
    let bad = count - at + 1;
    for (let step = 2; good + 1 < bad;) {
      const length = Math.min(step, bad - 1);
      const as = serves(c, (from + at) % c.size, length, isCorner, tolerance, budget);
      if (as) {
        good = length;
        line = as === "line";
        step = bad - good > good ? good * 2 : good + Math.ceil((bad - good) / 2);
      } else {
        bad = length;
        step = good + Math.ceil((bad - good) / 2);
      }
      if (step >= bad) step = bad - 1;
      if (step <= good) break;
    }
    const k = (from + at) % c.size;
    const last = (k + good - 1) % c.size;
    if (good === 1) out.segment(c.points, k * stride, c.degrees[k]);
    else if (line) out.line(c.points[last * stride + 2 * c.degrees[last]], c.points[last * stride + 2 * c.degrees[last] + 1]);
    else {
      serves(c, k, good, isCorner, tolerance, budget);
      out.cubic(fitted[2], fitted[3], fitted[4], fitted[5], fitted[6], fitted[7]);
    }
    at += good;
  }
}

/** Whether segments k to k + count can be one line or one cubic, which is left in `fitted`. */
function serves(
  c: Contour,
  k: number,
  count: number,
  isCorner: Uint8Array,
  tolerance: number,
  budget: Budget,
): "line" | "cubic" | undefined {
  budget.spend(10 + 4 * count);
  const points: number[] = [];
  for (let i = 0; i < count; i++) {
    const s = (k + i) % c.size;
    const o = s * stride;
    const d = c.degrees[s];
    const steps = d === 1 ? 1 : 4;
    for (let j = i === 0 ? 0 : 1; j <= steps; j++) points.push(valueAt(c.points, o, d, j / steps), valueAt(c.points, o + 1, d, j / steps));
  }
  const n = points.length / 2 - 1;
  const [x0, y0, x1, y1] = [points[0], points[1], points[2 * n], points[2 * n + 1]];
  const chord = Math.hypot(x1 - x0, y1 - y0);
  if (chord > 0 && withinOfLine(points, x0, y0, x1, y1, chord, tolerance)) return "line";
  // By length, so that points that lie unevenly are seen evenly.
  const lengths = [0];
  for (let i = 1; i <= n; i++)
    lengths.push(lengths[i - 1] + Math.hypot(points[2 * i] - points[2 * i - 2], points[2 * i + 1] - points[2 * i - 1]));
  const whole = lengths[n];
  if (!(whole > 0)) return undefined;
  const next = (k + count) % c.size;
  const start = tangent(c, (k + c.size - 1) % c.size, k, isCorner[k] === 1, false);
  const end = tangent(c, (k + count - 1) % c.size, next, isCorner[next] === 1, true);
  const curve: Sampler = (t, out) => {
    const at = t * whole;
    const lo = intervalOf(lengths, n, at);
    const dx = points[2 * lo + 2] - points[2 * lo];
    const dy = points[2 * lo + 3] - points[2 * lo + 1];
    const share = lengths[lo + 1] > lengths[lo] ? (at - lengths[lo]) / (lengths[lo + 1] - lengths[lo]) : 0;
    out[0] = points[2 * lo] + dx * share;
    out[1] = points[2 * lo + 1] + dy * share;
    [out[2], out[3]] = t === 0 ? start : t === 1 ? end : [dx, dy];
  };
  if (fitOne(curve, 0, 1, tolerance) > tolerance) return undefined;
  // Every point of the stretch, not only the samples.
  for (let i = 1; i < n; i++) if (distanceToFitted(points[2 * i], points[2 * i + 1]) > tolerance) return undefined;
  return "cubic";
}

function withinOfLine(
  points: readonly number[],
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  chord: number,
  tolerance: number,
): boolean {
  for (let i = 2; i < points.length - 2; i += 2) {
    const off = Math.abs((points[i] - x0) * (y1 - y0) - (points[i + 1] - y0) * (x1 - x0)) / chord;
    const along = ((points[i] - x0) * (x1 - x0) + (points[i + 1] - y0) * (y1 - y0)) / chord;
    if (off > tolerance || along < -tolerance || along > chord + tolerance) return false;
  }
  return true;
}

/** The direction at the node between two segments, as one of the two has it at a corner, and between both elsewhere. */
function tangent(c: Contour, before: number, after: number, corner: boolean, ofBefore: boolean): [number, number] {
  directionAt(c.points, before * stride, c.degrees[before], 1, a);
  directionAt(c.points, after * stride, c.degrees[after], 0, b);
  if (corner) return ofBefore ? [a[0], a[1]] : [b[0], b[1]];
  return [a[0] + b[0], a[1] + b[1]];
}

function distanceToFitted(x: number, y: number): number {
  let best = Infinity;
  let near = 0;
  for (let i = 0; i <= 16; i++) {
    const d = Math.hypot(valueAt(fitted, 0, 3, i / 16) - x, valueAt(fitted, 1, 3, i / 16) - y);
    if (d < best) {
      best = d;
      near = i / 16;
    }
  }
  const t = footNear(fitted, 0, 3, x, y, near);
  return Math.min(best, Math.hypot(valueAt(fitted, 0, 3, t) - x, valueAt(fitted, 1, 3, t) - y));
}
