import { Contour, contoursOf, reversed, stride } from "../curves/contour";
import { intervalOf } from "../curves/halving";
import type { Path } from "../curves/path";
import { Track, trackPoint } from "../curves/track";
import type { Edge, Edges } from "./coons";
import { tabulated } from "./tabulated";

/** Where the outline of a shape is parted: shares of its length, for the top left, top right, bottom right and bottom left corners. */
export type Corners = readonly [number, number, number, number];

/**
 * The outline that is filled: the contour that encloses most, run clockwise on screen from the node that reaches farthest to the top left,
 * so that shares of it mean the same places at another inset; undefined where nothing is enclosed.
 */
export function outerTrack(outline: Path): Track | undefined {
  let best: { track: Track; area: number } | undefined;
  for (const c of contoursOf(outline, true)) {
    const area = enclosed(c);
    if (Math.abs(area) < 1 || (best && Math.abs(area) <= best.area)) continue;
    best = { track: new Track(fromTopLeft(area > 0 ? c : reversed(c))), area: Math.abs(area) };
  }
  return best?.track;
}

/** How much more height counts than width, so that of an ellipse's nodes, which reach as far, the top one is first. */
const height = 1.25;

function fromTopLeft(c: Contour): Contour {
  const { points: p, degrees, size } = c;
  const nodes = Array.from({ length: size }, (_, k) => ({ x: p[k * stride], y: p[k * stride + 1] }));
  const [left, top] = [Math.min(...nodes.map((n) => n.x)), Math.min(...nodes.map((n) => n.y))];
  const [w, h] = [Math.max(...nodes.map((n) => n.x)) - left || 1, Math.max(...nodes.map((n) => n.y)) - top || 1];
  const off = (n: { x: number; y: number }) => (n.x - left) / w + (height * (n.y - top)) / h;
  const first = nodes.reduce((best, n, k) => (off(n) < off(nodes[best]) ? k : best), 0);
  if (first === 0) return c;
  const at = first * stride;
  const turned = new Float64Array(p.length);
  turned.set(p.subarray(at));
  turned.set(p.subarray(0, at), p.length - at);
  return new Contour(Uint8Array.from([...degrees.subarray(first), ...degrees.subarray(0, first)]), turned, c.closed);
}

/** Signed area by samples along the contour, enough to tell which way it runs and which is the largest. */
function enclosed(c: Contour): number {
  const track = new Track(c);
  const p = trackPoint();
  const n = 256;
  let sum = 0;
  let [px, py] = [0, 0];
  for (let i = 0; i <= n; i++) {
    track.at((track.length * i) / n, p);
    if (i > 0) sum += px * p[1] - p[0] * py;
    [px, py] = [p[0], p[1]];
  }
  return sum / 2;
}

const samples = 720;

/**
 * The corners that part an outline into top, right, bottom and left: true corners near those of its box where there are any, else the
 * places that reach farthest towards them, which on an ellipse are the ends of its diagonals. Corners that would fall together, as at
 * the tip of a triangle, are moved apart.
 */
export function findCorners(track: Track): Corners {
  const p = trackPoint();
  const at = Array.from({ length: samples }, (_, i) => {
    track.at((track.length * (i + 0.5)) / samples, p);
    return { x: p[0], y: p[1] };
  });
  const [minX, maxX] = [Math.min(...at.map((q) => q.x)), Math.max(...at.map((q) => q.x))];
  const [minY, maxY] = [Math.min(...at.map((q) => q.y)), Math.max(...at.map((q) => q.y))];
  const [w, h] = [maxX - minX || 1, maxY - minY || 1];
  const kinks = kinksOf(track);
  const found = (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([sx, sy]) => {
    const reach = (q: { x: number; y: number }) => sx * ((q.x - minX) / w - 0.5) + sy * ((q.y - minY) / h - 0.5);
    const farthest = at.reduce((best, q, i) => (reach(q) > reach(at[best]) ? i : best), 0);
    const kink = kinks.filter((k) => reach(k) > reach(at[farthest]) - 0.06).sort((a, b) => reach(b) - reach(a))[0];
    return kink ? kink.share : (farthest + 0.5) / samples;
  });
  return spreadApart(found);
}

