import { norm, valueAt } from "../bezier";
import { ContourBuilder, stride, type Contour } from "../contour";

/** Rings narrower than this come from rounding, not from shapes; in units. */
const sliver = 0.001;

/** The area by Green's theorem, exact for Bezier segments: positive for outers. */
export function areaOf({ degrees, points: p, size }: Contour): number {
  let sum = 0;
  for (let k = 0; k < size; k++) {
    const o = k * stride;
    // Taken about the segment's own start, so that far-off outlines lose no digits.
    const x0 = p[o];
    const y0 = p[o + 1];
    const x1 = p[o + 2] - x0;
    const y1 = p[o + 3] - y0;
    let ex = x1;
    let ey = y1;
    if (degrees[k] === 2) {
      ex = p[o + 4] - x0;
      ey = p[o + 5] - y0;
      sum += (2 * (x1 * ey - ex * y1)) / 3;
    } else if (degrees[k] === 3) {
      const x2 = p[o + 4] - x0;
      const y2 = p[o + 5] - y0;
      ex = p[o + 6] - x0;
      ey = p[o + 7] - y0;
      sum += (3 * (x1 * y2 - x2 * y1) + 3 * (x1 * ey - ex * y1) + 6 * (x2 * ey - ex * y2)) / 10;
    }
    sum += (x0 - p[0]) * ey - ex * (y0 - p[1]);
  }
  return sum / 2;
}

/** Whether a ring is no wider than rounding makes it. */
export function isSliver(c: Contour): boolean {
  const area = Math.abs(areaOf(c));
  // As a rule it is far from being one: the way round is no longer than the legs of its control polygon, sideways and upright.
  let longest = 0;
  for (let k = 0; k < c.size; k++)
    for (let i = 2 * c.degrees[k], o = k * stride; i > 0; i--, o++) longest += Math.abs(c.points[o + 2] - c.points[o]);
  if (area >= longest * sliver) return false;
  let around = 0;
  for (let k = 0; k < c.size; k++) {
    const o = k * stride;
    const n = 2 * c.degrees[k];
    around += norm(c.points[o + n] - c.points[o], c.points[o + n + 1] - c.points[o + 1]);
    if (c.degrees[k] > 1) {
      const d = c.degrees[k];
      around += norm(
        valueAt(c.points, o, d, 0.5) - (c.points[o] + c.points[o + n]) / 2,
        valueAt(c.points, o + 1, d, 0.5) - (c.points[o + 1] + c.points[o + n + 1]) / 2,
      );
    }
  }
  return area < (around * sliver) / 2;
}

/** Lines that carry on straight become one. Returns the same contour where there are none. */
export function withoutIdleNodes(c: Contour): Contour {
  const { degrees, points, size } = c;
  const idle = (k: number) => {
    const j = k === 0 ? size - 1 : k - 1;
    if (degrees[k] !== 1 || degrees[j] !== 1) return false;
    const a = j * stride;
    const b = k * stride;
    const ux = points[a + 2] - points[a];
    const uy = points[a + 3] - points[a + 1];
    const vx = points[b + 2] - points[b];
    const vy = points[b + 3] - points[b + 1];
    const lengths = norm(ux, uy) * norm(vx, vy);
    return Math.abs(ux * vy - uy * vx) <= 1e-6 * lengths && ux * vx + uy * vy > 0;
  };
  const kept: number[] = [];
  for (let k = 0; k < size; k++) if (!idle(k)) kept.push(k);
  if (kept.length === size || kept.length < 2) return c;
  const out = new ContourBuilder();
  out.move(points[kept[0] * stride], points[kept[0] * stride + 1]);
  kept.forEach((k, i) => {
    const o = k * stride;
    if (degrees[k] !== 1) out.segment(points, o, degrees[k]);
    else {
      const next = kept[(i + 1) % kept.length] * stride;
      out.line(points[next], points[next + 1]);
    }
  });
  return out.build(true);
}
