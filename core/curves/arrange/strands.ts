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

interface Event {
  readonly node: number;
  readonly u: number;
  /** The vertex at or before the event, counted from the start of the contour, and whether the event is that vertex. */
  readonly vertex: number;
  readonly isVertex: boolean;
}

/** @param weights how much each contour adds to the winding number of what it goes round */
export function makeStrands(mesh: Mesh, noding: Noding, weights: ArrayLike<number>): Strands {
  const { x, y, u, first, last } = mesh;
  const nodeX: number[] = [];
  const nodeY: number[] = [];
  const ids = new Map<number, number>();
  const nodeAt = (px: number, py: number): number => {
    const key = (px + 2 ** 25) * 2 ** 26 + (py + 2 ** 25); // below 2^53, so that no two points share a key
    let id = ids.get(key);
    if (id === undefined) {
      ids.set(key, (id = nodeX.length));
      nodeX.push(px);
      nodeY.push(py);
    }
    return id;
  };

  const s: Omit<Strands, "count" | "component"> = {
    contour: [], u0: [], u1: [], from: [], to: [], inner: [], between: [], weight: [], over: [], nextInBundle: [], nodeX, nodeY,
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

  const onEdges = noding.edge.map((_, k) => k);
  const along = (k: number) => {
    const e = noding.edge[k];
    return (noding.x[k] - x[e]) * (x[e + 1] - x[e]) + (noding.y[k] - y[e]) * (y[e + 1] - y[e]);
  };
  onEdges.sort((a, b) => noding.edge[a] - noding.edge[b] || along(a) - along(b));

  let next = 0;
  for (let c = 0; c < first.length; c++) {
    const start = first[c];
    const n = last[c] - start;
    if (n <= 0) continue;
    const events: Event[] = [];
    const meet = (event: Event) => {
      events.push(event);
      const other = contourOfNode[event.node];
      if (other === undefined) contourOfNode[event.node] = c;
      else parent[root(c)] = root(other);
    };
    if (noding.any) {
      // Only contours that have a node are walked vertex by vertex.
      for (let i = start; i < last[c]; i++) {
        if (noding.atVertex[i]) meet({ node: nodeAt(x[i], y[i]), u: u[i], vertex: i - start, isVertex: true });
        for (; next < onEdges.length && noding.edge[onEdges[next]] === i; next++) {
          const k = onEdges[next];
          const length2 = (x[i + 1] - x[i]) ** 2 + (y[i + 1] - y[i]) ** 2;
          const t = Math.min(1, Math.max(0, along(k) / length2));
          const end = Math.floor(u[i] + 1);
          // An edge may skip segments that are too small for the grid; places between lie on the segment it starts on.
          const to = Math.min(u[i + 1], end);
          meet({ node: nodeAt(noding.x[k], noding.y[k]), u: u[i] + (to - u[i]) * t, vertex: i - start, isVertex: false });
        }
      }
    }
    if (events.length === 0) {
      add(c, 0, mesh.contours[c].size, -1, -1, start, n);
      continue;
    }
    for (let k = 0; k < events.length; k++) {
      const a = events[k];
      const b = events[k + 1] ?? events[0];
      const wraps = k + 1 === events.length;
      const inner = a.vertex + 1;
      const end = (wraps ? n : 0) + b.vertex - (b.isVertex ? 1 : 0);
      const between = end - inner + 1;
      // Neighbours in one cell: nothing is left of the way between them.
      if (a.node === b.node && between < 2) continue;
      add(c, a.u, wraps ? b.u + mesh.contours[c].size : b.u, a.node, b.node, start + (inner % n), between);
    }
  }
  bundle(s);
  const component = Int32Array.from(parent, (_, c) => root(c));
  return { ...s, count: s.contour.length, component };
}

/** Strands of a single edge between the same two nodes lie on one another. */
function bundle(s: Omit<Strands, "count" | "component">): void {
  const seen = new Map<number, number>();
  const nodes = s.nodeX.length;
  for (let i = 0; i < s.contour.length; i++) {
    if (s.between[i] !== 0) continue;
    const key = Math.min(s.from[i], s.to[i]) * nodes + Math.max(s.from[i], s.to[i]);
    const one = seen.get(key);
    if (one === undefined) {
      seen.set(key, i);
      continue;
    }
    s.over[i] = one;
    s.weight[one] += s.from[i] === s.from[one] ? s.weight[i] : -s.weight[i];
    s.nextInBundle[i] = s.nextInBundle[one];
    s.nextInBundle[one] = i;
  }
}

/** The k-th grid vertex of a strand, its nodes left out. */
export function vertexOf(mesh: Mesh, s: Strands, strand: number, k: number): number {
  const c = s.contour[strand];
  const n = mesh.last[c] - mesh.first[c];
  return mesh.first[c] + ((s.inner[strand] - mesh.first[c] + k) % n);
}
