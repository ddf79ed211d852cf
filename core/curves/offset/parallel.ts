import { directionAt, valueAt } from "../bezier";
import type { Segment } from "../contour";
import { fitCubics, type Sampler } from "../fit";
import { aroundNormals } from "./normals";
import { strip } from "./strip";
import type { Stretch } from "./tight";
import { lineTo, type Trace } from "./trace";

const dir = new Float64Array(2);
const point = new Float64Array(4);

/**
 * Writes the parallel curve of one segment at distance d to the right of travel (x right, y up), from where `to` stands, which is the
 * parallel of the segment's start, to the parallel of its end.
 *
 * Where the curve turns towards d more tightly than d, the parallel runs backwards. That part would take winding away from what it sweeps
 * over; what lies beside the curve is gone round in another way there, so that it only ever adds. Where such a stretch reaches to an end of
 * the segment, the way stays on the curve itself there.
 *
 * @param tight what `tightStretches` gives for this segment and distance
 * @param exact whether the tight stretches may be seen: at the end of an open line, and where a join beside them is not round
 */
export function parallel(s: Segment, d: number, tight: readonly Stretch[], exact: boolean, to: Trace): void {
  const { p, o, degree } = s;
  const { out, tolerance, budget } = to;
  const curve: Sampler = (t, sample) => {
    directionAt(p, o, degree, t, dir);
    sample[0] = valueAt(p, o, degree, t) + d * dir[1];
    sample[1] = valueAt(p, o + 1, degree, t) - d * dir[0];
    sample[2] = dir[0];
    sample[3] = dir[1];
  };
  if (degree === 1) {
    curve(1, point);
    out.line(point[0], point[1]);
    return;
  }
  let from = 0;
  for (const stretch of tight) {
    const [a, b] = stretch;
    if (a > from) fitCubics(curve, from, a, tolerance, out, budget);
    if (exact) aroundNormals(s, () => d, curve, stretch, to);
    else strip(s, d, stretch, to);
    if (b < 1) {
      curve(b, point);
      lineTo(to, point[0], point[1]);
    } else lineTo(to, p[o + 2 * degree], p[o + 2 * degree + 1]);
    from = b;
  }
  if (from < 1) {
    fitCubics(curve, from, 1, tolerance, out, budget);
    curve(1, point);
    out.endAt(point[0], point[1]);
  }
}
