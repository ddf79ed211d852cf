/**
 * Runs of edges that are monotone in x and in y: the box of any part of a chain is the box of its two ends, and a chain cannot cross
 * itself. Chain i has the vertices from[i] to to[i] of a contour, all of which are made up of chains.
 */
export interface Chains {
  readonly count: number;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly contour: Int32Array;
  readonly minX: Float64Array;
  readonly minY: Float64Array;
  readonly maxX: Float64Array;
  readonly maxY: Float64Array;
  /** Vertices where a contour turns straight back on itself. */
  readonly spikes: readonly number[];
}

/** Twice the room, and what was in it. */
export function twice<T extends Float64Array | Int32Array>(old: T): T {
  const next = new (old.constructor as new (length: number) => T)(old.length * 2);
  next.set(old);
  return next;
}

// Written anew for each mesh: meshes are made by the thousand.
let roomFrom = new Int32Array(1024);
let roomContour = new Int32Array(1024);

/**
 * @param first,last the first and last vertex of each contour; the last repeats the first
 * @param places where they are given, chains end where segments do
 */
export function chainsOf(x: Float64Array, y: Float64Array, first: Int32Array, last: Int32Array, places?: Float64Array): Chains {
  const spikes: number[] = [];
  let count = 0;
  const start = (vertex: number, contour: number) => {
    if (count === roomFrom.length) {
      roomFrom = twice(roomFrom);
      roomContour = twice(roomContour);
    }
    roomFrom[count] = vertex;
    roomContour[count++] = contour;
  };
  for (let c = 0; c < first.length; c++) {
    if (last[c] <= first[c]) continue;
    start(first[c], c);
    // The way that the chain goes: 0 while it has gone neither.
    let sx = 0;
    let sy = 0;
    for (let i = first[c]; i < last[c]; i++) {
      const dx = x[i + 1] - x[i];
      const dy = y[i + 1] - y[i];
      const ends = places !== undefined && i > first[c] && Math.floor(places[i]) !== Math.floor(places[i - 1]);
      if (ends || (sx > 0 && dx < 0) || (sx < 0 && dx > 0) || (sy > 0 && dy < 0) || (sy < 0 && dy > 0)) {
        if (turnsBack(x, y, i - 1, i, i + 1)) spikes.push(i);
        start(i, c);
        sx = dx;
        sy = dy;
      } else {
        if (sx === 0) sx = dx;
        if (sy === 0) sy = dy;
      }
    }
    if (turnsBack(x, y, last[c] - 1, first[c], first[c] + 1)) spikes.push(first[c]);
  }
  const from = roomFrom.slice(0, count);
  const contour = roomContour.slice(0, count);
  const to = new Int32Array(count);
  const minX = new Float64Array(count);
  const minY = new Float64Array(count);
  const maxX = new Float64Array(count);
  const maxY = new Float64Array(count);
  for (let k = 0; k < count; k++) {
    const a = from[k];
    const b = k + 1 < count && contour[k + 1] === contour[k] ? from[k + 1] : last[contour[k]];
    to[k] = b;
    const rightwards = x[a] < x[b];
    minX[k] = rightwards ? x[a] : x[b];
    maxX[k] = rightwards ? x[b] : x[a];
    const upwards = y[a] < y[b];
    minY[k] = upwards ? y[a] : y[b];
    maxY[k] = upwards ? y[b] : y[a];
  }
  return { count, from, to, contour, minX, minY, maxX, maxY, spikes };
}

function turnsBack(x: Float64Array, y: Float64Array, a: number, b: number, c: number): boolean {
  const ux = x[b] - x[a];
  const uy = y[b] - y[a];
  const vx = x[c] - x[b];
  const vy = y[c] - y[b];
  return ux * vy - uy * vx === 0 && ux * vx + uy * vy < 0;
}
