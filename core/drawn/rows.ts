import { cut, slopeAt, valueAt } from "../curves/bezier";
import { stride, type Contour } from "../curves/contour";

const { max, min, sign } = Math;

/** A stretch of a level line that lies in the ink. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Segments seen in a frame that is turned, cut where they turn back, so that each crosses a level once at most. */
export interface Falling {
  readonly points: Float64Array;
  readonly degree: number;
  readonly low: number;
  readonly high: number;
  /** 1 where it runs down the frame, -1 where it runs up, 0 where it runs level. */
  readonly way: number;
  readonly contour: number;
}

/** @param turn radians from the page to the frame's x axis, clockwise */
export function fallingOf(contours: readonly Contour[], turn: number): Falling[] {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const found: Falling[] = [];
  contours.forEach((c, contour) => {
    for (let k = 0; k < c.size; k++) {
      const degree = c.degrees[k];
      const own = new Float64Array(2 * (degree + 1));
      for (let i = 0; i <= degree; i++) {
        const [x, y] = [c.points[k * stride + 2 * i], c.points[k * stride + 2 * i + 1]];
        own[2 * i] = cos * x + sin * y;
        own[2 * i + 1] = cos * y - sin * x;
      }
      let from = 0;
      for (const to of [...turnsOf(own, degree), 1]) {
        const points = new Float64Array(2 * (degree + 1));
        if (from === 0 && to === 1) points.set(own);
        else cut(own, 0, degree, from, to, points, 0);
        const [a, b] = [points[1], points[2 * degree + 1]];
        found.push({ points, degree, low: min(a, b), high: max(a, b), way: sign(b - a), contour });
        from = to;
      }
    }
  });
  return found;
}

/** Where the slope of y changes its sign. */
function turnsOf(p: Float64Array, degree: number): number[] {
  if (degree === 1) return [];
  const found: number[] = [];
  const steps = 8;
  for (let i = 0; i < steps; i++) {
    let [a, b] = [i / steps, (i + 1) / steps];
    const before = slopeAt(p, 1, degree, a) > 0;
    if (before === slopeAt(p, 1, degree, b) > 0) continue;
    for (let n = 0; n < 40; n++) {
      const m = (a + b) / 2;
      if (slopeAt(p, 1, degree, m) > 0 === before) a = m;
      else b = m;
    }
    if (a > 1e-9 && a < 1 - 1e-9) found.push(a);
  }
  return found;
}

/** Steps of Newton's, which are a few, and halvings, which are the rest. */
const mostSteps = 60;

/** Where a falling piece is at a level: by Newton, halving where a step would leave the bracket (Numerical Recipes, section 9.4). */
export function levelAt({ points, degree, way, low, high }: Falling, y: number): number {
  let t = way > 0 ? (y - low) / (high - low) : (high - y) / (high - low);
  if (degree === 1) return t;
  let [a, b] = [0, 1];
  for (let n = 0; n < mostSteps; n++) {
    const off = valueAt(points, 1, degree, t) - y;
    if (off <= 0 === way > 0) a = t;
    else b = t;
    const slope = slopeAt(points, 1, degree, t);
    const step = slope === 0 ? NaN : off / slope;
    const next = t - step;
    if (Math.abs(step) < 1e-12 || b - a < 1e-14) return t;
    t = next > a && next < b ? next : (a + b) / 2;
  }
  return t;
}

/** What of the level line `y` of the frame lies in the ink (nonzero), from left to right. */
export function stretchesAt(falling: readonly Falling[], y: number): Stretch[] {
  const crossings: { x: number; way: number }[] = [];
  for (const f of falling) {
    // Half open, so that what meets at a node counts once.
    if (!(f.low <= y && y < f.high)) continue;
    crossings.push({ x: valueAt(f.points, 0, f.degree, levelAt(f, y)), way: f.way });
  }
  crossings.sort((p, q) => p.x - q.x);
  const found: Stretch[] = [];
  let winding = 0;
  let from = 0;
  for (const { x, way } of crossings) {
    if (winding === 0) from = x;
    winding += way;
    if (winding === 0 && x > from) found.push({ from, to: x });
  }
  return found;
}
