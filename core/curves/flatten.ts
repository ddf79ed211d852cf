import { taken, Verb, type Path, type Polygon } from "./path";

/**
 * The contours of `path` as polygons whose chords lie within `tolerance` units of the curves. The number of
 * chords follows from the largest second derivative: a quadratic's is constant, a cubic's is at one of its ends
 * (Sederberg, Computer Aided Geometric Design, section 10.6).
 * @param tolerance in the path's own units, above 0
 */
export function flatten(path: Path, tolerance: number): Polygon[] {
  const polygons: Polygon[] = [];
  const { verbs, coords } = path;
  let points: number[] = [];
  let at = 0;
  let x = 0;
  let y = 0;

  const finish = () => {
    const n = points.length;
    if (n >= 4 && points[0] === points[n - 2] && points[1] === points[n - 1]) points.length = n - 2;
    if (points.length >= 6) polygons.push(Float64Array.from(points));
    points = [];
  };

  for (const verb of verbs) {
    switch (verb) {
      case Verb.Move:
        finish();
        points.push(coords[at], coords[at + 1]);
        break;
      case Verb.Line:
        push(points, coords[at], coords[at + 1]);
        break;
      case Verb.Quad: {
        const [cx, cy, ex, ey] = [coords[at], coords[at + 1], coords[at + 2], coords[at + 3]];
        const bend = Math.hypot(x - 2 * cx + ex, y - 2 * cy + ey);
        const n = Math.max(1, Math.ceil(Math.sqrt(bend / (4 * tolerance))));
        for (let i = 1; i < n; i++) {
          const t = i / n;
          const u = 1 - t;
          push(points, u * u * x + 2 * u * t * cx + t * t * ex, u * u * y + 2 * u * t * cy + t * t * ey);
        }
        push(points, ex, ey);
        break;
      }
      case Verb.Cubic: {
        const [ax, ay, bx, by] = [coords[at], coords[at + 1], coords[at + 2], coords[at + 3]];
        const [ex, ey] = [coords[at + 4], coords[at + 5]];
        const bend = Math.max(Math.hypot(x - 2 * ax + bx, y - 2 * ay + by), Math.hypot(ax - 2 * bx + ex, ay - 2 * by + ey));
        const n = Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / tolerance)));
        for (let i = 1; i < n; i++) {
          const t = i / n;
          const u = 1 - t;
          const [p, q, r, s] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
          push(points, p * x + q * ax + r * bx + s * ex, p * y + q * ay + r * by + s * ey);
        }
        push(points, ex, ey);
        break;
      }
    }
    const n = taken[verb];
    if (n > 0) {
      at += n;
      x = coords[at - 2];
      y = coords[at - 1];
    }
  }
  finish();
  return polygons;
}

function push(points: number[], x: number, y: number): void {
  const n = points.length;
  if (points[n - 2] !== x || points[n - 1] !== y) points.push(x, y);
}
