import { chords } from "../bezier";
import type { Budget } from "../budget";
import { stride, type Contour, type Segment } from "../contour";
import { chainsOf, twice, type Chains } from "./chains";
import { twinsOf, type Twins } from "./twins";

/** Cells of the grid per unit, for outlines within `farOut` units of their middle. A power of 2, so that whole units stay exact. */
const finest = 8192;

/** Letters are some 600 units large; shapes smaller than this are flattened more finely, in proportion. In units. */
const smallest = 300;

/** Grid coordinates stay below 2^25: the products that decide on which side of an edge a point lies are then exact in doubles. */
const most = 2 ** 25;

/**
 * Closed contours flattened onto an integer grid. Vertex i has the grid coordinates (x[i], y[i]) and lies at place `u[i]` of
 * its contour (segment index + parameter). Contour c has the vertices first[c] to last[c]; the last repeats the first, so that edge i
 * always runs from vertex i to i + 1. Contours that collapse on the grid have no vertices (last <= first).
 */
export interface GridMesh {
  readonly contours: readonly Contour[];
  /** The shape that each contour belongs to, in ascending order: shapes have nothing to do with one another, wherever they lie. */
  readonly shape: Int32Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly u: Float64Array;
  readonly first: Int32Array;
  readonly last: Int32Array;
  readonly grid: Grid;
  /** How near edges may come to each other, in cells, before their curves are looked at; 0 where that does not matter. */
  readonly reach: number;
  readonly chains: Chains;
  /** Where many contours are expected to share their borders. */
  readonly twins?: Twins;
}

/** How contours are flattened. */
export interface Flattening {
  /** How far a chord may lie from its curve, in units, for shapes of the size of letters and up. */
  readonly chord: number;
  /** How many times to halve the grid: another grid gives another rounding. */
  readonly coarser: number;
  /** Whether many contours are expected to share their borders. */
  readonly sharing: boolean;
  /** Whether it matters how curves lie to one another that are nearer than their chords are fine. */
  readonly closely: boolean;
}

/** An integer grid: cells per unit, and the point, in units, of its origin. */
export interface Grid {
  /** The longer side of all that lies on it, in units. */
  readonly size: number;
  readonly scale: number;
  readonly originX: number;
  readonly originY: number;
}

/** @throws BudgetError */
export function makeMesh(
  contours: readonly Contour[],
  shape: Int32Array,
  { chord, coarser, sharing, closely }: Flattening,
  budget: Budget,
): GridMesh {
  const grid = gridFor(contours, coarser);
  // What is smaller than a letter has smaller parts: its chords are finer, too.
  const tolerance = Math.max(chord * Math.min(1, grid.size / smallest), 8 / grid.scale);
  const first = new Int32Array(contours.length);
  const last = new Int32Array(contours.length);
  const room = new VertexRoom(grid);
  for (let c = 0; c < contours.length; c++) {
    first[c] = room.count;
    last[c] = room.add(contours[c], tolerance, budget);
  }
  const x = room.x.slice(0, room.count);
  const y = room.y.slice(0, room.count);
  const u = room.u.slice(0, room.count);
  const reach = closely ? Math.ceil(2 * tolerance * grid.scale) : 0;
  const chains = chainsOf(x, y, first, last, sharing ? u : undefined);
  return { contours, shape, x, y, u, first, last, grid, reach, chains, twins: sharing ? twinsOf(chains, x, y) : undefined };
}

/** The grid with its origin in the middle of all control points, as fine as they allow. */
function gridFor(contours: readonly Contour[], coarser: number): Grid {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const { points, degrees, size } of contours)
    for (let k = 0; k < size; k++)
      for (let i = degrees[k], o = k * stride; i >= 0; i--, o += 2) {
        const px = points[o];
        const py = points[o + 1];
        if (px < minX) minX = px;
        if (px > maxX) maxX = px;
        if (py < minY) minY = py;
        if (py > maxY) maxY = py;
      }
  if (!(minX <= maxX)) return { size: 0, scale: finest, originX: 0, originY: 0 };
  const size = Math.max(maxX - minX, maxY - minY);
  const half = size / 2 + 2;
  let scale = finest / 2 ** coarser;
  while (half * scale >= most) scale /= 2;
  return { size, scale, originX: Math.round((minX + maxX) / 2), originY: Math.round((minY + maxY) / 2) };
}

