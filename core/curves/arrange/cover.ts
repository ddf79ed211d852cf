/**
 * What covers a point, as a number that can be added to and taken from: a winding number, or one winding number for each of many shapes.
 * 0 is nothing at all.
 */
export interface Cover {
  plus(a: number, b: number): number;
  minus(a: number, b: number): number;
}

/** Winding numbers, all added up. */
export const winding: Cover = { plus: (a, b) => a + b, minus: (a, b) => a - b };

/** Which part of the plane a point is in, by what covers it: a whole number from 0 on, or -1 for none. */
export type Labels = (cover: number) => number;

/**
 * Winding numbers by rank: how often each of many shapes winds about a point. Each such list is kept once and known by its number, and
 * so is each sum of two, so that adding is looking up.
 */
export class RankedCover implements Cover {
  /** Ranks in order, each with its winding number, which is not 0. */
  readonly #lists: (readonly number[])[] = [[]];
  /** The number of the last list with a hash, and for each list the number of the one before with the same. */
  readonly #lastOf = new Map<number, number>([[0, 0]]);
  readonly #before: number[] = [-1];
  readonly #sums = new Map<number, number>();
  readonly #differences = new Map<number, number>();

  /** A single turn about the shape of a rank. */
  one(rank: number): number {
    return this.#numberOf([rank, 1]);
  }

  plus(a: number, b: number): number {
    return a === 0 ? b : b === 0 ? a : this.#look(this.#sums, a, b, 1);
  }

  minus(a: number, b: number): number {
    return b === 0 ? a : this.#look(this.#differences, a, b, -1);
  }

  /** The lowest rank that winds positively, or -1. */
  nearest(cover: number): number {
    const list = this.#lists[cover];
    for (let i = 0; i < list.length; i += 2) if (list[i + 1] > 0) return list[i];
    return -1;
  }

  #look(known: Map<number, number>, a: number, b: number, sign: 1 | -1): number {
    const key = a * 2 ** 26 + b;
    let sum = known.get(key);
    if (sum === undefined) known.set(key, (sum = this.#numberOf(added(this.#lists[a], this.#lists[b], sign))));
    return sum;
  }

  #numberOf(list: readonly number[]): number {
    let hash = 0;
    for (const v of list) hash = (Math.imul(hash, 0x01000193) + v + 1) | 0;
    const last = this.#lastOf.get(hash) ?? -1;
    for (let n = last; n >= 0; n = this.#before[n]) if (equal(this.#lists[n], list)) return n;
    const number = this.#lists.push(list) - 1;
    this.#before.push(last);
    this.#lastOf.set(hash, number);
    return number;
  }
}

function equal(a: readonly number[], b: readonly number[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

function added(a: readonly number[], b: readonly number[], sign: 1 | -1): number[] {
  const out: number[] = [];
  let i = 0;
  let j = 0;
  while (i < a.length || j < b.length) {
    const rank = Math.min(i < a.length ? a[i] : Infinity, j < b.length ? b[j] : Infinity);
    let turns = 0;
    if (a[i] === rank) {
      turns += a[i + 1];
      i += 2;
    }
    if (b[j] === rank) {
      turns += sign * b[j + 1];
      j += 2;
    }
    if (turns !== 0) out.push(rank, turns);
  }
  return out;
}
