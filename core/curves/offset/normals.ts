import { bendAt, directionAt, norm, slopeAt, valueAt } from "../bezier";
import { ContourBuilder, stride, type Segment } from "../contour";
import { fitCubics, type Sampler } from "../fit";
import { derivative, minus, plus, signChanges, times } from "../roots";
import type { Stretch } from "./tight";
import { lineTo, type Trace } from "./trace";

/**
 * Goes round all that the normals of a tight stretch cover, so that it only ever adds. Normals touch the evolute, the curve of the centres
 * of curvature, before they end (Do Carmo, Differential Geometry of Curves and Surfaces, section 1-5, exercise 7): up to there they lie in
 * the order of the curve, and beyond it in the opposite order. So the way leads along the evolute, once round what lies between it and the
 * ends of the normals, backwards, and on.
 *
 * Starts where `to` stands, on the first normal; ends at the centre of curvature of the stretch's end.
 * @param reach the length of the normal at t, to the right of travel; as long as the radius of curvature there, or longer
 * @param ends the ends of the normals, and the direction in which they move as t falls
 */
export function aroundNormals(s: Segment, reach: (t: number) => number, ends: Sampler, [a, b]: Stretch, to: Trace): void {
  const { out, tolerance, budget } = to;
  const evolute = new ContourBuilder();
  centreAt(s, reach(a), a, point);
  evolute.move(point[0], point[1]);
  lineTo(to, evolute.x, evolute.y);
  // The evolute has cusps where the curvature is least or largest.
  const cuts = [a, ...vertices(s).filter((t) => t > a && t < b), b];
  for (let i = 0; i + 1 < cuts.length; i++) {
    const middle = (cuts[i] + cuts[i + 1]) / 2;
    const step = (cuts[i + 1] - cuts[i]) / 16;
    const grows = Math.sign(radiusAt(s, reach(middle), middle + step) - radiusAt(s, reach(middle), middle - step));
    const along: Sampler = (t, sample) => {
      centreAt(s, reach(t), t, sample);
      sample[2] *= grows;
      sample[3] *= grows;
    };
    fitCubics(along, cuts[i], cuts[i + 1], tolerance, evolute, budget);
  }
  const fitted = evolute.build(false);
  for (let k = 0; k < fitted.size; k++) out.segment(fitted.points, k * stride, fitted.degrees[k]);

  ends(b, point);
  lineTo(to, point[0], point[1]);
  fitCubics((u, sample) => ends(a + b - u, sample), a, b, tolerance, out, budget);
  lineTo(to, fitted.points[0], fitted.points[1]);
  for (let k = 0; k < fitted.size; k++) alongTangents(fitted.points, k * stride, to);
}

const point = new Float64Array(4);
const dir = new Float64Array(2);

/** The centre of curvature at t, and the direction of the normal through it. */
function centreAt(s: Segment, length: number, t: number, sample: Float64Array): void {
  const { p, o, degree } = s;
  const radius = radiusAt(s, length, t);
  directionAt(p, o, degree, t, dir);
  sample[0] = valueAt(p, o, degree, t) + radius * dir[1];
  sample[1] = valueAt(p, o + 1, degree, t) - radius * dir[0];
  sample[2] = dir[1];
  sample[3] = -dir[0];
}

/**
 * The radius of curvature at t with the sign of the normal's length, and no larger than that: rounding aside it is not, in a tight stretch.
 */
function radiusAt({ p, o, degree }: Segment, length: number, t: number): number {
  const dx = slopeAt(p, o, degree, t);
  const dy = slopeAt(p, o + 1, degree, t);
  const turn = dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t);
  const speed = norm(dx, dy);
  // Where the curve stands still it turns at once.
  const radius = turn === 0 ? 0 : Math.abs(speed ** 3 / turn);
  return Math.sign(length) * Math.min(Math.abs(length), radius);
}

/** Where the curvature of a segment is least or largest, as a change of sign of its derivative's numerator. */
function vertices({ p, o, degree }: Segment): number[] {
  const [x, y] = [0, 1].map((i) => derivative(Array.from({ length: degree + 1 }, (_, k) => p[o + 2 * k + i])));
  const [ax, ay] = [derivative(x), derivative(y)];
  // The curvature is turn / speed^3, its derivative (turn' speed^2 - 3/2 turn (speed^2)') / speed^5.
  const turn = minus(times(x, ay), times(y, ax));
  const speed2 = plus(times(x, x), times(y, y));
  return signChanges(
    minus(
      times(derivative(turn), speed2),
      times(turn, derivative(speed2)).map((v) => 1.5 * v),
    ),
  );
}

/**
 * Along a piece of the evolute by the tangents at its ends. They lie on the side that normals cover twice, where once is enough; two ways
 * along the same curve would have to be told apart.
 */
function alongTangents(p: Float64Array, o: number, to: Trace): void {
  const [ux, uy, vx, vy] = [p[o + 2] - p[o], p[o + 3] - p[o + 1], p[o + 6] - p[o + 4], p[o + 7] - p[o + 5]];
  const det = ux * vy - uy * vx;
  const [gx, gy] = [p[o + 6] - p[o], p[o + 7] - p[o + 1]];
  const on = (gx * vy - gy * vx) / det;
  const back = (ux * gy - uy * gx) / det;
  if (ux * vx + uy * vy > 0 && on > 0 && back > 0) {
    to.out.line(p[o] + on * ux, p[o + 1] + on * uy);
    to.out.line(p[o + 6], p[o + 7]);
  } else to.out.cubic(p[o + 2], p[o + 3], p[o + 4], p[o + 5], p[o + 6], p[o + 7]);
}
