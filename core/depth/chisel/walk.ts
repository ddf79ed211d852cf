import { cut, directionAt, valueAt } from "../../curves/bezier";
import { ContourBuilder, stride, type Contour } from "../../curves/contour";
import type { Point } from "../../curves/matrix";
import { longest } from "./top";
import { Walls } from "./walls";

const { abs, acos, atan2, ceil, cos, floor, hypot, max, min, PI, sin } = Math;

/** Below this a joint of two segments is no corner: as the cosine of 12 degrees. */
const smooth = cos((12 * PI) / 180);
/** How finely an outline is walked, in units. */
export interface Fineness {
  /** Between places at first. */
  readonly spacing: number;
  /** How far a ridge may lie from a straight line between two. */
  readonly tolerance: number;
  /** Places nearer than this have none between them. */
  readonly nearest: number;
  /** How far chords lie from the curves that stand in the way, and how many one has at least. */
  readonly chord: number;
  readonly fewest: number;
  /** Whether segments that turn a little together are one slope. */
  readonly joined: boolean;
}
export const fine: Fineness = { spacing: 22, tolerance: 0.12, nearest: 0.25, chord: 0.02, fewest: 6, joined: false };
/** For a picture while something is dragged. */
export const rough: Fineness = { spacing: 90, tolerance: 1.5, nearest: 4, chord: 0.4, fewest: 2, joined: true };

/** A place of an outline. */
export interface Place {
  readonly x: number;
  readonly y: number;
  /** Inwards. */
  readonly nx: number;
  readonly ny: number;
}
/** And how far a slope goes in from there. */
export type Sample = Place & {
  readonly reach: number;
  /** How many widths of a slope the edge of a flat top is away: more than one where it has a corner. */
  readonly mitre: number;
};

/** Where a slope ends that begins at a place. */
export const ridge = (s: Pick<Sample, "x" | "y" | "nx" | "ny" | "reach">): Point => ({ x: s.x + s.nx * s.reach, y: s.y + s.ny * s.reach });

/** A stretch of the outline as it is walked inwards: what the corner before it owns, the stretch, what the corner after it owns. */
export interface Walk {
  readonly opening: readonly Sample[];
  readonly along: readonly Sample[];
  readonly closing: readonly Sample[];
  /** Places at even shares of it. */
  readonly middle: readonly Place[];
  readonly stretch: Contour;
  readonly smooth: boolean;
}

/**
 * An outline walked all around, each stretch for itself.
 * @param contours that do not cross, outers positive, counters negative
 * @param inset how wide slopes are, in units; Infinity lets them run to the ridge
 * @param widest by how many degrees the slopes of curves turn at most
 */
export function walksOf(contours: readonly Contour[], inset: number, widest: number, how: Fineness): Walk[] {
  const walls = new Walls(contours, how.chord, how.fewest);
  const size = boxSize(contours);
  return contours.flatMap((c) => new Rim(c, walls, inset, size, how).walks((widest * PI) / 180));
}

function boxSize(contours: readonly Contour[]): number {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points, size } of contours)
    for (let k = 0; k < size; k++) {
      minX = min(minX, points[k * stride]);
      maxX = max(maxX, points[k * stride]);
      minY = min(minY, points[k * stride + 1]);
      maxY = max(maxY, points[k * stride + 1]);
    }
  return hypot(maxX - minX, maxY - minY);
}

/** What lies where two segments meet: smooth, a corner that points out, or one that points in. */
type Joint = "smooth" | "out" | "in";

/** What of a segment a walk goes along. */
interface Span {
  readonly k: number;
  readonly from: number;
  readonly to: number;
}

class Rim {
  readonly #joints: Joint[];

  constructor(
    private readonly contour: Contour,
    private readonly walls: Walls,
    private readonly inset: number,
    private readonly size: number,
    private readonly how: Fineness,
  ) {
    this.#joints = Array.from({ length: contour.size }, (_, k) => this.#jointBefore(k));
  }

