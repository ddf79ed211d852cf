import { Budget } from "../curves/budget";
import { ContourBuilder, type Contour } from "../curves/contour";
import { fitCubics, type Sampler } from "../curves/fit";
import { Course } from "../curves/length";
import { wander } from "./wander";

const { ceil, hypot, max, min, PI, sin } = Math;

export interface Waves {
  /** Units from crest to crest, above 0, and from the middle to a crest. */
  readonly length: number;
  readonly height: number;
  /** How far each wave is moved along against the one before, as a share of a wave. */
  readonly drift: number;
  /** 0 for waves that are all alike; 1 for heights and places that wander. */
  readonly uneven: number;
  readonly seed: number;
}

export interface Stepped {
  readonly line: Contour;
  /** From 0, the first key line, to 1, the last. */
  readonly along: number;
  /** The number of the key line before it, and how far it is from there to the next, from 0 to 1. */
  readonly key: number;
  readonly share: number;
}

/** Places on a key line by which it is followed. */
const places = 64;

/**
 * Lines stepped between key lines: each place of one goes straight to the place equally far along the next, by equal steps. Waves ride on
 * all of them, along their normals.
 * @param keys two at least, open or closed
 * @param between lines between two key lines, at least 0
 */
export function steppedLines(keys: readonly Contour[], between: number, waves: Waves): Stepped[] {
  const followed = keys.map(placesAlong);
  const steps = between + 1;
  const all = (keys.length - 1) * steps;
  const budget = new Budget();
  return Array.from({ length: all + 1 }, (_, i): Stepped => {
    const key = min(keys.length - 2, Math.floor(i / steps));
    const share = (i - key * steps) / steps;
    const [a, b] = [followed[key], followed[key + 1]];
    const closed = keys[key].closed && keys[key + 1].closed;
    return { line: drawn(mixed(a, b, share), closed, i, waves, budget), along: i / all, key, share };
  });
}

/** Equally far apart along a line, the first and the last at its ends. */
function placesAlong(c: Contour): Float64Array {
  const course = new Course(c);
  const out = new Float64Array(2 * (places + 1));
  for (let i = 0; i <= places; i++) {
    const { x, y } = course.at((course.length * i) / places);
    out[2 * i] = x;
    out[2 * i + 1] = y;
  }
  return out;
}

const mixed = (a: Float64Array, b: Float64Array, share: number): Float64Array => a.map((v, i) => v + share * (b[i] - v));

function drawn(p: Float64Array, closed: boolean, index: number, waves: Waves, budget: Budget): Contour {
  let length = 0;
  for (let i = 2; i < p.length; i += 2) length += hypot(p[i] - p[i - 2], p[i + 1] - p[i - 1]);
  // Round a closed line a whole number of waves.
  const cycles = closed ? max(1, Math.round(length / waves.length)) : length / waves.length;
  const own = (t: number, out: Float64Array) => along(p, t, closed, out);
  const base = new Float64Array(4);
  const put = (t: number, out: Float64Array) => {
    own(t, base);
    const speed = hypot(base[2], base[3]) || 1;
    const off = offset(t * cycles, cycles, closed, index, waves);
    out[0] = base[0] - (off * base[3]) / speed;
    out[1] = base[1] + (off * base[2]) / speed;
  };
  const [before, after] = [new Float64Array(2), new Float64Array(2)];
  const at: Sampler = (t, q) => {
    put(t, q);
    const e = 1e-4;
    put(closed ? t - e : max(0, t - e), before);
    put(closed ? t + e : min(1, t + e), after);
    q[2] = after[0] - before[0];
    q[3] = after[1] - before[1];
  };
  const out = new ContourBuilder();
  const first = new Float64Array(4);
  at(0, first);
  out.move(first[0], first[1]);
  const pieces = max(8, waves.height > 0 ? ceil(2 * cycles) : 8);
  for (let k = 0; k < pieces; k++) fitCubics(at, k / pieces, (k + 1) / pieces, max(0.15, waves.height / 80), out, budget);
  if (closed) out.endAt(first[0], first[1]);
  return out.build(closed);
}

/** A smooth curve through the places (Catmull and Rom, 1974), with its slope. */
function along(p: Float64Array, t: number, closed: boolean, out: Float64Array): void {
  const n = p.length / 2 - 1;
  const turned = closed ? t - Math.floor(t) : min(1, max(0, t));
  const i = min(n - 1, Math.floor(turned * n));
  const u = turned * n - i;
  const at = (k: number, axis: number): number => {
    if (closed) return p[2 * (((k % n) + n) % n) + axis];
    if (k < 0) return 2 * p[axis] - p[2 + axis];
    return k > n ? 2 * p[2 * n + axis] - p[2 * n - 2 + axis] : p[2 * k + axis];
  };
  for (const axis of [0, 1]) {
    const [a, b, c, d] = [at(i - 1, axis), at(i, axis), at(i + 1, axis), at(i + 2, axis)];
    out[axis] = b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
    out[2 + axis] = 0.5 * (c - a + u * (2 * (2 * a - 5 * b + 4 * c - d) + 3 * u * (3 * (b - c) + d - a)));
  }
}

/** How far a wave stands off its line, after so many waves of it. */
function offset(x: number, cycles: number, closed: boolean, index: number, { height, drift, uneven, seed }: Waves): number {
  if (height === 0) return 0;
  // What wanders closes with the line.
  const stray = (k: number) => (closed ? wander(x, 2 * index + k, seed, cycles) : wander(0.6 * x, 2 * index + k, seed));
  const own = uneven === 0 ? 1 : 1 + 0.6 * uneven * stray(0);
  const moved = uneven === 0 ? 0 : 0.25 * uneven * stray(1);
  return height * own * sin(2 * PI * (x + index * drift + moved));
}

/** The weight between those of two key lines; further ones are as the last that is said. */
export const weightAt = (weights: readonly number[], key: number, share: number): number => {
  const at = (k: number) => weights[min(k, weights.length - 1)] ?? 0;
  return at(key) + share * (at(key + 1) - at(key));
};
