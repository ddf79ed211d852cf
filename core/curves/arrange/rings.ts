import { folds, type Strands } from "./strands";
import type { End, Windings } from "./windings";

/** A stretch of one contour, from place u0 to u1; backwards where u0 > u1. Its ends lie at grid nodes, or -1 where it is whole. */
export interface Run {
  readonly contour: number;
  u0: number;
  u1: number;
  readonly from: number;
  to: number;
}

/** Which winding numbers count as inside. */
export type Rule = (winding: number) => boolean;

/**
 * The borders of what is inside, as closed rings of runs with the inside on the left: outers run counterclockwise
 * (positive by the shoelace formula), counters clockwise. Rings may touch themselves and each other in single points.
 */
export function traceRings(s: Strands, { left, ends, start }: Windings, inside: Rule, sizes: readonly number[]): Run[][] {
  // 1: a border as it runs; -1: a border backwards; 0: none.
  const border = new Int8Array(s.count);
  const rings: Run[][] = [];
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || folds(s, i)) continue;
    const onLeft = inside(left[i]);
    if (onLeft === inside(left[i] - s.weight[i])) continue;
    border[i] = onLeft ? 1 : -1;
    if (s.from[i] < 0) {
      const n = sizes[s.contour[i]];
      rings.push([{ contour: s.contour[i], u0: onLeft ? 0 : n, u1: onLeft ? n : 0, from: -1, to: -1 }]);
    }
  }
  const used = new Uint8Array(s.count);
  for (let i = 0; i < s.count; i++) {
    if (border[i] === 0 || used[i] || s.from[i] < 0) continue;
    const steps: number[] = [];
    for (let at = i; !used[at]; ) {
      used[at] = 1;
      steps.push(at);
      // Arriving with the inside on the left: the next border clockwise closes the same stretch of inside.
      const arrival: End = border[at] > 0 ? 2 * at + 1 : 2 * at;
      const node = border[at] > 0 ? s.to[at] : s.from[at];
      let k = start[node];
      while (ends[k] !== arrival) k++;
      do k = k === start[node] ? start[node + 1] - 1 : k - 1;
      while (border[ends[k] >> 1] === 0);
      at = ends[k] >> 1;
    }
    rings.push(joinRuns(s, steps, border, sizes));
  }
  return rings;
}

/** Steps that follow one another on the same contour become one run, so that a curve is cut only where it ends. */
function joinRuns(s: Strands, steps: readonly number[], border: Int8Array, sizes: readonly number[]): Run[] {
  const runs: Run[] = [];
  for (const step of steps) {
    const forward = border[step] > 0;
    const last = runs[runs.length - 1];
    const from = forward ? s.from[step] : s.to[step];
    const to = forward ? s.to[step] : s.from[step];
    // Of strands that lie on one another, the one that carries on where the ring is.
    let chosen = -1;
    for (let i = step; i >= 0 && chosen < 0 && last; i = s.nextInBundle[i])
      if (s.contour[i] === last.contour) {
        const [a, b] = placesOf(s, i, step, forward);
        const shift = last.u1 - a;
        const n = sizes[last.contour];
        if ((shift === 0 || shift === n || shift === -n) && b > a === last.u1 > last.u0) {
          chosen = i;
          last.u1 = b + shift;
          last.to = to;
        }
      }
    if (chosen >= 0) continue;
    const i = longest(s, step);
    const [u0, u1] = placesOf(s, i, step, forward);
    runs.push({ contour: s.contour[i], u0, u1, from, to });
  }
  // The first and the last may be one, cut by where the walk began.
  if (runs.length > 1) {
    const a = runs[runs.length - 1];
    const b = runs[0];
    const shift = a.u1 - b.u0;
    const n = sizes[a.contour];
    if (a.contour === b.contour && (shift === 0 || shift === n || shift === -n) && b.u1 > b.u0 === a.u1 > a.u0) {
      a.u1 = b.u1 + shift;
      a.to = b.to;
      runs.shift();
    }
  }
  return runs;
}

/** Of a bundle, the strand that is part of the longest segment: its curve is known best. */
function longest(s: Strands, step: number): number {
  let best = step;
  for (let i = s.nextInBundle[step]; i >= 0; i = s.nextInBundle[i]) if (Math.abs(s.u1[i] - s.u0[i]) < Math.abs(s.u1[best] - s.u0[best])) best = i;
  return best;
}

/** Where strand i starts and ends when the strand that stands for its bundle is run forward or backward. */
function placesOf(s: Strands, i: number, step: number, forward: boolean): [number, number] {
  const same = i === step || s.from[i] === s.from[step];
  return same === forward ? [s.u0[i], s.u1[i]] : [s.u1[i], s.u0[i]];
}
