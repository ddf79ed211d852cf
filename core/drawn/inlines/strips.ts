import Delaunator from "delaunator";
import { norm } from "../../curves/bezier";
import type { Contour } from "../../curves/contour";
import { link, sampleAt, samplesOf, type Sample } from "./samples";

const { abs, floor, max } = Math;

/** A triangle of the ink. An edge between two of its neighbours is a chord: a way across the stroke. */
export interface Triangle {
  readonly corners: readonly [number, number, number];
  /** The triangle across the edge that lies opposite each corner; -1 where that is the outline. */
  readonly beside: readonly [number, number, number];
  /** Neighbours that are left. One is an end, two a sleeve, three a junction. */
  degree: number;
  /** Whether it is still a part of a stroke, and was not cut off as a corner, a serif or a hairline. */
  alive: boolean;
  /** Branches that were cut off from it. */
  readonly cut: Cut[];
  /** A short end that goes straight on from a stroke past a join. */
  stub?: Stub;
}

export interface Cut {
  /** The edge that it was cut off at, by the corner opposite. */
  readonly edge: number;
  readonly length: number;
  readonly width: number;
  /** Its area over that of its length times its width. */
  readonly fill: number;
}

/** The corners of the triangle that a short end stands on: on its straight side, in the notch, and across the stroke. */
export interface Stub {
  readonly side: number;
  readonly notch: number;
  readonly across: number;
}

/** A letter in strips: places on its outline, and the triangles of its ink between them. */
export interface Strips {
  readonly samples: readonly Sample[];
  readonly triangles: readonly Triangle[];
}

/** Rounds in which places are added until the outline is in the triangulation; two do mostly. */
const rounds = 8;

/**
 * The ink between outlines as triangles: the Delaunay triangulation of places on them (Delaunator), with places added half way wherever an
 * edge of the outline is missing. Chords of the triangles run across the strokes (Prasad, Morphological analysis of shapes, 1997).
 */
export function stripsOf(contours: readonly Contour[], step: number): Strips {
  let samples = samplesOf(contours, step);
  for (let round = 0; ; round++) {
    const flat = new Float64Array(2 * samples.length);
    samples.forEach((p, i) => ((flat[2 * i] = p.x), (flat[2 * i + 1] = p.y)));
    const mesh = new Delaunator(flat);
    const missing = round < rounds ? missingEdges(samples, mesh.triangles) : [];
    if (!missing.length) return { samples, triangles: inkOf(samples, mesh.triangles, mesh.halfedges) };
    samples = withHalves(samples, contours, new Set(missing));
  }
}

const following = (edge: number): number => (edge % 3 === 2 ? edge - 2 : edge + 1);

/** Samples from which the outline's edge is no edge of the mesh. */
function missingEdges(samples: readonly Sample[], corners: ArrayLike<number>): number[] {
  const count = samples.length;
  const there = new Set<number>();
  for (let e = 0; e < corners.length; e++) there.add(corners[e] * count + corners[following(e)]);
  const missing: number[] = [];
  samples.forEach((p, i) => {
    if (!there.has(i * count + p.next) && !there.has(p.next * count + i)) missing.push(i);
  });
  return missing;
}

function withHalves(samples: readonly Sample[], contours: readonly Contour[], after: ReadonlySet<number>): Sample[] {
  const all: Sample[] = [];
  let first = 0;
  samples.forEach((p, i) => {
    all.push(p);
    const next = samples[p.next];
    if (after.has(i)) {
      const end = next.segment === p.segment && next.t > p.t ? next.t : 1;
      all.push(sampleAt(contours[p.contour], p.contour, p.segment, (p.t + end) / 2));
    }
    if (i + 1 === samples.length || samples[i + 1].contour !== p.contour) {
      link(all, first);
      first = all.length;
    }
  });
  return all;
}

