import { bendAt, slopeAt } from "../bezier";
import type { Segment } from "../contour";
import { changeBetween } from "../halving";

/** A stretch of t, from a to b. */
export type Stretch = readonly [a: number, b: number];

/** Samples of a segment among which sign changes are looked for. */
const samples = 16;
/** Curves may stand still at their ends, where nothing has a sign; looked at from this far inside. */
const edge = 1e-4;

const none: readonly Stretch[] = [];

/**
 * The stretches of t, in order, where a segment turns towards d more tightly than d: its parallel at that distance runs backwards there.
 * @param d units, to the right of travel
 */
export function tightStretches(s: Segment, d: number): readonly Stretch[] {
  if (s.degree === 1 || turnsAway(s, d)) return none;
  return stretchesBelowZero((t) => pace(s, d, t));
}

/**
 * How the speed of the parallel at distance d compares with the curve's, 1 + curvature * d, times the cube of the curve's: no roots to
 * take.
 */
export function pace({ p, o, degree }: Segment, d: number, t: number): number {
  const dx = slopeAt(p, o, degree, t);
  const dy = slopeAt(p, o + 1, degree, t);
  const turn = dx * bendAt(p, o + 1, degree, t) - dy * bendAt(p, o, degree, t);
  const speed2 = dx * dx + dy * dy;
  return speed2 * Math.sqrt(speed2) + turn * d;
}

/** The stretches of t in [0, 1] where f is below 0, in order: from sign changes between samples, and from dips among them. */
export function stretchesBelowZero(f: (t: number) => number): readonly Stretch[] {
  const at = (i: number) => (i === 0 ? edge : i === samples ? 1 - edge : i / samples);
  const roots: number[] = [];
  let before = f(at(0));
  const startsBelow = before < 0;
  let beforeThat = before;
  for (let i = 1; i <= samples; i++) {
    const now = f(at(i));
    if (now < 0 !== before < 0) roots.push(signChange(f, at(i - 1), at(i)));
    else if (i > 1 && before > 0 && before < beforeThat && before < now) {
      const low = lowest(f, at(i - 2), at(i));
      if (f(low) < 0) roots.push(signChange(f, at(i - 2), low), signChange(f, low, at(i)));
    }
    beforeThat = before;
    before = now;
  }
  if (!startsBelow && roots.length === 0) return none;
  roots.sort((a, b) => a - b);
  const bounds = [...(startsBelow ? [0] : []), ...roots];
  if (bounds.length % 2) bounds.push(1);
  return Array.from({ length: bounds.length / 2 }, (_, i) => [bounds[2 * i], bounds[2 * i + 1]]);
}

const signChange = (f: (t: number) => number, a: number, b: number): number => changeBetween(a, b, (t) => f(t) < 0, 40);

function lowest(f: (t: number) => number, a: number, b: number): number {
  for (let k = 0; k < 24; k++) {
    const u = a + (b - a) / 3;
    const v = b - (b - a) / 3;
    if (f(u) < f(v)) b = v;
    else a = u;
  }
  return (a + b) / 2;
}

/** Whether the control polygon turns away from d, or not at all, everywhere: then so does the curve. */
export function turnsAway({ p, o, degree }: Segment, d: number): boolean {
  const ax = p[o + 2] - p[o];
  const ay = p[o + 3] - p[o + 1];
  const bx = p[o + 4] - p[o + 2];
  const by = p[o + 5] - p[o + 3];
  if ((ax * by - ay * bx) * d < 0) return false;
  if (degree === 2) return true;
  const cx = p[o + 6] - p[o + 4];
  const cy = p[o + 7] - p[o + 5];
  return (ax * cy - ay * cx) * d >= 0 && (bx * cy - by * cx) * d >= 0;
}
