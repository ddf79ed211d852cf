import type { Bounds } from "../../curves/bounds";
import type { Matrix, Point } from "../../curves/matrix";
import { boundsOf, placeOfPart, type Part } from "../shape";

/** Letters in order, each with its own straight space in which the line that they stand on runs to the right. */
export interface Straightened {
  readonly parts: readonly Part[];
  readonly matrix: Matrix;
}

/**
 * A line of letters laid straight, however it is bent: every letter turned by the way that its neighbours lie, and as far along as the
 * letters before it reach. A ramp across all of them then follows a curve or goes round a ring.
 * @returns the box of the straight line, and for every letter the way from there
 */
export function straightened(letters: readonly (readonly Part[])[]): { box: Bounds; runs: Straightened[] } {
  const centres = smoothed(letters.map((own) => middle(boundsOf(own))));
  const last = centres.length - 1;
  const ways = centres.map((_, i) => way(centres[Math.max(0, i - 1)], centres[Math.min(last, i + 1)]));
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  let along = 0;
  const runs = letters.map((parts, i): Straightened => {
    if (i > 0) along += Math.hypot(centres[i].x - centres[i - 1].x, centres[i].y - centres[i - 1].y);
    const [c, u] = [centres[i], ways[i]];
    for (const part of parts) {
      const [a, b, d, e, x, y] = placeOfPart(part);
      const { coords } = part.path;
      for (let k = 0; k < coords.length; k += 2) {
        const px = a * coords[k] + d * coords[k + 1] + x - c.x;
        const py = b * coords[k] + e * coords[k + 1] + y - c.y;
        const [across, down] = [along + px * u.x + py * u.y, py * u.x - px * u.y];
        box.minX = Math.min(box.minX, across);
        box.maxX = Math.max(box.maxX, across);
        box.minY = Math.min(box.minY, down);
        box.maxY = Math.max(box.maxY, down);
      }
    }
    return { parts, matrix: [u.x, u.y, -u.y, u.x, c.x - along * u.x, c.y - along * u.y] };
  });
  return { box, runs };
}

const middle = ({ minX, minY, maxX, maxY }: Bounds): Point => ({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });

/** Ascenders and descenders move the middle of a letter off the line: what is left of that is hardly seen. */
function smoothed(points: readonly Point[]): readonly Point[] {
  if (points.length < 3) return points;
  return points.map((p, i) => {
    const before = points[i - 1] ?? { x: 2 * p.x - points[1].x, y: 2 * p.y - points[1].y };
    const after = points[i + 1] ?? { x: 2 * p.x - points[i - 1].x, y: 2 * p.y - points[i - 1].y };
    return { x: (before.x + 2 * p.x + after.x) / 4, y: (before.y + 2 * p.y + after.y) / 4 };
  });
}

function way(from: Point, to: Point): Point {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return length < 1e-9 ? { x: 1, y: 0 } : { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
}
