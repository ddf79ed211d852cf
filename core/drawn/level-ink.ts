import type { PathBuilder } from "../curves/path";
import type { Flank } from "./flanks";
import type { Spline } from "./spline";

const { abs, atan2, ceil, cos, hypot, max, min, PI, sin, tan } = Math;

/** A stroke that runs level in a frame. */
export interface LevelStroke {
  readonly from: number;
  readonly to: number;
  /** The height of its middle; a number where that is one all along. */
  readonly middle: Spline | number;
  /** Half its thickness, from place to place; between them it changes evenly. At least two, the first and last at its ends. */
  readonly halves: readonly { readonly x: number; readonly half: number }[];
  /** Levels between which its middle lies. */
  readonly low: number;
  readonly high: number;
}

/** The end of a stroke: round, or cut off by the outline between two levels. */
interface End {
  /** Where the upper side ends, and the lower one. */
  readonly upper: readonly [number, number];
  readonly lower: readonly [number, number];
  readonly edge?: { readonly flank: Flank; readonly from: number; readonly to: number };
}

/** Units: what a place on the outline may lie off a stroke's side. */
const near = 5e-4;
const golden = 0.618034;
/** Places between the levels of a stroke at which an outline is looked at. */
const looks = 6;

/**
 * Draws the outlines of strokes that run level in a frame, with round ends, cut off where a letter's outline crosses them. No sides are
 * offset and nothing is united: a side is half the thickness over the middle, and a stroke is cut by the two sides of the letter that it
 * runs between.
 */
export class LevelInk {
  readonly #cos: number;
  readonly #sin: number;

  /** @param turn radians from the page to the frame's x axis, clockwise */
  constructor(
    private readonly out: PathBuilder,
    turn: number,
  ) {
    [this.#cos, this.#sin] = [cos(turn), sin(turn)];
  }

  /**
   * @param flanks of the letter; without them strokes are not cut
   * @returns whether it was drawn: not where more than its two ends would be cut, or one would be twice
   */
  draw(stroke: LevelStroke, flanks?: readonly Flank[]): boolean {
    const ends = flanks ? endsWithin(stroke, flanks) : [roundEnd(stroke, -1), roundEnd(stroke, 1)];
    if (!ends) return false;
    const [left, right] = ends;
    if (flanks && !isInside(stroke, left, right, flanks)) return !left.edge && !right.edge;
    this.#move(...left.upper);
    this.#side(stroke, -1, left.upper, right.upper);
    this.#end(stroke, right, 1);
    this.#side(stroke, 1, right.lower, left.lower);
    this.#end(stroke, left, -1);
    this.out.close();
    return true;
  }

  #move(x: number, y: number): void {
    this.out.move(this.#cos * x - this.#sin * y, this.#sin * x + this.#cos * y);
  }

  #line(x: number, y: number): void {
    this.out.line(this.#cos * x - this.#sin * y, this.#sin * x + this.#cos * y);
  }

  #cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    const [c, s] = [this.#cos, this.#sin];
    this.out.cubic(c * ax - s * ay, s * ax + c * ay, c * bx - s * by, s * bx + c * by, c * x - s * y, s * x + c * y);
  }

