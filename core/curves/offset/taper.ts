import { bendAt, directionAt, norm, slopeAt, valueAt } from "../bezier";
import type { Budget } from "../budget";
import { ContourBuilder, reversed, segmentOf, stride, type Contour, type Segment } from "../contour";
import { fitCubics, type Sampler } from "../fit";
import { Course, lengthOf, partOf } from "../length";
import { addCap, addJoin, type Cap, type Join } from "./joins";
import { aroundNormals } from "./normals";
import { strip } from "./strip";
import { pace, stretchesBelowZero, turnsAway } from "./tight";
import { lineTo, type Trace } from "./trace";

/** The width of a band, full, at a place from 0, the start of the line, to 1, its end. Straight between two stops. */
export interface TaperStop {
  readonly at: number;
  readonly width: number;
}

const dir = new Float64Array(2);
const next = new Float64Array(2);

/**
 * The raw border of a band whose width changes along the way, as `rawBand` is for one that does not. Closed contours give two
 * contours, one a side.
 * @param stops in order, at least one
 */
export function rawTaper(c: Contour, stops: readonly TaperStop[], join: Join, cap: Cap, tolerance: number, budget: Budget): Contour[] {
  const whole = cutAtStops(c, stops);
  const course = new Course(whole);
  // Half the width at each node; straight between, so that each segment has one slope.
  const halves = Array.from(course.starts, (s) => widthAt(stops, s / course.length) / 2);
  const there = side(whole, halves, join, tolerance, budget);
  const back = side(reversed(whole), [...halves].reverse(), join, tolerance, budget);
  if (c.closed) {
    for (const b of [there, back]) {
      const first = b.start;
      if (b.out.x !== first[0] || b.out.y !== first[1]) b.out.line(first[0], first[1]);
    }
    return [there.out.build(true), back.out.build(true)];
  }
  const all = new ContourBuilder();
  all.move(there.start[0], there.start[1]);
  append(all, there.out.build(false));
  capAt(all, whole, whole.size - 1, halves[whole.size], cap);
  const ret = reversed(whole);
  if (all.x !== back.start[0] || all.y !== back.start[1]) all.line(back.start[0], back.start[1]);
  append(all, back.out.build(false));
  capAt(all, ret, ret.size - 1, halves[0], cap);
  if (all.x !== there.start[0] || all.y !== there.start[1]) all.line(there.start[0], there.start[1]);
  return [all.build(true)];
}

function append(out: ContourBuilder, c: Contour): void {
  for (let k = 0; k < c.size; k++) out.segment(c.points, k * stride, c.degrees[k]);
}

function capAt(out: ContourBuilder, c: Contour, k: number, half: number, cap: Cap): void {
  if (half <= 0) return;
  const o = k * stride;
  const n = o + 2 * c.degrees[k];
  directionAt(c.points, o, c.degrees[k], 1, dir);
  addCap(out, c.points[n], c.points[n + 1], dir[0], dir[1], half, cap);
}

/** The right side of a contour, whose half width at node k is halves[k]. */
function side(
  c: Contour,
  halves: readonly number[],
  join: Join,
  tolerance: number,
  budget: Budget,
): { out: ContourBuilder; start: [number, number] } {
  const out = new ContourBuilder();
  const to: Trace = { out, tolerance, budget };
  directionAt(c.points, 0, c.degrees[0], 0, dir);
  const start: [number, number] = [c.points[0] + halves[0] * dir[1], c.points[1] - halves[0] * dir[0]];
  out.move(start[0], start[1]);
  for (let k = 0; k < c.size; k++) {
    const exact = join.kind !== "round" || (!c.closed && (k === 0 || k + 1 === c.size));
    along(segmentOf(c, k), halves[k], halves[k + 1], exact, to);
    if (k + 1 === c.size && !c.closed) break;
    const n = (k + 1) % c.size;
    directionAt(c.points, k * stride, c.degrees[k], 1, dir);
    directionAt(c.points, n * stride, c.degrees[n], 0, next);
    const corner = {
      x: c.points[n * stride],
      y: c.points[n * stride + 1],
      ax: dir[0],
      ay: dir[1],
      bx: next[0],
      by: next[1],
      fromCorner: false,
      toCorner: false,
    };
    addJoin(out, corner, halves[k + 1], join);
  }
  return { out, start };
}

