import { directionAt, valueAt } from "../../core/curves/bezier";
import { stride, type Contour } from "../../core/curves/contour";
import type { Join } from "../../core/curves/kernel";
import type { Polygon } from "../../core/curves/path";
import { separateShapes } from "../../core/curves/shapes";
import { clip, type Clipper } from "./clipper";
import { totalArea, wound } from "./reference";

/** A point of a curve, and the point at the end of its normal. */
interface Normal {
  readonly x: number;
  readonly y: number;
  readonly ex: number;
  readonly ey: number;
}

const dir = new Float64Array(2);
const next = new Float64Array(2);

/**
 * A grown (d > 0) or shrunk outline by its definition: to the shape are added, or from it taken, all the normals of its curves, d long,
 * and a join at every corner that opens. That is the shape of a stroke as SVG 2 computes it (section 13.7, common practice). The normals
 * are those of the curves, not of their chords, so that corners have their true directions. Separate shapes are shrunk each by itself, and
 * so are counters where they are grown into: a miter in one reaches no farther than its own far side.
 * @param shape contours that do not cross; outers positive
 * @param within how far the polygons may lie from the curves, in units
 */
export function grownByNormals(m: Clipper, shape: readonly Contour[], d: number, join: Join, within: number): Polygon[] {
  if (d > 0) return coveredByNormals(m, shape, d, join, within);
  return separateShapes(shape).flatMap((part) => coveredByNormals(m, part, d, join, within));
}

function coveredByNormals(m: Clipper, shape: readonly Contour[], d: number, join: Join, within: number): Polygon[] {
  const covers: Polygon[] = [];
  const outlines = shape.map((c) => {
    const points: number[] = [];
    const cover: Polygon[] = [];
    for (let k = 0; k < c.size; k++) {
      const normals = normalsOf(c, k, d, within);
      for (const n of normals.slice(0, -1)) points.push(n.x, n.y);
      addStrip(normals, cover);
      addJoin(c, k, d, join, within, cover);
    }
    const outline = Float64Array.from(points);
    const covered = clip(m, "Union", "NonZero", cover);
    const isCounter = totalArea([outline]) < 0;
    covers.push(...(d > 0 && isCounter ? clip(m, "Intersection", "NonZero", covered, [wound(outline)]) : covered));
    return outline;
  });
  return clip(m, d > 0 ? "Union" : "Difference", "NonZero", outlines, clip(m, "Union", "NonZero", covers));
}

/** Normals of one segment, so near one another that the chords between their ends stay within a distance of the curves. */
function normalsOf(c: Contour, k: number, d: number, within: number): Normal[] {
  const o = k * stride;
  const degree = c.degrees[k];
  const at = (t: number): Normal & { dx: number; dy: number; t: number } => {
    directionAt(c.points, o, degree, t, dir);
    const [x, y] = [valueAt(c.points, o, degree, t), valueAt(c.points, o + 1, degree, t)];
    return { x, y, ex: x + d * dir[1], ey: y - d * dir[0], dx: dir[0], dy: dir[1], t };
  };
  const out = [at(0)];
  // A chord over an angle a lies radius x a^2 / 8 inside of its circle.
  const most = Math.min(0.3, Math.sqrt((8 * within) / Math.abs(d)));
  const add = (a: ReturnType<typeof at>, b: ReturnType<typeof at>, depth: number): void => {
    const m = at((a.t + b.t) / 2);
    const turned = (p: typeof a, q: typeof a) => Math.abs(Math.atan2(p.dx * q.dy - p.dy * q.dx, p.dx * q.dx + p.dy * q.dy));
    const bulge = Math.hypot(m.x - (a.x + b.x) / 2, m.y - (a.y + b.y) / 2);
    const outer = Math.hypot(m.ex - (a.ex + b.ex) / 2, m.ey - (a.ey + b.ey) / 2);
    if (depth < 2 || (depth < 18 && (turned(a, m) + turned(m, b) > most || bulge > within || outer > within))) {
      add(a, m, depth + 1);
      add(m, b, depth + 1);
    } else out.push(b);
  };
  if (degree === 1) out.push(at(1));
  else add(out[0] as ReturnType<typeof at>, at(1), 0);
  return out;
}

