import { norm } from "../../curves/bezier";
import { linesInDot } from "./dot-lines";
import { isStillEnd, nearestEnd, sideAt, type StrokeEnd } from "./ends";
import { shares, type Line, type LinePoint, type Weave } from "./line";
import type { Sample } from "./samples";
import { Pieces } from "./pieces";
import { cross, mitreOf, sideSeen, turnOver, wayOut } from "./sides";
import { around, distance, ends as endsOf, type Strips, type Triangle } from "./strips";
import { straightenedAll, straightenedEach } from "./straighten";
import type { Strokes } from "./strokes";
import { untangled } from "./untangle";

const { abs, floor, max, min } = Math;

/** What leaves a straight stroke and is thinner than this share of it is no branch for the lines. */
const necked = 0.6;

/** A stroke thinner than this share of what its line mostly runs in is not followed. */
const thinShare = 0.35;

/** Lines along the strokes of a letter, and in its dots. */
export function weave({ strips, ends, dots }: Strokes, options: Weave): Line[] {
  const loom = new Loom(strips, options, ends);
  strips.triangles.forEach((t, i) => t.alive && loom.across(t, i));
  const lines = [...loom.pieces.lines(), ...dots.flatMap((dot) => linesInDot(dot, options))];
  const { lines: straight, apart } = options.rough ? { lines: straightenedEach(lines), apart: true } : straightenedAll(lines);
  const whole = straight.flatMap((l) => thickEnough(l, options.thinnest)).filter((l) => l.points.length > 1);
  return apart ? whole : untangled(whole);
}

class Loom {
  readonly #shares: readonly number[];
  readonly #half: number;
  readonly pieces: Pieces;
  readonly #flipped: ReadonlySet<number>;