  walks(widest: number): Walk[] {
    const { degrees, size } = this.contour;
    const walks: Walk[] = [];
    const turns = Array.from({ length: size }, (_, k) => (degrees[k] === 1 ? 0 : this.#turn(k)));
    for (let k = 0; k < size; k++) {
      const pieces = max(1, ceil(turns[k] / widest - 1e-6));
      const start = k;
      if (pieces === 1 && this.how.joined)
        for (let turn = turns[k]; k + 1 < size && this.#joints[k + 1] === "smooth" && (turn += turns[k + 1]) <= widest;) k++;
      for (let i = 0; i < pieces; i++) {
        const before = i === 0 ? this.#joints[start] : "smooth";
        const after = i === pieces - 1 ? this.#joints[(k + 1) % size] : "smooth";
        const spans = Array.from({ length: k - start + 1 }, (_, n): Span => ({ k: start + n, from: i / pieces, to: (i + 1) / pieces }));
        walks.push(this.#walk(spans, before, after));
      }
    }
    return walks;
  }

  #direction(k: number, t: number): Point {
    const { points, degrees } = this.contour;
    directionAt(points, k * stride, degrees[k], t, direction);
    return { x: direction[0], y: direction[1] };
  }

  #jointBefore(k: number): Joint {
    const [a, b] = [this.#direction((k + this.contour.size - 1) % this.contour.size, 1), this.#direction(k, 0)];
    if (a.x * b.x + a.y * b.y > smooth) return "smooth";
    // The inside lies to the left of travel (y down: where y grows to the right of x).
    return a.x * b.y - a.y * b.x > 0 ? "out" : "in";
  }

  /** By how much a segment turns, in radians. */
  #turn(k: number): number {
    let turn = 0;
    let last = this.#direction(k, 0);
    for (let i = 1; i <= 8; i++) {
      const next = this.#direction(k, i / 8);
      turn += abs(atan2(last.x * next.y - last.y * next.x, last.x * next.x + last.y * next.y));
      last = next;
    }
    return turn;
  }

  #place(k: number, t: number): Place {
    const { points, degrees, size } = this.contour;
    const [o, degree] = [k * stride, degrees[k]];
    let d = this.#direction(k, t);
    // Where segments that turn a little meet as one surface, both have the line between their normals.
    if (t === 0 && this.#joints[k] === "smooth") d = between(d, this.#direction((k + size - 1) % size, 1));
    else if (t === 1 && this.#joints[(k + 1) % size] === "smooth") d = between(d, this.#direction((k + 1) % size, 0));
    return { x: valueAt(points, o, degree, t), y: valueAt(points, o + 1, degree, t), nx: -d.y, ny: d.x };
  }

  #sample({ x, y, nx, ny }: Place, mitre = 1): Sample {
    const reach = this.walls.reach(x, y, nx, ny, min(this.inset * mitre, this.size));
    return { x, y, nx, ny, reach, mitre };
  }

  /** Samples between two, close enough for the ridge to be straight between them. */
  #between(at: (u: number) => Sample, from: number, to: number, a: Sample, b: Sample, out: Sample[], depth = 0): void {
    const middle = (from + to) / 2;
    const m = at(middle);
    const [p, q, r] = [ridge(a), ridge(b), ridge(m)];
    const length = hypot(q.x - p.x, q.y - p.y);
    const off = length > 1e-9 ? abs((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)) / length : hypot(r.x - p.x, r.y - p.y);
    const { spacing, tolerance, nearest } = this.how;
    const apart = hypot(a.x - b.x, a.y - b.y) + length;
    if (depth < 14 && apart > nearest && (off > tolerance || (depth === 0 && apart > 3 * spacing))) {
      this.#between(at, from, middle, a, m, out, depth + 1);
      out.push(m);
      this.#between(at, middle, to, m, b, out, depth + 1);
    }
  }

  /** Half of what a corner that points in owns, from the line that halves it to the normal of a slope, in this order. */
  #fan(corner: Point, normal: Point, other: Point): Sample[] {
    const whole = acos(min(1, max(-1, normal.x * other.x + normal.y * other.y)));
    const half = whole / 2;
    const side = Math.sign(normal.x * other.y - normal.y * other.x) || 1;
    const at = (u: number): Sample => {
      const a = side * half * (1 - u);
      const n = { x: normal.x * cos(a) - normal.y * sin(a), y: normal.x * sin(a) + normal.y * cos(a) };
      // A flat top has its corner where its edges meet.
      const mitre = cos(half) * longest < 1 ? 1 : 1 / cos(half * (1 - u));
      return this.#sample({ x: corner.x, y: corner.y, nx: n.x, ny: n.y }, mitre);
    };
    const samples: Sample[] = [];
    const steps = max(1, ceil(half / 0.3));
    let last = at(0);
    samples.push(last);
    for (let i = 1; i <= steps; i++) {
      const next = at(i / steps);
      this.#between(at, (i - 1) / steps, i / steps, last, next, samples);
      samples.push(next);
      last = next;
    }
    return samples;
  }