/** What lies between normals that follow one another, each part wound positive: beyond where two of them cross it is on the other side. */
function addStrip(normals: readonly Normal[], cover: Polygon[]): void {
  let there: number[] = [];
  let back: number[] = [];
  const finish = () => {
    // Their points in order: along the curve, and along the ends of the normals back.
    if (there.length > 2) {
      const points = [...there];
      for (let i = back.length - 2; i >= 0; i -= 2) points.push(back[i], back[i + 1]);
      cover.push(wound(Float64Array.from(points)));
    }
    there = [];
    back = [];
  };
  for (let i = 0; i + 1 < normals.length; i++) {
    const [a, b] = [normals[i], normals[i + 1]];
    const [ux, uy, vx, vy] = [a.ex - a.x, a.ey - a.y, b.ex - b.x, b.ey - b.y];
    const det = ux * vy - uy * vx;
    const s = ((b.x - a.x) * vy - (b.y - a.y) * vx) / det;
    if (det !== 0 && s > 0 && s < 1) {
      finish();
      const [x, y] = [a.x + s * ux, a.y + s * uy];
      cover.push(wound(Float64Array.of(a.x, a.y, b.x, b.y, x, y)), wound(Float64Array.of(a.ex, a.ey, b.ex, b.ey, x, y)));
    } else {
      if (there.length === 0) {
        there.push(a.x, a.y);
        back.push(a.ex, a.ey);
      }
      there.push(b.x, b.y);
      back.push(b.ex, b.ey);
    }
  }
  finish();
}

function addJoin(c: Contour, k: number, d: number, join: Join, within: number, cover: Polygon[]): void {
  const n = (k + 1) % c.size;
  directionAt(c.points, k * stride, c.degrees[k], 1, dir);
  directionAt(c.points, n * stride, c.degrees[n], 0, next);
  const [x, y] = [c.points[n * stride], c.points[n * stride + 1]];
  const [ax, ay] = dir;
  const [bx, by] = next;
  const sin = ax * by - ay * bx;
  const cos = ax * bx + ay * by;
  const straightBack = cos < 0 && Math.abs(sin) < 1e-6;
  if (sin * d <= 0 && !straightBack) {
    // What is within d of a corner is within d of the shape, also where it closes: as a rule the normals beside it cover that, too.
    if (join.kind === "round" && cos < 0.9) cover.push(disc(x, y, Math.abs(d), within));
    return;
  }
  const fan = [x, y, x + d * ay, y - d * ax];
  const turn = straightBack ? Math.PI : Math.abs(Math.atan2(sin, cos));
  if (join.kind === "round") {
    const steps = Math.max(1, Math.ceil(turn / Math.sqrt((8 * within) / Math.abs(d))));
    for (let i = 1; i < steps; i++) {
      const a = (Math.sign(d) * turn * i) / steps;
      const [p, q] = [Math.cos(a), Math.sin(a)];
      fan.push(x + d * (ay * p + ax * q), y + d * (ay * q - ax * p));
    }
  } else if (join.kind === "miter" && !straightBack && 1 / Math.cos(turn / 2) <= join.limit) {
    fan.push(x + ((ay + by) * d) / (1 + cos), y - ((ax + bx) * d) / (1 + cos));
  }
  fan.push(x + d * by, y - d * bx);
  cover.push(wound(Float64Array.from(fan)));
}

function disc(x: number, y: number, radius: number, within: number): Polygon {
  const steps = Math.max(8, Math.ceil((2 * Math.PI) / Math.sqrt((8 * within) / radius)));
  return Float64Array.from({ length: 2 * steps }, (_, i) => {
    const a = (2 * Math.PI * (i >> 1)) / steps;
    return i % 2 === 0 ? x + radius * Math.cos(a) : y + radius * Math.sin(a);
  });
}