  constructor(
    private readonly strips: Strips,
    private readonly options: Weave,
    private readonly ends: ReadonlyMap<number, StrokeEnd>,
  ) {
    this.#shares = shares(options.count, options.margin);
    this.#half = floor(options.count / 2);
    this.pieces = new Pieces(options.count, strips.samples.length);
    const all = [...ends.values()].filter((e) => isStillEnd(strips, e));
    this.#flipped = new Set(
      (options.flipped ?? []).flatMap((p) => {
        const end = nearestEnd(strips, all, p);
        return end ? [end.out * strips.samples.length + end.back] : [];
      }),
    );
  }

  /** The pieces of all lines in one triangle. */
  across(t: Triangle, index: number): void {
    const { triangles } = this.strips;
    const live = [0, 1, 2].filter((i) => t.beside[i] >= 0 && triangles[t.beside[i]].alive);
    if (live.length === 2 && t.stub) this.#stub(t.stub);
    else if (live.length === 2) this.#sleeve(t, live as [number, number]);
    else if (live.length === 3) this.#junction(t, index);
    else if (live.length === 1) {
      const end = this.ends.get(index) ?? this.#ownEnd(t, live[0]);
      if (this.options.closed !== this.#isFlipped(end)) this.#close(end);
      else this.#open(end.out, end.back, end.cap);
    }
  }

  #isFlipped({ out, back }: StrokeEnd): boolean {
    return this.#flipped.has(out * this.strips.samples.length + back);
  }

  /** On the way from one corner to another. */
  #between(i: number, j: number, share: number, width: number): LinePoint {
    const [p, q] = [this.strips.samples[i], this.strips.samples[j]];
    return { x: p.x + share * (q.x - p.x), y: p.y + share * (q.y - p.y), width, corner: false };
  }

  #eachRank(draw: (share: number, rank: number) => void): void {
    this.#shares.forEach(draw);
  }

  /** Lines stop at a chord. */
  #stop(i: number, j: number): void {
    const width = distance(this.strips.samples, i, j);
    this.#eachRank((share, rank) => {
      const p = this.#between(i, j, share, width);
      this.pieces.add(this.pieces.on(i, j, i, rank), this.pieces.stop(), [p, p], rank);
    });
  }

  /** The stroke runs straight on into its short end; the other one stops at the join. */
  #stub({ side, notch, across }: NonNullable<Triangle["stub"]>): void {
    const { samples } = this.strips;
    const run = [...around(this.strips, side, notch, across), across];
    const forward = samples[side].next === run[1];
    const [out, back] = forward ? [side, across] : [across, side];
    this.#open(out, back, forward ? run : run.reverse(), side);
    this.#stop(notch, across);
  }

  /** Between two chords that share a corner: lines keep their shares of the way from there to the other side. */
  #sleeve(t: Triangle, [first, second]: [number, number]): void {
    const { samples } = this.strips;
    const shared = t.corners[3 - first - second];
    const [a, b] = [t.corners[second], t.corners[first]];
    const [wide, next] = [distance(samples, shared, a), distance(samples, shared, b)];
    const run = around(this.strips, a, b, shared);
    // A hairline that leaves at a corner is no way for the lines of a stem: they run straight on to the edge, and its own stop.
    if (run.length > 3 && min(wide, next) < 0.42 * max(wide, next) && turnOver(this.strips, run) > 0.6) {
      const [thick, thin] = wide > next ? [a, b] : [b, a];
      const cap = [...(wide > next ? run : [...run].reverse()), shared];
      const forward = samples[thick].next === cap[1];
      const [out, back] = forward ? [thick, shared] : [shared, thick];
      this.#open(out, back, forward ? cap : cap.reverse(), thick);
      this.#stop(shared, thin);
      return;
    }
    const v = samples[shared];
    const side = run.length > 2 ? sideSeen(this.strips, shared, run) : undefined;
    this.#eachRank((share, rank) => {
      const [from, to] = [this.pieces.on(shared, a, shared, rank), this.pieces.on(shared, b, shared, rank)];
      if (!side) {
        const start = this.pieces.at(from, () => this.#between(shared, a, share, wide));
        const end = this.pieces.at(to, () => this.#between(shared, b, share, next));
        this.pieces.add(from, to, [start, end], rank);
        return;
      }
      const points = side.map((p, k): LinePoint => ({
        x: v.x + share * (p.x - v.x),
        y: v.y + share * (p.y - v.y),
        width: wide + ((next - wide) * k) / (side.length - 1),
        corner: p.corner,
      }));
      this.pieces.add(from, to, points, rank);
    });
  }

  /** Lines nest round each corner of a junction; the middle ones of the two straightest strokes are joined, the third's stops there. */
  #junction(t: Triangle, index: number): void {
    const { samples } = this.strips;
    const [A, B, C] = t.corners;
    const widths = [distance(samples, B, C), distance(samples, C, A), distance(samples, A, B)];
    const ways = [0, 1, 2].map((i) => wayOut(this.strips, index, i));
    const straight = (i: number, j: number) => -(ways[i][0] * ways[j][0] + ways[i][1] * ways[j][1]);
    const neck = [0, 1, 2].find((i) => {
      const [j, k] = [(i + 1) % 3, (i + 2) % 3];
      return widths[i] < necked * min(widths[j], widths[k]) && straight(j, k) > 0.85;
    });
    if (neck !== undefined) return this.#pastNeck(t, neck);
    for (let i = 0; i < 3; i++) {
      const [own, left, right] = [t.corners[i], t.corners[(i + 1) % 3], t.corners[(i + 2) % 3]];
      const [toLeft, toRight] = [widths[(i + 2) % 3], widths[(i + 1) % 3]];
      const mitre = mitreOf(this.strips, own, left, right);
      for (let rank = 0; rank < this.#half; rank++) {
        const share = this.#shares[rank];
        const corner: LinePoint[] = mitre
          ? [
              {
                x: samples[own].x + share * mitre.x,
                y: samples[own].y + share * mitre.y,
                width: (toLeft + toRight) / 2,
                corner: true,
              },
            ]
          : [];
        const joint = !mitre;
        const [from, to] = [this.#between(own, left, share, toLeft), this.#between(own, right, share, toRight)];
        const points = [{ ...from, joint }, ...corner, { ...to, joint }];
        this.pieces.add(this.pieces.on(own, left, own, rank), this.pieces.on(own, right, own, rank), points, rank);
      }
    }
    if (this.options.count % 2 === 0) return;
    const middles = [0, 1, 2].map((i) => {
      const [p, q] = endsOf(t, i);
      return { key: this.pieces.on(p, q, p, this.#half), point: this.#between(p, q, 0.5, widths[i]) };
    });
    const [p, q, third] = [
      [0, 1, 2],
      [1, 2, 0],
      [0, 2, 1],
    ].reduce((a, b) => (straight(b[0], b[1]) > straight(a[0], a[1]) ? b : a));
    const joined = [p, q].map((i) => ({ ...middles[i].point, joint: true }));
    this.pieces.add(middles[p].key, middles[q].key, joined, this.#half);
    this.pieces.add(middles[third].key, this.pieces.stop(), [middles[third].point, middles[third].point], this.#half);
  }

  /** All lines of a straight stroke run on past one much thinner that leaves it, and that one's stop. */
  #pastNeck({ corners }: Triangle, neck: number): void {
    const { samples } = this.strips;
    const [own, left, right] = [corners[neck], corners[(neck + 1) % 3], corners[(neck + 2) % 3]];
    this.#eachRank((share, rank) => {
      const points = [left, right].map((to) => ({ ...this.#between(own, to, share, distance(samples, own, to)), joint: true }));
      this.pieces.add(this.pieces.on(own, left, own, rank), this.pieces.on(own, right, own, rank), points, rank);
    });
    this.#stop(left, right);
  }

  /** The end of what was never tried: all that lies beyond its one chord. */
  #ownEnd(t: Triangle, edge: number): StrokeEnd {
    const { samples, triangles } = this.strips;
    const [a, b] = endsOf(t, edge);
    const beyond = triangles[t.beside[edge]].corners.find((v) => v !== a && v !== b)!;
    const run = around(this.strips, a, b, beyond);
    const forward = samples[a].next === run[1];
    const [out, back] = forward ? [a, b] : [b, a];
    return { triangle: -1, out, back, cap: forward ? run : run.reverse() };
  }

  /** Lines go round within the end, in pairs. */
  #close({ out, back, cap }: StrokeEnd): void {
    const { samples } = this.strips;
    const width = distance(samples, out, back);
    const middle = this.#between(out, back, 0.5, width);
    for (let rank = 0; rank < this.#half; rank++) {
      const k = 1 - 2 * this.#shares[rank];
      const points = cap.map((i): LinePoint => ({
        x: middle.x + k * (samples[i].x - middle.x),
        y: middle.y + k * (samples[i].y - middle.y),
        width,
        corner: i !== out && i !== back && samples[i].turn > 0.45,
      }));
      this.pieces.add(this.pieces.on(out, back, out, rank), this.pieces.on(out, back, back, rank), points, rank);
    }
    if (this.options.count % 2)
      this.pieces.add(this.pieces.on(out, back, out, this.#half), this.pieces.stop(), [middle, middle], this.#half);
  }

  /**
   * Lines run on to the end. Both sides are carried on to their corners, or until they turn away, and then straight; lines keep their
   * shares between places that lie equally far along the stroke.
   * @param along the one side that the stroke runs by, where the other is a notch
   */
  #open(out: number, back: number, cap: readonly number[], along = -1): void {
    const { samples } = this.strips;
    let [p, q] = [sideAt(this.strips, out, "out"), sideAt(this.strips, back, "back")];
    if (along === out) q = p;
    else if (along === back) p = q;
    const l = norm(p[0] + q[0], p[1] + q[1]) || 1;
    const axis = [(p[0] + q[0]) / l, (p[1] + q[1]) / l] as const;
    const width = distance(samples, out, back);
    const left = this.#carriedOn(out, "next", back, p, axis, width);
    const right = this.#carriedOn(back, "before", out, q, axis, width);
    const gap = width * (this.options.count === 1 ? 0.5 : this.#shares[1] - this.#shares[0]);
    this.#eachRank((share, rank) => {
      const points = shortened(this.#untilEnd(left, right, share, cap, width), this.options.endGap * gap);
      this.pieces.add(this.pieces.on(out, back, out, rank), this.pieces.stop(), points, rank);
    });
  }

  /** A side as places with how far along the stroke they lie. */
  #carriedOn(
    from: number,
    way: "next" | "before",
    stop: number,
    direction: readonly [number, number],
    axis: readonly [number, number],
    width: number,
  ): { x: number; y: number; along: number }[] {
    const { samples } = this.strips;
    const start = samples[from].x * axis[0] + samples[from].y * axis[1];
    const found = [{ x: samples[from].x, y: samples[from].y, along: 0 }];
    let [px, py] = direction;
    for (let i = from; abs(samples[i].turn) <= 0.4;) {
      const j = samples[i][way];
      if (j === stop) break;
      const length = distance(samples, i, j) || 1;
      const [dx, dy] = [(samples[j].x - samples[i].x) / length, (samples[j].y - samples[i].y) / length];
      if (dx * direction[0] + dy * direction[1] < 0.88 || dx * px + dy * py < 0.92) break;
      [px, py, i] = [dx, dy, j];
      found.push({ x: samples[j].x, y: samples[j].y, along: samples[j].x * axis[0] + samples[j].y * axis[1] - start });
    }
    const last = found[found.length - 1];
    found.push({ x: last.x + 2 * width * px, y: last.y + 2 * width * py, along: last.along + 2 * width * (px * axis[0] + py * axis[1]) });
    return found;
  }

  /** A line between two sides until it meets the cap; its start alone where it never does. */
  #untilEnd(
    left: readonly { x: number; y: number; along: number }[],
    right: readonly { x: number; y: number; along: number }[],
    share: number,
    cap: readonly number[],
    width: number,
  ): LinePoint[] {
    const points: LinePoint[] = [];
    for (let i = 0; i <= 32; i++) {
      const [a, b] = [placeAt(left, (i * width) / 16), placeAt(right, (i * width) / 16)];
      const p = { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y), width, corner: false };
      const before = points[points.length - 1];
      const hit = before ? this.#meets(before, p, cap) : undefined;
      if (hit !== undefined) {
        const { at, edge } = hit;
        points.push({ ...p, x: before.x + at * (p.x - before.x), y: before.y + at * (p.y - before.y), edge });
        return points;
      }
      points.push(p);
    }
    return points.slice(0, 1);
  }

  /** Where a step meets the cap, from 0 to 1. */
  #meets(
    from: { x: number; y: number },
    to: { x: number; y: number },
    cap: readonly number[],
  ): { at: number; edge: LinePoint["edge"] } | undefined {
    const { samples } = this.strips;
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    let best: { at: number; edge: number } | undefined;
    for (let k = 0; k + 1 < cap.length; k++) {
      const [a, b] = [samples[cap[k]], samples[cap[k + 1]]];
      const [ex, ey] = [b.x - a.x, b.y - a.y];
      const det = cross(dx, dy, ex, ey);
      if (abs(det) < 1e-9) continue;
      const u = cross(a.x - from.x, a.y - from.y, ex, ey) / det;
      const v = cross(a.x - from.x, a.y - from.y, dx, dy) / det;
      if (v >= -1e-6 && v <= 1 + 1e-6 && u > 1e-6 && u <= 1 && (best === undefined || u < best.at)) best = { at: u, edge: k };
    }
    return (
      best && {
        at: best.at,
        edge: straightAround(
          cap.map((i) => samples[i]),
          best.edge,
        ),
      }
    );
  }
}

