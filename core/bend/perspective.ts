import type { Bounds } from "../curves/bounds";
import type { Warp } from "../curves/kernel";
import type { Point } from "../curves/matrix";

/** The least divisor that is used: beyond it the plane runs away behind the eye. */
const horizon = 0.02;

/**
 * The projective map of a box to four corners, clockwise from its top left: Heckbert, Fundamentals of Texture Mapping and Image Warping
 * (1989), section 2.2.3. What lies behind the eye is held at the horizon.
 */
export function perspective(box: Bounds, [p, q, r, s]: readonly Point[]): Warp {
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const [sx, sy] = [p.x - q.x + r.x - s.x, p.y - q.y + r.y - s.y];
  const [ax, ay, bx, by] = [q.x - r.x, q.y - r.y, s.x - r.x, s.y - r.y];
  const det = ax * by - ay * bx;
  const g = (sx * by - sy * bx) / det;
  const k = (ax * sy - ay * sx) / det;
  const m = [q.x - p.x + g * q.x, s.x - p.x + k * s.x, p.x, q.y - p.y + g * q.y, s.y - p.y + k * s.y, p.y];
  return (x, y, out) => {
    const u = (x - box.minX) / w;
    const v = (y - box.minY) / h;
    const raw = g * u + k * v + 1;
    const z = raw > horizon ? raw : horizon;
    const px = (m[0] * u + m[1] * v + m[2]) / z;
    const py = (m[3] * u + m[4] * v + m[5]) / z;
    const [zu, zv] = raw > horizon ? [g, k] : [0, 0];
    out[0] = px;
    out[1] = py;
    out[2] = (m[0] - zu * px) / (z * w);
    out[3] = (m[3] - zu * py) / (z * w);
    out[4] = (m[1] - zv * px) / (z * h);
    out[5] = (m[4] - zv * py) / (z * h);
  };
}

/** The way back: from the four corners to the box. @throws RangeError where the corners have no area */
export function fromPerspective(box: Bounds, corners: readonly Point[]): (p: Point) => Point {
  const warp = perspective(box, corners);
  const o = new Float64Array(6);
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  // Newton's method on the map itself, which is projective and meets its goal in a few steps from the middle of the box.
  return (p) => {
    let [x, y] = [box.minX + w / 2, box.minY + h / 2];
    for (let i = 0; i < 40; i++) {
      warp(x, y, o);
      const [ex, ey] = [o[0] - p.x, o[1] - p.y];
      const det = o[2] * o[5] - o[3] * o[4];
      if (!(Math.abs(det) > 1e-12)) throw new RangeError("This view has no area.");
      const [sx, sy] = [(ex * o[5] - ey * o[4]) / det, (ey * o[2] - ex * o[3]) / det];
      // Held to the size of the box, so that a far goal is not overshot into the horizon.
      const k = Math.min(1, w / (Math.abs(sx) || 1), h / (Math.abs(sy) || 1));
      x -= sx * k;
      y -= sy * k;
      if (Math.abs(sx) + Math.abs(sy) < 1e-7) break;
    }
    return { x, y };
  };
}

/** Whether four corners, in order, make a quadrilateral without a dent, run clockwise: the only ones a flat sheet can be seen as. */
export function isView(corners: readonly Point[]): boolean {
  return corners.every((b, i) => {
    const a = corners[(i + 3) % 4];
    const c = corners[(i + 1) % 4];
    return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) > 1e-6;
  });
}
