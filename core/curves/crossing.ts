import { slopeAt, valueAt } from "./bezier";
import type { Segment } from "./contour";

/** A common point of two segments: the parameters on both, and the sine of the angle between them there. */
export interface Crossing {
  readonly a: number;
  readonly b: number;
  readonly sine: number;
}

/**
 * The common point of two segments next to the parameters a and b, by Newton's method.
 * @returns undefined where there is none within both, or where they run along one another
 */
export function crossingNear(
  { p, o: op, degree: dp }: Segment,
  a: number,
  { p: q, o: oq, degree: dq }: Segment,
  b: number,
): Crossing | undefined {
  for (let i = 0; i < 10; i++) {
    const rx = valueAt(q, oq, dq, b) - valueAt(p, op, dp, a);
    const ry = valueAt(q, oq + 1, dq, b) - valueAt(p, op + 1, dp, a);
    const ux = slopeAt(p, op, dp, a);
    const uy = slopeAt(p, op + 1, dp, a);
    const vx = slopeAt(q, oq, dq, b);
    const vy = slopeAt(q, oq + 1, dq, b);
    const det = vx * uy - ux * vy;
    const lengths = Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
    if (Math.abs(det) <= 1e-7 * lengths) return undefined;
    if (rx * rx + ry * ry < 1e-20) {
      if (a < -1e-7 || a > 1 + 1e-7 || b < -1e-7 || b > 1 + 1e-7) return undefined;
      return { a: Math.min(1, Math.max(0, a)), b: Math.min(1, Math.max(0, b)), sine: Math.abs(det) / lengths };
    }
    a += (vx * ry - rx * vy) / det;
    b += (ux * ry - uy * rx) / det;
    if (!(a > -0.3 && a < 1.3 && b > -0.3 && b < 1.3)) return undefined;
  }
  return undefined;
}
