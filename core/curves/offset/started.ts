import { valueAt } from "../bezier";
import { ContourBuilder, stride, type Contour } from "../contour";
import { partOf } from "../length";
import { derivative, signChanges } from "../roots";

/** The closed contour with its first node where it lies farthest in a direction. @param degrees clockwise on a screen whose y runs down */
export function startedAt(c: Contour, degrees: number): Contour {
  const [ux, uy] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  let [place, most] = [0, -Infinity];
  for (let k = 0; k < c.size; k++) {
    const [o, degree] = [k * stride, c.degrees[k]];
    const along = Array.from({ length: degree + 1 }, (_, i) => c.points[o + 2 * i] * ux + c.points[o + 2 * i + 1] * uy);
    for (const t of [0, ...signChanges(derivative(along))]) {
      const far = valueAt(c.points, o, degree, t) * ux + valueAt(c.points, o + 1, degree, t) * uy;
      // The first of those that are as far but for rounding, so that it does not jump along a straight edge.
      if (far > most + 1e-9) [place, most] = [k + t, far];
    }
  }
  if (place === 0) return c;
  const round = partOf(c, place, place + c.size);
  if (!round) return c;
  const out = new ContourBuilder();
  out.move(round.points[0], round.points[1]);
  for (let k = 0; k < round.size; k++) out.segment(round.points, k * stride, round.degrees[k]);
  return out.build(true);
}
