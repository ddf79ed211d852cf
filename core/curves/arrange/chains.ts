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
  for (let c = 0; c < first.length; c++) {
    const end = last[c];
    if (end <= first[c]) continue;
    let start = first[c];
    // The way that the chain goes: 0 while it has gone neither.
    let sx = 0;
    let sy = 0;
    let px = x[start];
    let py = y[start];
    for (let i = start; ; i++) {
      // Nothing is read beyond the last vertex: that would make every reading slower.
      const nx = i === end ? px : x[i + 1];
      const ny = i === end ? py : y[i + 1];
      const dx = nx - px;
      const dy = ny - py;
      const turns = (sx > 0 && dx < 0) || (sx < 0 && dx > 0) || (sy > 0 && dy < 0) || (sy < 0 && dy > 0);
      if (i === end || turns || (places !== undefined && i > start && Math.floor(places[i]) !== Math.floor(places[i - 1]))) {
        if (count === roomFrom.length) {
          roomFrom = twice(roomFrom);
          roomContour = twice(roomContour);
        }
        roomFrom[count] = start;
        roomContour[count++] = c;
        if (i === end) break;
        if (turns && turnsBack(x, y, i - 1, i, i + 1)) spikes.push(i);
        start = i;
        sx = dx;
        sy = dy;
      } else {
        if (sx === 0) sx = dx;
        if (sy === 0) sy = dy;
      }
      px = nx;
      py = ny;
    }
    if (turnsBack(x, y, end - 1, first[c], first[c] + 1)) spikes.push(first[c]);
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
