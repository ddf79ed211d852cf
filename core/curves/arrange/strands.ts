import { norm, valueAt } from "../bezier";
import { segmentOf } from "../contour";
import type { Cover } from "./cover";
import { GridIndex } from "./grid-index";
import { idleNodes } from "./idle";
import type { GridMesh } from "./mesh";
import type { Noding } from "./noding";
import { stopsOf, type Stops } from "./stops";

/**
 * Contours cut at their nodes. A strand runs along one contour from one node to another (or round to the same one) and meets
 * nothing on its way that does not run along with it; contours without nodes are strands from node -1 to node -1. Strands that lie on one
 * another are bundled: `over[s]` is the strand that stands for s (itself, as a rule), and carries the weight of all.
 */
export interface Strands {
  readonly count: number;
  readonly contour: number[];
  /** Places where the strand starts and ends on its contour; the end may lie beyond the contour's size: it wraps. */
  readonly u0: number[];
  readonly u1: number[];
  readonly from: number[];
  readonly to: number[];
  /** The grid points between: `between[s]` vertices of the contour from `inner[s]` on, which may wrap. */
  readonly inner: number[];
  readonly between: number[];
  /** How much more covers the left of the strand than the right, all of its bundle counted. */
  readonly weight: number[];
  readonly over: number[];
  /** The next strand of the same bundle, or -1; the first is the one that stands for all. */
  readonly nextInBundle: number[];
  readonly nodeX: number[];
  readonly nodeY: number[];
  /** Strands that lie on one another by their chords, while their curves do not: what lies between them is lost at this fineness. */
  readonly lenses: number;
  /** Contours that hang together, through common nodes, have the same number. */
  readonly component: Int32Array;
}

/** @param weights what each contour adds to the cover of what it goes round */
export function makeStrands(mesh: GridMesh, noding: Noding, weights: Int32Array, cover: Cover): Strands {
  const { first, last, contours } = mesh;
  const stops = stopsOf(mesh, noding);
  const idle = idleNodes(mesh, stops);
  const { node, place, vertex, atVertex, end } = stops;
  const cut = new Cut();
  for (let c = 0, begin = 0; c < first.length; begin = end[c++]) {
    const n = last[c] - first[c];
    if (n <= 0) continue;
    const whole = contours[c].size;
    if (end[c] === begin) {
      cut.add({ contour: c, u0: 0, u1: whole, from: -1, to: -1, inner: first[c], between: n, firstIdle: -1, lastIdle: -1 }, weights[c]);
      continue;
    }
    const after = (k: number) => (k + 1 === end[c] ? begin : k + 1);
    let start = begin;
    while (idle[node[start]]) start++;
    let a = start;
    do {
      let b = after(a);
      let before = a;
      for (; idle[node[b]]; b = after(b)) before = b;
      const wraps = b <= a;
      const inner = vertex[a] + 1;
      const between = (wraps ? n : 0) + vertex[b] - (atVertex[b] ? 1 : 0) - inner + 1;
      // Neighbours in one cell: nothing is left of the way between them.
      if (node[a] !== node[b] || between >= 2) {
        const through = before !== a;
        cut.add(
          {
            contour: c,
            u0: place[a],
            u1: wraps ? place[b] + whole : place[b],
            from: node[a],
            to: node[b],
            inner: first[c] + (inner % n),
            between,
            firstIdle: through ? node[after(a)] : -1,
            lastIdle: through ? node[before] : -1,
          },
          weights[c],
        );
      }
      a = b;
    } while (a !== start);
  }
  return cut.bundled(mesh, stops, cover);
}

/** How far apart curves may be whose chords are one, in units. */
const sameCurve = 0.004;

interface Strand {
  readonly contour: number;
  readonly u0: number;
  readonly u1: number;
  readonly from: number;
  readonly to: number;
  readonly inner: number;
  readonly between: number;
  /** The first and the last of the idle nodes that it runs through, or -1. */
  readonly firstIdle: number;
  readonly lastIdle: number;
}

