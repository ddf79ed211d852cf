import { memoByIdentity } from "../memo";
import { CurveError } from "./errors";
import { Path, taken, Verb } from "./path";

/** Coordinates that one segment takes in `Contour.points`: room for the four points of a cubic. */
export const stride = 8;

/** The largest coordinate that operations take, in units: ten thousand ems. */
export const farthest = 1e7;

/**
 * One contour as segments that can each be read on its own. Segment k has degree `degrees[k]` and its 2 (degree + 1)
 * coordinates at `points[8 k]`; it starts, bit for bit, where the one before it ends, and a closed contour ends
 * where it starts. A place on a contour is one number: the index of the segment plus the parameter on it.
 */
export class Contour {
  constructor(
    readonly degrees: Uint8Array,
    readonly points: Float64Array,
    readonly closed: boolean,
  ) {}

  get size(): number {
    return this.degrees.length;
  }
}

/** One segment: its degree, and the numbers that its coordinates start in, at index o. */
export interface Segment {
  readonly p: Float64Array;
  readonly o: number;
  readonly degree: number;
}

export const segmentOf = (c: Contour, k: number): Segment => ({ p: c.points, o: k * stride, degree: c.degrees[k] });

/** Where a contour is collected. */
interface Room {
  readonly degrees: Uint8Array;
  readonly points: Float64Array;
}

const roomFor = (segments: number): Room => ({ degrees: new Uint8Array(segments), points: new Float64Array(segments * stride) });
const nowhere = roomFor(0);
const spare: Room[] = [];
const mostSpare = 8;

/** Collects a contour a segment at a time. */
export class ContourBuilder {
  #room = spare.pop() ?? roomFor(32);
  #size = 0;
  x = 0;
  y = 0;

