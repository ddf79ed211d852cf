import type { GridMesh } from "./mesh";
import { NearMisses } from "./near-misses";
import type { Twins } from "./twins";

/**
 * Where pairs of chains meet, collected as nodes: vertices that are nodes, points on edges, and the crossings that were found, whose
 * cells are hot for all of their shape.
 */
export class Meetings {
  readonly atVertex: Uint8Array;
  readonly edge: number[] = [];
  readonly nodeX: number[] = [];
  readonly nodeY: number[] = [];
  readonly crossX: number[] = [];
  readonly crossY: number[] = [];
  readonly crossShape: number[] = [];
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  /** The first and the last vertex of the contour in hand, which are one; -1 where two contours are. */
  private first = -1;
  private last = -1;
  private found = 0;
  private work = 0;
  private shape = 0;
  /** The contours of the two chains in hand. */
  private contourA = 0;
  private contourB = 0;
  /** How near edges come to each other whose curves may cross: in cells. */
  private readonly reach: number;
  readonly nearMisses: NearMisses;

  constructor(private readonly mesh: GridMesh) {
    this.x = mesh.x;
    this.y = mesh.y;
    this.reach = mesh.reach;
    this.nearMisses = new NearMisses(mesh);
    this.atVertex = new Uint8Array(mesh.x.length);
  }

  mark(vertex: number): void {
    this.atVertex[vertex] = 1;
    this.found++;
  }

  /** The last vertex of a contour is its first, and so are the nodes there. */
  closeUp(): void {
    const { first, last } = this.mesh;
    for (let c = 0; c < first.length; c++) if (last[c] > first[c] && this.atVertex[last[c]]) this.atVertex[first[c]] = 1;
  }

  private same(v: number, w: number): boolean {
    return v === w || (v === this.first && w === this.last) || (v === this.last && w === this.first);
  }

  /** Notes where two chains of one shape meet. @returns whether they do */
  ofChains(i: number, j: number): boolean {
    const { from, to, contour } = this.mesh.chains;
    const c = contour[i];
    if (c === contour[j]) {
      this.first = this.mesh.first[c];
      this.last = this.mesh.last[c];
      if (this.runsOn(i, j) || this.runsOn(j, i)) return false;
    } else this.first = this.last = -1;
    const before = this.found;
    this.shape = this.mesh.shape[c];
    this.contourA = c;
    this.contourB = contour[j];
    this.parts(from[i], to[i], from[j], to[j]);
    this.nearMisses.endPair();
    return this.found > before;
  }

  /** Notes where a chain passes through the cell of a point. @returns whether it does */
  ofPoint(i: number, px: number, py: number): boolean {
    const { minX, maxX, from, to } = this.mesh.chains;
    if (minX[i] > px || maxX[i] < px) return false;
    const before = this.found;
    this.through(from[i], to[i], px, py);
    return this.found > before;
  }

  /** Chains of the same vertices meet in all of them, and where one of them meets another, all do. */
  share({ next, one }: Twins, touched: Uint8Array): void {
    const { count, from, to, contour } = this.mesh.chains;
    const { x, y, edge, nodeX, nodeY } = this;
    const chainOf = new Int32Array(x.length).fill(-1);
    for (let i = 0; i < count; i++) {
      if (next[i] < 0 && one[i] === i) continue;
      touched[contour[i]] = 1;
      for (let v = from[i]; v <= to[i]; v++) this.mark(v);
      if (one[i] === i) for (let v = from[i]; v < to[i]; v++) chainOf[v] = i;
    }
    const found = edge.length;
    for (let k = 0; k < found; k++) {
      const i = chainOf[edge[k]];
      if (i < 0) continue;
      const at = edge[k] - from[i];
      for (let j = next[i]; j >= 0; j = next[j]) {
        const alike = x[from[j]] === x[from[i]] && y[from[j]] === y[from[i]];
        edge.push(alike ? from[j] + at : to[j] - 1 - at);
        nodeX.push(nodeX[k]);
        nodeY.push(nodeY[k]);
      }
    }
  }

  /** The comparisons since it was last asked. */
  takeWork(): number {
    const work = this.work;
    this.work = 0;
    return work;
  }

  /**
   * Whether chain j, of the same contour, runs on where chain i ends, and they cannot meet again: they lie on either side of a level, or of
   * a plumb line, that only their common vertex lies on. Of two chains that follow one another that is the rule.
   */
  private runsOn(i: number, j: number): boolean {
    const v = this.mesh.chains.to[i];
    const w = this.mesh.chains.from[j];
    if (!this.same(v, w)) return false;
    const { x, y } = this;
    const ya = y[v - 1] - y[v];
    const yb = y[w + 1] - y[w];
    if ((ya < 0 && yb > 0) || (ya > 0 && yb < 0)) return true;
    const xa = x[v - 1] - x[v];
    const xb = x[w + 1] - x[w];
    return (xa < 0 && xb > 0) || (xa > 0 && xb < 0);
  }

  /** Parts of two chains, by their end vertices. Bisection: boxes that do not meet need no look inside. */
  private parts(a0: number, a1: number, b0: number, b1: number): void {
    this.work++;
    const { x, y, reach } = this;
    if (apart(x[a0], x[a1], x[b0], x[b1], reach) || apart(y[a0], y[a1], y[b0], y[b1], reach)) return;
    const lengthA = a1 - a0;
    const lengthB = b1 - b0;
    if (lengthA === 1 && lengthB === 1) this.edges(a0, b0);
    else if (lengthA >= lengthB) {
      const m = (a0 + a1) >> 1;
      this.parts(a0, m, b0, b1);
      this.parts(m, a1, b0, b1);
    } else {
      const m = (b0 + b1) >> 1;
      this.parts(a0, a1, b0, m);
      this.parts(a0, a1, m, b1);
    }
  }

