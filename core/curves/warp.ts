import { directionAt, norm, slopeAt, valueAt } from "./bezier";
import type { Budget } from "./budget";
import { ContourBuilder, stride, type Contour } from "./contour";
import { CurveError } from "./errors";
import { fitCubics, type Sampler } from "./fit";

/**
 * A smooth map of the plane with its derivatives: writes x', y' and the Jacobian dx'/dx, dy'/dx, dx'/dy, dy'/dy, in the order of
 * SVG's matrix(a b c d).
 */
export type Warp = (x: number, y: number, out: Float64Array) => void;

/** A map with what names it: equal names give equal maps. */
export interface NamedWarp {
  readonly warp: Warp;
  readonly key: string;
}

const at = new Float64Array(6);
const dir = new Float64Array(2);

/**
 * The image of contours under a smooth map. Each segment becomes as many cubics as keep it within `tolerance` of its true image; ends
 * and end directions are exact, so that what joined smoothly still does. Lines that stay straight stay lines.
 * @param tolerance units, above 0
 * @throws CurveError where the map gives no number
 */
export function warpContours(contours: readonly Contour[], warp: Warp, tolerance: number, budget: Budget): Contour[] {
  return contours.map((c) => {
    const out = new ContourBuilder();
    warp(c.points[0], c.points[1], at);
    out.move(at[0], at[1]);
    for (let k = 0; k < c.size; k++) {
      const o = k * stride;
      const degree = c.degrees[k];
      const sampler: Sampler = (t, s) => {
        warp(valueAt(c.points, o, degree, t), valueAt(c.points, o + 1, degree, t), at);
        let dx = slopeAt(c.points, o, degree, t);
        let dy = slopeAt(c.points, o + 1, degree, t);
        if (t === 0 || t === 1) {
          // Also where handles lie on the end itself.
          directionAt(c.points, o, degree, t, dir);
          dx = dir[0];
          dy = dir[1];
        }
        s[0] = at[0];
        s[1] = at[1];
        s[2] = at[2] * dx + at[4] * dy;
        s[3] = at[3] * dx + at[5] * dy;
        if (!Number.isFinite(s[0] + s[1] + s[2] + s[3])) throw new CurveError("This bend has no value at a point of the outline.");
      };
      if (degree === 1 && staysStraight(sampler, tolerance)) out.line(image[0], image[1]);
      else fitCubics(sampler, 0, 1, tolerance, out, budget);
    }
    if (c.closed) {
      warp(c.points[0], c.points[1], at);
      out.endAt(at[0], at[1]);
    }
    return out.build(c.closed);
  });
}

const image = new Float64Array(4);
const samples = 9;

/** Whether the image of a line lies within a tenth of the tolerance of its chord; leaves its end in `image`. */
function staysStraight(curve: Sampler, tolerance: number): boolean {
  curve(0, image);
  const [x0, y0] = image;
  curve(1, image);
  const [x1, y1] = image;
  const length = norm(x1 - x0, y1 - y0);
  for (let i = 1; i < samples; i++) {
    curve(i / samples, image);
    const off =
      length > 0 ? Math.abs((image[0] - x0) * (y1 - y0) - (image[1] - y0) * (x1 - x0)) / length : norm(image[0] - x0, image[1] - y0);
    if (off > tolerance / 10) return false;
  }
  curve(1, image);
  return true;
}
