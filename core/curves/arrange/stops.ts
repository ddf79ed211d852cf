import { GridIndex } from "./grid-index";
import type { GridMesh } from "./mesh";
import type { Noding } from "./noding";

/**
 * The nodes on contours, one after another as each contour comes by them: those of contour c are the stops from end[c - 1] to end[c] - 1.
 */
export interface Stops {
  readonly node: number[];
  /** The place on the contour: segment and parameter. */
  readonly place: number[];
  /** The vertex that the stop is at, or after, counted from the contour's first; and whether it is at it. */
  readonly vertex: number[];
  readonly atVertex: boolean[];
  readonly end: Int32Array;
  /** The grid points of the nodes. */
  readonly nodes: GridIndex;
  /** Contours that hang together, through common nodes, have the same number. */
  readonly component: Int32Array;
}

export function stopsOf(mesh: GridMesh, noding: Noding): Stops {
  const { x, y, u, first, last, shape } = mesh;
  const nodes = new GridIndex();
  const stops = { node: [] as number[], place: [] as number[], vertex: [] as number[], atVertex: [] as boolean[] };
  const end = new Int32Array(first.length);
  const groups = new Groups(first.length);
  const contourOfNode: number[] = [];
  const { order, along } = alongEdges(mesh, noding);
  let next = 0;
  for (let c = 0; c < first.length; c++) {
    const stop = (node: number, place: number, vertex: number, atVertex: boolean) => {
      stops.node.push(node);
      stops.place.push(place);
      stops.vertex.push(vertex - first[c]);
      stops.atVertex.push(atVertex);
      if (node === contourOfNode.length) contourOfNode.push(c);
      else groups.join(c, contourOfNode[node]);
    };
    // Points of different shapes are different nodes, wherever they lie.
    if (c > 0 && shape[c] !== shape[c - 1]) nodes.startAnew();
    if (noding.touched[c] && last[c] > first[c]) {
      for (let i = first[c]; i < last[c]; i++) {
        if (noding.atVertex[i]) stop(nodes.of(x[i], y[i]), u[i], i, true);
        for (; next < order.length && noding.edge[order[next]] === i; next++) {
          const k = order[next];
          const length2 = (x[i + 1] - x[i]) ** 2 + (y[i + 1] - y[i]) ** 2;
          const t = Math.min(1, Math.max(0, along[k] / length2));
          // An edge may skip segments that are too small for the grid; places between lie on the segment it starts on.
          const to = Math.min(u[i + 1], Math.floor(u[i] + 1));
          stop(nodes.of(noding.x[k], noding.y[k]), u[i] + (to - u[i]) * t, i, false);
        }
      }
    }
    end[c] = stops.node.length;
  }
  return { ...stops, end, nodes, component: groups.numbers() };
}

/** The nodes on edges in the order of their edges, and on each as they lie along it. */
function alongEdges({ x, y }: GridMesh, { edge, x: nx, y: ny }: Noding): { order: Int32Array; along: Float64Array } {
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

/** Things that are joined to groups: union and find, with paths halved (Tarjan and van Leeuwen, Journal of the ACM 31, 1984). */
class Groups {
  readonly #parent: Int32Array;

  constructor(n: number) {
    this.#parent = new Int32Array(n);
    for (let i = 0; i < n; i++) this.#parent[i] = i;
  }

  #root(i: number): number {
    const p = this.#parent;
    while (p[i] !== i) i = p[i] = p[p[i]];
    return i;
  }

  join(a: number, b: number): void {
    this.#parent[this.#root(a)] = this.#root(b);
  }

  /** For each thing the number of its group: that of one of its members. */
  numbers(): Int32Array {
    return this.#parent.map((_, i) => this.#root(i));
  }
}