  /** Two edges, by their first vertices. */
  private edges(a: number, b: number): void {
    const { x, y } = this;
    const ax = x[a];
    const ay = y[a];
    const ux = x[a + 1] - ax;
    const uy = y[a + 1] - ay;
    const bx = x[b];
    const by = y[b];
    const vx = x[b + 1] - bx;
    const vy = y[b + 1] - by;
    // On which side of a the ends of b lie, and how far. Both on one side, farther than a cell: nothing touches.
    const b0 = ux * (by - ay) - uy * (bx - ax);
    const b1 = ux * (y[b + 1] - ay) - uy * (x[b + 1] - ax);
    const reachU = Math.abs(ux) + Math.abs(uy);
    const { reach } = this;
    const farB = reachU * (reach + 1);
    if ((b0 > farB && b1 > farB) || (b0 < -farB && b1 < -farB)) return;
    const a0 = vx * (ay - by) - vy * (ax - bx);
    const a1 = vx * (y[a + 1] - by) - vy * (x[a + 1] - bx);
    const reachV = Math.abs(vx) + Math.abs(vy);
    const farA = reachV * (reach + 1);
    if ((a0 > farA && a1 > farA) || (a0 < -farA && a1 < -farA)) return;
    const crossed = ((b0 > 0 && b1 < 0) || (b0 < 0 && b1 > 0)) && ((a0 > 0 && a1 < 0) || (a0 < 0 && a1 > 0));
    const before = this.found;
    if (crossed) {
      const t = a0 / (a0 - a1);
      this.cross(a, b, Math.round(ax + ux * t), Math.round(ay + uy * t));
    }
    this.touch(a, b, b0);
    this.touch(a, b + 1, b1);
    this.touch(b, a, a0);
    this.touch(b, a + 1, a1);
    if (reach === 0) return;
    // Edges that touch decide for themselves; of those that cross well clear of their ends there is nothing to ask.
    if (
      crossed
        ? Math.min(Math.abs(b0), Math.abs(b1)) < farB || Math.min(Math.abs(a0), Math.abs(a1)) < farA
        : this.found === before && !this.sharesEnd(a, b)
    )
      this.nearMisses.compare(a, this.contourA, b, this.contourB, crossed);
  }

  private sharesEnd(a: number, b: number): boolean {
    return this.same(a, b) || this.same(a + 1, b) || this.same(a, b + 1) || this.same(a + 1, b + 1);
  }

  private cross(a: number, b: number, px: number, py: number): void {
    this.nodeOn(a, px, py);
    this.nodeOn(b, px, py);
    this.crossX.push(px);
    this.crossY.push(py);
    this.crossShape.push(this.shape);
  }

  /** Vertex v against edge e: `side` is the cross product of the edge and the way from its start to v. */
  private touch(e: number, v: number, side: number): void {
    const { x, y } = this;
    for (let end = e; end <= e + 1; end++)
      if (x[v] === x[end] && y[v] === y[end]) {
        if (!this.same(v, end)) {
          this.mark(v);
          this.mark(end);
        }
        return;
      }
    if (!passes(x, y, e, x[v], y[v], side)) return;
    this.nodeOn(e, x[v], y[v]);
    this.mark(v);
  }

  private nodeOn(e: number, px: number, py: number): void {
    const { x, y } = this;
    if (x[e] === px && y[e] === py) this.mark(e);
    else if (x[e + 1] === px && y[e + 1] === py) this.mark(e + 1);
    else {
      this.edge.push(e);
      this.nodeX.push(px);
      this.nodeY.push(py);
      this.found++;
    }
  }

  /** The part of a chain from vertex a to b, and a hot cell. */
  private through(a: number, b: number, px: number, py: number): void {
    const { x, y } = this;
    if (apart(x[a], x[b], px, px) || apart(y[a], y[b], py, py)) return;
    if (b - a > 1) {
      const m = (a + b) >> 1;
      this.through(a, m, px, py);
      this.through(m, b, px, py);
    } else if (passes(x, y, a, px, py, (x[b] - x[a]) * (py - y[a]) - (y[b] - y[a]) * (px - x[a]))) this.nodeOn(a, px, py);
  }
}

/**
 * Whether the intervals between a and b, and between c and d, have more than `by` between them. Without Math.min, which looks for NaN and
 * -0.
 */
function apart(a: number, b: number, c: number, d: number, by = 0): boolean {
  return a < b
    ? c < d
      ? b + by < c || d + by < a
      : b + by < d || c + by < a
    : c < d
      ? a + by < c || d + by < b
      : a + by < d || c + by < b;
}

/** Whether edge e passes through the half-open cell of the grid point (px, py). */
function passes(x: Float64Array, y: Float64Array, e: number, px: number, py: number, side: number): boolean {
  if (apart(x[e], x[e + 1], px, px) || apart(y[e], y[e + 1], py, py)) return false;
  const dx = x[e + 1] - x[e];
  const dy = y[e + 1] - y[e];
  const reach = (Math.abs(dx) + Math.abs(dy)) / 2;
  const distance = Math.abs(side);
  if (distance !== reach) return distance < reach;
  // The edge touches one corner only. The lower left belongs to the cell: the edge falls, and the point lies above it.
  return dx * dy < 0 && (dx > 0 ? side > 0 : side < 0);
}
