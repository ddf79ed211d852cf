import { valueAt } from "../core/curves/bezier";
import { stride, type Contour } from "../core/curves/contour";
import { flatten } from "../core/curves/flatten";
import type { Kernel } from "../core/curves/kernel";
import type { Path } from "../core/curves/path";
import { smoothed } from "../core/drawn/inlines/smooth";
import { strokesOf } from "../core/drawn/inlines/strokes";
import { weave } from "../core/drawn/inlines/weave";

type Point = readonly [number, number];

/** What is wrong with the lines of a letter, and how much of it they fill. Written apart from what draws them. */
export interface Judged {
  readonly lines: number;
  /** Pairs of lines that cross. */
  readonly crossings: number;
  /** Places on lines that lie outside the letter by more than a unit. */
  readonly outside: number;
  /** Share of the letter's area within 1.1 gaps of a line. */
  readonly reach: number;
}

/** Places on a contour, 12 to a curve. */
function placesOn(c: Contour): Point[] {
  const found: Point[] = [[c.points[0], c.points[1]]];
  for (let k = 0; k < c.size; k++) {
    const steps = c.degrees[k] === 1 ? 1 : 12;
    for (let i = 1; i <= steps; i++) {
      const at = (o: number) => valueAt(c.points, k * stride + o, c.degrees[k], i / steps);
      found.push([at(0), at(1)]);
    }
  }
  return found;
}

const outlineOf = (path: Path): Point[][] =>
  flatten(path, 0.2).map((polygon) => Array.from({ length: polygon.length / 2 }, (_, i): Point => [polygon[2 * i], polygon[2 * i + 1]]));

export function judge(path: Path, count: number, kernel: Kernel): Judged {
  const woven = weave(strokesOf(path, kernel), { count, margin: 1, closed: false, endGap: 0, thinnest: 9 * (count + 1) });
  const lines = woven.map((l) => placesOn(smoothed(l, 4, 0.6)));
  const outline = outlineOf(path);
  let crossings = 0;
  for (let i = 0; i < lines.length; i++) for (let k = i + 1; k < lines.length; k++) if (cross(lines[i], lines[k])) crossings++;
  let outside = 0;
  for (const line of lines) for (const p of line.slice(1, -1)) if (!inside(outline, p) && away(outline, p) > 1) outside++;
  return { lines: lines.length, crossings, outside, reach: reach(outline, woven, lines, count) };
}

/** The box around places, a length wider on all sides. */
function boxOf(places: readonly Point[], by: number): { has(p: Point): boolean; meets(of: readonly Point[]): boolean } {
  const [xs, ys] = [places.map((p) => p[0]), places.map((p) => p[1])];
  const [minX, minY, maxX, maxY] = [Math.min(...xs) - by, Math.min(...ys) - by, Math.max(...xs) + by, Math.max(...ys) + by];
  const has = ([x, y]: Point) => x >= minX && x <= maxX && y >= minY && y <= maxY;
  return {
    has,
    meets: (of) => {
      const [u, v] = [of.map((p) => p[0]), of.map((p) => p[1])];
      return Math.max(...u) >= minX && Math.min(...u) <= maxX && Math.max(...v) >= minY && Math.min(...v) <= maxY;
    },
  };
}

function cross(a: readonly Point[], b: readonly Point[]): boolean {
  if (!boxOf(a, 0).meets(b)) return false;
  for (let i = 0; i + 1 < a.length; i++)
    for (let k = 0; k + 1 < b.length; k++) {
      const [p, q, r, s] = [a[i], a[i + 1], b[k], b[k + 1]];
      if (Math.max(p[0], q[0]) < Math.min(r[0], s[0]) || Math.max(r[0], s[0]) < Math.min(p[0], q[0])) continue;
      if (Math.max(p[1], q[1]) < Math.min(r[1], s[1]) || Math.max(r[1], s[1]) < Math.min(p[1], q[1])) continue;
      const side = (u: Point, v: Point, w: Point) => (v[0] - u[0]) * (w[1] - u[1]) - (v[1] - u[1]) * (w[0] - u[0]);
      if (side(p, q, r) * side(p, q, s) < 0 && side(r, s, p) * side(r, s, q) < 0) return true;
    }
  return false;
}

/** By the nonzero rule. */
export function inside(outline: readonly (readonly Point[])[], [x, y]: Point): boolean {
  let winding = 0;
  for (const ring of outline)
    for (let i = 0; i < ring.length; i++) {
      const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
      if (a[1] <= y === b[1] <= y) continue;
      if (a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]) > x) winding += b[1] > a[1] ? 1 : -1;
    }
  return winding !== 0;
}

function toSegment([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - ax - t * dx, y - ay - t * dy);
}

function away(rings: readonly (readonly Point[])[], p: Point): number {
  let best = Infinity;
  for (const ring of rings) for (let i = 0; i < ring.length; i++) best = Math.min(best, toSegment(p, ring[i], ring[(i + 1) % ring.length]));
  return best;
}

function reach(outline: readonly Point[][], woven: ReturnType<typeof weave>, lines: readonly Point[][], count: number): number {
  const xs = outline.flat().map((p) => p[0]);
  const ys = outline.flat().map((p) => p[1]);
  const near = woven.map((l, i) => {
    // Of the stroke that the line lies in there.
    const widths = l.points.map((p) => p.width).sort((a, b) => a - b);
    const most = (1.1 * widths[Math.floor(0.8 * widths.length)]) / (count + 1);
    const box = boxOf(lines[i], most);
    return (p: Point) => box.has(p) && lines[i].some((q, k) => k > 0 && toSegment(p, lines[i][k - 1], q) <= most);
  });
  let [all, reached] = [0, 0];
  const step = 20;
  for (let x = Math.min(...xs); x < Math.max(...xs); x += step)
    for (let y = Math.min(...ys); y < Math.max(...ys); y += step) {
      if (!inside(outline, [x, y])) continue;
      all++;
      if (near.some((isNear) => isNear([x, y]))) reached++;
    }
  return all ? reached / all : 1;
}
