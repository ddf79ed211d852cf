import { PathBuilder, type Path } from "../curves/path";
import type { Point } from "../curves/matrix";

/**
 * A quarter of a circle as one cubic: handles of this share of the radius keep it within 2.7e-4 of the radius (Goldapp, Approximation of
 * circular arcs by cubic polynomials, Computer Aided Geometric Design 8, 1991).
 */
export const quarter = 0.5522847498;

/** An ellipse about a point, clockwise on screen from its top. */
export function ellipsePath(cx: number, cy: number, rx: number, ry: number): Path {
  const out = new PathBuilder();
  const [kx, ky] = [rx * quarter, ry * quarter];
  out.move(cx, cy - ry);
  out.cubic(cx + kx, cy - ry, cx + rx, cy - ky, cx + rx, cy);
  out.cubic(cx + rx, cy + ky, cx + kx, cy + ry, cx, cy + ry);
  out.cubic(cx - kx, cy + ry, cx - rx, cy + ky, cx - rx, cy);
  out.cubic(cx - rx, cy - ky, cx - kx, cy - ry, cx, cy - ry);
  out.close();
  return out.build();
}

/**
 * A closed polygon with its corners rounded by arcs of a circle that touch both sides; where a side is too short for the radius, by the
 * largest that fits half of it. @param points clockwise on screen
 */
export function roundedPolygon(points: readonly Point[], radius: number): Path {
  const out = new PathBuilder();
  const n = points.length;
  const corner = points.map((p, i) => {
    const [a, b] = [points[(i + n - 1) % n], points[(i + 1) % n]];
    const [la, lb] = [Math.hypot(a.x - p.x, a.y - p.y), Math.hypot(b.x - p.x, b.y - p.y)];
    if (radius <= 0 || la < 1e-9 || lb < 1e-9) return undefined;
    const [ua, ub] = [
      { x: (a.x - p.x) / la, y: (a.y - p.y) / la },
      { x: (b.x - p.x) / lb, y: (b.y - p.y) / lb },
    ];
    const half = Math.acos(Math.min(1, Math.max(-1, ua.x * ub.x + ua.y * ub.y))) / 2;
    const cut = Math.min(radius / Math.tan(half), la / 2, lb / 2);
    if (!(cut > 1e-9)) return undefined;
    // Of an arc that turns by pi - 2 half, the handle as a share of the radius: 4/3 tan(angle / 4), common practice.
    const handle = (4 / 3) * Math.tan((Math.PI - 2 * half) / 4) * cut * Math.tan(half);
    return {
      from: { x: p.x + ua.x * cut, y: p.y + ua.y * cut },
      a: { x: p.x + ua.x * (cut - handle), y: p.y + ua.y * (cut - handle) },
      b: { x: p.x + ub.x * (cut - handle), y: p.y + ub.y * (cut - handle) },
      to: { x: p.x + ub.x * cut, y: p.y + ub.y * cut },
    };
  });
  corner.forEach((c, i) => {
    const start = c?.from ?? points[i];
    if (i === 0) out.move(start.x, start.y);
    else out.line(start.x, start.y);
    if (c) out.cubic(c.a.x, c.a.y, c.b.x, c.b.y, c.to.x, c.to.y);
  });
  out.close();
  return out.build();
}