/** The triangles inside: those on the inner side of the outline, and all that are reached from them without crossing it. */
function inkOf(samples: readonly Sample[], corners: ArrayLike<number>, across: ArrayLike<number>): Triangle[] {
  const count = corners.length / 3;
  const isOutline = (i: number, j: number) => samples[i].next === j || samples[j].next === i;
  const inside = new Int8Array(count).fill(-1);
  const open: number[] = [];
  for (let e = 0; e < corners.length; e++) {
    const [i, j, k] = [corners[e], corners[following(e)], corners[following(following(e))]];
    if (!isOutline(i, j)) continue;
    const [a, b] = samples[i].next === j ? [samples[i], samples[j]] : [samples[j], samples[i]];
    const t = floor(e / 3);
    if (inside[t] >= 0) continue;
    inside[t] = (b.x - a.x) * (samples[k].y - a.y) - (b.y - a.y) * (samples[k].x - a.x) > 0 ? 1 : 0;
    open.push(t);
  }
  for (let t = open.pop(); t !== undefined; t = open.pop())
    for (let e = 3 * t; e < 3 * t + 3; e++) {
      const beyond = across[e] < 0 ? -1 : floor(across[e] / 3);
      if (beyond < 0 || inside[beyond] >= 0 || isOutline(corners[e], corners[following(e)])) continue;
      inside[beyond] = inside[t];
      open.push(beyond);
    }
  const number = new Int32Array(count).fill(-1);
  let ink = 0;
  for (let t = 0; t < count; t++) if (inside[t] === 1) number[t] = ink++;
  const triangles: Triangle[] = [];
  for (let t = 0; t < count; t++) {
    if (inside[t] !== 1) continue;
    const own = [corners[3 * t], corners[3 * t + 1], corners[3 * t + 2]] as const;
    const opposite = (i: number) => {
      const e = 3 * t + ((i + 1) % 3);
      return across[e] < 0 || isOutline(corners[e], corners[following(e)]) ? -1 : number[floor(across[e] / 3)];
    };
    const beside = [opposite(0), opposite(1), opposite(2)] as const;
    triangles.push({ corners: own, beside, degree: beside.filter((n) => n >= 0).length, alive: true, cut: [] });
  }
  return triangles;
}

/** The edge of a triangle to a neighbour, by the corner opposite. */
export const edgeTo = (t: Triangle, neighbour: number): number => t.beside.indexOf(neighbour);

/** The two ends of an edge, given by the corner opposite. */
export const ends = (t: Triangle, edge: number): [number, number] => [t.corners[(edge + 1) % 3], t.corners[(edge + 2) % 3]];

export const distance = (samples: readonly Sample[], i: number, j: number): number =>
  norm(samples[i].x - samples[j].x, samples[i].y - samples[j].y);

/** A way across a stroke: its middle, and how long it is. */
export interface Chord {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** The chords of a triangle, to the neighbours that are left. */
export function chordsOf({ samples, triangles }: Strips, at: number): Chord[] {
  const t = triangles[at];
  const found: Chord[] = [];
  t.beside.forEach((n, edge) => {
    if (n < 0 || !triangles[n].alive) return;
    const [p, q] = [samples[t.corners[(edge + 1) % 3]], samples[t.corners[(edge + 2) % 3]]];
    found.push({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2, width: norm(p.x - q.x, p.y - q.y) });
  });
  return found;
}

export function areaOf({ samples, triangles }: Strips, at: number): number {
  const [a, b, c] = triangles[at].corners.map((i) => samples[i]);
  return abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) / 2;
}

/** The next triangle of a branch that was come to from `from`; -1 where it ends or divides no more. */
export const onwards = ({ triangles }: Strips, at: number, from: number): number =>
  triangles[at].beside.find((n) => n >= 0 && n !== from && triangles[n].alive) ?? -1;

/**
 * The outline from one end of a chord to the other, round the side on which `beyond` does not lie.
 * @returns samples, from `i` on; the two alone where they do not lie on one outline
 */
export function around({ samples }: Strips, i: number, j: number, beyond: number): number[] {
  const [a, b, c] = [samples[i], samples[j], samples[beyond]];
  const forward = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x) > 0;
  const found = [i];
  for (let k = i; k !== j;) {
    k = forward ? samples[k].next : samples[k].before;
    found.push(k);
    if (found.length > samples.length) return [i, j];
  }
  return found;
}

/** The area that a run of samples, closed, goes round, and how far it reaches from the line between its ends. */
export function sizeOf({ samples }: Strips, run: readonly number[]): { area: number; depth: number } {
  const [a, b] = [samples[run[0]], samples[run[run.length - 1]]];
  const width = norm(b.x - a.x, b.y - a.y) || 1;
  let [area, depth] = [0, 0];
  run.forEach((i, k) => {
    const p = samples[i];
    const q = samples[run[(k + 1) % run.length]];
    area += p.x * q.y - q.x * p.y;
    depth = max(depth, abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) / width);
  });
  return { area: abs(area) / 2, depth };
}

/** Corners that point out along a run of samples, its ends left out. */
export const cornersIn = ({ samples }: Strips, run: readonly number[]): number =>
  run.slice(1, -1).filter((i) => samples[i].turn > 0.25).length;

/** Whether a sample is a corner that points into the ink. */
export const isNotch = (p: Sample): boolean => p.turn < -0.35;
