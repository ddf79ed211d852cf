import type { GridMesh } from "./mesh";
import { folds, vertexOf, type Strands } from "./strands";

/** The leftmost, and of those the lowest, point of a component: a node, or a vertex on a strand. */
export interface Leftmost {
  x: number;
  y: number;
  readonly component: number;
  /** The node, or -1. */
  node: number;
  strand: number;
  /** Which vertex of the mesh it is, and the how manieth of its strand. */
  vertex: number;
  k: number;
  /** Of a vertex: whether the west lies on the left of its strand. */
  westIsLeft: boolean;
}

/** The leftmost point of each component. @param start where the ends of each node start: nodes without ends are none */
export function leftmostOf(mesh: GridMesh, s: Strands, start: Int32Array): Leftmost[] {
  // The leftmost vertex of a contour is the end of a chain. That may be on a spike, which is no strand; then all vertices are looked at.
  const best = leftmostNodes(s);
  const { chains } = mesh;
  for (let i = 0; i < chains.count; i++) offer(mesh, best[s.component[chains.contour[i]]], chains.from[i]);
  if (best.some((b) => b && b.node < 0 && !findStrand(mesh, s, b))) return described(mesh, s, start, leftmostVertices(mesh, s));
  return described(mesh, s, start, best);
}

function leftmostNodes(s: Strands): (Leftmost | undefined)[] {
  const best: (Leftmost | undefined)[] = [];
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || folds(s, i)) continue;
    const component = s.component[s.contour[i]];
    const b = (best[component] ??= { component, x: Infinity, y: Infinity, node: -1, strand: i, vertex: 0, k: 0, westIsLeft: false });
    for (let end = 0; end < 2; end++) {
      const node = end === 0 ? s.from[i] : s.to[i];
      if (node < 0 || s.nodeX[node] > b.x || (s.nodeX[node] === b.x && s.nodeY[node] >= b.y)) continue;
      b.x = s.nodeX[node];
      b.y = s.nodeY[node];
      b.node = node;
    }
  }
  return best;
}

function leftmostVertices(mesh: GridMesh, s: Strands): (Leftmost | undefined)[] {
  const best = leftmostNodes(s);
  for (let i = 0; i < s.count; i++)
    if (!folds(s, i)) for (let k = 0; k < s.between[i]; k++) offer(mesh, best[s.component[s.contour[i]]], vertexOf(mesh, s, i, k));
  for (const b of best) if (b && b.node < 0) findStrand(mesh, s, b);
  return best;
}

function offer({ x, y }: GridMesh, b: Leftmost | undefined, v: number): void {
  if (!b || x[v] > b.x || (x[v] === b.x && y[v] >= b.y)) return;
  b.x = x[v];
  b.y = y[v];
  b.node = -1;
  b.vertex = v;
}

function described(mesh: GridMesh, s: Strands, start: Int32Array, best: readonly (Leftmost | undefined)[]): Leftmost[] {
  const found: Leftmost[] = [];
  for (const b of best) {
    if (!b || (b.node >= 0 && start[b.node] === start[b.node + 1])) continue;
    if (b.node < 0) b.westIsLeft = turnsRight(mesh, s, b);
    found.push(b);
  }
  return found;
}

/** Finds the strand that a vertex lies on, of a bundle the one that stands for it. @returns false where it lies on none */
function findStrand(mesh: GridMesh, s: Strands, b: Leftmost): boolean {
  for (let i = 0; i < s.count; i++) {
    const c = s.contour[i];
    if (b.vertex < mesh.first[c] || b.vertex >= mesh.last[c]) continue;
    const n = mesh.last[c] - mesh.first[c];
    const k = (b.vertex - s.inner[i] + n) % n;
    if (k >= s.between[i]) continue;
    // Strands of a bundle have the same vertices, there or back.
    b.strand = s.over[i];
    b.k = s.from[i] === s.from[b.strand] ? k : s.between[i] - 1 - k;
    return !folds(s, i);
  }
  return false;
}

/** On its leftmost point a contour turns round what lies east of it; turning right leaves the west on its left. */
function turnsRight(mesh: GridMesh, s: Strands, { strand, k, x, y }: Leftmost): boolean {
  let [px, py] = neighbour(mesh, s, strand, k - 1);
  let [nx, ny] = neighbour(mesh, s, strand, k + 1);
  let turn = (x - px) * (ny - y) - (y - py) * (nx - x);
  // In the middle of a straight way up or down it does not turn yet.
  for (let step = 2; turn === 0 && step <= s.between[strand] + 1; step++) {
    if (px === x) [px, py] = neighbour(mesh, s, strand, k - step);
    if (nx === x) [nx, ny] = neighbour(mesh, s, strand, k + step);
    turn = (x - px) * (ny - y) - (y - py) * (nx - x);
  }
  return turn < 0;
}

function neighbour(mesh: GridMesh, s: Strands, strand: number, k: number): [number, number] {
  const n = s.between[strand];
  if (s.from[strand] >= 0 && (k < 0 || k >= n)) {
    const node = k < 0 ? s.from[strand] : s.to[strand];
    return [s.nodeX[node], s.nodeY[node]];
  }
  const v = vertexOf(mesh, s, strand, (k + n) % n);
  return [mesh.x[v], mesh.y[v]];
}
