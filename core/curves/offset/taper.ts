import { bendAt, directionAt, slopeAt, valueAt } from "../bezier";
import type { Budget } from "../budget";
import { ContourBuilder, reversed, stride, type Contour } from "../contour";
import { fitCubics, type Sampler } from "../fit";
import { Course, lengthOf, partOf } from "../length";
import { addCap, addJoin, type Cap, type Join } from "./joins";
import { backwardStretches, strip } from "./parallel";

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
function side(c: Contour, halves: readonly number[], join: Join, tolerance: number, budget: Budget): { out: ContourBuilder; start: [number, number] } {
  const out = new ContourBuilder();
  directionAt(c.points, 0, c.degrees[0], 0, dir);
  const start: [number, number] = [c.points[0] + halves[0] * dir[1], c.points[1] - halves[0] * dir[0]];
  out.move(start[0], start[1]);
  for (let k = 0; k < c.size; k++) {
    segment(c, k, halves[k], halves[k + 1], tolerance, out, budget);
    if (k + 1 === c.size && !c.closed) break;
    const n = (k + 1) % c.size;
    directionAt(c.points, k * stride, c.degrees[k], 1, dir);
    directionAt(c.points, n * stride, c.degrees[n], 0, next);
    addJoin(out, c.points[n * stride], c.points[n * stride + 1], dir[0], dir[1], next[0], next[1], halves[k + 1], join, false, false);
  }
  return { out, start };
}

function segment(c: Contour, k: number, from: number, to: number, tolerance: number, out: ContourBuilder, budget: Budget): void {
  const p = c.points;
  const o = k * stride;
  const degree = c.degrees[k];
  const total = lengthOf(p, o, degree);
  // How far along the segment t is, from a table: its error is far below that of a fitted cubic.
  const steps = 64;
  const table = new Float64Array(steps + 1);
  if (degree > 1) for (let i = 0; i < steps; i++) table[i + 1] = table[i] + lengthOf(p, o, degree, i / steps, (i + 1) / steps) / total;
  const share = (t: number) => {
    if (degree === 1) return t;
    const i = Math.min(steps - 1, Math.floor(t * steps));
    return table[i] + (table[i + 1] - table[i]) * (t * steps - i);
  };
  const slope = (to - from) / total;
  const half = (t: number) => from + (to - from) * share(t);
  const sample: Sampler = (t, s) => {
    directionAt(p, o, degree, t, dir);
    const d = half(t);
    s[0] = valueAt(p, o, degree, t) + d * dir[1];
    s[1] = valueAt(p, o + 1, degree, t) - d * dir[0];
    // By length: the tangent, faster or slower by the curvature, and the normal by the slope.
    const dx = slopeAt(p, o, degree, t);
    const dy = slopeAt(p, o + 1, degree, t);
    const speed = Math.hypot(dx, dy);
    const turn = speed > 0 ? (dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t)) / speed ** 3 : 0;
    const along = Math.max(1e-6, 1 + turn * d);
    s[2] = dir[0] * along + slope * dir[1];
    s[3] = dir[1] * along - slope * dir[0];
  };
  const end = new Float64Array(4);
  sample(1, end);
  if (degree === 1) {
    out.line(end[0], end[1]);
    return;
  }
  const pace = (t: number) => {
    const dx = slopeAt(p, o, degree, t);
    const dy = slopeAt(p, o + 1, degree, t);
    return Math.hypot(dx, dy) ** 3 + (dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t)) * half(t);
  };
  let at = 0;
  for (const [a, b] of backwardStretches(pace)) {
    if (a > at) fitCubics(sample, at, a, tolerance, out, budget);
    strip(p, o, degree, Math.max(half(a), half(b)), a, b, out, budget, { start: !c.closed && k === 0, end: !c.closed && k + 1 === c.size });
    sample(b, end);
    out.line(end[0], end[1]);
    at = b;
  }
  if (at < 1) {
    fitCubics(sample, at, 1, tolerance, out, budget);
    sample(1, end);
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
  const places = [...new Set(stops.map((s) => s.at).filter((s) => s > 0 && s < 1).map((s) => course.placeAt(s * course.length)))].sort((a, b) => a - b);
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
