import { valueAt } from "../curves/bezier";
import { stride, type Contour } from "../curves/contour";
import type { Point } from "../curves/matrix";
import { signChanges } from "../curves/roots";
import type { CutsAt, Side } from "./sides";

const { atan2, ceil, cos, floor, PI, sin } = Math;

/** Degrees of a wedge about a vanishing point within which rules are nearly parallel. */
const wide = 4;
const step = (wide * PI) / 180;
/** Places at which it is looked how far a curve reaches round the point. */
const places = 8;

/** Cuts curves where they pass from one wedge about a point to the next. */
export const wedgesAbout =
  (about: Point): CutsAt =>
  (p, o, degree) => {
    let [low, high] = [Infinity, -Infinity];
    let last = 0;
    for (let i = 0; i <= places; i++) {
      let angle = atan2(valueAt(p, o + 1, degree, i / places) - about.y, valueAt(p, o, degree, i / places) - about.x);
      if (i > 0) angle += 2 * PI * Math.round((last - angle) / (2 * PI));
      last = angle;
      low = Math.min(low, angle);
      high = Math.max(high, angle);
    }
    const cuts: number[] = [];
    for (let k = ceil(low / step); k <= floor(high / step); k++) {
      const [c, s] = [cos(k * step), sin(k * step)];
      const off = (i: number) => ({ x: p[o + 2 * i] - about.x, y: p[o + 2 * i + 1] - about.y });
      const across = Array.from({ length: degree + 1 }, (_, i) => c * off(i).y - s * off(i).x);
      for (const t of signChanges(across)) {
        const [x, y] = [valueAt(p, o, degree, t) - about.x, valueAt(p, o + 1, degree, t) - about.y];
        if (c * x + s * y > 0) cuts.push(t);
      }
    }
    return cuts;
  };

/** The number of the wedge that a side lies in; all straight sides are of one, since their light is the same all along. */
export function wedgeOf(contours: readonly Contour[], { contour, segment }: Side, about: Point): number {
  const { points, degrees } = contours[contour];
  const [o, degree] = [segment * stride, degrees[segment]];
  if (degree === 1) return -1;
  return floor(atan2(valueAt(points, o + 1, degree, 0.5) - about.y, valueAt(points, o, degree, 0.5) - about.x) / step);
}
