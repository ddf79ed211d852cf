import type { Mesh } from "./mesh";
import { nearPoint, type Strips } from "./strips";
import { folds, vertexOf, type Strands } from "./strands";

/** An end of a strand at a node: strand index * 2, + 1 where the strand arrives. */
export type End = number;

export interface Windings {
  /** The winding number on the left of each strand that stands for a bundle. */
  readonly left: Int32Array;
  /** The ends at each node, counterclockwise (x right, y up) from the west: those of node n are ends[start[n]] to ends[start[n + 1] - 1]. */
  readonly ends: Int32Array;
  readonly start: Int32Array;
}

/** The arrangement contradicts itself: rounding has gone wrong somewhere, and another grid should be tried. */
export class Inconsistent extends Error {}

/**
 * Winding numbers, by walking: each group of contours that hang together gets the number outside it from a ray, cast
 * west from its leftmost point, and all others follow, since crossing a strand changes the number by its weight.
 * A number that is reached by two ways must be the same: that checks the whole arrangement.
 * @throws Inconsistent
 */
export function windings(mesh: Mesh, s: Strands, weights: ArrayLike<number>, strips: Strips): Windings {
  const left = new Int32Array(s.count);
  const known = new Uint8Array(s.count);
  const { ends, start } = endsAtNodes(mesh, s);

  const reached: number[] = [];
  const learn = (strand: number, value: number) => {
    if (known[strand]) {
      if (left[strand] !== value) throw new Inconsistent();
      return;
    }
    known[strand] = 1;
    left[strand] = value;
    if (s.from[strand] >= 0) reached.push(s.from[strand], s.to[strand]);
  };
  /** Goes once round a node from the sector before its k-th end, whose winding number is `value`. */
  const round = (node: number, k: number, value: number) => {
    const first = start[node];
    const n = start[node + 1] - first;
    let w = value;
    for (let j = 0; j < n; j++) {
      const e = ends[first + ((k + j) % n)];
      const i = e >> 1;
      if (e & 1) {
        learn(i, w);
        w -= s.weight[i];
      } else {
        w += s.weight[i];
        learn(i, w);
      }
    }
    if (w !== value) throw new Inconsistent();
  };

  const done = new Uint8Array(s.nodeX.length);
  for (const point of leftmost(mesh, s, start)) {
    const outside = windingWestOf(mesh, point.x, point.y, point.component, s.component, weights, strips);
    if (point.node >= 0) round(point.node, 0, outside);
    else learn(point.strand, point.westIsLeft ? outside : outside + s.weight[point.strand]);
    for (let node = reached.pop(); node !== undefined; node = reached.pop()) {
      if (done[node]) continue;
      done[node] = 1;
      let k = 0;
      while (!known[ends[start[node] + k] >> 1]) k++;
      const e = ends[start[node] + k];
      const i = e >> 1;
      round(node, k, e & 1 ? left[i] : left[i] - s.weight[i]);
    }
  }
  return { left, ends, start };
}

function endsAtNodes(mesh: Mesh, s: Strands): { ends: Int32Array; start: Int32Array } {
  const start = new Int32Array(s.nodeX.length + 1);
  const counts = (i: number) => s.over[i] === i && s.from[i] >= 0 && !folds(s, i);
  for (let i = 0; i < s.count; i++)
    if (counts(i)) {
      start[s.from[i] + 1]++;
      start[s.to[i] + 1]++;
    }
  for (let n = 1; n < start.length; n++) start[n] += start[n - 1];
  const filled = start.slice();
  const ends = new Int32Array(start[s.nodeX.length]);
  // Where an end leaves its node to.
  const dx = new Float64Array(2 * s.count);
  const dy = new Float64Array(2 * s.count);
  const put = (node: number, e: End, k: number, other: number) => {
    const i = e >> 1;
    let px = s.nodeX[other];
    let py = s.nodeY[other];
    if (s.between[i] > 0) {
      const v = vertexOf(mesh, s, i, k);
      px = mesh.x[v];
      py = mesh.y[v];
    }
    dx[e] = px - s.nodeX[node];
    dy[e] = py - s.nodeY[node];
    // Insertion keeps the few ends of a node in order.
    let at = filled[node]++;
    for (; at > start[node] && byAngle(dx[ends[at - 1]], dy[ends[at - 1]], dx[e], dy[e]) > 0; at--) ends[at] = ends[at - 1];
    ends[at] = e;
  };
  for (let i = 0; i < s.count; i++)
    if (counts(i)) {
      put(s.from[i], 2 * i, 0, s.to[i]);
      put(s.to[i], 2 * i + 1, s.between[i] - 1, s.from[i]);
    }
  return { ends, start };
}

function byAngle(ax: number, ay: number, bx: number, by: number): number {
  const h = half(ax, ay) - half(bx, by);
  return h !== 0 ? h : bx * ay - by * ax;
}

/** South, east, north, west, in the order of angles from -180 to 180 degrees. */
const half = (x: number, y: number): number => (y < 0 ? 0 : y > 0 ? 2 : x > 0 ? 1 : 3);

