import { cut, directionAt, valueAt } from "../curves/bezier";
import { ContourBuilder, stride, type Contour } from "../curves/contour";
import type { Way } from "../curves/sweep";
import { at, derivative, minus, signChanges, times, type Bernstein } from "../curves/roots";

const { abs, hypot } = Math;

/** One side of a swept body: a segment of the outline that faces the way all along. */
export interface Side {
  /** Index of the contour, and of the segment on it. */
  readonly contour: number;
  readonly segment: number;
  /** The outward normal at its middle. */
  readonly normal: { readonly x: number; readonly y: number };
}

/** An outline that is cut where its sides begin and end. What is built on it shares its segments, so that what lies together meets. */
export interface Cut {
  readonly contours: readonly Contour[];
  readonly sides: readonly Side[];
}

/** Where a curve of one segment is cut besides: parameters in order, of a segment that starts at `o`. */
export type CutsAt = (p: Float64Array, o: number, degree: number) => readonly number[];

/** Nearer than this to the end of a segment no cut is made: what is left would be a hair. */
const hair = 1e-4;

/**
 * The contours of a shape cut where they turn towards a way or away from it, where angles about a vanishing point jump, and where asked;
 * and the pieces that face the way.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function sidesOf(clean: readonly Contour[], way: Way, cutsAt: CutsAt = () => []): Cut {
  const sides: Side[] = [];
  const piece = new Float64Array(8);
  const contours = clean.map((c, contour) => {
    const out = new ContourBuilder();
    out.move(c.points[0], c.points[1]);
    for (let k = 0; k < c.size; k++) {
      const [o, degree] = [k * stride, c.degrees[k]];
      const facing = facingOf(c.points, o, degree, way);
      const cuts = [...signChanges(facing), ...acrossRay(c.points, o, degree, way), ...(degree > 1 ? cutsAt(c.points, o, degree) : [])];
      let from = 0;
      for (const to of [...cuts.sort((a, b) => a - b), 1]) {
        if (to < 1 && (to - from < hair || 1 - to < hair)) continue;
        const middle = (from + to) / 2;
        if (at(facing, middle) > 0) sides.push({ contour, segment: out.size, normal: normalAt(c.points, o, degree, middle) });
        if (from === 0 && to === 1) out.segment(c.points, o, degree);
        else {
          cut(c.points, o, degree, from, to, piece, 0);
          out.segment(piece, 0, degree);
        }
        from = to;
      }
    }
    return out.build(true);
  });
  return { contours, sides };
}

/** Outward normals along the sides, from end to end of each: between them no side looks any other way. */
export const normalsOf = ({ contours, sides }: Cut): { x: number; y: number }[] =>
  sides.flatMap(({ contour, segment }) => {
    const { points, degrees } = contours[contour];
    const degree = degrees[segment];
    return (degree === 1 ? [0.5] : [0, 0.25, 0.5, 0.75, 1]).map((t) => normalAt(points, segment * stride, degree, t));
  });

const direction = new Float64Array(2);
function normalAt(p: Float64Array, o: number, degree: number, t: number): { x: number; y: number } {
  directionAt(p, o, degree, t, direction);
  return { x: direction[1], y: -direction[0] };
}

const coordinate = (p: Float64Array, o: number, degree: number, axis: 0 | 1): number[] =>
  Array.from({ length: degree + 1 }, (_, i) => p[o + 2 * i + axis]);

/** Above 0 where the outside of a segment looks along the way; a polynomial in t. */
function facingOf(p: Float64Array, o: number, degree: number, way: Way): Bernstein {
  const [xs, ys] = [coordinate(p, o, degree, 0), coordinate(p, o, degree, 1)];
  const [dx, dy] = [derivative(xs), derivative(ys)];
  if (way.kind === "vector") return dy.map((v, i) => v * way.x - dx[i] * way.y);
  const s = Math.sign(way.by);
  const towards = (values: readonly number[], to: number) => values.map((v) => (to - v) * s);
  return minus(times(dy, towards(xs, way.x)), times(dx, towards(ys, way.y)));
}

/** Where a segment crosses the ray from a vanishing point to the left, at which the angles about it jump. */
function acrossRay(p: Float64Array, o: number, degree: number, way: Way): number[] {
  if (way.kind === "vector") return [];
  return signChanges(coordinate(p, o, degree, 1).map((y) => y - way.y)).filter((t) => valueAt(p, o, degree, t) < way.x);
}

/** The picture of a side: out along its moved end, back along its start. */
export function stripOf(contours: readonly Contour[], { contour, segment }: Side, way: Way): Contour {
  const { points, degrees } = contours[contour];
  const [o, degree] = [segment * stride, degrees[segment]];
  const out = new ContourBuilder();
  const there = new Float64Array(8);
  const back = new Float64Array(8);
  for (let i = 0; i <= degree; i++) {
    const [x, y] = [points[o + 2 * i], points[o + 2 * i + 1]];
    there[2 * i] = way.kind === "vector" ? x + way.x : x + (way.x - x) * way.by;
    there[2 * i + 1] = way.kind === "vector" ? y + way.y : y + (way.y - y) * way.by;
    back[2 * (degree - i)] = x;
    back[2 * (degree - i) + 1] = y;
  }
  out.move(points[o], points[o + 1]);
  out.line(there[0], there[1]);
  out.segment(there, 0, degree);
  out.line(back[0], back[1]);
  out.segment(back, 0, degree);
  return out.build(true);
}

/** A side as places seen along the way: `across` it, and how far `along`. */
export interface Arc {
  readonly across: Float64Array;
  readonly along: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** Places on a curve that is a side. */
const places = 12;

/** Writes a place in the coordinates of a way. @param i which of the arc's */
export function placeOn(arc: Arc, i: number, x: number, y: number, way: Way): void {
  arc.x[i] = x;
  arc.y[i] = y;
  if (way.kind === "vector") {
    const length = hypot(way.x, way.y);
    arc.across[i] = (way.x * y - way.y * x) / length;
    arc.along[i] = (way.x * x + way.y * y) / length;
  } else {
    arc.across[i] = Math.atan2(y - way.y, x - way.x);
    arc.along[i] = -Math.sign(way.by) * hypot(x - way.x, y - way.y);
  }
}

/** A side in the coordinates of a way: straight across and along it, or the angle about its point and the nearness to it. */
export function arcOf(contours: readonly Contour[], { contour, segment }: Side, way: Way): Arc {
  const { points, degrees } = contours[contour];
  const [o, degree] = [segment * stride, degrees[segment]];
  const n = degree === 1 ? 1 : places;
  const arc = { across: new Float64Array(n + 1), along: new Float64Array(n + 1), x: new Float64Array(n + 1), y: new Float64Array(n + 1) };
  for (let i = 0; i <= n; i++) {
    placeOn(arc, i, valueAt(points, o, degree, i / n), valueAt(points, o + 1, degree, i / n), way);
  }
  // An end on the ray takes the side that its middle lies on.
  if (way.kind === "point") {
    const middle = arc.across[n >> 1] || (arc.across[0] + arc.across[n]) / 2;
    for (const i of [0, n]) if (abs(arc.across[i] - middle) > Math.PI) arc.across[i] += arc.across[i] < middle ? 2 * Math.PI : -2 * Math.PI;
    if (n === 1 && abs(arc.across[1] - arc.across[0]) > Math.PI)
      arc.across[1] += arc.across[1] < arc.across[0] ? 2 * Math.PI : -2 * Math.PI;
  }
  return arc;
}