/** Strands as they are cut, a column for each of their properties. */
class Cut {
  readonly contour: number[] = [];
  readonly u0: number[] = [];
  readonly u1: number[] = [];
  readonly from: number[] = [];
  readonly to: number[] = [];
  readonly inner: number[] = [];
  readonly between: number[] = [];
  readonly weight: number[] = [];
  readonly over: number[] = [];
  readonly nextInBundle: number[] = [];
  readonly firstIdle: number[] = [];
  readonly lastIdle: number[] = [];

  add(s: Strand, weight: number): void {
    this.contour.push(s.contour);
    this.u0.push(s.u0);
    this.u1.push(s.u1);
    this.from.push(s.from);
    this.to.push(s.to);
    this.inner.push(s.inner);
    this.between.push(s.between);
    this.weight.push(weight);
    this.over.push(this.over.length);
    this.nextInBundle.push(-1);
    this.firstIdle.push(s.firstIdle);
    this.lastIdle.push(s.lastIdle);
  }

  /** Strands between the same two nodes that are single edges, or run through the same idle nodes, lie on one another. */
  bundled({ contours, grid }: GridMesh, { nodes, component }: Stops, cover: Cover): Strands {
    const { from, to, over, weight, nextInBundle } = this;
    let lenses = 0;
    /** How far the curve of a strand of one edge bulges to the left of its chord, as it runs from the node of the lower number. */
    const bulge = (i: number) => {
      const dx = nodes.x[to[i]] - nodes.x[from[i]];
      const dy = nodes.y[to[i]] - nodes.y[from[i]];
      const place = (this.u0[i] + this.u1[i]) / 2;
      const c = contours[this.contour[i]];
      const { p, o, degree } = segmentOf(c, Math.floor(place) % c.size);
      if (degree === 1) return 0;
      const t = place % 1;
      const x = (valueAt(p, o, degree, t) - grid.originX) * grid.scale - nodes.x[from[i]];
      const y = (valueAt(p, o + 1, degree, t) - grid.originY) * grid.scale - nodes.y[from[i]];
      return ((dx * y - dy * x) / (norm(dx, dy) * grid.scale)) * (from[i] < to[i] ? 1 : -1);
    };
    const pairs = new GridIndex();
    const ways = new GridIndex();
    const standsFor: number[] = [];
    for (let i = 0; i < from.length; i++) {
      if (this.between[i] !== 0 && this.firstIdle[i] < 0) continue;
      const ahead = from[i] < to[i];
      const pair = pairs.of(ahead ? from[i] : to[i], ahead ? to[i] : from[i]);
      const way = ways.of(pair, ahead ? this.firstIdle[i] : this.lastIdle[i]);
      if (way === standsFor.length) {
        standsFor.push(i);
        continue;
      }
      const one = standsFor[way];
      over[i] = one;
      if (this.between[i] === 0 && Math.abs(bulge(i) - bulge(one)) > sameCurve) lenses++;
      weight[one] = from[i] === from[one] ? cover.plus(weight[one], weight[i]) : cover.minus(weight[one], weight[i]);
      nextInBundle[i] = nextInBundle[one];
      nextInBundle[one] = i;
    }
    return { ...this, lenses, count: from.length, nodeX: nodes.x, nodeY: nodes.y, component };
  }
}

/** Whether a strand goes there and back on itself: it encloses no area. */
export const folds = (s: Strands, i: number): boolean => s.from[i] >= 0 && s.from[i] === s.to[i] && s.between[i] < 2;

/** The k-th grid vertex of a strand, its nodes left out. */
export function vertexOf(mesh: GridMesh, s: Strands, strand: number, k: number): number {
  const c = s.contour[strand];
  const start = mesh.first[c];
  const n = mesh.last[c] - start;
  const v = s.inner[strand] - start + k;
  return start + (v < n ? v : v % n);
}