interface Leftmost {
  x: number;
  y: number;
  readonly component: number;
  node: number;
  strand: number;
  /** Which vertex of the mesh it is, and the how manieth of its strand. */
  vertex: number;
  k: number;
  westIsLeft: boolean;
}

/**
 * The leftmost, and of those the lowest, point of each component.
 * @param thorough looks at every vertex of every strand; otherwise only at the ends of chains, where the leftmost vertex of a contour lies. That
 *   may be on a spike, which is no strand; then all are looked at
 */
function leftmost(mesh: Mesh, s: Strands, start: Int32Array, thorough = false): Leftmost[] {
  const best: (Leftmost | undefined)[] = [];
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || folds(s, i)) continue;
    const component = s.component[s.contour[i]];
    const b = (best[component] ??= { component, x: Infinity, y: Infinity, node: -1, strand: i, vertex: 0, k: 0, westIsLeft: false });
    for (const node of [s.from[i], s.to[i]]) {
      if (node < 0 || s.nodeX[node] > b.x || (s.nodeX[node] === b.x && s.nodeY[node] >= b.y)) continue;
      b.x = s.nodeX[node];
      b.y = s.nodeY[node];
      b.node = node;
    }
  }
  const offer = (b: Leftmost | undefined, v: number) => {
    if (!b || mesh.x[v] > b.x || (mesh.x[v] === b.x && mesh.y[v] >= b.y)) return;
    b.x = mesh.x[v];
    b.y = mesh.y[v];
    b.node = -1;
    b.vertex = v;
  };
  if (thorough) {
    for (let i = 0; i < s.count; i++)
      if (!folds(s, i)) for (let k = 0; k < s.between[i]; k++) offer(best[s.component[s.contour[i]]], vertexOf(mesh, s, i, k));
  } else for (let i = 0; i < mesh.chains.count; i++) offer(best[s.component[mesh.chains.contour[i]]], mesh.chains.from[i]);
  for (const b of best) if (b && b.node < 0 && !findStrand(mesh, s, b)) return leftmost(mesh, s, start, true);
  const found: Leftmost[] = [];
  for (const b of best) {
    if (!b || (b.node >= 0 && start[b.node] === start[b.node + 1])) continue;
    if (b.node < 0) b.westIsLeft = turnsRight(mesh, s, b);
    found.push(b);
  }
  return found;
}

/** Finds the strand that a vertex lies on. @returns false where it lies on none */
function findStrand(mesh: Mesh, s: Strands, b: Leftmost): boolean {
  for (let i = 0; i < s.count; i++) {
    const c = s.contour[i];
    if (b.vertex < mesh.first[c] || b.vertex >= mesh.last[c]) continue;
    const n = mesh.last[c] - mesh.first[c];
    const k = (b.vertex - s.inner[i] + n) % n;
    if (k >= s.between[i]) continue;
    b.strand = i;
    b.k = k;
    return !folds(s, i);
  }
  return false;
}

/** On its leftmost point a contour turns round what lies east of it; turning right leaves the west on its left. */
function turnsRight(mesh: Mesh, s: Strands, { strand, k, x, y }: Leftmost): boolean {
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

function neighbour(mesh: Mesh, s: Strands, strand: number, k: number): [number, number] {
  const n = s.between[strand];
  if (s.from[strand] >= 0 && (k < 0 || k >= n)) {
    const node = k < 0 ? s.from[strand] : s.to[strand];
    return [s.nodeX[node], s.nodeY[node]];
  }
  const v = vertexOf(mesh, s, strand, (k + n) % n);
  return [mesh.x[v], mesh.y[v]];
}

/**
 * The winding number of the point just west of (px, py), by all contours that are not of its own component.
 * @param components the component of each contour: the number of one of its contours
 */
export function windingWestOf(mesh: Mesh, px: number, py: number, component: number, components: ArrayLike<number>, weights: ArrayLike<number>, strips: Strips): number {
  const { x, y, chains, shape } = mesh;
  let w = 0;
  /** Whether a part of a chain that spans py lies west of the point. */
  const west = (a: number, b: number): boolean => {
    if (Math.max(x[a], x[b]) < px) return true;
    if (Math.min(x[a], x[b]) > px) return false;
    if (b - a === 1) {
      // The edge runs up or down; the point lies east of it on its right or left.
      const side = (x[b] - x[a]) * (py - y[a]) - (y[b] - y[a]) * (px - x[a]);
      return y[b] > y[a] ? side < 0 : side > 0;
    }
    const m = (a + b) >> 1;
    return y[a] <= py === y[m] <= py ? west(m, b) : west(a, m);
  };
  for (const i of nearPoint(strips, py)) {
    if (chains.minX[i] > px) break;
    if (components[chains.contour[i]] === component || shape[chains.contour[i]] !== shape[component]) continue;
    const a = chains.from[i];
    const b = chains.to[i];
    if (y[a] <= py === y[b] <= py) continue;
    if (west(a, b)) w += y[b] > y[a] ? -weights[chains.contour[i]] : weights[chains.contour[i]];
  }
  return w;
}
