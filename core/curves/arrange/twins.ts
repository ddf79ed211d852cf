import type { Chains } from "./chains";
import { GridIndex } from "./grid-index";

/**
 * Chains that have the very same vertices, there or back: what shapes share that were cut from one another. One of them stands for all
 * while nodes are looked for, and `next` leads from it to the others, and ends in -1.
 */
export interface Twins {
  readonly next: Int32Array;
  /** For each chain the one that stands for it: itself, as a rule. */
  readonly one: Int32Array;
}

export function twinsOf({ count, from, to }: Chains, x: Float64Array, y: Float64Array): Twins {
  const next = new Int32Array(count).fill(-1);
  const one = new Int32Array(count);
  const points = new GridIndex();
  const ends = new GridIndex();
  /** For each pair of ends the first chain between them, and from each of these the next that is not its twin. */
  const firstBetween: number[] = [];
  const other = new Int32Array(count).fill(-1);
  for (let i = 0; i < count; i++) {
    one[i] = i;
    const a = points.of(x[from[i]], y[from[i]]);
    const b = points.of(x[to[i]], y[to[i]]);
    const pair = ends.of(Math.min(a, b), Math.max(a, b));
    if (pair === firstBetween.length) {
      firstBetween.push(i);
      continue;
    }
    let candidate = firstBetween[pair];
    while (!alike(candidate, i) && other[candidate] >= 0) candidate = other[candidate];
    if (alike(candidate, i)) {
      one[i] = candidate;
      next[i] = next[candidate];
      next[candidate] = i;
    } else other[candidate] = i;
  }
  return { next, one };

  function alike(i: number, j: number): boolean {
    const edges = to[i] - from[i];
    if (to[j] - from[j] !== edges) return false;
    const [start, step] = x[from[i]] === x[from[j]] && y[from[i]] === y[from[j]] ? [from[j], 1] : [to[j], -1];
    for (let k = 0; k <= edges; k++) if (x[from[i] + k] !== x[start + step * k] || y[from[i] + k] !== y[start + step * k]) return false;
    return true;
  }
}
