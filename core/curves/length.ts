import { cut, directionAt, norm, slopeAt, valueAt } from "./bezier";
import { intervalOf } from "./halving";
import { ContourBuilder, stride, type Contour } from "./contour";

/** Nodes and weights of Gauss and Legendre's rules of order 5 and 16, one half: Abramowitz and Stegun, table 25.4. */
const few = [0.538469310105683, 0.906179845938664];
const fewWeights = [0.478628670499366, 0.236926885056189];
const middleWeight = 0.568888888888889;
const nodes = [
  0.09501250983763744, 0.2816035507792589, 0.4580167776572274, 0.6178762444026438, 0.755404408355003, 0.8656312023878318,
  0.9445750230732326, 0.9894009349916499,
];
const weights = [
  0.1894506104550685, 0.1826034150449236, 0.16915651939500254, 0.14959598881657674, 0.12462897125553388, 0.0951585116824928,
  0.062253523938647894, 0.027152459411754095,
];

const speedAt = (p: ArrayLike<number>, o: number, degree: number, t: number): number =>
  norm(slopeAt(p, o, degree, t), slopeAt(p, o + 1, degree, t));

function gauss(p: ArrayLike<number>, o: number, degree: number, a: number, b: number): number {
  const middle = (a + b) / 2;
  const half = (b - a) / 2;
  let sum = 0;
  for (let i = 0; i < nodes.length; i++) {
    const off = half * nodes[i];
    sum += weights[i] * (speedAt(p, o, degree, middle - off) + speedAt(p, o, degree, middle + off));
  }
  return sum * half;
}

/** By the rule of order 5: all that a stretch that bends little needs. */
function quick(p: ArrayLike<number>, o: number, degree: number, a: number, b: number): number {
  const middle = (a + b) / 2;
  const half = (b - a) / 2;
  let sum = middleWeight * speedAt(p, o, degree, middle);
  for (let i = 0; i < few.length; i++) {
    const off = half * few[i];
    sum += fewWeights[i] * (speedAt(p, o, degree, middle - off) + speedAt(p, o, degree, middle + off));
  }
  return sum * half;
}

/**
 * The length of a segment from t = a to t = b, in units: Gauss and Legendre's rule, first of few places, then of many, halved until two
 * halves agree with the whole to 1e-9 of it, since near a cusp the speed is no polynomial at all.
 */
export function lengthOf(p: ArrayLike<number>, o: number, degree: number, a = 0, b = 1, depth = 0): number {
  if (degree === 1) return (b - a) * norm(p[o + 2] - p[o], p[o + 3] - p[o + 1]);
  const m = (a + b) / 2;
  if (depth === 0) {
    const fast = quick(p, o, degree, a, m) + quick(p, o, degree, m, b);
    if (Math.abs(fast - quick(p, o, degree, a, b)) <= 1e-9 * fast) return fast;
  }
  const whole = gauss(p, o, degree, a, b);
  if (depth >= 24) return whole;
  const halves = gauss(p, o, degree, a, m) + gauss(p, o, degree, m, b);
  if (Math.abs(whole - halves) <= 1e-9 * halves + 1e-12) return halves;
  return lengthOf(p, o, degree, a, m, depth + 1) + lengthOf(p, o, degree, m, b, depth + 1);
}

/** The parameter of a segment at a length from its start, within 0 and the segment's own length: Newton's method kept in a bracket. */
export function parameterAt(p: ArrayLike<number>, o: number, degree: number, length: number, total: number): number {
  if (length <= 0) return 0;
  if (length >= total) return 1;
  if (degree === 1) return length / total;
  let lo = 0;
  let hi = 1;
  let t = length / total;
  for (let i = 0; i < 40; i++) {
    const off = lengthOf(p, o, degree, 0, t) - length;
    if (Math.abs(off) <= 1e-9 * total) break;
    if (off > 0) hi = t;
    else lo = t;
    const speed = norm(slopeAt(p, o, degree, t), slopeAt(p, o + 1, degree, t));
    const next = t - off / speed;
    t = next > lo && next < hi ? next : (lo + hi) / 2;
  }
  return t;
}

/** A contour measured along its length. */
export class Course {
  /** Length up to the start of each segment, and the whole at the end. */
  readonly starts: Float64Array;

  constructor(readonly contour: Contour) {
    const { size, points, degrees } = contour;
    this.starts = new Float64Array(size + 1);
    for (let k = 0; k < size; k++) this.starts[k + 1] = this.starts[k] + lengthOf(points, k * stride, degrees[k]);
  }

  get length(): number {
    return this.starts[this.contour.size];
  }

  /** The place (segment index + parameter) at a length from the start; closed contours go round. */
  placeAt(length: number): number {
    const { contour: c, starts } = this;
    const whole = this.length;
    let s = length;
    if (c.closed && whole > 0 && (s < 0 || s > whole)) s -= Math.floor(s / whole) * whole;
    const k = intervalOf(starts, c.size, s);
    return k + parameterAt(c.points, k * stride, c.degrees[k], s - starts[k], starts[k + 1] - starts[k]);
  }

  /**
   * The point at a length from the start, moved by `offset` units to the left of travel on a screen whose y runs down, and
   * the unit direction of travel there.
   */
  at(length: number, offset = 0): { x: number; y: number; dx: number; dy: number } {
    const { contour: c } = this;
    const place = this.placeAt(length);
    const k = Math.min(c.size - 1, Math.floor(place));
    const t = place - k;
    const out = new Float64Array(2);
    directionAt(c.points, k * stride, c.degrees[k], t, out);
    const [dx, dy] = out;
    return {
      x: valueAt(c.points, k * stride, c.degrees[k], t) + offset * dy,
      y: valueAt(c.points, k * stride + 1, c.degrees[k], t) - offset * dx,
      dx,
      dy,
    };
  }

  /** The stretch between two lengths, as an open contour; on closed contours it may run past the start. Nothing where it has no length. */
  part(from: number, to: number): Contour | undefined {
    const { contour: c } = this;
    if (!(to > from)) return undefined;
    const whole = this.length;
    const laps = c.closed ? Math.floor(from / whole) : 0;
    const start = this.placeAt(from - laps * whole);
    const beyond = to - laps * whole;
    const over = c.closed && beyond > whole ? c.size : 0;
    const end = over + this.placeAt(over ? beyond - whole : beyond);
    return partOf(c, start, end);
  }
}

/** The stretch of a contour from one place to a later one, as an open contour. */
export function partOf(c: Contour, start: number, end: number): Contour | undefined {
  const out = new ContourBuilder();
  const segment = new Float64Array(8);
  for (let k = Math.floor(start); k < end; k++) {
    const a = Math.max(0, start - k);
    const b = Math.min(1, end - k);
    if (b - a < 1e-12) continue;
    const i = k % c.size;
    cut(c.points, i * stride, c.degrees[i], a, b, segment, 0);
    if (out.size === 0) out.move(segment[0], segment[1]);
    out.segment(segment, 0, c.degrees[i]);
  }
  return out.size > 0 ? out.build(false) : undefined;
}
