import type { Mesh } from "./mesh";
import { nearPoint, stripsOf } from "./strips";
import { vertexOf, type Strands } from "./strands";

/** An end of a strand at a node: strand index * 2, + 1 where the strand arrives. */
export type End = number;

export interface Windings {
  /** The winding number on the left of each strand that stands for a bundle. */
  readonly left: Int32Array;
  /** The ends at each node, counterclockwise (x right, y up) from the west. */
  readonly ends: readonly (readonly End[])[];
}

/** The arrangement contradicts itself: rounding has gone wrong somewhere, and another grid should be tried. */
export class Inconsistent extends Error {}

/**
 * Winding numbers, by walking: each group of contours that hang together gets the number outside it from a ray, cast
 * west from its leftmost point, and all others follow, since crossing a strand changes the number by its weight.
 * A number that is reached by two ways must be the same: that checks the whole arrangement.
 * @throws Inconsistent
 */
export function windings(mesh: Mesh, s: Strands, weights: ArrayLike<number>): Windings {
  const left = new Int32Array(s.count);
  const known = new Uint8Array(s.count);
  const ends: End[][] = s.nodeX.map(() => []);
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || s.from[i] < 0 || folds(s, i)) continue;
    ends[s.from[i]].push(2 * i);
    ends[s.to[i]].push(2 * i + 1);
  }
  // Where an end leaves its node to.
  const endX = new Float64Array(2 * s.count);
  const endY = new Float64Array(2 * s.count);
  ends.forEach((list, node) => {
    for (const e of list) {
      const i = e >> 1;
      const arrives = e & 1;
      let px: number;
      let py: number;
      if (s.between[i] === 0) {
        const other = arrives ? s.from[i] : s.to[i];
        px = s.nodeX[other];
        py = s.nodeY[other];
      } else {
        const v = vertexOf(mesh, s, i, arrives ? s.between[i] - 1 : 0);
        px = mesh.x[v];
        py = mesh.y[v];
      }
      endX[e] = px - s.nodeX[node];
      endY[e] = py - s.nodeY[node];
    }
    if (list.length > 1) list.sort((a, b) => byAngle(endX[a], endY[a], endX[b], endY[b]));
  });

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
    const list = ends[node];
    let w = value;
    for (let j = 0; j < list.length; j++) {
      const e = list[(k + j) % list.length];
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
  for (const start of leftmost(mesh, s, ends)) {
    const outside = windingWestOf(mesh, s, start, weights);
    if (start.node >= 0) round(start.node, 0, outside);
    else learn(start.strand, start.westIsLeft ? outside : outside + s.weight[start.strand]);
    for (let node = reached.pop(); node !== undefined; node = reached.pop()) {
      if (done[node]) continue;
      done[node] = 1;
      const k = ends[node].findIndex((e) => known[e >> 1]);
      const e = ends[node][k];
      const i = e >> 1;
      round(node, k, e & 1 ? left[i] : left[i] - s.weight[i]);
    }
  }
  return { left, ends };
}

/** There and back between two nodes' worth of nothing: such a strand encloses no area. */
const folds = (s: Strands, i: number): boolean => s.from[i] === s.to[i] && s.between[i] < 2;

function byAngle(ax: number, ay: number, bx: number, by: number): number {
  const h = half(ax, ay) - half(bx, by);
  return h !== 0 ? h : bx * ay - by * ax;
}

/** South, east, north, west, in the order of angles from -180 to 180 degrees. */
const half = (x: number, y: number): number => (y < 0 ? 0 : y > 0 ? 2 : x > 0 ? 1 : 3);

interface Leftmost {
  x: number;
  y: number;
  component: number;
  node: number;
  strand: number;
  westIsLeft: boolean;
}

/** The leftmost, and of those the lowest, point of each component. */
function leftmost(mesh: Mesh, s: Strands, ends: readonly (readonly End[])[]): Leftmost[] {
  const best = new Map<number, Leftmost>();
  const offer = (component: number, x: number, y: number, node: number, strand: number, k: number) => {
    const b = best.get(component);
    if (b && (b.x < x || (b.x === x && b.y <= y))) return;
    const found = b ?? { component, x, y, node, strand, westIsLeft: false };
    found.x = x;
    found.y = y;
    found.node = node;
    found.strand = strand;
    at.set(component, k);
    if (!b) best.set(component, found);
  };
  /** Which vertex of its strand the best is. */
  const at = new Map<number, number>();
  for (let i = 0; i < s.count; i++) {
    if (s.over[i] !== i || (s.from[i] >= 0 && folds(s, i))) continue;
    const component = s.component[s.contour[i]];
    if (s.from[i] >= 0) {
      offer(component, s.nodeX[s.from[i]], s.nodeY[s.from[i]], s.from[i], i, -1);
      offer(component, s.nodeX[s.to[i]], s.nodeY[s.to[i]], s.to[i], i, -1);
    }
    for (let k = 0; k < s.between[i]; k++) {
      const v = vertexOf(mesh, s, i, k);
      offer(component, mesh.x[v], mesh.y[v], -1, i, k);
    }
  }
  for (const [component, b] of best) {
    if (b.node >= 0) {
      if (ends[b.node].length === 0) best.delete(component);
      continue;
    }
    const k = at.get(component)!;
    const [px, py] = neighbour(mesh, s, b.strand, k - 1);
    const [nx, ny] = neighbour(mesh, s, b.strand, k + 1);
    // On the leftmost point the contour turns round what lies east of it; turning left leaves the west on its right.
    b.westIsLeft = (b.x - px) * (ny - b.y) - (b.y - py) * (nx - b.x) < 0;
  }
  return [...best.values()];
}

function neighbour(mesh: Mesh, s: Strands, strand: number, k: number): [number, number] {
  const n = s.between[strand];
  if (s.from[strand] < 0) {
    const v = vertexOf(mesh, s, strand, (k + n) % n);
    return [mesh.x[v], mesh.y[v]];
  }
  if (k < 0) return [s.nodeX[s.from[strand]], s.nodeY[s.from[strand]]];
  if (k >= n) return [s.nodeX[s.to[strand]], s.nodeY[s.to[strand]]];
  const v = vertexOf(mesh, s, strand, k);
  return [mesh.x[v], mesh.y[v]];
}

const strips = new WeakMap<Mesh, ReturnType<typeof stripsOf>>();

/** The winding number, by all other components, of the point just west of a component. */
function windingWestOf(mesh: Mesh, s: Strands, { x: px, y: py, component }: Leftmost, weights: ArrayLike<number>): number {
  const { x, y, chains } = mesh;
  let sorted = strips.get(mesh);
  if (!sorted) strips.set(mesh, (sorted = stripsOf(chains)));
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
  for (const i of nearPoint(sorted, py)) {
    if (chains.minX[i] > px || s.component[chains.contour[i]] === component) continue;
    const a = chains.from[i];
    const b = chains.to[i];
    if (y[a] <= py === y[b] <= py) continue;
    if (west(a, b)) w += y[b] > y[a] ? -weights[chains.contour[i]] : weights[chains.contour[i]];
  }
  return w;
}
