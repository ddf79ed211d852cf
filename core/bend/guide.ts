import { trackPoint, type TrackPoint } from "../curves/track";

/**
 * A line that letters stand on, walked by its length. `at` writes the place, the unit direction of travel, the signed curvature (positive
 * turns clockwise on screen) and the angle turned since the start, in radians: all that a parallel curve needs.
 */
export interface Guide {
  readonly length: number;
  readonly closed: boolean;
  at(length: number, out: TrackPoint): void;
}

/** A straight line from a point, `length` units to the right, turned by `angle` degrees. */
export function straightGuide(x: number, y: number, length: number, angle = 0): Guide {
  const [dx, dy] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  return {
    length,
    closed: false,
    at: (s, out) => {
      out[0] = x + s * dx;
      out[1] = y + s * dy;
      out[2] = dx;
      out[3] = dy;
      out[4] = out[5] = 0;
    },
  };
}

/**
 * A circle, or an arc that goes on as one. @param radius positive runs clockwise, negative counterclockwise
 * @param start angle of the start from the top, in radians, clockwise
 */
export function circleGuide(cx: number, cy: number, radius: number, start: number, length: number, closed: boolean): Guide {
  const r = Math.abs(radius);
  const way = Math.sign(radius) || 1;
  return {
    length,
    closed,
    at: (s, out) => {
      const angle = (way * s) / r;
      const [sin, cos] = [Math.sin(start + angle), Math.cos(start + angle)];
      out[0] = cx + r * sin;
      out[1] = cy - r * cos;
      out[2] = way * cos;
      out[3] = way * sin;
      out[4] = way / r;
      out[5] = angle;
    },
  };
}

/** The same line walked from its end. */
export function reversedGuide(guide: Guide): Guide {
  const end = trackPoint();
  guide.at(guide.length, end);
  return {
    length: guide.length,
    closed: guide.closed,
    at: (s, out) => {
      guide.at(guide.length - s, out);
      out[2] = -out[2];
      out[3] = -out[3];
      out[4] = -out[4];
      out[5] -= end[5];
    },
  };
}

/**
 * How far along the guide a place lies that is `x` units along its parallel curve, both counted from `anchor`. A parallel curve at `offset`
 * (to the left of travel, which is up for letters) of a curve has the length s + offset (angle turned): do Carmo, Differential Geometry of
 * Curves and Surfaces, section 1-7, exercise 6. Solved by Newton's method.
 */
export function alongParallel(guide: Guide, anchor: number, offset: number, x: number): number {
  if (offset === 0) return anchor + x;
  guide.at(anchor, scratch);
  const turned = scratch[5];
  let s = anchor + x;
  for (let i = 0; i < 24; i++) {
    guide.at(s, scratch);
    const off = s - anchor + offset * (scratch[5] - turned) - x;
    const step = off / Math.max(0.2, 1 + offset * scratch[4]);
    s -= step;
    if (Math.abs(step) < 1e-7) break;
  }
  return s;
}
const scratch = trackPoint();