/** As `parallel` does it, with a distance that runs from one half width to another. */
function along(segment: Segment, from: number, till: number, exact: boolean, to: Trace): void {
  const { p, o, degree } = segment;
  const { out, tolerance, budget } = to;
  const total = lengthOf(p, o, degree);
  // How far along the segment t is, by Simpson's rule: straight between the places of the table it is far closer than a fitted cubic.
  const steps = 16;
  const table = new Float64Array(steps + 1);
  if (degree > 1) {
    const speed = (t: number) => norm(slopeAt(p, o, degree, t), slopeAt(p, o + 1, degree, t));
    let before = speed(0);
    for (let i = 0; i < steps; i++) {
      const after = speed((i + 1) / steps);
      table[i + 1] = table[i] + before + 4 * speed((i + 0.5) / steps) + after;
      before = after;
    }
    for (let i = 1; i <= steps; i++) table[i] /= table[steps] || 1;
  }
  const share = (t: number) => {
    if (degree === 1) return t;
    const i = Math.min(steps - 1, Math.floor(t * steps));
    return table[i] + (table[i + 1] - table[i]) * (t * steps - i);
  };
  const slope = (till - from) / total;
  const half = (t: number) => from + (till - from) * share(t);
  /** By length: the tangent, faster or slower by the curvature, and the normal by the slope. */
  const move = (t: number, s: Float64Array, sign: 1 | -1) => {
    directionAt(p, o, degree, t, dir);
    const d = half(t);
    s[0] = valueAt(p, o, degree, t) + d * dir[1];
    s[1] = valueAt(p, o + 1, degree, t) - d * dir[0];
    const dx = slopeAt(p, o, degree, t);
    const dy = slopeAt(p, o + 1, degree, t);
    const speed = norm(dx, dy);
    const turn = speed > 0 ? (dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t)) / speed ** 3 : 0;
    const speedUp = Math.max(1e-6, sign * (1 + turn * d));
    s[2] = dir[0] * speedUp + sign * slope * dir[1];
    s[3] = dir[1] * speedUp - sign * slope * dir[0];
  };
  const edge: Sampler = (t, s) => move(t, s, 1);
  const end = new Float64Array(4);
  edge(1, end);
  if (degree === 1) {
    out.line(end[0], end[1]);
    return;
  }
  let at = 0;
  for (const stretch of turnsAway(segment, 1) ? [] : stretchesBelowZero((t) => pace(segment, half(t), t))) {
    const [a, b] = stretch;
    if (a > at) fitCubics(edge, at, a, tolerance, out, budget);
    if (exact) aroundNormals(segment, half, (t, s) => move(t, s, -1), stretch, to);
    else strip(segment, Math.max(half(a), half(b)), stretch, to);
    edge(b, end);
    lineTo(to, end[0], end[1]);
    at = b;
  }
  if (at < 1) {
    fitCubics(edge, at, 1, tolerance, out, budget);
    edge(1, end);
    out.endAt(end[0], end[1]);
  }
}

export function widthAt(stops: readonly TaperStop[], at: number): number {
  if (at <= stops[0].at) return stops[0].width;
  for (let i = 1; i < stops.length; i++)
    if (at <= stops[i].at) {
      const [a, b] = [stops[i - 1], stops[i]];
      return b.at > a.at ? a.width + ((b.width - a.width) * (at - a.at)) / (b.at - a.at) : b.width;
    }
  return stops[stops.length - 1].width;
}

/** The contour with a node at every stop. */
function cutAtStops(c: Contour, stops: readonly TaperStop[]): Contour {
  const course = new Course(c);
  const places = [
    ...new Set(
      stops
        .map((s) => s.at)
        .filter((s) => s > 0 && s < 1)
        .map((s) => course.placeAt(s * course.length)),
    ),
  ].sort((a, b) => a - b);
  const out = new ContourBuilder();
  out.move(c.points[0], c.points[1]);
  let from = 0;
  for (const to of [...places, c.size]) {
    const part = partOf(c, from, to);
    if (part) append(out, part);
    from = to;
  }
  return out.build(c.closed);
}