// Written anew for each mesh: meshes are made by the thousand.
let roomX = new Float64Array(8192);
let roomY = new Float64Array(8192);
let roomU = new Float64Array(8192);

/** Where vertices are collected, one after another. */
class VertexRoom {
  x = roomX;
  y = roomY;
  u = roomU;
  count = 0;
  private start = 0;

  constructor(private readonly grid: Grid) {}

  /**
   * Adds the vertices of a contour, its first once more at the end.
   * @returns the number of the last; that of the next, where the contour collapses
   */
  add({ degrees, points: p, size }: Contour, tolerance: number, budget: Budget): number {
    const { scale, originX, originY } = this.grid;
    this.start = this.count;
    for (let k = 0; k < size; k++) {
      const o = k * stride;
      const steps = chords(p, o, degrees[k], tolerance);
      budget.spend(steps);
      while (this.count + steps + 2 > this.x.length) this.grow();
      this.put(Math.round((p[o] - originX) * scale), Math.round((p[o + 1] - originY) * scale), k);
      if (steps > 1) this.putCurve({ p, o, degree: degrees[k] }, steps, k);
    }
    const { x, y, start } = this;
    while (this.count - 1 > start && x[this.count - 1] === x[start] && y[this.count - 1] === y[start]) this.count--;
    if (this.count - start < 2) return (this.count = start);
    x[this.count] = x[start];
    y[this.count] = y[start];
    this.u[this.count] = size;
    return this.count++;
  }

  /** A vertex that falls on the one before it adds nothing, but what follows belongs to the later place. */
  private put(gx: number, gy: number, place: number): void {
    const before = this.count - 1;
    const at = before >= this.start && this.x[before] === gx && this.y[before] === gy ? before : before + 1;
    this.x[at] = gx;
    this.y[at] = gy;
    this.u[at] = place;
    this.count = at + 1;
  }

  /**
   * The vertices between the ends of a curve. It is flattened from the same of its two ends whichever way it runs: where two shapes share
   * it, they share its vertices.
   */
  private putCurve({ p, o, degree }: Segment, steps: number, place: number): void {
    const { scale, originX, originY } = this.grid;
    const end = o + 2 * degree;
    const backwards = p[end] < p[o] || (p[end] === p[o] && p[end + 1] < p[o + 1]);
    const a = backwards ? end : o;
    const step = backwards ? -2 : 2;
    const b = a + step;
    const c = b + step;
    // The curve as a polynomial in grid cells: one set of coefficients serves all its points.
    const x0 = (p[a] - originX) * scale + 0.5;
    const y0 = (p[a + 1] - originY) * scale + 0.5;
    const bx = degree * scale * (p[b] - p[a]);
    const by = degree * scale * (p[b + 1] - p[a + 1]);
    let cx = scale * (p[a] - 2 * p[b] + p[c]);
    let cy = scale * (p[a + 1] - 2 * p[b + 1] + p[c + 1]);
    let dx = 0;
    let dy = 0;
    if (degree === 3) {
      const d = c + step;
      cx *= 3;
      cy *= 3;
      dx = scale * (p[d] - p[a] + 3 * (p[b] - p[c]));
      dy = scale * (p[d + 1] - p[a + 1] + 3 * (p[b + 1] - p[c + 1]));
    }
    const { x, y, u } = this;
    const share = 1 / steps;
    let n = this.count;
    let px = x[n - 1];
    let py = y[n - 1];
    for (let i = 1; i < steps; i++) {
      const t = (backwards ? steps - i : i) * share;
      const gx = Math.floor(((dx * t + cx) * t + bx) * t + x0);
      const gy = Math.floor(((dy * t + cy) * t + by) * t + y0);
      if (gx === px && gy === py) n--;
      x[n] = px = gx;
      y[n] = py = gy;
      u[n++] = place + i * share;
    }
    this.count = n;
  }

  private grow(): void {
    this.x = roomX = twice(roomX);
    this.y = roomY = twice(roomY);
    this.u = roomU = twice(roomU);
  }
}
