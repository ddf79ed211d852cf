import type { Budget } from "../budget";
import type { Chains } from "./mesh";

/**
 * Chains sorted into horizontal strips, each strip by the left end of its chains: what could meet a chain is near it in
 * its strips. Words are wide and low, so a few strips are enough; drawings of many thousand chains get more.
 */
export interface Strips {
  readonly bottom: number;
  readonly height: number;
  readonly lists: readonly (readonly number[])[];
}

export function stripsOf(chains: Chains): Strips {
  const { count, minX, minY, maxY } = chains;
  let bottom = Infinity;
  let top = -Infinity;
  for (let i = 0; i < count; i++) {
    if (minY[i] < bottom) bottom = minY[i];
    if (maxY[i] > top) top = maxY[i];
  }
  const strips = Math.max(1, Math.min(512, Math.floor(Math.sqrt(count / 4))));
  const height = Math.max(1, (top - bottom + 1) / strips);
  const lists: number[][] = Array.from({ length: strips }, () => []);
  const order = Array.from({ length: count }, (_, i) => i).sort((a, b) => minX[a] - minX[b]);
  for (const i of order) {
    const to = Math.min(strips - 1, Math.floor((maxY[i] - bottom) / height));
    for (let s = Math.floor((minY[i] - bottom) / height); s <= to; s++) lists[s].push(i);
  }
  return { bottom, height, lists };
}

/** The chains of the strip that holds y. */
export function nearPoint({ bottom, height, lists }: Strips, y: number): readonly number[] {
  const s = Math.floor((y - bottom) / height);
  return s >= 0 && s < lists.length ? lists[s] : [];
}

/** Calls `found` once for each pair of chains whose boxes meet, borders included. */
export function eachMeeting(chains: Chains, { bottom, height, lists }: Strips, budget: Budget, found: (i: number, j: number) => void): void {
  const { minX, minY, maxX, maxY } = chains;
  lists.forEach((list, s) => {
    const active: number[] = [];
    for (const i of list) {
      let kept = 0;
      for (let k = 0; k < active.length; k++) {
        const j = active[k];
        if (maxX[j] < minX[i]) continue;
        active[kept++] = j;
        if (maxY[j] < minY[i] || maxY[i] < minY[j]) continue;
        // A pair that shares several strips is reported in the first of them.
        if (Math.floor((Math.max(minY[i], minY[j]) - bottom) / height) === s) found(i, j);
      }
      budget.spend(active.length + 1);
      active.length = kept;
      active.push(i);
    }
  });
}
