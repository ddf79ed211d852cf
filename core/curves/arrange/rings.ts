import type { Cover, Labels } from "./cover";
import { folds, type Strands } from "./strands";
import type { StrandEnd, Windings } from "./windings";

/** A stretch of one contour, from place u0 to u1; backwards where u0 > u1. Its ends lie at grid nodes, or -1 where it is whole. */
export interface Reach {
  readonly contour: number;
  u0: number;
  u1: number;
  readonly from: number;
  to: number;
}

/** A closed border of one label. */
export interface Ring {
  readonly label: number;
  readonly reaches: Reach[];
}

/**
 * The borders of what has each label, as closed rings with it on the left: outers run counterclockwise
 * (positive by the shoelace formula), counters clockwise. Rings may touch themselves and each other in single points. Where two labels
 * meet, both have the same curves there.
 * @param sizes the segments of each contour
 */
export function traceRings(s: Strands, { left, ends, start }: Windings, cover: Cover, labelOf: Labels, sizes: readonly number[]): Ring[] {
  const borders = bordersOf(s, left, cover, labelOf);
  const chosen = new Int32Array(s.count).fill(-1);
  // 1: a border as it runs; -1: a border backwards; 0: none. Of the label in hand.
  const border = new Int8Array(s.count);
  const rings: Ring[] = [];
  borders.forEach(({ strands, ways }, label) => {
    for (let k = 0; k < strands.length; k++) border[strands[k]] = ways[k];
    const used = new Uint8Array(s.count);
    for (const i of strands) {
      if (used[i]) continue;
      if (s.from[i] < 0) {
        const n = sizes[s.contour[i]];
        rings.push({ label, reaches: [{ contour: s.contour[i], u0: border[i] > 0 ? 0 : n, u1: border[i] > 0 ? n : 0, from: -1, to: -1 }] });
        continue;
      }
      const steps: number[] = [];
      for (let at = i; !used[at]; at = nextBorder(s, ends, start, border, at)) {
        used[at] = 1;
        steps.push(at);
      }
      rings.push({ label, reaches: joined(s, steps, border, chosen, sizes) });
    }
    for (const i of strands) border[i] = 0;
  });
  return rings;
}

interface Borders {
  readonly strands: number[];
  /** 1 where the label is on the left, -1 where it is on the right. */
  readonly ways: (1 | -1)[];
}

/** The strands on the border of each label. */
function bordersOf(s: Strands, left: Int32Array, cover: Cover, labelOf: Labels): Borders[] {
  const borders: Borders[] = [];
  const put = (label: number, strand: number, way: 1 | -1) => {
    if (label < 0) return;
    const b = (borders[label] ??= { strands: [], ways: [] });
    b.strands.push(strand);
    b.ways.push(way);
  };
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || folds(s, i)) continue;
    const onLeft = labelOf(left[i]);
    const onRight = labelOf(cover.minus(left[i], s.weight[i]));
    if (onLeft === onRight) continue;
    put(onLeft, i, 1);
    put(onRight, i, -1);
  }
  return borders;
}

/** Arriving with the label on the left: the next border clockwise closes the same stretch of it. */
function nextBorder(s: Strands, ends: Int32Array, start: Int32Array, border: Int8Array, at: number): number {
  const arrival: StrandEnd = border[at] > 0 ? 2 * at + 1 : 2 * at;
  const node = border[at] > 0 ? s.to[at] : s.from[at];
  let k = start[node];
  while (ends[k] !== arrival) k++;
  do k = k === start[node] ? start[node + 1] - 1 : k - 1;
  while (border[ends[k] >> 1] === 0);
  return ends[k] >> 1;
}

/**
 * Steps that follow one another on the same contour become one, so that a curve is cut only where it ends.
 * @param chosen of each bundle the strand that a border was drawn along; the label on its other side is drawn along the same
 */
function joined(s: Strands, steps: readonly number[], border: Int8Array, chosen: Int32Array, sizes: readonly number[]): Reach[] {
  const reaches: Reach[] = [];
  for (const step of steps) {
    const forward = border[step] > 0;
    const last = reaches[reaches.length - 1];
    const from = forward ? s.from[step] : s.to[step];
    const to = forward ? s.to[step] : s.from[step];
    const before = chosen[step];
    // Of strands that lie on one another, the one that carries on where the ring is.
    let carriesOn = false;
    for (let i = before < 0 ? step : before; i >= 0 && !carriesOn && last; i = before < 0 ? s.nextInBundle[i] : -1)
      if (s.contour[i] === last.contour) {
        const [a, b] = placesOf(s, i, step, forward);
        const shift = last.u1 - a;
        if (isLap(shift, sizes[last.contour]) && b > a === last.u1 > last.u0) {
          carriesOn = true;
          chosen[step] = i;
          last.u1 = b + shift;
          last.to = to;
        }
      }
    if (carriesOn) continue;
    const i = before < 0 ? longest(s, step) : before;
    chosen[step] = i;
    const [u0, u1] = placesOf(s, i, step, forward);
    reaches.push({ contour: s.contour[i], u0, u1, from, to });
  }
  joinEnds(reaches, sizes);
  return reaches;
}

/** The first and the last may be one, cut by where the walk began. */
function joinEnds(reaches: Reach[], sizes: readonly number[]): void {
  if (reaches.length < 2) return;
  const a = reaches[reaches.length - 1];
  const b = reaches[0];
  const shift = a.u1 - b.u0;
  if (a.contour !== b.contour || !isLap(shift, sizes[a.contour]) || b.u1 > b.u0 !== a.u1 > a.u0) return;
  a.u1 = b.u1 + shift;
  a.to = b.to;
  reaches.shift();
}

/** Whether two places on a contour that are this far apart are one: a closed contour of n segments comes back after n. */
const isLap = (shift: number, n: number): boolean => shift === 0 || shift === n || shift === -n;

/** Of a bundle, the strand that is part of the longest segment: its curve is known best. */
function longest(s: Strands, step: number): number {
  let best = step;
  for (let i = s.nextInBundle[step]; i >= 0; i = s.nextInBundle[i])
    if (Math.abs(s.u1[i] - s.u0[i]) < Math.abs(s.u1[best] - s.u0[best])) best = i;
  return best;
}

/** Where strand i starts and ends when the strand that stands for its bundle is run forward or backward. */
function placesOf(s: Strands, i: number, step: number, forward: boolean): [number, number] {
  const same = i === step || s.from[i] === s.from[step];
  return same === forward ? [s.u0[i], s.u1[i]] : [s.u1[i], s.u0[i]];
}
