import type { Cover } from "./cover";
import { leftmostOf } from "./leftmost";
import type { GridMesh } from "./mesh";
import { nearPoint, type Strips } from "./strips";
import { folds, vertexOf, type Strands } from "./strands";

/** An end of a strand at a node: strand index * 2, + 1 where the strand arrives. */
export type StrandEnd = number;

export interface Windings {
  /** What covers the left of each strand that stands for a bundle. */
  readonly left: Int32Array;
  /**
   * The ends at each node, counterclockwise (x right, y up) from the west: those of node n are ends[start[n]] to ends[start[n + 1] - 1].
   */
  readonly ends: Int32Array;
  readonly start: Int32Array;
}

/** Contours on a mesh, what each of them adds to the cover of what it goes round, and their chains sorted. */
export interface Field {
  readonly mesh: GridMesh;
  readonly weights: Int32Array;
  readonly cover: Cover;
  readonly strips: Strips;
}

/** The arrangement contradicts itself: rounding has gone wrong somewhere, and another grid should be tried. */
export class Inconsistent extends Error {}

/**
 * What covers each part of the plane, by walking: each group of contours that hang together gets what covers the outside of it from a ray,
 * cast west from its leftmost point, and all others follow, since crossing a strand changes the cover by its weight. What is reached by two
 * ways must be the same: that checks the whole arrangement.
 * @throws Inconsistent
 */
export function windings(field: Field, s: Strands): Windings {
  const { mesh, cover } = field;
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
  /** Goes once round a node from the sector before its k-th end, which `value` covers. */
  const round = (node: number, k: number, value: number) => {
    const first = start[node];
    const n = start[node + 1] - first;
    let w = value;
    for (let j = 0; j < n; j++) {
      const e = ends[first + ((k + j) % n)];
      const i = e >> 1;
      if (e & 1) {
        learn(i, w);
        w = cover.minus(w, s.weight[i]);
      } else {
        w = cover.plus(w, s.weight[i]);
        learn(i, w);
      }
    }
    if (w !== value) throw new Inconsistent();
  };

  const done = new Uint8Array(s.nodeX.length);
  for (const point of leftmostOf(mesh, s, start)) {
    const outside = coverWestOf(field, point.x, point.y, point.component, s.component);
    if (point.node >= 0) round(point.node, 0, outside);
    else learn(point.strand, point.westIsLeft ? outside : cover.plus(outside, s.weight[point.strand]));
    for (let node = reached.pop(); node !== undefined; node = reached.pop()) {
      if (done[node]) continue;
      done[node] = 1;
      let k = 0;
      while (!known[ends[start[node] + k] >> 1]) k++;
      const e = ends[start[node] + k];
      const i = e >> 1;
      round(node, k, e & 1 ? left[i] : cover.minus(left[i], s.weight[i]));
    }
  }
  return { left, ends, start };
}

function endsAtNodes(mesh: GridMesh, s: Strands): { ends: Int32Array; start: Int32Array } {
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
  const put = (node: number, e: StrandEnd, k: number, other: number) => {
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

/**
 * What covers the point just west of (px, py), by all contours that are not of its own component.
 * @param components the component of each contour: the number of one of its contours
 */
export function coverWestOf(
  { mesh, weights, cover, strips }: Field,
  px: number,
  py: number,
  component: number,
  components: Int32Array,
): number {
  const { y, chains, shape, twins } = mesh;
  let w = 0;
  for (const i of nearPoint(strips, py)) {
    if (chains.minX[i] > px) break;
    const c = chains.contour[i];
    if (components[c] === component || shape[c] !== shape[component]) continue;
    const a = chains.from[i];
    const b = chains.to[i];
    if (y[a] <= py === y[b] <= py || !liesWest(mesh, a, b, px, py)) continue;
    for (let j = i; j >= 0; j = twins ? twins.next[j] : -1) {
      const weight = weights[chains.contour[j]];
      w = y[chains.to[j]] > y[chains.from[j]] ? cover.minus(w, weight) : cover.plus(w, weight);
    }
  }
  return w;
}

/** Whether a part of a chain that spans py lies west of the point. */
function liesWest(mesh: GridMesh, a: number, b: number, px: number, py: number): boolean {
  const { x, y } = mesh;
  for (;;) {
    if (x[a] < px && x[b] < px) return true;
    if (x[a] > px && x[b] > px) return false;
    if (b - a === 1) {
      // The edge runs up or down; the point lies east of it on its right or left.
      const side = (x[b] - x[a]) * (py - y[a]) - (y[b] - y[a]) * (px - x[a]);
      return y[b] > y[a] ? side < 0 : side > 0;
    }
    const m = (a + b) >> 1;
    if (y[a] <= py === y[m] <= py) a = m;
    else b = m;
  }
}
