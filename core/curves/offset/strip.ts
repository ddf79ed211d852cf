import { curvatureAt, directionAt, norm, valueAt } from "../bezier";
import type { Segment } from "../contour";
import type { Stretch } from "./tight";
import { lineTo, type Trace } from "./trace";

/** Turn of one chord of a strip, in radians: coarse, for it is never seen. */
const chordTurn = 0.8;

const dir = new Float64Array(2);

/**
 * Goes round the strip beside a tight stretch as far as round joins let it be seen: a rectangle on each of a few chords. They reach as
 * far as the curve's own centres of curvature lie, since what is farther off has a nearer point elsewhere, and never as far as d. Ends on
 * the curve, at the end of the stretch.
 */
export function strip(s: Segment, d: number, [a, b]: Stretch, to: Trace): void {
  const { p, o, degree } = s;
  const { out } = to;
  const steps = Math.max(1, Math.ceil(turnOf(s, a, b) / chordTurn));
  to.budget.spend(steps);
  let x0 = valueAt(p, o, degree, a);
  let y0 = valueAt(p, o + 1, degree, a);
  lineTo(to, x0, y0);
  for (let k = 1; k <= steps; k++) {
    const t0 = a + ((b - a) * (k - 1)) / steps;
    const t1 = a + ((b - a) * k) / steps;
    const x1 = valueAt(p, o, degree, t1);
    const y1 = valueAt(p, o + 1, degree, t1);
    const length = norm(x1 - x0, y1 - y0);
    if (length > 1e-9) {
      const reach = (Math.sign(d) * reachOf(s, t0, t1, Math.abs(d))) / length;
      const nx = (y1 - y0) * reach;
      const ny = (x0 - x1) * reach;
      out.line(x0 + nx, y0 + ny);
      out.line(x1 + nx, y1 + ny);
      out.line(x1, y1);
    }
    x0 = x1;
    y0 = y1;
  }
}

/** How far a rectangle on a chord has to reach to hold all that is nearer to this part of the curve than to any other. */
function reachOf({ p, o, degree }: Segment, t0: number, t1: number, d: number): number {
  let radius = 0;
  for (let i = 0; i <= 4; i++) {
    const own = 1 / Math.abs(curvatureAt(p, o, degree, t0 + ((t1 - t0) * i) / 4));
    // Where the curve stands still it has no radius.
    if (own > radius) radius = Math.min(d, own);
  }
  const middle = (t0 + t1) / 2;
  const off = (i: number) => valueAt(p, o + i, degree, middle) - (valueAt(p, o + i, degree, t0) + valueAt(p, o + i, degree, t1)) / 2;
  const bulge = norm(off(0), off(1));
  return Math.max(0, Math.min(d - bulge - Math.min(0.05, d / 20), 1.25 * radius + 2 * bulge));
}

/** By how much a segment turns from t = a to t = b, there and back added up, in radians. */
function turnOf({ p, o, degree }: Segment, a: number, b: number): number {
  let turn = 0;
  let x = 0;
  let y = 0;
  for (let k = 0; k <= 8; k++) {
    directionAt(p, o, degree, a + ((b - a) * k) / 8, dir);
    if (k > 0) turn += Math.abs(Math.atan2(x * dir[1] - y * dir[0], x * dir[0] + y * dir[1]));
    x = dir[0];
    y = dir[1];
  }
  return turn;
}