  #walk(spans: readonly Span[], before: Joint, after: Joint): Walk {
    const { points, degrees, size } = this.contour;
    const end = spans.length;
    const placeAt = (u: number): Place => {
      const { k, from, to } = spans[min(end - 1, floor(u))];
      return this.#place(k, from + (to - from) * (u - min(end - 1, floor(u))));
    };
    const at = (u: number): Sample => {
      const place = placeAt(u);
      // A ball that touches both sides of a corner that points out has no size.
      if ((u === 0 && before === "out") || (u === end && after === "out")) return { ...place, reach: 0, mitre: 1 };
      return this.#sample(place);
    };
    const along: Sample[] = [at(0)];
    for (let span = 0; span < end; span++) {
      const [first, last] = [along[along.length - 1], at(span + 1)];
      const length = hypot(first.x - last.x, first.y - last.y);
      const steps = max(end > 1 ? 1 : 2, ceil(length / this.how.spacing));
      for (let i = 1; i <= steps; i++) {
        const next = i === steps ? last : at(span + i / steps);
        this.#between(at, span + (i - 1) / steps, span + i / steps, along[along.length - 1], next, along);
        along.push(next);
      }
    }
    const [first, last] = [along[0], along[along.length - 1]];
    const opening: Sample[] = [];
    const closing: Sample[] = [];
    if (before === "in") {
      const d = this.#direction((spans[0].k + size - 1) % size, 1);
      opening.push(...this.#fan(first, { x: first.nx, y: first.ny }, { x: -d.y, y: d.x }).slice(0, -1));
    }
    if (after === "in") {
      const d = this.#direction((spans[end - 1].k + 1) % size, 0);
      const fan = this.#fan(last, { x: last.nx, y: last.ny }, { x: -d.y, y: d.x });
      closing.push(...fan.slice(0, -1).reverse());
    }
    const stretch = new ContourBuilder();
    stretch.move(first.x, first.y);
    for (const { k, from, to } of spans) {
      const own = new Float64Array(8);
      cut(points, k * stride, degrees[k], from, to, own, 0);
      stretch.segment(own, 0, degrees[k]);
    }
    const middle = [0, 0.25, 0.5, 0.75, 1].map((u) => placeAt(u * end));
    return { opening, along, closing, middle, stretch: stretch.build(false), smooth: before === "smooth" };
  }
}

const direction = new Float64Array(2);

/** The direction in the middle of two that differ by little. */
function between(a: Point, b: Point): Point {
  const [x, y] = [a.x + b.x, a.y + b.y];
  const length = hypot(x, y);
  return { x: x / length, y: y / length };
}
