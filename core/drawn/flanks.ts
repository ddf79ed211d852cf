import { cut, slopeAt, valueAt } from "../curves/bezier";
import { levelAt, type Falling } from "./rows";

const { abs, hypot, max, min } = Math;

/** The outline of a letter as strokes across it see it. */
export interface Sides {
  readonly flanks: readonly Flank[];
  readonly level: readonly LevelEdge[];
}

/** What of an outline runs level. */
export interface LevelEdge {
  readonly y: number;
  readonly left: number;
  readonly right: number;
}

/** Units: what is no higher is level. */
export const flat = 4e-3;
/** The sine of the angle from which on two pieces meet in a corner. */
const bend = 0.1;

const part = new Float64Array(8);

/** A side of an outline between two of its turns: pieces that follow one another down a frame. */
export class Flank {
  readonly low: number;
  readonly high: number;
  readonly left: number;
  readonly right: number;
  /** 1 where the outline runs down it, -1 where it runs up. */
  readonly way: number;
  /** The levels of its corners. */
  readonly #corners: readonly number[];

  /** @param pieces from the top of the frame downwards */
  constructor(readonly pieces: readonly Falling[]) {
    this.way = pieces[0].way;
    this.low = pieces[0].low;
    this.high = pieces[pieces.length - 1].high;
    const xs = pieces.flatMap((f) => Array.from({ length: f.degree + 1 }, (_, i) => f.points[2 * i]));
    [this.left, this.right] = [min(...xs), max(...xs)];
    this.#corners = pieces.slice(1).flatMap((f, i) => (isCorner(pieces[i], f) ? [f.low] : []));
  }

  /** The levels of its corners between two others. */
  cornersIn(from: number, to: number): readonly number[] {
    return this.#corners.length ? this.#corners.filter((y) => y > from && y < to) : this.#corners;
  }

  /** Where it is at a level between its own. */
  at(y: number): number {
    const { pieces } = this;
    let k = 0;
    while (k + 1 < pieces.length && y > pieces[k].high) k++;
    return acrossAt(pieces[k], min(pieces[k].high, max(pieces[k].low, y)));
  }

  /** From where to where it lies between two levels; undefined where it does not come there. */
  reach(from: number, to: number): readonly [number, number] | undefined {
    if (this.low > to || this.high < from) return undefined;
    let [left, right] = [Infinity, -Infinity];
    for (const piece of this.pieces) {
      const [a, b] = [max(from, piece.low), min(to, piece.high)];
      if (!(a < b)) continue;
      const { points, degree } = piece;
      if (degree > 1) cut(points, 0, degree, levelAt(piece, a), levelAt(piece, b), part, 0);
      else {
        part[0] = acrossAt(piece, a);
        part[2] = acrossAt(piece, b);
      }
      for (let i = 0; i <= degree; i++) {
        const x = part[2 * i];
        if (x < left) left = x;
        if (x > right) right = x;
      }
    }
    return left <= right ? [left, right] : undefined;
  }

  /** Its way from one level to a lower one. */
  between(from: number, to: number): { readonly points: Float64Array; readonly degree: number }[] {
    const found: { points: Float64Array; degree: number }[] = [];
    for (const piece of this.pieces) {
      const [a, b] = [max(from, piece.low), min(to, piece.high)];
      if (!(a < b)) continue;
      const { degree } = piece;
      const points = new Float64Array(2 * (degree + 1));
      cut(piece.points, 0, degree, levelAt(piece, a), levelAt(piece, b), points, 0);
      found.push({ points, degree });
    }
    return found;
  }
}

/** Where a piece is at one of its levels. */
function acrossAt(piece: Falling, y: number): number {
  const { points: p, degree } = piece;
  if (degree > 1) return valueAt(p, 0, degree, levelAt(piece, y));
  return p[0] + ((p[2] - p[0]) * (y - p[1])) / (p[3] - p[1]);
}

const isNear = (p: Falling, q: Falling): boolean => {
  const end = 2 * p.degree;
  return abs(p.points[end] - q.points[0]) < 1e-6 && abs(p.points[end + 1] - q.points[1]) < 1e-6;
};

/** Whether two pieces of a side, one after the other down a frame, meet in a corner. */
function isCorner(upper: Falling, lower: Falling): boolean {
  const [p, q] = upper.way > 0 ? [upper, lower] : [lower, upper];
  const [ax, ay, bx, by] = [...wayAt(p, 1), ...wayAt(q, 0)];
  return abs(ax * by - ay * bx) > bend * hypot(ax, ay) * hypot(bx, by);
}

const wayAt = ({ points, degree }: Falling, t: number): [number, number] => [slopeAt(points, 0, degree, t), slopeAt(points, 1, degree, t)];

/** The sides of an outline, of pieces in the order that they run in. */
export function sidesOf(falling: readonly Falling[]): Sides {
  const level = falling.filter(isLevel).map(({ low: y, degree, points }) => {
    const [a, b] = [points[0], points[2 * degree]];
    return { y, left: min(a, b), right: max(a, b) };
  });
  return { flanks: flanksOf(falling.filter((f) => !isLevel(f))), level };
}

const isLevel = ({ low, high, way, points, degree }: Falling): boolean =>
  way === 0 || (high - low < flat && abs(points[2 * degree] - points[0]) > flat);

function flanksOf(falling: readonly Falling[]): Flank[] {
  const found: Falling[][] = [];
  const goesOn = (p: Falling, q: Falling) => p.contour === q.contour && p.way === q.way && isNear(p, q);
  for (const f of falling) {
    const last = found[found.length - 1];
    if (last && goesOn(last[last.length - 1], f)) last.push(f);
    else found.push([f]);
  }
  // An outline may begin in the middle of a side.
  const firsts = new Map<number, Falling[]>();
  for (const run of found) if (!firsts.has(run[0].contour)) firsts.set(run[0].contour, run);
  const joined = new Set<Falling[]>();
  for (const run of found) {
    const first = firsts.get(run[0].contour)!;
    if (run === first || joined.has(first) || !goesOn(run[run.length - 1], first[0])) continue;
    run.push(...first);
    joined.add(first);
  }
  return found.filter((run) => !joined.has(run)).map((run) => new Flank(run[0].way > 0 ? run : [...run].reverse()));
}
