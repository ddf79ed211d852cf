import { norm } from "../../curves/bezier";
import { isArm } from "./prune";
import { around, cornersIn, distance, edgeTo, ends, onwards, sizeOf, type Strips } from "./strips";

const { abs, max } = Math;

/** Where a stroke ends: the chord before its end, and the outline beyond it. */
export interface StrokeEnd {
  /** The triangle that is the stroke's last. */
  readonly triangle: number;
  /** The outline goes into the end by the sample after `out`, and comes back to `back`. */
  readonly out: number;
  readonly back: number;
  /** From `out` to `back`. */
  readonly cap: readonly number[];
}

/** The ends of all strokes; what lies beyond them is cut off. */
export function strokeEnds(strips: Strips): StrokeEnd[] {
  // An arm that never runs between two sides is no stroke: without it others may be one, until nothing changes.
  for (;;) {
    const found = tryEnds(strips);
    if (found) return found;
  }
}

interface Candidate extends StrokeEnd {
  readonly score: number;
  readonly width: number;
}

function tryEnds(strips: Strips): StrokeEnd[] | undefined {
  const { triangles } = strips;
  const found: StrokeEnd[] = [];
  for (let leaf = 0; leaf < triangles.length; leaf++) {
    if (!triangles[leaf].alive || triangles[leaf].degree !== 1) continue;
    const start = withoutCorner(strips, leaf);
    const { best, way, isNoStroke } = endFrom(strips, start);
    if (isNoStroke) {
      for (const t of way) triangles[t].alive = false;
      triangles[isNoStroke.junction].degree--;
      return undefined;
    }
    if (!best || best.cap.length < 2) continue;
    for (const t of way) {
      if (t === best.triangle) break;
      triangles[t].alive = false;
      triangles[best.triangle].degree = 1;
    }
    found.push(best);
  }
  return found;
}

/**
 * The chord at which a stroke ends best, on its way inwards: with little beyond it, square to both sides, which run alike; as wide as the
 * stroke is about there.
 */
function endFrom(
  strips: Strips,
  start: number,
): { best: StrokeEnd | undefined; way: readonly number[]; isNoStroke: { readonly junction: number } | undefined } {
  const { triangles } = strips;
  const way: number[] = [];
  const candidates: Candidate[] = [];
  let widest = 0;
  let last: StrokeEnd | undefined;
  const chosen = () => {
    const wide = candidates.filter((c) => c.width >= 0.6 * widest);
    return wide.length ? wide.reduce((a, b) => (b.score < a.score ? b : a)) : undefined;
  };
  for (let from = -1, at = start; ;) {
    way.push(at);
    const next = onwards(strips, at, from);
    if (next < 0) return { best: chosen() ?? last, way, isNoStroke: undefined };
    const chord = chordOf(strips, at, next);
    last = chord.end;
    if (chord.depth > 1.15 * chord.width) return { best: chosen() ?? chord.end, way, isNoStroke: undefined };
    if (chord.parallel > 0.7 && chord.slant < 0.6) {
      const score = chord.depth + 0.6 * chord.width * chord.slant + 1.5 * chord.width * (1 - chord.parallel);
      candidates.push({ ...chord.end, score, width: chord.width });
      widest = max(widest, chord.width);
    }
    if (triangles[next].degree !== 2) {
      const best = chosen();
      if (!best && triangles[next].degree === 3) return { best: undefined, way, isNoStroke: { junction: next } };
      return { best: best ?? chord.end, way, isNoStroke: undefined };
    }
    [from, at] = [at, next];
  }
}

/** The chord between two triangles as the end of what lies before it. */
function chordOf(strips: Strips, at: number, next: number) {
  const { samples, triangles } = strips;
  const [a, b] = ends(triangles[at], edgeTo(triangles[at], next));
  const beyond = triangles[next].corners.find((v) => v !== a && v !== b)!;
  const run = around(strips, a, b, beyond);
  const width = distance(samples, a, b);
  const { depth } = sizeOf(strips, run);
  const [out, back, cap] = samples[a].next === run[1] ? [a, b, run] : [b, a, [...run].reverse()];
  const [p, q] = [sideAt(strips, out, "out"), sideAt(strips, back, "back")];
  const parallel = p[0] * q[0] + p[1] * q[1];
  const l = norm(p[0] + q[0], p[1] + q[1]) || 1;
  const [cx, cy] = [(samples[back].x - samples[out].x) / width, (samples[back].y - samples[out].y) / width];
  const slant = abs(((p[0] + q[0]) * cx + (p[1] + q[1]) * cy) / l);
  return { end: { triangle: at, out, back, cap }, width, depth, parallel, slant };
}

/** The direction in which a side runs towards an end, where it enters it. */
export function sideAt({ samples }: Strips, at: number, which: "out" | "back"): [number, number] {
  const p = samples[at];
  const before = samples[which === "out" ? p.before : p.next];
  const l = norm(p.x - before.x, p.y - before.y) || 1;
  return [(p.x - before.x) / l, (p.y - before.y) / l];
}

/** A stroke's last branch runs into one corner of its end: cut back to where others were cut off, while what is beyond is a corner. */
function withoutCorner(strips: Strips, leaf: number): number {
  const { samples, triangles } = strips;
  for (;;) {
    const way = [leaf];
    let found = -1;
    for (let from = -1, at = leaf; ;) {
      const next = onwards(strips, at, from);
      if (next < 0) break;
      [from, at] = [at, next];
      if (triangles[at].degree !== 2) break;
      if (triangles[at].cut.length) {
        found = at;
        break;
      }
      way.push(at);
    }
    if (found < 0) return leaf;
    const edge = edgeTo(triangles[found], way[way.length - 1]);
    const [a, b] = ends(triangles[found], edge);
    const run = around(strips, a, b, triangles[found].corners[edge]);
    const width = distance(samples, a, b);
    const { area, depth } = sizeOf(strips, run);
    if (isArm(depth / width, area / (width * depth), cornersIn(strips, run))) return leaf;
    for (const t of way) triangles[t].alive = false;
    triangles[found].degree = 1;
    leaf = found;
  }
}

/** Whether an end is still one: a stroke that two branches run into the end of was found twice, and one of them was cut off. */
export const isStillEnd = ({ triangles }: Strips, { triangle }: StrokeEnd): boolean =>
  triangles[triangle].alive && triangles[triangle].degree === 1;

/** Where the tip of an end lies: half-way along its outline. */
export function tipOf({ samples }: Strips, { cap }: StrokeEnd): { x: number; y: number } {
  let [length, i] = [0, 0];
  const pace = (k: number) => distance(samples, cap[k], cap[k + 1]);
  for (let k = 0; k + 1 < cap.length; k++) length += pace(k);
  for (length /= 2; i + 2 < cap.length && length > pace(i); i++) length -= pace(i);
  const [a, b] = [samples[cap[i]], samples[cap[i + 1]]];
  const t = length / (pace(i) || 1);
  return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
}

/** The end whose tip is nearest to a place, where it is no farther from there than it is wide. */
export function nearestEnd(strips: Strips, ends: readonly StrokeEnd[], place: { x: number; y: number }): StrokeEnd | undefined {
  let best: StrokeEnd | undefined;
  let near = Infinity;
  for (const end of ends) {
    const tip = tipOf(strips, end);
    const d = norm(tip.x - place.x, tip.y - place.y);
    if (d < near && d <= distance(strips.samples, end.out, end.back)) [best, near] = [end, d];
  }
  return best;
}
