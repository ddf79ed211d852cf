import { chords } from "../bezier";
import type { Budget } from "../budget";
import { stride, type Contour } from "../contour";

/** Cells of the grid per unit, for outlines within `farOut` units of their middle. A power of 2, so that whole units stay exact. */
const finest = 8192;

/** Grid coordinates stay below 2^25: the products that decide on which side of an edge a point lies are then exact in doubles. */
const most = 2 ** 25;

/**
 * Closed contours flattened onto an integer grid. Vertex i has the grid coordinates (x[i], y[i]) and lies at place `u[i]` of
 * its contour (segment index + parameter). Contour c has the vertices first[c] to last[c]; the last repeats the first, so that edge i
 * always runs from vertex i to i + 1. Contours that collapse on the grid have no vertices (last <= first).
 *
 * Chains are runs of edges that are monotone in x and in y: the box of any part of a chain is the box of its two ends, and
 * a chain cannot cross itself.
 */
export interface Mesh {
  readonly contours: readonly Contour[];
  /** The shape that each contour belongs to, in ascending order: shapes have nothing to do with one another, wherever they lie. */
  readonly shape: ArrayLike<number>;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly u: Float64Array;
  readonly first: Int32Array;
  readonly last: Int32Array;
  /** Grid cells per unit, and the point, in units, of the grid's origin. */
  readonly scale: number;
  readonly originX: number;
  readonly originY: number;
  readonly chains: Chains;
  /** Vertices where a contour turns straight back on itself. */
  readonly spikes: readonly number[];
}

export interface Chains {
  readonly count: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly contour: Int32Array;
  readonly minX: Float64Array;
  readonly minY: Float64Array;
  readonly maxX: Float64Array;
  readonly maxY: Float64Array;
}

let roomX = new Float64Array(8192);
let roomY = new Float64Array(8192);
let roomU = new Float64Array(8192);

/**
 * @param chordTolerance how far a chord may lie from its curve, in units
 * @param coarser how many times to halve the grid: another grid gives another rounding
 * @throws BudgetError
 */
export function makeMesh(contours: readonly Contour[], shape: ArrayLike<number>, chordTolerance: number, budget: Budget, coarser = 0): Mesh {
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  for (const c of contours)
    for (let k = 0; k < c.size; k++)
      for (let i = 0, o = k * stride; i <= c.degrees[k]; i++, o += 2) {
        const px = c.points[o];
        const py = c.points[o + 1];
        if (px < minX) minX = px;
        if (px > maxX) maxX = px;
        if (py < minY) minY = py;
        if (py > maxY) maxY = py;
      }
  const originX = minX <= maxX ? Math.round((minX + maxX) / 2) : 0;
  const originY = minX <= maxX ? Math.round((minY + maxY) / 2) : 0;
  const half = minX <= maxX ? Math.max(maxX - minX, maxY - minY) / 2 + 2 : 1;
  let scale = finest / 2 ** coarser;
  while (half * scale >= most) scale /= 2;
  const tolerance = Math.max(chordTolerance, 8 / scale);

  let n = 0;
  const first = new Int32Array(contours.length);
  const last = new Int32Array(contours.length);
  for (let index = 0; index < contours.length; index++) {
    const { degrees, points: p, size } = contours[index];
    const start = n;
    for (let k = 0; k < size; k++) {
      const o = k * stride;
      const degree = degrees[k];
      const steps = chords(p, o, degree, tolerance);
      budget.spend(steps);
      while (n + steps + 1 > roomX.length) grow();
      // The curve as a polynomial in grid cells: one set of coefficients serves all its points.
      const x0 = (p[o] - originX) * scale;
      const y0 = (p[o + 1] - originY) * scale;
      let bx = 0;
      let by = 0;
      let cx = 0;
      let cy = 0;
      let dx = 0;
      let dy = 0;
      if (degree === 2) {
        bx = 2 * scale * (p[o + 2] - p[o]);
        by = 2 * scale * (p[o + 3] - p[o + 1]);
        cx = scale * (p[o] - 2 * p[o + 2] + p[o + 4]);
        cy = scale * (p[o + 1] - 2 * p[o + 3] + p[o + 5]);
      } else if (degree === 3) {
        bx = 3 * scale * (p[o + 2] - p[o]);
        by = 3 * scale * (p[o + 3] - p[o + 1]);
        cx = 3 * scale * (p[o] - 2 * p[o + 2] + p[o + 4]);
        cy = 3 * scale * (p[o + 1] - 2 * p[o + 3] + p[o + 5]);
        dx = scale * (p[o + 6] - p[o] + 3 * (p[o + 2] - p[o + 4]));
        dy = scale * (p[o + 7] - p[o + 1] + 3 * (p[o + 3] - p[o + 5]));
      }
      for (let i = 0; i < steps; i++) {
        const t = i / steps;
        const gx = Math.round(((dx * t + cx) * t + bx) * t + x0);
        const gy = Math.round(((dy * t + cy) * t + by) * t + y0);
        // A vertex that falls on the one before it adds nothing, but what follows belongs to the later place.
        if (n > start && roomX[n - 1] === gx && roomY[n - 1] === gy) roomU[n - 1] = k + t;
        else {
          roomX[n] = gx;
          roomY[n] = gy;
          roomU[n++] = k + t;
        }
      }
    }
    while (n - 1 > start && roomX[n - 1] === roomX[start] && roomY[n - 1] === roomY[start]) n--;
    first[index] = start;
    if (n - start < 2) last[index] = n = start;
    else {
      roomX[n] = roomX[start];
      roomY[n] = roomY[start];
      roomU[n] = size;
      last[index] = n++;
    }
  }
  const x = roomX.slice(0, n);
  const y = roomY.slice(0, n);
  const spikes: number[] = [];
  return { contours, shape, x, y, u: roomU.slice(0, n), first, last, scale, originX, originY, chains: chainsOf(x, y, first, last, spikes), spikes };
}