/** Corners in their order round the outline, each at least a twelfth of it after the one before. */
function spreadApart(shares: readonly number[]): Corners {
  const least = 1 / 12;
  const unrolled = [shares[0]];
  for (let i = 1; i < 4; i++) {
    let s = shares[i];
    while (s < unrolled[i - 1] - 1e-9) s += 1;
    if (s - unrolled[0] >= 1) s = unrolled[i - 1];
    unrolled.push(s);
  }
  for (let round = 0; round < 12; round++)
    for (let i = 0; i < 4; i++) {
      const next = i < 3 ? unrolled[i + 1] : unrolled[0] + 1;
      const short = least - (next - unrolled[i]);
      if (short <= 1e-9) continue;
      unrolled[i] -= short / 2;
      if (i < 3) unrolled[i + 1] += short / 2;
      else unrolled[0] += short / 2;
    }
  return unrolled.map((s) => s - Math.floor(s)) as unknown as Corners;
}

/** Places where the outline turns sharply, by their share of its length. */
function kinksOf(track: Track): { share: number; x: number; y: number }[] {
  const { contour } = track;
  const a = trackPoint();
  const b = trackPoint();
  let s = 0;
  const out: { share: number; x: number; y: number }[] = [];
  for (let k = 0; k < contour.size; k++) {
    const eps = track.length * 1e-5;
    track.at(s - eps, a);
    track.at(s + eps, b);
    if (a[2] * b[2] + a[3] * b[3] < Math.cos(Math.PI / 6)) out.push({ share: s / track.length, x: b[0], y: b[1] });
    s = track.lengthTo(k + 1);
  }
  return out;
}

/** The four edges between the corners. */
export function edgesOf(track: Track, [topLeft, topRight, lowRight, lowLeft]: Corners): Edges {
  const length = (share: number) => share * track.length;
  const run = (from: number, to: number) => ({ from: length(from), to: length(to < from ? to + 1 : to) });
  return {
    top: edge(track, run(topLeft, topRight), false),
    right: edge(track, run(topRight, lowRight), false),
    bottom: edge(track, run(lowRight, lowLeft), true),
    left: edge(track, run(lowLeft, topLeft), true),
  };
}

/** Lengths along a track, round and round, at which a segment of it ends, between two. */
function segmentEnds(track: Track, from: number, to: number): number[] {
  const ends = Array.from({ length: track.contour.size }, (_, k) => track.lengthTo(k));
  return [0, 1, 2].flatMap((lap) => ends.map((s) => s + (lap - 1) * track.length)).filter((s) => s > from && s < to);
}

/**
 * A stretch of a track over 0 to 1. Where it never turns back against its chord it is paced by the chord, so that stems over a curved
 * edge stay parallel; else by its length.
 */
function edge(track: Track, { from, to }: { from: number; to: number }, backwards: boolean): Edge {
  const p = trackPoint();
  const whole = to - from;
  const n = 128;
  track.at(from, p);
  const [x0, y0] = [p[0], p[1]];
  track.at(to, p);
  const chord = Math.hypot(p[0] - x0, p[1] - y0);
  const [cx, cy] = chord > 0 ? [(p[0] - x0) / chord, (p[1] - y0) / chord] : [1, 0];
  const along = new Float64Array(n + 1);
  let forward = chord > whole * 0.2;
  for (let i = 0; i <= n; i++) {
    track.at(from + (whole * i) / n, p);
    along[i] = (p[0] - x0) * cx + (p[1] - y0) * cy;
    if (p[2] * cx + p[3] * cy < 0.12) forward = false;
    if (i > 0 && along[i] <= along[i - 1]) forward = false;
  }
  const at = (t: number, out: Float64Array) => {
    if (!forward) {
      track.at(from + whole * t, p);
      out.set([p[0], p[1], p[2] * whole, p[3] * whole]);
      return;
    }
    const wanted = t * chord;
    const i = intervalOf(along, n, wanted);
    let s = from + (whole * (i + (wanted - along[i]) / (along[i + 1] - along[i]))) / n;
    for (let k = 0; k < 6; k++) {
      track.at(s, p);
      const off = (p[0] - x0) * cx + (p[1] - y0) * cy - wanted;
      if (Math.abs(off) < 1e-9 * chord) break;
      s -= off / (p[2] * cx + p[3] * cy);
    }
    track.at(s, p);
    const pace = chord / (p[2] * cx + p[3] * cy);
    out.set([p[0], p[1], p[2] * pace, p[3] * pace]);
  };
  const corners = segmentEnds(track, from, to).map((s) => {
    track.at(s, p);
    const t = forward ? ((p[0] - x0) * cx + (p[1] - y0) * cy) / chord : (s - from) / whole;
    return backwards ? 1 - t : t;
  });
  if (!backwards) return tabulated(at, corners);
  return tabulated((t, out) => {
    at(1 - t, out);
    out[2] = -out[2];
    out[3] = -out[3];
  }, corners);
}
