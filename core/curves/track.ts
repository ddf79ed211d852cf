import { curvatureAt, directionAt, norm, slopeAt, valueAt } from "./bezier";
import { stride, type Contour } from "./contour";
import { intervalOf } from "./halving";
import { lengthOf } from "./length";

/** What `Track.at` writes: place, unit direction of travel, signed curvature (positive turns clockwise on screen), angle turned so far. */
export type TrackPoint = Float64Array;
export const trackPoint = (): TrackPoint => new Float64Array(6);

/**
 * A contour that is walked by its length, many times and fast. The lengths of short stretches are integrated once; within one, the
 * parameter follows from the length by Hermite's cubic through its ends and speeds, and the point is then exact on the curve.
 */
export class Track {
  readonly length: number;
  readonly closed: boolean;
  readonly #lengths: Float64Array;
  readonly #perUnit: Float64Array;
  readonly #angles: Float64Array;
  readonly #directions: Float64Array;
  readonly #size: number;

  /** @param stretches that each segment is measured in: between their ends the parameter is found without a search */
  constructor(
    readonly contour: Contour,
    private readonly stretches = 24,
  ) {
    const { points, degrees } = contour;
    const n = contour.size * stretches;
    this.#size = n;
    this.closed = contour.closed;
    this.#lengths = new Float64Array(n + 1);
    // Two speeds a stretch, since they may jump where segments meet.
    this.#perUnit = new Float64Array(2 * n);
    this.#angles = new Float64Array(n + 1);
    this.#directions = new Float64Array(2 * n);
    const dir = new Float64Array(2);
    let angle = 0;
    let [px, py] = [NaN, NaN];
    for (let i = 0; i < n; i++) {
      const k = Math.floor(i / stretches);
      const o = k * stride;
      const d = degrees[k];
      const [a, b] = [(i % stretches) / stretches, ((i % stretches) + 1) / stretches];
      this.#lengths[i + 1] = this.#lengths[i] + lengthOf(points, o, d, a, b);
      this.#perUnit[2 * i] = 1 / speed(points, o, d, a);
      this.#perUnit[2 * i + 1] = 1 / speed(points, o, d, b);
      directionAt(points, o, d, a, dir);
      if (i > 0) angle += turn(px, py, dir[0], dir[1]);
      this.#angles[i] = angle;
      [px, py] = [dir[0], dir[1]];
      this.#directions[2 * i] = px;
      this.#directions[2 * i + 1] = py;
      directionAt(points, o, d, b, dir);
      angle += turn(px, py, dir[0], dir[1]);
      [px, py] = [dir[0], dir[1]];
    }
    if (n > 0 && this.closed) angle += turn(px, py, this.#directions[0], this.#directions[1]);
    this.#angles[n] = angle;
    this.length = this.#lengths[n];
  }

  /** The length up to the start of a segment; of their number, the whole. */
  lengthTo(segment: number): number {
    return this.#lengths[segment * this.stretches];
  }

  /**
   * The point at a length from the start. An open track goes straight on beyond its ends, a closed one goes round.
   * @param out x, y, dx, dy, curvature, angle turned
   */
  at(length: number, out: TrackPoint): void {
    const whole = this.length;
    let s = length;
    let laps = 0;
    if (this.closed) {
      laps = Math.floor(s / whole);
      s -= laps * whole;
    }
    const inside = Math.min(whole, Math.max(0, s));
    const lengths = this.#lengths;
    const { stretches } = this;
    const i = intervalOf(lengths, this.#size, inside);
    const h = lengths[i + 1] - lengths[i];
    const f = h > 0 ? (inside - lengths[i]) / h : 0;
    const k = Math.floor(i / stretches);
    const t = ((i % stretches) + hermite(f, h * this.#perUnit[2 * i] * stretches, h * this.#perUnit[2 * i + 1] * stretches)) / stretches;
    const { points, degrees } = this.contour;
    const o = k * stride;
    const d = degrees[k];
    directionAt(points, o, d, t, direction);
    const [dx, dy] = direction;
    const beyond = s - inside;
    out[0] = valueAt(points, o, d, t) + beyond * dx;
    out[1] = valueAt(points, o + 1, d, t) + beyond * dy;
    out[2] = dx;
    out[3] = dy;
    out[4] = beyond === 0 && d > 1 ? curvatureAt(points, o, d, t) : 0;
    if (!Number.isFinite(out[4])) out[4] = 0;
    out[5] = this.#angles[i] + turn(this.#directions[2 * i], this.#directions[2 * i + 1], dx, dy) + laps * this.#angles[this.#size];
  }
}

const direction = new Float64Array(2);

const speed = (p: ArrayLike<number>, o: number, d: number, t: number) => Math.max(1e-9, norm(slopeAt(p, o, d, t), slopeAt(p, o + 1, d, t)));

/** The angle from one direction to another, between half a turn either way. */
const turn = (ax: number, ay: number, bx: number, by: number) => Math.atan2(ax * by - ay * bx, ax * bx + ay * by);

/** From 0 to 1 with slopes m0 and m1 at the ends, kept from running back where a handle lies on its node and the speed is nothing. */
function hermite(f: number, m0: number, m1: number): number {
  const limit = 3;
  const a = Math.min(limit, m0);
  const b = Math.min(limit, m1);
  const u = 1 - f;
  return f * f * (3 - 2 * f) + f * u * u * a - f * f * u * b;
}