/** How far an outline is straight on both sides of one of its steps. */
function straightAround(run: readonly Sample[], step: number): LinePoint["edge"] {
  const [a, b] = [run[step], run[step + 1]];
  const straight = (p: Sample, q: Sample) => {
    const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, q.x - p.x, q.y - p.y];
    return ux * vx + uy * vy > 0.999 * norm(ux, uy) * norm(vx, vy);
  };
  let [from, to] = [step, step + 1];
  while (from > 0 && straight(run[from - 1], run[from])) from--;
  while (to + 1 < run.length && straight(run[to], run[to + 1])) to++;
  return [run[from], run[to]];
}

function placeAt(side: readonly { x: number; y: number; along: number }[], along: number): { x: number; y: number } {
  let i = 0;
  while (i + 2 < side.length && side[i + 1].along < along) i++;
  const [a, b] = [side[i], side[i + 1]];
  const u = (along - a.along) / (b.along - a.along || 1);
  return { x: a.x + u * (b.x - a.x), y: a.y + u * (b.y - a.y) };
}

/** A line without the last of its length. */
function shortened(points: readonly LinePoint[], by: number): LinePoint[] {
  const left = [...points];
  for (let back = by; left.length > 1 && back > 0;) {
    const [a, b] = [left[left.length - 2], left[left.length - 1]];
    const length = norm(a.x - b.x, a.y - b.y);
    left.pop();
    if (length > back) left.push({ ...b, x: b.x + ((a.x - b.x) * back) / length, y: b.y + ((a.y - b.y) * back) / length });
    back -= length;
  }
  return left;
}

/** The stretches of a line in which its stroke is thick enough for it. */
function thickEnough(line: Line, thinnest: number): Line[] {
  let [thin, wide] = [Infinity, 0];
  for (const { width } of line.points) [thin, wide] = [min(thin, width), max(wide, width)];
  if (thin >= max(thinnest, thinShare * wide)) return [line];
  const widths = line.points.map((p) => p.width).sort((a, b) => a - b);
  const usual = widths[floor(0.6 * widths.length)];
  const least = max(thinnest, thinShare * usual);
  const first = line.points.findIndex((p) => p.width < least);
  if (first < 0) return [line];
  const points = line.closed ? [...line.points.slice(first), ...line.points.slice(0, first + 1)] : line.points;
  const found: Line[] = [];
  let run: LinePoint[] = [];
  const end = () => {
    const length = run.reduce((sum, p, i) => sum + (i ? norm(p.x - run[i - 1].x, p.y - run[i - 1].y) : 0), 0);
    if (run.length > 1 && length > 1.2 * usual) found.push({ ...line, points: run, closed: false });
    run = [];
  };
  for (const p of points)
    if (p.width >= least) run.push(p);
    else end();
  end();
  return found;
}