function grow(): void {
  const twice = (old: Float64Array) => {
    const next = new Float64Array(old.length * 2);
    next.set(old);
    return next;
  };
  roomX = twice(roomX);
  roomY = twice(roomY);
  roomU = twice(roomU);
}

function chainsOf(x: Float64Array, y: Float64Array, first: Int32Array, last: Int32Array, spikes: number[]): Chains {
  const from: number[] = [];
  const to: number[] = [];
  const contour: number[] = [];
  for (let c = 0; c < first.length; c++) {
    if (last[c] <= first[c]) continue;
    let start = first[c];
    let sx = 0;
    let sy = 0;
    for (let i = first[c]; i < last[c]; i++) {
      const dx = Math.sign(x[i + 1] - x[i]);
      const dy = Math.sign(y[i + 1] - y[i]);
      if (sx * dx < 0 || sy * dy < 0) {
        from.push(start);
        to.push(i);
        contour.push(c);
        if (turnsBack(x, y, i - 1, i, i + 1)) spikes.push(i);
        start = i;
        sx = dx;
        sy = dy;
      } else {
        sx ||= dx;
        sy ||= dy;
      }
    }
    from.push(start);
    to.push(last[c]);
    contour.push(c);
    if (turnsBack(x, y, last[c] - 1, first[c], first[c] + 1)) spikes.push(first[c]);
  }
  const count = from.length;
  const chains = {
    count,
    from: Int32Array.from(from),
    to: Int32Array.from(to),
    contour: Int32Array.from(contour),
    minX: new Float64Array(count),
    minY: new Float64Array(count),
    maxX: new Float64Array(count),
    maxY: new Float64Array(count),
  };
  for (let k = 0; k < count; k++) {
    const a = from[k];
    const b = to[k];
    chains.minX[k] = Math.min(x[a], x[b]);
    chains.maxX[k] = Math.max(x[a], x[b]);
    chains.minY[k] = Math.min(y[a], y[b]);
    chains.maxY[k] = Math.max(y[a], y[b]);
  }
  return chains;
}

function turnsBack(x: Float64Array, y: Float64Array, a: number, b: number, c: number): boolean {
  const ux = x[b] - x[a];
  const uy = y[b] - y[a];
  const vx = x[c] - x[b];
  const vy = y[c] - y[b];
  return ux * vy - uy * vx === 0 && ux * vx + uy * vy < 0;
}
