import { directionAt } from "../../core/curves/bezier";
import { contoursOf, stride } from "../../core/curves/contour";
import { flatten } from "../../core/curves/flatten";
import type { Cap, Join, Way } from "../../core/curves/kernel";
import type { Path, Polygon } from "../../core/curves/path";
import { perimeter, signedArea } from "../../core/curves/polygon";
import { clip, type Clipper } from "./clipper";

/** Chords this close to their curves make the reference, in units. */
export const fine = 0.0005;

/** The shape in fine polygons, less the slits that chords of coincident curves leave between them. */
export const welded = (m: Clipper, path: Path, tolerance = fine): Polygon[] =>
  clip(m, "Union", "NonZero", flatten(path, tolerance))
    .map(withoutSteps)
    .filter((p) => signedArea(p) > 0 || -signedArea(p) > 1.5 * tolerance * perimeter(p));

export const totalArea = (polygons: readonly Polygon[]): number => polygons.reduce((sum, p) => sum + signedArea(p), 0);

/**
 * The grown outline by its definition, in fine polygons: to the shape are added (or from it taken) a rectangle on every edge and a
 * join on every corner that opens, each as a polygon of its own.
 * @param shape polygons that do not cross; outers positive
 * @param smooth points where the shape has no corner, however sharply its chords turn
 */
export function grown(m: Clipper, shape: readonly Polygon[], d: number, join: Join, smooth: ReadonlySet<string>): Polygon[] {
  const covers: Polygon[] = [];
  for (const p of shape) {
    const pieces: Polygon[] = [];
    const n = p.length / 2;
    for (let i = 0; i < n; i++) {
      const [x0, y0] = [p[2 * i], p[2 * i + 1]];
      const [x1, y1] = [p[2 * ((i + 1) % n)], p[2 * ((i + 1) % n) + 1]];
      const [x2, y2] = [p[2 * ((i + 2) % n)], p[2 * ((i + 2) % n) + 1]];
      const l = Math.hypot(x1 - x0, y1 - y0);
      const k = Math.hypot(x2 - x1, y2 - y1);
      if (l === 0 || k === 0) continue;
      const [ax, ay] = [(x1 - x0) / l, (y1 - y0) / l];
      const [bx, by] = [(x2 - x1) / k, (y2 - y1) / k];
      pieces.push(wound(Float64Array.of(x0, y0, x1, y1, x1 + d * ay, y1 - d * ax, x0 + d * ay, y0 - d * ax)));
      const sin = ax * by - ay * bx;
      const cos = ax * bx + ay * by;
      if (sin * d <= 0 && !(cos < -0.999999)) continue;
      const fan: number[] = [x1, y1, x1 + d * ay, y1 - d * ax];
      const turn = Math.abs(Math.atan2(sin, cos));
      const corner = turn > 0.01 && !smooth.has(pointKey(x1, y1));
      if (join.kind === "round" || !corner) {
        const steps = Math.max(1, Math.ceil(turn / (2 * Math.acos(Math.max(0, 1 - fine / Math.abs(d))))));
        for (let s = 1; s < steps; s++) {
          const a = (Math.sign(d) * turn * s) / steps;
          const [c, q] = [Math.cos(a), Math.sin(a)];
          const [vx, vy] = [d * ay, -d * ax];
          fan.push(x1 + vx * c - vy * q, y1 + vx * q + vy * c);
        }
      } else if (join.kind === "miter" && 1 / Math.cos(turn / 2) <= join.limit) {
        fan.push(x1 + ((ay + by) * d) / (1 + cos), y1 - ((ax + bx) * d) / (1 + cos));
      }
      fan.push(x1 + d * by, y1 - d * bx);
      pieces.push(wound(Float64Array.from(fan)));
    }
    // A miter in a counter reaches no farther than its own far side.
    const cover = clip(m, "Union", "NonZero", pieces);
    covers.push(...(d > 0 && signedArea(p) < 0 ? clip(m, "Intersection", "NonZero", cover, [wound(p)]) : cover));
  }
  return clip(m, d > 0 ? "Union" : "Difference", "NonZero", [...shape], clip(m, "Union", "NonZero", covers));
}