  /** One side from end to end: parts of its cubics, which stay what they are. @param way -1 for the upper, 1 for the lower side */
  #side(stroke: LevelStroke, way: -1 | 1, [fromX, fromY]: readonly [number, number], [toX, toY]: readonly [number, number]): void {
    const { halves, middle } = stroke;
    const [low, high] = [min(fromX, toX), max(fromX, toX)];
    const xs = halves.slice(1, -1).map((h) => h.x);
    if (typeof middle !== "number") xs.push(...middle.xs);
    const inner = xs.filter((x) => x > low + near && x < high - near).sort((a, b) => a - b);
    if (toX < fromX) inner.reverse();
    let [x, y, slope] = [fromX, fromY, slopeOf(stroke, fromX)];
    for (const next of [...inner, toX]) {
      const nextY = next === toX ? toY : heightOf(stroke, next) + way * halfOf(stroke, next);
      if (typeof middle === "number") this.#line(next, nextY);
      else {
        const flare = way * flareOf(stroke, (x + next) / 2);
        const nextSlope = slopeOf(stroke, next);
        const third = (next - x) / 3;
        this.#cubic(x + third, y + third * (slope + flare), next - third, nextY - third * (nextSlope + flare), next, nextY);
        slope = nextSlope;
      }
      [x, y] = [next, nextY];
    }
  }

  /** From the upper side to the lower one at the right end, and back at the left. @param way 1 at the right end */
  #end(stroke: LevelStroke, { edge }: End, way: -1 | 1): void {
    const at = way > 0 ? stroke.to : stroke.from;
    const r = halfOf(stroke, at);
    const y = heightOf(stroke, at);
    // At the left end the angles are those of its mirror image.
    const arc = (a: number, b: number) => this.#arc(at, y, r, way * a, way * b, way > 0 ? 0 : PI);
    if (!edge) return arc((-way * PI) / 2, (way * PI) / 2);
    const pieces = edge.flank.between(edge.from, edge.to);
    const angle = (level: number) => atan2(level - y, (edge.flank.at(level) - at) * way);
    const isBeyond = (level: number) => (edge.flank.at(level) - at) * way > near;
    const [first, last] = way > 0 ? [edge.from, edge.to] : [edge.to, edge.from];
    if (isBeyond(first)) arc((-way * PI) / 2, angle(first));
    if (way > 0) for (const { points, degree } of pieces) this.#piece(points, degree);
    else for (const { points, degree } of pieces.reverse()) this.#piece(backwards(points, degree), degree);
    if (isBeyond(last)) arc(angle(last), (way * PI) / 2);
  }

  #piece(p: Float64Array, degree: number): void {
    if (degree === 1) this.#line(p[2], p[3]);
    else if (degree === 2) {
      const raised = [
        p[0] + (2 * (p[2] - p[0])) / 3,
        p[1] + (2 * (p[3] - p[1])) / 3,
        p[4] + (2 * (p[2] - p[4])) / 3,
        p[5] + (2 * (p[3] - p[5])) / 3,
      ];
      this.#cubic(raised[0], raised[1], raised[2], raised[3], p[4], p[5]);
    } else this.#cubic(p[2], p[3], p[4], p[5], p[6], p[7]);
  }

  /** A part of a circle, by cubics of a right angle at most (Riškus, Approximation of a cubic Bezier curve by circular arcs, 2006). */
  #arc(x: number, y: number, r: number, from: number, to: number, turn: number): void {
    const count = max(1, ceil(abs(to - from) / (PI / 2) - 1e-9));
    const step = (to - from) / count;
    const k = (4 / 3) * tan(step / 4);
    for (let i = 0; i < count; i++) {
      const [a, b] = [turn + from + i * step, turn + from + (i + 1) * step];
      const [ax, ay, bx, by] = [cos(a), sin(a), cos(b), sin(b)];
      this.#cubic(x + r * (ax - k * ay), y + r * (ay + k * ax), x + r * (bx + k * by), y + r * (by - k * bx), x + r * bx, y + r * by);
    }
  }
}

function backwards(p: Float64Array, degree: number): Float64Array {
  const q = new Float64Array(p.length);
  for (let i = 0; i <= degree; i++) [q[2 * i], q[2 * i + 1]] = [p[2 * (degree - i)], p[2 * (degree - i) + 1]];
  return q;
}

function halfOf({ halves }: LevelStroke, x: number): number {
  let k = 0;
  while (k + 2 < halves.length && halves[k + 1].x < x) k++;
  const [a, b] = [halves[k], halves[k + 1]];
  const t = min(1, max(0, (x - a.x) / (b.x - a.x)));
  return a.half + t * (b.half - a.half);
}

/** How fast half the thickness changes. */
function flareOf({ halves }: LevelStroke, x: number): number {
  let k = 0;
  while (k + 2 < halves.length && halves[k + 1].x < x) k++;
  return (halves[k + 1].half - halves[k].half) / (halves[k + 1].x - halves[k].x);
}

const heightOf = ({ middle }: LevelStroke, x: number): number => (typeof middle === "number" ? middle : middle.at(x));
const slopeOf = ({ middle }: LevelStroke, x: number): number => (typeof middle === "number" ? 0 : middle.slopeAt(x));

function roundEnd(stroke: LevelStroke, way: -1 | 1): End {
  const at = way > 0 ? stroke.to : stroke.from;
  const [y, r] = [heightOf(stroke, at), halfOf(stroke, at)];
  return { upper: [at, y - r], lower: [at, y + r] };
}

/** Both ends of a stroke, each cut by one side of the letter or by none; undefined where there is more in its way. */
function endsWithin(stroke: LevelStroke, flanks: readonly Flank[]): [End, End] | undefined {
  const thick = max(...stroke.halves.map((h) => h.half));
  const [low, high] = [stroke.low - thick, stroke.high + thick];
  const [from, to] = [stroke.from - halfOf(stroke, stroke.from), stroke.to + halfOf(stroke, stroke.to)];
  const middle = (stroke.from + stroke.to) / 2;
  let [left, right]: (End | undefined)[] = [];
  for (const flank of flanks) {
    if (flank.right < from || flank.left > to) continue;
    const reach = flank.reach(low, high);
    if (!reach || reach[1] < from || reach[0] > to) continue;
    const way = reach[0] + reach[1] > 2 * middle ? 1 : -1;
    const cut = cutBy(stroke, flank, way, max(low, flank.low), min(high, flank.high));
    if (cut === "clear") continue;
    // What runs along the stroke may cut it more often than is looked at.
    if (cut === "unclear" || reach[1] - reach[0] > 8 * thick || (reach[0] < middle && reach[1] > middle)) return undefined;
    if (way > 0 ? right : left) return undefined;
    if (way > 0) right = cut;
    else left = cut;
  }
  return [left ?? roundEnd(stroke, -1), right ?? roundEnd(stroke, 1)];
}

