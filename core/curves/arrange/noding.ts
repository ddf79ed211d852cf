import type { Budget } from "../budget";
import type { Mesh } from "./mesh";
import { eachMeeting, nearPoint, stripsOf, type Strips } from "./strips";

/**
 * Where contours meet, on the grid. Vertices that are nodes are marked in `atVertex`; the others lie on edges: the k-th on
 * edge `edge[k]`, at the grid point (x[k], y[k]).
 */
export interface Noding {
  readonly atVertex: Uint8Array;
  readonly edge: readonly number[];
  readonly x: readonly number[];
  readonly y: readonly number[];
  /** Whether each contour has a node. */
  readonly touched: Uint8Array;
  /** The chains as they were sorted to find them. */
  readonly strips: Strips;
}

/**
 * Finds every point where edges cross or touch and rounds it to the grid: snap rounding. The cell around each vertex
 * and each crossing is hot, and every edge that passes through a hot cell is led through its middle. After
 * that edges meet in their ends only (Hobby, Practical segment intersection with finite precision output,
 * Computational Geometry 13, 1999). Cells are half open, as `Math.round` rounds.
 * @throws BudgetError
 */
export function findNodes(mesh: Mesh, budget: Budget): Noding {
  const { x, y, chains, first, last, shape } = mesh;
  const atVertex = new Uint8Array(x.length);
  const edge: number[] = [];
  const nodeX: number[] = [];
  const nodeY: number[] = [];
  const crossX: number[] = [];
  const crossY: number[] = [];
  const crossShape: number[] = [];
  const touched = new Uint8Array(first.length);
  let found = 0;
  /** The last vertex of a contour is its first. */
  const repeats = new Int32Array(x.length).fill(-1);
  for (let c = 0; c < first.length; c++) if (last[c] > first[c]) repeats[last[c]] = first[c];
  const vertex = (i: number) => (repeats[i] >= 0 ? repeats[i] : i);

  const mark = (i: number) => {
    atVertex[vertex(i)] = 1;
    found++;
  };
  const nodeOn = (e: number, px: number, py: number) => {
    if (x[e] === px && y[e] === py) mark(e);
    else if (x[e + 1] === px && y[e + 1] === py) mark(e + 1);
    else {
      edge.push(e);
      nodeX.push(px);
      nodeY.push(py);
      found++;
    }
  };
  for (const i of mesh.spikes) {
    mark(i);
    touched[contourAt(last, i)] = 1;
  }

  /** Vertex v against edge e: `side` is the cross product of the edge and the way from its start to v. */
  const touch = (e: number, v: number, side: number) => {
    if (x[v] === x[e] && y[v] === y[e]) {
      if (vertex(v) !== vertex(e)) {
        mark(v);
        mark(e);
      }
    } else if (x[v] === x[e + 1] && y[v] === y[e + 1]) {
      if (vertex(v) !== vertex(e + 1)) {
        mark(v);
        mark(e + 1);
      }
    } else if (passes(x, y, e, x[v], y[v], side)) {
      nodeOn(e, x[v], y[v]);
      mark(v);
    }
  };

  const edges = (a: number, b: number) => {
    const ax = x[a];
    const ay = y[a];
    const ux = x[a + 1] - ax;
    const uy = y[a + 1] - ay;
    const bx = x[b];
    const by = y[b];
    const vx = x[b + 1] - bx;
    const vy = y[b + 1] - by;
    const b0 = ux * (by - ay) - uy * (bx - ax);
    const b1 = ux * (y[b + 1] - ay) - uy * (x[b + 1] - ax);
    const reachU = Math.abs(ux) + Math.abs(uy);
    // Both ends of b on one side of a, and farther from it than a cell: nothing touches.
    if ((b0 > reachU && b1 > reachU) || (b0 < -reachU && b1 < -reachU)) return;
    const a0 = vx * (ay - by) - vy * (ax - bx);
    const a1 = vx * (y[a + 1] - by) - vy * (x[a + 1] - bx);
    const reachV = Math.abs(vx) + Math.abs(vy);
    if ((a0 > reachV && a1 > reachV) || (a0 < -reachV && a1 < -reachV)) return;
    if (((b0 > 0 && b1 < 0) || (b0 < 0 && b1 > 0)) && ((a0 > 0 && a1 < 0) || (a0 < 0 && a1 > 0))) {
      const t = a0 / (a0 - a1);
      const px = Math.round(ax + ux * t);
      const py = Math.round(ay + uy * t);
      nodeOn(a, px, py);
      nodeOn(b, px, py);
      crossX.push(px);
      crossY.push(py);
      crossShape.push(current);
    }
    touch(a, b, b0);
    touch(a, b + 1, b1);
    touch(b, a, a0);
    touch(b, a + 1, a1);
  };

  let work = 0;
  let current = 0;
  /** Parts of two chains, by their end vertices. Explicit bisection: boxes that do not meet need no look inside. */
  const parts = (a0: number, a1: number, b0: number, b1: number): void => {
    work++;
    if (Math.max(x[a0], x[a1]) < Math.min(x[b0], x[b1]) || Math.max(x[b0], x[b1]) < Math.min(x[a0], x[a1])) return;
    if (Math.max(y[a0], y[a1]) < Math.min(y[b0], y[b1]) || Math.max(y[b0], y[b1]) < Math.min(y[a0], y[a1])) return;
    const lengthA = a1 - a0;
    const lengthB = b1 - b0;
    if (lengthA === 1 && lengthB === 1) edges(a0, b0);
    else if (lengthA >= lengthB) {
      const m = (a0 + a1) >> 1;
      parts(a0, m, b0, b1);
      parts(m, a1, b0, b1);
    } else {
      const m = (b0 + b1) >> 1;
      parts(a0, a1, b0, m);
      parts(a0, a1, m, b1);
    }
  };

  const strips = stripsOf(chains);
  eachMeeting(chains, strips, budget, (i, j) => {
    current = shape[chains.contour[i]];
    if (current !== shape[chains.contour[j]]) return;
    const before = found;
    parts(chains.from[i], chains.to[i], chains.from[j], chains.to[j]);
    if (found > before) touched[chains.contour[i]] = touched[chains.contour[j]] = 1;
    if (work > 1000) {
      budget.spend(work);
      work = 0;
    }
  });

  // The cells of crossings are hot for edges, too, that pass by them without crossing there.
  const through = (a: number, b: number, px: number, py: number): void => {
    if (Math.max(x[a], x[b]) < px || Math.min(x[a], x[b]) > px || Math.max(y[a], y[b]) < py || Math.min(y[a], y[b]) > py) return;
    if (b - a > 1) {
      const m = (a + b) >> 1;
      through(a, m, px, py);
      through(m, b, px, py);
    } else {
      const side = (x[b] - x[a]) * (py - y[a]) - (y[b] - y[a]) * (px - x[a]);
      if (passes(x, y, a, px, py, side)) nodeOn(a, px, py);
    }
  };
  for (let k = 0; k < crossX.length; k++) {
    const near = nearPoint(strips, crossY[k]);
    budget.spend(near.length);
    for (const i of near) {
      if (chains.minX[i] > crossX[k] || chains.maxX[i] < crossX[k] || shape[chains.contour[i]] !== crossShape[k]) continue;
      const before = found;
      through(chains.from[i], chains.to[i], crossX[k], crossY[k]);
      if (found > before) touched[chains.contour[i]] = 1;
    }
  }
  return { atVertex, edge, x: nodeX, y: nodeY, touched, strips };
}

/** The contour that vertex i is on. */
function contourAt(last: Int32Array, i: number): number {
  let c = 0;
  while (last[c] < i) c++;
  return c;
}

/** Whether edge e passes through the half-open cell of the grid point (px, py), which lies in the edge's box. */
function passes(x: Float64Array, y: Float64Array, e: number, px: number, py: number, side: number): boolean {
  if (px < Math.min(x[e], x[e + 1]) || px > Math.max(x[e], x[e + 1]) || py < Math.min(y[e], y[e + 1]) || py > Math.max(y[e], y[e + 1])) return false;
  const dx = x[e + 1] - x[e];
  const dy = y[e + 1] - y[e];
  const reach = (Math.abs(dx) + Math.abs(dy)) / 2;
  const distance = Math.abs(side);
  if (distance !== reach) return distance < reach;
  // The edge touches one corner only. The lower left belongs to the cell: the edge falls, and the point lies above it.
  return dx * dy < 0 && (dx > 0 ? side > 0 : side < 0);
}