/**
 * Edges of the grid's own size have any direction; corners between them would be no one's. Lines there and back have no area, and go, too.
 */
function withoutSteps(p: Polygon): Polygon {
  const out: number[] = [];
  for (let i = 0; i < p.length; i += 2) {
    for (; out.length >= 4; out.length -= 2) {
      const n = out.length;
      const [ax, ay, bx, by] = [out[n - 2] - out[n - 4], out[n - 1] - out[n - 3], p[i] - out[n - 2], p[i + 1] - out[n - 1]];
      const back = ax * bx + ay * by < 0 && Math.abs(ax * by - ay * bx) < 0.0005 * Math.min(Math.hypot(ax, ay), Math.hypot(bx, by));
      if (!back) break;
    }
    if (out.length === 0 || Math.hypot(p[i] - out[out.length - 2], p[i + 1] - out[out.length - 1]) > 0.001) out.push(p[i], p[i + 1]);
  }
  return Float64Array.from(out);
}

const pointKey = (x: number, y: number): string => `${Math.round(x * 1e4)},${Math.round(y * 1e4)}`;

/** The points inside curves, where the corners of chords are no corners of the shape. */
export function smoothPoints(path: Path, tolerance: number): Set<string> {
  const points = new Set<string>();
  for (const p of flatten(path, tolerance)) for (let i = 0; i < p.length; i += 2) points.add(pointKey(p[i], p[i + 1]));
  const [into, out] = [new Float64Array(2), new Float64Array(2)];
  for (const c of contoursOf(path, true))
    for (let k = 0; k < c.size; k++) {
      const next = (k + 1) % c.size;
      directionAt(c.points, k * stride, c.degrees[k], 1, into);
      directionAt(c.points, next * stride, c.degrees[next], 0, out);
      if (into[0] * out[0] + into[1] * out[1] < Math.cos(0.002))
        points.delete(pointKey(c.points[next * stride], c.points[next * stride + 1]));
    }
  return points;
}

/** A polygon turned to be positive, so that covers add up and never cancel. */
export function wound(p: Polygon): Polygon {
  if (signedArea(p) >= 0) return p;
  const out = new Float64Array(p.length);
  for (let i = 0; i < p.length; i += 2) {
    out[i] = p[p.length - 2 - i];
    out[i + 1] = p[p.length - 1 - i];
  }
  return out;
}

/**
 * A band by its definition: a rectangle on both sides of every edge, a join at every corner, a cap at both ends of open lines.
 * @param lines points of lines; closed ones come back to their start
 * @param half half the width at a share of the whole length, from 0 to 1
 */