  get size(): number {
    return this.#size;
  }
  move(x: number, y: number): void {
    this.x = x;
    this.y = y;
  }
  line(x: number, y: number): void {
    const o = this.#next(1);
    const p = this.#room.points;
    p[o + 2] = this.x = x;
    p[o + 3] = this.y = y;
    p[o + 4] = p[o + 5] = p[o + 6] = p[o + 7] = 0;
  }
  quad(ax: number, ay: number, x: number, y: number): void {
    const o = this.#next(2);
    const p = this.#room.points;
    p[o + 2] = ax;
    p[o + 3] = ay;
    p[o + 4] = this.x = x;
    p[o + 5] = this.y = y;
    p[o + 6] = p[o + 7] = 0;
  }
  cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    const o = this.#next(3);
    const p = this.#room.points;
    p[o + 2] = ax;
    p[o + 3] = ay;
    p[o + 4] = bx;
    p[o + 5] = by;
    p[o + 6] = this.x = x;
    p[o + 7] = this.y = y;
  }
  /** Appends a segment given by its coordinates, starting where the contour stands. */
  segment(p: ArrayLike<number>, o: number, degree: number): void {
    if (degree === 1) this.line(p[o + 2], p[o + 3]);
    else if (degree === 2) this.quad(p[o + 2], p[o + 3], p[o + 4], p[o + 5]);
    else this.cubic(p[o + 2], p[o + 3], p[o + 4], p[o + 5], p[o + 6], p[o + 7]);
  }
  /** Moves the end of the last segment. */
  endAt(x: number, y: number): void {
    const { degrees, points } = this.#room;
    const at = (this.#size - 1) * stride + 2 * degrees[this.#size - 1];
    points[at] = this.x = x;
    points[at + 1] = this.y = y;
  }
  /** What was collected. The builder starts anew after that. */
  build(closed: boolean): Contour {
    const { degrees, points } = this.#room;
    const built = new Contour(degrees.slice(0, this.#size), points.slice(0, this.#size * stride), closed);
    // Builders are made by the hundred, and room of this size costs more than what is written into it.
    if (spare.length < mostSpare) spare.push(this.#room);
    this.#room = nowhere;
    this.#size = 0;
    return built;
  }

  /** Starts a segment where the contour stands. @returns where its numbers start */
  #next(degree: number): number {
    if (this.#size === this.#room.degrees.length) {
      const { degrees, points } = this.#room;
      this.#room = roomFor(Math.max(32, 2 * this.#size));
      this.#room.degrees.set(degrees);
      this.#room.points.set(points);
    }
    const { degrees, points } = this.#room;
    const o = this.#size * stride;
    degrees[this.#size++] = degree;
    points[o] = this.x;
    points[o + 1] = this.y;
    return o;
  }
}

const read = memoByIdentity<Path, readonly Contour[]>(2);

/**
 * The contours of a path. Segments without length are left out, and contours without segments.
 * @param filled true closes every contour, as filling does; false leaves open what has no close command
 * @throws CurveError where a coordinate is not a number or farther out than `farthest`
 */
export const contoursOf = (path: Path, filled: boolean): readonly Contour[] =>
  read(path, filled ? "filled" : "drawn", () => split(path, filled));

function split(path: Path, filled: boolean): Contour[] {
  const { verbs, coords } = path;
  for (let i = 0; i < coords.length; i++) {
    // The negated form also catches NaN.
    if (!(Math.abs(coords[i]) <= farthest))
      throw new CurveError(
        Number.isFinite(coords[i])
          ? `A path may reach ${farthest} units from its origin; this one reaches ${coords[i]}.`
          : `A coordinate of this path is not a number (${coords[i]}).`,
      );
  }
  const out: Contour[] = [];
  let x = 0;
  let y = 0;
  for (let verb = 0, at = 0; verb < verbs.length;) {
    // A contour without a move starts where the one before it did.
    if (verbs[verb] === Verb.Move) {
      x = coords[at];
      y = coords[at + 1];
      verb++;
      at += 2;
    }
    let last = verb;
    while (last < verbs.length && verbs[last] !== Verb.Move && verbs[last] !== Verb.Close) last++;
    const closes = last < verbs.length && verbs[last] === Verb.Close;
    const contour = readContour(path, { verb, last, at, x, y }, closes || filled);
    if (contour) out.push(contour);
    for (; verb < last; verb++) at += taken[verbs[verb]];
    if (closes) verb++;
  }
  return out;
}

/** Drawing commands of a path: which, where their numbers start, and the point that they start from. */
interface Drawing {
  readonly verb: number;
  readonly last: number;
  readonly at: number;
  readonly x: number;
  readonly y: number;
}

/** Commands as a contour, written straight into its arrays: letters are read by the hundred. @returns nothing where they have no length */
function readContour({ verbs, coords }: Path, { verb, last, at, x: startX, y: startY }: Drawing, closed: boolean): Contour | undefined {
  const degrees = new Uint8Array(last - verb + 1);
  const points = new Float64Array(stride * (last - verb + 1));
  let n = 0;
  let x = startX;
  let y = startY;
  for (let v = verb, from = at; v < last; v++) {
    const count = taken[verbs[v]];
    const o = n * stride;
    let moves = false;
    for (let i = 0; i < count; i += 2) {
      const px = coords[from + i];
      const py = coords[from + i + 1];
      points[o + 2 + i] = px;
      points[o + 3 + i] = py;
      if (px !== x || py !== y) moves = true;
    }
    from += count;
    if (!moves) continue;
    points[o] = x;
    points[o + 1] = y;
    degrees[n++] = count / 2;
    x = coords[from - 2];
    y = coords[from - 1];
  }
  // What a command without length wrote there goes.
  points.fill(0, n * stride);
  if (closed && (x !== startX || y !== startY)) {
    points.set([x, y, startX, startY], n * stride);
    degrees[n++] = 1;
  }
  return n > 0 ? new Contour(degrees.subarray(0, n), points.subarray(0, n * stride), closed) : undefined;
}

/** Contours as a path: every closed contour ends in a close command, and its last line back to the start is left to it. */
export function pathOf(contours: readonly Contour[]): Path {
  let verbs = 0;
  let numbers = 0;
  for (const c of contours) {
    verbs += c.size + 1 + (c.closed ? 1 : 0);
    numbers += 2;
    for (const d of c.degrees) numbers += 2 * d;
    if (endsInLine(c)) {
      verbs--;
      numbers -= 2;
    }
  }
  if (verbs === 0) return Path.empty;
  const v = new Uint8Array(verbs);
  const n = new Float64Array(numbers);
  let vi = 0;
  let ni = 0;
  for (const c of contours) {
    v[vi++] = Verb.Move;
    n[ni++] = c.points[0];
    n[ni++] = c.points[1];
    const segments = endsInLine(c) ? c.size - 1 : c.size;
    for (let k = 0; k < segments; k++) {
      v[vi++] = c.degrees[k]; // the verbs of lines, quadratics and cubics are their degrees
      const o = k * stride + 2;
      for (let i = 0; i < 2 * c.degrees[k]; i++) n[ni++] = c.points[o + i];
    }
    if (c.closed) v[vi++] = Verb.Close;
  }
  return new Path(v, n);
}

const endsInLine = (c: Contour): boolean => c.closed && c.size > 1 && c.degrees[c.size - 1] === 1;

/** The contour run backwards. */
export function reversed(c: Contour): Contour {
  const n = c.size;
  const degrees = new Uint8Array(n);
  const points = new Float64Array(n * stride);
  for (let k = 0; k < n; k++) {
    const d = c.degrees[n - 1 - k];
    const from = (n - 1 - k) * stride;
    degrees[k] = d;
    for (let i = 0; i <= d; i++) {
      points[k * stride + 2 * i] = c.points[from + 2 * (d - i)];
      points[k * stride + 2 * i + 1] = c.points[from + 2 * (d - i) + 1];
    }
  }
  return new Contour(degrees, points, c.closed);
}

/** The contour with every point moved. */
export function movedBy(c: Contour, dx: number, dy: number): Contour {
  if (dx === 0 && dy === 0) return c;
  const points = new Float64Array(c.points.length);
  for (let k = 0; k < c.size; k++)
    for (let i = 0, o = k * stride; i <= c.degrees[k]; i++, o += 2) {
      points[o] = c.points[o] + dx;
      points[o + 1] = c.points[o + 1] + dy;
    }
  return new Contour(c.degrees, points, c.closed);
}
