import type { PathBuilder } from "../curves/path";
import type { Sides } from "./flanks";
import { near, roundEnd, type End } from "./level-cut";
import { endsWithin, isInside } from "./level-ends";
import { flareOf, halfOf, heightOf, slopeOf, type LevelStroke } from "./level-stroke";

const { abs, atan2, ceil, cos, max, min, PI, sin, tan } = Math;

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
   * @param sides of the letter; without them strokes are not cut
   * @returns whether it was drawn: not where more than its two ends would be cut, or one would be twice
   */
  draw(stroke: LevelStroke, sides?: Sides): boolean {
    const ends = sides ? endsWithin(stroke, sides) : [roundEnd(stroke, -1), roundEnd(stroke, 1)];
    if (!ends) return false;
    const [left, right] = ends;
    if (sides && !isInside(stroke, left, right, sides)) return !left.edge && !right.edge;
    this.#move(...left.upper);
    if (right.edge?.turns[0]) this.#line(...right.upper);
    else this.#side(stroke, -1, left.upper, right.upper);
    this.#end(stroke, right, 1);
    if (left.edge?.turns[1]) this.#line(...left.lower);
    else this.#side(stroke, 1, right.lower, left.lower);
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
    const inner: number[] = [];
    const keep = (x: number) => void (x > low + near && x < high - near && inner.push(x));
    if (typeof middle !== "number") for (let i = 0; i < middle.xs.length; i++) keep(middle.xs[i]);
    if (halves.length > 2) {
      for (const { x } of halves) keep(x);
      inner.sort((a, b) => a - b);
    }
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
    const [above, below] = edge.turns;
    const isBeyond = (level: number) => (edge.flank.at(level) - at) * way > near;
    const [first, last, noFirst, noLast] = way > 0 ? [edge.from, edge.to, above, below] : [edge.to, edge.from, below, above];
    if (!noFirst && isBeyond(first)) arc((-way * PI) / 2, angle(first));
    if (way > 0) for (const { points, degree } of pieces) this.#piece(points, degree);
    else for (const { points, degree } of pieces.reverse()) this.#piece(backwards(points, degree), degree);
    if (!noLast && isBeyond(last)) arc(angle(last), (way * PI) / 2);
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