export function stroked(
  m: Clipper,
  lines: readonly { points: Polygon; closed: boolean }[],
  half: (at: number) => number,
  join: Join,
  cap: Cap,
  smooth: ReadonlySet<string>,
): Polygon[] {
  const pieces: Polygon[] = [];
  const add = (...points: number[]) => pieces.push(wound(Float64Array.from(points)));
  for (const { points, closed } of lines) {
    const p: number[] = [];
    for (let i = 0; i < points.length; i += 2)
      if (p.length === 0 || Math.hypot(points[i] - p[p.length - 2], points[i + 1] - p[p.length - 1]) > 1e-4)
        p.push(points[i], points[i + 1]);
    if (closed && Math.hypot(p[0] - p[p.length - 2], p[1] - p[p.length - 1]) > 1e-4) p.push(p[0], p[1]);
    const n = p.length / 2 - 1;
    if (n < 1) continue;
    const lengths = [0];
    for (let i = 0; i < n; i++) lengths.push(lengths[i] + Math.hypot(p[2 * i + 2] - p[2 * i], p[2 * i + 3] - p[2 * i + 1]));
    const d = lengths.map((l) => half(l / lengths[n]));
    const dir = (i: number): [number, number] => {
      const l = lengths[i + 1] - lengths[i];
      return [(p[2 * i + 2] - p[2 * i]) / l, (p[2 * i + 3] - p[2 * i + 1]) / l];
    };
    for (let i = 0; i < n; i++) {
      const [ux, uy] = dir(i);
      const [x0, y0, x1, y1] = [p[2 * i], p[2 * i + 1], p[2 * i + 2], p[2 * i + 3]];
      const [e, f] = [d[i], d[i + 1]];
      add(x0 + e * uy, y0 - e * ux, x1 + f * uy, y1 - f * ux, x1 - f * uy, y1 + f * ux, x0 - e * uy, y0 + e * ux);
      if (i + 1 < n || closed) {
        const [vx, vy] = dir((i + 1) % n);
        addCorner(x1, y1, ux, uy, vx, vy, f, join, smooth.has(pointKey(x1, y1)), add);
      }
    }
    if (closed) continue;
    for (const [i, k, sign] of [
      [0, 0, -1],
      [n, n - 1, 1],
    ] as const) {
      const [ux, uy] = dir(k).map((v) => v * sign);
      const [x, y, h] = [p[2 * i], p[2 * i + 1], d[i]];
      if (cap === "square")
        add(x + h * uy, y - h * ux, x + h * (uy + ux), y - h * (ux - uy), x - h * (uy - ux), y + h * (ux + uy), x - h * uy, y + h * ux);
      if (cap === "round" && h > 0) addCorner(x, y, ux, uy, -ux, -uy, h, { kind: "round" }, false, add);
    }
  }
  return clip(m, "Union", "NonZero", pieces);
}

function addCorner(
  x: number,
  y: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
  half: number,
  join: Join,
  smooth: boolean,
  add: (...points: number[]) => void,
): void {
  const turn = Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
  if (turn === 0 || half <= 0) return;
  const d = Math.sign(turn) * half;
  const fan = [x, y, x + d * ay, y - d * ax];
  if (join.kind === "round" || smooth || Math.abs(turn) < 0.01) {
    const steps = Math.max(1, Math.ceil(Math.abs(turn) / (2 * Math.acos(Math.max(0, 1 - fine / half)))));
    for (let s = 1; s < steps; s++) {
      const [c, q] = [Math.cos((turn * s) / steps), Math.sin((turn * s) / steps)];
      fan.push(x + d * ay * c + d * ax * q, y + d * ay * q - d * ax * c);
    }
  } else if (join.kind === "miter" && 1 / Math.cos(turn / 2) <= join.limit) {
    const k = d / (1 + ax * bx + ay * by);
    fan.push(x + (ay + by) * k, y - (ax + bx) * k);
  }
  add(...fan, x + d * by, y - d * bx);
}

/** A sweep by its definition: the shape at both ends of its way, and the quadrilateral that every edge sweeps over. */
export function swept(m: Clipper, shape: readonly Polygon[], way: Way): Polygon[] {
  const to = (x: number, y: number): [number, number] =>
    way.kind === "vector" ? [x + way.x, y + way.y] : [x + (way.x - x) * way.by, y + (way.y - y) * way.by];
  const pieces: Polygon[] = [];
  for (const p of shape) {
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
      pieces.push(wound(Float64Array.from([p[j], p[j + 1], p[i], p[i + 1], ...to(p[i], p[i + 1]), ...to(p[j], p[j + 1])])));
  }
  const end = shape.map((p) => p.map((v, i) => to(p[i - (i % 2)], p[i - (i % 2) + 1])[i % 2]));
  return clip(m, "Union", "NonZero", [...clip(m, "Union", "NonZero", pieces), ...shape, ...end]);
}
