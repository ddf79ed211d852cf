import { cut, valueAt } from "../curves/bezier";
import { levelAt, type Falling } from "./rows";

const { abs, max, min } = Math;

const part = new Float64Array(8);

/** A side of an outline between two of its turns: pieces that follow one another down a frame. */
export class Flank {
  readonly low: number;
  readonly high: number;
  readonly left: number;
  readonly right: number;
  /** 1 where the outline runs down it, -1 where it runs up. */
  readonly way: number;

  /** @param pieces from the top of the frame downwards */
  constructor(readonly pieces: readonly Falling[]) {
    this.way = pieces[0].way;
    this.low = pieces[0].low;
    this.high = pieces[pieces.length - 1].high;
    const xs = pieces.flatMap((f) => Array.from({ length: f.degree + 1 }, (_, i) => f.points[2 * i]));
    [this.left, this.right] = [min(...xs), max(...xs)];
  }

  /** Where it is at a level between its own. */
  at(y: number): number {
    const { pieces } = this;
    let k = 0;
    while (k + 1 < pieces.length && y > pieces[k].high) k++;
    const piece = pieces[k];
    return valueAt(piece.points, 0, piece.degree, levelAt(piece, min(piece.high, max(piece.low, y))));
  }

  /** From where to where it lies between two levels; undefined where it does not come there. */
  reach(from: number, to: number): readonly [number, number] | undefined {
    if (this.low > to || this.high < from) return undefined;
    let [left, right] = [Infinity, -Infinity];
    for (const piece of this.pieces) {
      const [a, b] = [max(from, piece.low), min(to, piece.high)];
      if (!(a < b)) continue;
      const { points, degree } = piece;
      const [s, t] = [levelAt(piece, a), levelAt(piece, b)];
      if (degree > 1) cut(points, 0, degree, s, t, part, 0);
      else [part[0], part[2]] = [valueAt(points, 0, 1, s), valueAt(points, 0, 1, t)];
      for (let i = 0; i <= degree; i++) [left, right] = [min(left, part[2 * i]), max(right, part[2 * i])];
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

const isNear = (p: Falling, q: Falling): boolean => {
  const end = 2 * p.degree;
  return abs(p.points[end] - q.points[0]) < 1e-6 && abs(p.points[end + 1] - q.points[1]) < 1e-6;
};

/** The sides of outlines, of pieces in the order that they run in. */
export function flanksOf(falling: readonly Falling[]): Flank[] {
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
