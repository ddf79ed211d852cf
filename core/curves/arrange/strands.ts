import { GridIndex } from "./grid-index";
import type { Mesh } from "./mesh";
import type { Noding } from "./noding";

/**
 * Contours cut at their nodes. A strand runs along one contour from one node to another (or round to the same one) and meets
 * nothing on its way; contours without nodes are strands from node -1 to node -1. Strands that lie on one another
 * are bundled: `over[s]` is the strand that stands for s (itself, as a rule), and carries the weight of all.
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
  /** How much the winding is higher on the left of the strand than on the right, all of its bundle counted. */
  readonly weight: number[];
  readonly over: number[];
  /** The next strand of the same bundle, or -1; the first is the one that stands for all. */
  readonly nextInBundle: number[];
  readonly nodeX: number[];
  readonly nodeY: number[];
  /** Contours that hang together, through common nodes, have the same number. */
  readonly component: Int32Array;
}

type Growing = Omit<Strands, "count" | "component">;

/** @param weights how much each contour adds to the winding number of what it goes round */
export function makeStrands(mesh: Mesh, noding: Noding, weights: ArrayLike<number>): Strands {
  const { x, y, u, first, last } = mesh;
  const nodes = new GridIndex();
  const s: Growing = {
    contour: [], u0: [], u1: [], from: [], to: [], inner: [], between: [], weight: [], over: [], nextInBundle: [], nodeX: nodes.x, nodeY: nodes.y,
  };
  const parent = Int32Array.from({ length: first.length }, (_, i) => i);
  const root = (c: number): number => {
    while (parent[c] !== c) c = parent[c] = parent[parent[c]];
    return c;
  };
  const contourOfNode: number[] = [];
  const add = (contour: number, u0: number, u1: number, from: number, to: number, inner: number, between: number) => {
    s.contour.push(contour);
    s.u0.push(u0);
    s.u1.push(u1);
    s.from.push(from);
    s.to.push(to);
    s.inner.push(inner);
    s.between.push(between);
    s.weight.push(weights[contour]);
    s.over.push(s.over.length);
    s.nextInBundle.push(-1);
  };

  const { order, along } = alongEdges(mesh, noding);
  let next = 0;
  let shape = -1;
  // The nodes on one contour: which, at which place, at or after which vertex, and whether at it.
  const node: number[] = [];
  const place: number[] = [];
  const vertex: number[] = [];
  const isVertex: boolean[] = [];
  for (let c = 0; c < first.length; c++) {
    const start = first[c];
    const n = last[c] - start;
    if (n <= 0) continue;
    if (mesh.shape[c] !== shape) nodes.startAnew();
    shape = mesh.shape[c];
    let count = 0;
    const meet = (id: number, at: number, v: number, exactly: boolean) => {
      node[count] = id;
      place[count] = at;
      vertex[count] = v;
      isVertex[count++] = exactly;
      if (id === contourOfNode.length) contourOfNode.push(c);
      else parent[root(c)] = root(contourOfNode[id]);
    };
    if (noding.touched[c]) {
      for (let i = start; i < last[c]; i++) {
        if (noding.atVertex[i]) meet(nodes.of(x[i], y[i]), u[i], i - start, true);
        for (; next < order.length && noding.edge[order[next]] === i; next++) {
          const k = order[next];
          const length2 = (x[i + 1] - x[i]) ** 2 + (y[i + 1] - y[i]) ** 2;
          const t = Math.min(1, Math.max(0, along[k] / length2));
          // An edge may skip segments that are too small for the grid; places between lie on the segment it starts on.
          const to = Math.min(u[i + 1], Math.floor(u[i] + 1));
          meet(nodes.of(noding.x[k], noding.y[k]), u[i] + (to - u[i]) * t, i - start, false);
        }
      }
    }
    if (count === 0) {
      add(c, 0, mesh.contours[c].size, -1, -1, start, n);
      continue;
    }
    for (let k = 0; k < count; k++) {
      const wraps = k + 1 === count;
      const b = wraps ? 0 : k + 1;
      const inner = vertex[k] + 1;
      const between = (wraps ? n : 0) + vertex[b] - (isVertex[b] ? 1 : 0) - inner + 1;
      // Neighbours in one cell: nothing is left of the way between them.
      if (node[k] === node[b] && between < 2) continue;
      add(c, place[k], wraps ? place[b] + mesh.contours[c].size : place[b], node[k], node[b], start + (inner % n), between);
    }
  }
  bundle(s);
  const component = Int32Array.from(parent, (_, c) => root(c));
  return { ...s, count: s.contour.length, component };
}

/** The nodes on edges in the order of their edges, and on each as they lie along it. */
function alongEdges({ x, y }: Mesh, { edge, x: nx, y: ny }: Noding): { order: Int32Array; along: Float64Array } {
  const along = new Float64Array(edge.length);
  const order = new Int32Array(edge.length);
  for (let k = 0; k < edge.length; k++) {
    const e = edge[k];
    along[k] = (nx[k] - x[e]) * (x[e + 1] - x[e]) + (ny[k] - y[e]) * (y[e + 1] - y[e]);
    order[k] = k;
  }
  order.sort((a, b) => edge[a] - edge[b] || along[a] - along[b]);
  return { order, along };
}

/** Strands of a single edge between the same two nodes lie on one another. */
function bundle(s: Growing): void {
  const pairs = new GridIndex();
  const standsFor: number[] = [];
  for (let i = 0; i < s.contour.length; i++) {
    if (s.between[i] !== 0) continue;
    const pair = pairs.of(Math.min(s.from[i], s.to[i]), Math.max(s.from[i], s.to[i]));
    if (pair === standsFor.length) {
      standsFor.push(i);
      continue;
    }
    const one = standsFor[pair];
    s.over[i] = one;
    s.weight[one] += s.from[i] === s.from[one] ? s.weight[i] : -s.weight[i];
    s.nextInBundle[i] = s.nextInBundle[one];
    s.nextInBundle[one] = i;
  }
}

/** Whether a strand goes there and back on itself: it encloses no area. */
export const folds = (s: Strands, i: number): boolean => s.from[i] >= 0 && s.from[i] === s.to[i] && s.between[i] < 2;

/** The k-th grid vertex of a strand, its nodes left out. */
export function vertexOf(mesh: Mesh, s: Strands, strand: number, k: number): number {
  const c = s.contour[strand];
  const start = mesh.first[c];
  const n = mesh.last[c] - start;
  const v = s.inner[strand] - start + k;
  return start + (v < n ? v : v % n);
}
