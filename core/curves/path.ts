import { empty, type Bounds } from "./bounds";
import type { Matrix } from "./matrix";

/** What a run of coordinates means. Each verb takes `taken[verb]` numbers from `coords`. */
export const enum Verb {
  Move = 0,
  Line = 1,
  Quad = 2,
  Cubic = 3,
  Close = 4,
}

export const taken = [2, 2, 4, 6, 0] as const;

/**
 * An immutable outline of lines, quadratic and cubic Bezier curves in one or more contours, filled nonzero.
 * Lettering space: 1000 units to the em, y down. Results are remembered by the identity of a path, so never
 * write into `verbs` or `coords`.
 */
export class Path {
  #bounds: Bounds | undefined;

  constructor(
    readonly verbs: Uint8Array,
    readonly coords: Float64Array,
    /** Where they are known, or near enough. */
    bounds?: Bounds,
  ) {
    this.#bounds = bounds;
  }

  static readonly empty = new Path(new Uint8Array(0), new Float64Array(0));

  get isEmpty(): boolean {
    return this.verbs.length === 0;
  }

  /** Whether it is seen only in passing, so that tenths of a unit are enough when it is written. */
  get inPassing(): boolean {
    return false;
  }

  /** On-curve points, as a lettering designer counts them: a contour that comes back to its start counts that once. */
  get nodes(): number {
    const { verbs, coords } = this;
    let n = 0;
    let at = 0;
    let start = 0;
    let inContour = 0;
    const finish = () => {
      if (inContour > 1 && coords[at - 2] === coords[start] && coords[at - 1] === coords[start + 1]) n--;
    };
    for (const v of verbs) {
      if (v === Verb.Close) continue;
      if (v === Verb.Move) {
        finish();
        start = at;
        inContour = 0;
      }
      n++;
      inContour++;
      at += taken[v];
    }
    finish();
    return n;
  }

  /** The tight box: curves count by their extremes, not by their handles. */
  get bounds(): Bounds {
    return (this.#bounds ??= tightBounds(this));
  }

  transform([a, b, c, d, e, f]: Matrix): Path {
    const from = this.coords;
    const to = new Float64Array(from.length);
    for (let i = 0; i < from.length; i += 2) {
      to[i] = a * from[i] + c * from[i + 1] + e;
      to[i + 1] = b * from[i] + d * from[i + 1] + f;
    }
    return new Path(this.verbs, to);
  }
}

/** Collects a path a command at a time. */
export class PathBuilder {
  readonly #verbs: number[] = [];
  readonly #coords: number[] = [];

  move(x: number, y: number): this {
    this.#verbs.push(Verb.Move);
    this.#coords.push(x, y);
    return this;
  }
  line(x: number, y: number): this {
    this.#verbs.push(Verb.Line);
    this.#coords.push(x, y);
    return this;
  }
  quad(cx: number, cy: number, x: number, y: number): this {
    this.#verbs.push(Verb.Quad);
    this.#coords.push(cx, cy, x, y);
    return this;
  }
  cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): this {
    this.#verbs.push(Verb.Cubic);
    this.#coords.push(ax, ay, bx, by, x, y);
    return this;
  }
  close(): this {
    this.#verbs.push(Verb.Close);
    return this;
  }
  /** Appends all of `path`, shifted. */
  add(path: Path, dx = 0, dy = 0): this {
    for (const v of path.verbs) this.#verbs.push(v);
    for (let i = 0; i < path.coords.length; i += 2) this.#coords.push(path.coords[i] + dx, path.coords[i + 1] + dy);
    return this;
  }
  build(): Path {
    if (this.#verbs.length === 0) return Path.empty;
    return new Path(Uint8Array.from(this.#verbs), Float64Array.from(this.#coords));
  }
}

/** A closed contour as x, y, x, y, ... without a repeated last point. */
export type Polygon = Float64Array;

/** Where the derivative of a Bezier curve of one coordinate vanishes inside (0, 1). */
function extremes(p: readonly number[]): number[] {
  if (p.length === 3) {
    const t = (p[0] - p[1]) / (p[0] - 2 * p[1] + p[2]);
    return t > 0 && t < 1 ? [t] : [];
  }
  const a = -p[0] + 3 * p[1] - 3 * p[2] + p[3];
  const b = 2 * (p[0] - 2 * p[1] + p[2]);
  const c = p[1] - p[0];
  const inside = (t: number) => t > 0 && t < 1;
  const root = Math.sqrt(b * b - 4 * a * c);
  if (Number.isNaN(root)) return [];
  // The form that loses no digits where a is small against b (Numerical Recipes, section 5.6).
  const q = -(b + (b < 0 ? -root : root)) / 2;
  return [q / a, c / q].filter(inside);
}

function bezier(p: readonly number[], t: number): number {
  const u = 1 - t;
  return p.length === 3
    ? u * u * p[0] + 2 * u * t * p[1] + t * t * p[2]
    : u * u * u * p[0] + 3 * u * u * t * p[1] + 3 * u * t * t * p[2] + t * t * t * p[3];
}

function tightBounds(path: Path): Bounds {
  if (path.isEmpty) return empty;
  let minX = Infinity;
  let minY = Infinity;
  let maxX = -Infinity;
  let maxY = -Infinity;
  const include = (x: number, y: number) => {
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  };
  let x = 0;
  let y = 0;
  let at = 0;
  const { coords } = path;
  for (const verb of path.verbs) {
    const n = taken[verb];
    if (n === 0) continue;
    const endX = coords[at + n - 2];
    const endY = coords[at + n - 1];
    include(endX, endY);
    // A curve lies within its handles: where they bring nothing new, it does not either.
    let isWithin = true;
    for (let k = at; k < at + n - 2; k += 2)
      if (coords[k] < minX || coords[k] > maxX || coords[k + 1] < minY || coords[k + 1] > maxY) isWithin = false;
    if (!isWithin) {
      const xs = [x];
      const ys = [y];
      for (let k = 0; k < n; k += 2) {
        xs.push(coords[at + k]);
        ys.push(coords[at + k + 1]);
      }
      for (const t of extremes(xs)) include(bezier(xs, t), endY);
      for (const t of extremes(ys)) include(endX, bezier(ys, t));
    }
    x = endX;
    y = endY;
    at += n;
  }
  return { minX, minY, maxX, maxY };
}
