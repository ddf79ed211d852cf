import { slopeAt, valueAt } from "./bezier";

/** What `meet` found: the parameters on both segments, and the sine of the angle between them there. */
export const met = { a: 0, b: 0, sine: 1 };

/**
 * The common point of two segments next to the parameters tp and tq, by Newton's method; leaves it in `met`.
 * @returns false where there is none within both, or where they run along one another
 */
export function meet(p: Float64Array, op: number, dp: number, tp: number, q: Float64Array, oq: number, dq: number, tq: number): boolean {
  let a = tp;
  let b = tq;
  for (let i = 0; i < 10; i++) {
    const rx = valueAt(q, oq, dq, b) - valueAt(p, op, dp, a);
    const ry = valueAt(q, oq + 1, dq, b) - valueAt(p, op + 1, dp, a);
    const ux = slopeAt(p, op, dp, a);
    const uy = slopeAt(p, op + 1, dp, a);
    const vx = slopeAt(q, oq, dq, b);
    const vy = slopeAt(q, oq + 1, dq, b);
    const det = vx * uy - ux * vy;
    const lengths = Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
    if (Math.abs(det) <= 1e-7 * lengths) return false;
    if (rx * rx + ry * ry < 1e-20) {
      if (a < -1e-7 || a > 1 + 1e-7 || b < -1e-7 || b > 1 + 1e-7) return false;
      met.a = Math.min(1, Math.max(0, a));
      met.b = Math.min(1, Math.max(0, b));
      met.sine = Math.abs(det) / lengths;
      return true;
    }
    a += (vx * ry - rx * vy) / det;
    b += (ux * ry - uy * rx) / det;
    if (!(a > -0.3 && a < 1.3 && b > -0.3 && b < 1.3)) return false;
  }
  return false;
}
