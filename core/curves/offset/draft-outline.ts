import { curvatureAt, directionAt } from "../bezier";
import { ContourBuilder, stride, type Contour } from "../contour";
import { addJoin, type Join } from "./joins";
import { withoutLoops } from "./trim";

const a = new Float64Array(2);
const b = new Float64Array(2);
const next = new Float64Array(2);

/** The least share of its length that a handle keeps where a curve closes up. */
const least = 0.02;

/**
 * A closed contour moved sideways by d, for a picture while it is dragged: each segment becomes one curve whose ends lie on the true
 * parallel and whose handles have its curvature there (Tiller and Hanson, Offsets of two-dimensional profiles, IEEE Computer Graphics and
 * Applications 4, 1984, with handles scaled by 1 + curvature times distance, which is exact of circles). It crosses itself: filled
 * nonzero it covers what the true outline covers where d is above 0, and all but closed-up places where it is below.
 * @param d units; above 0 to the right of travel, the outside of a positive contour
 */
export function draftOutline(c: Contour, d: number, join: Join): Contour {
  const { points: p, degrees } = c;
  const out = new ContourBuilder();
  const closings: number[] = [];
  directionAt(p, 0, degrees[0], 0, a);
  const [x0, y0] = [p[0] + d * a[1], p[1] - d * a[0]];
  out.move(x0, y0);
  for (let k = 0; k < c.size; k++) {
    const o = k * stride;
    const degree = degrees[k];
    directionAt(p, o, degree, 0, a);
    directionAt(p, o, degree, 1, b);
    const end = o + 2 * degree;
    const [ex, ey] = [p[end] + d * b[1], p[end + 1] - d * b[0]];
    if (degree === 1) out.line(ex, ey);
    else {
      // A quadratic's handles as a cubic's: two thirds of the way to its one.
      const k3 = degree === 2 ? 2 / 3 : 1;
      const second = degree === 2 ? o + 2 : o + 4;
      const first = Math.hypot(p[o + 2] - p[o], p[o + 3] - p[o + 1]) * k3 * spread(curvatureAt(p, o, degree, 0), d);
      const last = Math.hypot(p[end] - p[second], p[end + 1] - p[second + 1]) * k3 * spread(curvatureAt(p, o, degree, 1), d);
      out.cubic(out.x + a[0] * first, out.y + a[1] * first, ex - b[0] * last, ey - b[1] * last, ex, ey);
    }
    const n = (k + 1) % c.size;
    directionAt(p, n * stride, degrees[n], 0, next);
    const before = out.size;
    if (addJoin(out, p[n * stride], p[n * stride + 1], b[0], b[1], next[0], next[1], d, join, false, false)) closings.push(before);
  }
  out.endAt(x0, y0);
  const raw = out.build(true);
  // Grown, its loops lie where it covers in any case.
  return d > 0 ? raw : withoutLoops(raw, closings);
}

/** How much longer a curve of this curvature gets beside itself; where it has none that can be known, none. */
const spread = (curvature: number, d: number): number => (Number.isFinite(curvature) ? Math.max(least, 1 + curvature * d) : 1);
