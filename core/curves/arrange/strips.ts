import type { Budget } from "../budget";
import type { Chains } from "./chains";
import type { Twins } from "./twins";

/**
 * Chains sorted into horizontal strips, each strip by the left end of its chains: what could meet a chain is near it in
 * its strips. Words are wide and low, so a few strips are enough; drawings of many thousand chains get more.
 */
export interface Strips {
  /** How near chains come to each other that are a pair. */
  readonly reach: number;
  readonly bottom: number;
  readonly height: number;
  readonly lists: readonly (readonly number[])[];
  /** For each strip, once it is asked for, how far to the right any of its first chains reaches. */
  readonly reaches: (Float64Array | undefined)[];
}

/**
 * Left ends lie between -2^25 and 2^25, and there are fewer chains than this: a number holds both, and sorts without a comparison to call.
 */
const offset = 2 ** 26;
const mostChains = 2 ** 26;

/**
 * @param reach how near chains come to each other that are a pair, in cells
 * @param twins where there are any, of each kind one is taken
 */
export function stripsOf(chains: Chains, reach: number, twins?: Twins): Strips {
  const { minX, minY, maxY } = chains;
  let bottom = Infinity;
  let top = -Infinity;
  let count = 0;
  const keys = new Float64Array(chains.count);
  for (let i = 0; i < chains.count; i++) {
    if (twins && twins.one[i] !== i) continue;
    if (minY[i] < bottom) bottom = minY[i];
    if (maxY[i] > top) top = maxY[i];
    keys[count++] = (minX[i] + offset) * mostChains + i;
  }
  const order = keys.subarray(0, count).sort();
  const half = reach / 2;
  bottom -= half;
  const strips = Math.max(1, Math.min(512, Math.floor(Math.sqrt(count / 4))));
  const height = Math.max(1, (top + half - bottom + 1) / strips);
  const lists: number[][] = Array.from({ length: strips }, () => []);
  for (let k = 0; k < count; k++) {
    const i = order[k] % mostChains;
    const to = Math.min(strips - 1, Math.floor((maxY[i] + half - bottom) / height));
    for (let s = Math.floor((minY[i] - half - bottom) / height); s <= to; s++) lists[s].push(i);
  }
  return { reach, bottom, height, lists, reaches: [] };
}

/** The chains of the strip that holds y. */
export function nearPoint({ bottom, height, lists }: Strips, y: number): readonly number[] {
  const s = Math.floor((y - bottom) / height);
  return s >= 0 && s < lists.length ? lists[s] : [];
}

/** Calls `found` for the chains whose boxes hold a point, and for few others. @returns how many it looked at */
export function eachAt(chains: Chains, strips: Strips, px: number, py: number, found: (i: number) => void): number {
  const list = nearPoint(strips, py);
  if (list.length === 0) return 1;
  const { minX, maxX } = chains;
  const reach = reachOf(chains, strips, Math.floor((py - strips.bottom) / strips.height));
  let from = 0;
  let to = list.length;
  while (from < to) {
    const m = (from + to) >> 1;
    if (minX[list[m]] <= px) from = m + 1;
    else to = m;
  }
  let k = from - 1;
  for (; k >= 0 && reach[k] >= px; k--) if (maxX[list[k]] >= px) found(list[k]);
  return from - k;
}

function reachOf({ maxX }: Chains, { lists, reaches }: Strips, strip: number): Float64Array {
  const known = reaches[strip];
  if (known) return known;
  const list = lists[strip];
  const reach = new Float64Array(list.length);
  let far = -Infinity;
  for (let k = 0; k < list.length; k++) {
    if (maxX[list[k]] > far) far = maxX[list[k]];
    reach[k] = far;
  }
  return (reaches[strip] = reach);
}

/** Calls `found` once for each pair of chains whose boxes come as near each other as the strips' reach, borders included. */
export function eachMeeting(
  chains: Chains,
  { reach, bottom, height, lists }: Strips,
  budget: Budget,
  found: (i: number, j: number) => void,
): void {
  const { minX, minY, maxX, maxY } = chains;
  const active = new Int32Array(chains.count);
  const half = reach / 2;
  for (let s = 0; s < lists.length; s++) {
    const list = lists[s];
    let size = 0;
    for (let n = 0; n < list.length; n++) {
      const i = list[n];
      const left = minX[i] - reach;
      const low = minY[i] - reach;
      const high = maxY[i] + reach;
      let kept = 0;
      for (let k = 0; k < size; k++) {
        const j = active[k];
        if (maxX[j] < left) continue;
        active[kept++] = j;
        if (maxY[j] < low || high < minY[j]) continue;
        // A pair that shares several strips is reported in the first of them.
        if (Math.floor(((minY[i] > minY[j] ? minY[i] : minY[j]) - half - bottom) / height) === s) found(i, j);
      }
      budget.spend(size + 1);
      active[kept] = i;
      size = kept + 1;
    }
  }
}
