import { norm } from "../../curves/bezier";
import type { Line, LinePoint } from "./line";

const { max, min } = Math;

/** A piece of a line between two chords, or a chord and an end. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly points: readonly LinePoint[];
  readonly depth: number;
  used: boolean;
}

/**
 * Pieces of lines from chord to chord, which are joined where they meet. Ends on chords are numbers from 0 on; those where a line stops are
 * below 0.
 */
export class Pieces {
  readonly #all: Piece[] = [];
  /** By chord the number of its first line's end. */
  readonly #chords = new Map<number, number>();
  /** The pieces at an end on a chord: two at most. */
  readonly #one: (Piece | undefined)[] = [];
  readonly #other: (Piece | undefined)[] = [];
  /** Where lines are on chords. */
  readonly #places: (LinePoint | undefined)[] = [];
  #free = -1;

  /**
   * @param count lines in each stroke
   * @param corners how many places the corners of chords are among
   */
  constructor(
    private readonly count: number,
    private readonly corners: number,
  ) {}

  /** The end of line `rank` on a chord, counted from one of the chord's corners, `from`. */
  on(i: number, j: number, from: number, rank: number): number {
    const [low, high] = [min(i, j), max(i, j)];
    const chord = low * this.corners + high;
    let first = this.#chords.get(chord);
    if (first === undefined) {
      first = this.#one.length;
      this.#chords.set(chord, first);
      for (let k = 0; k < this.count; k++) {
        this.#one.push(undefined);
        this.#other.push(undefined);
        this.#places.push(undefined);
      }
    }
    return first + (from === low ? rank : this.count - 1 - rank);
  }

  /** Where a line is at an end on a chord, from both of its sides. */
  at(end: number, make: () => LinePoint): LinePoint {
    return (this.#places[end] ??= make());
  }

  /** An end where a line stops. */
  stop(): number {
    return this.#free--;
  }

  add(from: number, to: number, points: readonly LinePoint[], rank: number): void {
    const piece: Piece = { from, to, points, depth: min(rank, this.count - 1 - rank), used: false };
    this.#all.push(piece);
    this.#put(from, piece);
    this.#put(to, piece);
  }

  #put(end: number, piece: Piece): void {
    if (end < 0) return;
    if (this.#one[end]) this.#other[end] = piece;
    else this.#one[end] = piece;
  }

  /** The pieces one after another. */
  lines(): Line[] {
    const found: Line[] = [];
    const isLast = (end: number) => end < 0 || !this.#other[end];
    for (const p of this.#all) {
      if (p.used) continue;
      if (isLast(p.from)) found.push(this.#follow(p, p.from));
      else if (isLast(p.to)) found.push(this.#follow(p, p.to));
    }
    for (const p of this.#all) if (!p.used) found.push(this.#follow(p, p.from));
    return found;
  }

  #follow(start: Piece, from: number): Line {
    const points: LinePoint[] = [];
    for (let [piece, at]: [Piece | undefined, number] = [start, from]; piece;) {
      piece.used = true;
      const forward = piece.from === at;
      append(points, piece.points, forward);
      at = forward ? piece.to : piece.from;
      if (at === from) return { points, closed: true, depth: start.depth };
      piece = at < 0 ? undefined : this.#unusedAt(at);
    }
    return { points, closed: false, depth: start.depth };
  }

  #unusedAt(end: number): Piece | undefined {
    const [one, other] = [this.#one[end], this.#other[end]];
    if (one && !one.used) return one;
    return other && !other.used ? other : undefined;
  }
}

/** Adds places to those before, each once: what is known of it as a corner or in a junction is kept. */
function append(points: LinePoint[], more: readonly LinePoint[], forward: boolean): void {
  for (let i = 0; i < more.length; i++) {
    const p = more[forward ? i : more.length - 1 - i];
    const last = points[points.length - 1];
    if (last === p) continue;
    if (!last || norm(last.x - p.x, last.y - p.y) > 1e-6) points.push(p);
    else if (p.corner || p.joint) points[points.length - 1] = p;
  }
}