/** Whether what is left between two ends lies in the ink. Loose strokes stray, and may lie wholly beside it. */
function isInside(stroke: LevelStroke, left: End, right: End, flanks: readonly Flank[]): boolean {
  const [a, b] = [left, right].map(({ upper, lower }) => (upper[0] + lower[0]) / 2);
  const x = (a + b) / 2;
  const y = heightOf(stroke, x);
  let winding = 0;
  for (const flank of flanks) if (flank.low <= y && y < flank.high && flank.at(y) < x) winding += flank.way;
  return winding !== 0;
}

/** The end that a side of the letter makes, if it makes one alone. */
function cutBy(stroke: LevelStroke, flank: Flank, way: -1 | 1, low: number, high: number): End | "clear" | "unclear" {
  const { from: start, to: stop } = stroke;
  /** Below 0 in the stroke. */
  const depth = (y: number): number => {
    const x = flank.at(y);
    if (x >= start && x <= stop) return abs(y - heightOf(stroke, x)) - halfOf(stroke, x);
    const end = x < start ? start : stop;
    return hypot(x - end, y - heightOf(stroke, end)) - halfOf(stroke, end);
  };
  const at = way > 0 ? stop : start;
  const ends = (from: number, to: number): End | "unclear" => {
    const [fromX, toX] = [flank.at(from), flank.at(to)];
    const [fromRound, toRound] = [(fromX - at) * way > near, (toX - at) * way > near];
    // A side of the letter that comes in and goes out by one side of the stroke makes a notch, no end.
    if ((!fromRound && from > heightOf(stroke, fromX)) || (!toRound && to < heightOf(stroke, toX))) return "unclear";
    const { upper, lower } = roundEnd(stroke, way);
    return {
      upper: fromRound ? upper : [fromX, from],
      lower: toRound ? lower : [toX, to],
      edge: { flank, from, to },
    };
  };
  const y = heightOf(stroke, at);
  // Mostly it runs through the end from above to below.
  if (low < y && y < high) {
    const [above, within, below] = [depth(low), depth(y), depth(high)];
    if (above > 0 && within < 0 && below > 0) return ends(rootOf(depth, low, y, above, within), rootOf(depth, high, y, below, within));
  }
  const levels = Array.from({ length: looks + 1 }, (_, i) => low + ((high - low) * i) / looks);
  const depths = levels.map(depth);
  let first = depths.findIndex((d) => d < 0);
  for (let i = 0; i <= looks && first < 0; i++) {
    // Where it comes near between two places, it may cut off a sliver.
    const [before, after] = [max(0, i - 1), min(looks, i + 1)];
    if (depths[i] > depths[before] || depths[i] > depths[after] || depths[i] > levels[1] - levels[0]) continue;
    const [level, least] = lowestOf(depth, levels[before], levels[after]);
    if (least < 0) [first, levels[i], depths[i]] = [i, level, least];
  }
  if (first < 0) return "clear";
  let last = first;
  while (last < looks && depths[last + 1] < 0) last++;
  if (first === 0 || last === looks || depths.slice(last + 1).some((d) => d < 0)) return "unclear";
  const from = rootOf(depth, levels[first - 1], levels[first], depths[first - 1], depths[first]);
  const to = rootOf(depth, levels[last + 1], levels[last], depths[last + 1], depths[last]);
  return ends(from, to);
}

/** Where a function is lowest between two places, and how low, by the golden section (Kiefer, 1953). */
function lowestOf(f: (y: number) => number, from: number, to: number): [number, number] {
  let [a, b] = [from, to];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  while (b - a > near) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - golden * (b - a);
      fc = f(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + golden * (b - a);
      fd = f(d);
    }
  }
  return fc < fd ? [c, fc] : [d, fd];
}

/** Where a function vanishes between two places, by the Illinois form of false position (Dowell and Jarratt, 1971). */
function rootOf(f: (y: number) => number, a: number, b: number, fa: number, fb: number): number {
  let side = 0;
  for (let i = 0; i < 60 && abs(b - a) > near; i++) {
    const c = (fa * b - fb * a) / (fa - fb);
    const fc = f(c);
    if (abs(fc) < near / 4) return c;
    if (fc > 0 === fa > 0) {
      [a, fa] = [c, fc];
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      [b, fb] = [c, fc];
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}
