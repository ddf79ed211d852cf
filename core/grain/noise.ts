// Taken out of their object once: where that is watched over, as in tests, each look at it costs more than the sum.
const { floor, imul, sqrt } = Math;

// Integers, products, sums and square roots only: every engine gives the same bits.

/** Scrambles two whole numbers and a seed into 32 bits (multiply and shift, as in xxHash's finish; common practice). */
export function hash(x: number, y: number, seed: number): number {
  let h = imul(x, 0x85ebca6b) ^ imul(y, 0xc2b2ae35) ^ imul(seed + 1, 0x27d4eb2f);
  h = imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = imul(h ^ (h >>> 12), 0x297a2d39);
  return (h ^ (h >>> 15)) >>> 0;
}

/** 0 to 1. */
export const chance = (x: number, y: number, seed: number): number => hash(x, y, seed) / 4294967296;

/** Sixteen directions around, as unit vectors rounded to hundredths. */
const directions = Float64Array.of(
  ...[1, 0, 0.92, 0.38, 0.71, 0.71, 0.38, 0.92, 0, 1, -0.38, 0.92, -0.71, 0.71, -0.92, 0.38],
  ...[-1, 0, -0.92, -0.38, -0.71, -0.71, -0.38, -0.92, 0, -1, 0.38, -0.92, 0.71, -0.71, 0.92, -0.38],
);

/** Gradient noise, about -1 to 1, 0 at whole places (Perlin, Improving noise, SIGGRAPH 2002). */
export function noise(x: number, y: number, seed: number): number {
  const [ix, iy] = [floor(x), floor(y)];
  const [fx, fy] = [x - ix, y - iy];
  const u = fx * fx * fx * (fx * (fx * 6 - 15) + 10);
  const v = fy * fy * fy * (fy * (fy * 6 - 15) + 10);
  const a = slope(ix, iy, fx, fy, seed);
  const b = slope(ix + 1, iy, fx - 1, fy, seed);
  const c = slope(ix, iy + 1, fx, fy - 1, seed);
  const d = slope(ix + 1, iy + 1, fx - 1, fy - 1, seed);
  const top = a + u * (b - a);
  return 1.5 * (top + v * (c + u * (d - c) - top));
}

function slope(ix: number, iy: number, x: number, y: number, seed: number): number {
  const k = (hash(ix, iy, seed) & 15) * 2;
  return directions[k] * x + directions[k + 1] * y;
}

/**
 * Noise in octaves, each half as large and half as strong and turned against the one before, so that no lattice shows. Octaves finer than
 * two pixels are left out: they would only flicker.
 * @param pixel the size of a pixel in the units of x and y
 */
export function octaves(x: number, y: number, seed: number, most: number, pixel: number): number {
  let [sum, strength, size] = [0, 0.5, 1];
  for (let i = 0; i < most && 2 * pixel < size; i++) {
    sum += strength * noise(x, y, seed + i * 71);
    [x, y] = [1.6 * x + 1.2 * y + 17.3, 1.6 * y - 1.2 * x + 9.1];
    strength *= 0.5;
    size *= 0.5;
  }
  return sum;
}

/** What of scattered points lies about a place. */
export interface Near {
  /** Distances to the nearest point and to the one after it. */
  first: number;
  second: number;
  /** 32 bits that are the nearest point's own. */
  id: number;
}

/** The own cell first, then those beside it, then those at the corners. */
const cells = Int8Array.of(0, 0, -1, 0, 1, 0, 0, -1, 0, 1, -1, -1, 1, -1, -1, 1, 1, 1);

/** One point a cell of a square lattice, each anywhere in its cell (Worley, A cellular texture basis function, SIGGRAPH 1996). */
export function scattered(x: number, y: number, seed: number, near: Near): void {
  const [ix, iy] = [floor(x), floor(y)];
  const [fx, fy] = [x - ix, y - iy];
  let [first, second, id] = [9, 9, 0];
  for (let k = 0; k < 18; k += 2) {
    const [i, j] = [cells[k], cells[k + 1]];
    // A cell that lies farther than the second nearest so far holds nothing nearer.
    const ex = i < 0 ? fx : i > 0 ? 1 - fx : 0;
    const ey = j < 0 ? fy : j > 0 ? 1 - fy : 0;
    if (ex * ex + ey * ey >= second) continue;
    const h = hash(ix + i, iy + j, seed);
    const [px, py] = [i + (h & 0xffff) / 65536 - fx, j + (h >>> 16) / 65536 - fy];
    const q = px * px + py * py;
    if (q < first) [second, first, id] = [first, q, h];
    else if (q < second) second = q;
  }
  near.first = sqrt(first);
  near.second = sqrt(second);
  near.id = imul(id ^ (id >>> 13), 0x5bd1e995) >>> 0;
}

export const clamp = (v: number): number => (v < 0 ? 0 : v > 1 ? 1 : v);

/** 0 below a, 1 above b, and smooth between them. */
export function ramp(a: number, b: number, v: number): number {
  const t = clamp((v - a) / (b - a));
  return t * t * (3 - 2 * t);
}
