import { norm } from "../../curves/bezier";
import { around, cornersIn, distance, edgeTo, ends, isNotch, onwards, sizeOf, type Strips, type Triangle } from "./strips";

const { abs, max } = Math;

/** A branch of the strips from its end to the junction it leaves. */
interface Branch {
  readonly way: readonly number[];
  readonly junction: number;
  readonly keep: boolean;
  readonly length: number;
  readonly width: number;
  readonly fill: number;
}

/**
 * What a letterer calls a stroke, against what only is a corner or a serif. Measured on 63 signs of 23 faces: an arm is nearly as long
 * as wide and fills its box; one with a single point is a corner unless it fills it well; a wedge is longer; and what is much thinner than
 * what it leaves is a hairline.
 */
const arm = { length: 0.8, fill: 0.62, full: 0.74, wedge: 2.2, thin: 0.3 };

export const isArm = (length: number, fill: number, points: number): boolean =>
  (length >= arm.length && fill >= arm.fill && (points !== 1 || fill > arm.full)) || length >= arm.wedge;

/** Cuts branches off that are corners, serifs, bumps or hairlines, the shortest first, and finds short ends that are strokes. */
export function prune(strips: Strips): void {
  const { triangles } = strips;
  const known = new Map<number, Branch>();
  const leaves = triangles.map((_, i) => i).filter((i) => triangles[i].degree === 1);
  for (;;) {
    let least: Branch | undefined;
    for (const leaf of leaves) {
      if (!triangles[leaf].alive || triangles[leaf].degree !== 1) continue;
      const branch = known.get(leaf) ?? branchFrom(strips, leaf);
      if (!branch) continue;
      known.set(leaf, branch);
      if (!branch.keep && (!least || branch.length < least.length)) least = branch;
    }
    if (!least) break;
    const { junction, way, length, width, fill } = least;
    for (const [leaf, b] of known) if (b.junction === junction) known.delete(leaf);
    for (const t of way) triangles[t].alive = false;
    const at = triangles[junction];
    at.degree--;
    at.cut.push({ edge: edgeTo(at, way[way.length - 1]), length, width, fill });
  }
  for (const t of triangles) if (t.alive && t.degree === 2 && t.cut.length === 1) t.stub = stubOf(strips, t);
}

/** Undefined where the branch meets no junction: it is all there is of its part. */
function branchFrom(strips: Strips, leaf: number): Branch | undefined {
  const { samples, triangles } = strips;
  const way = [leaf];
  let junction = leaf;
  for (let from = -1; triangles[junction].degree < 3;) {
    const next = onwards(strips, junction, from);
    if (next < 0 || triangles[next].degree < 2) return undefined;
    [from, junction] = [junction, next];
    if (triangles[junction].degree === 2) way.push(junction);
  }
  const edge = edgeTo(triangles[junction], way[way.length - 1]);
  const [a, b] = ends(triangles[junction], edge);
  const across = triangles[junction].corners[edge];
  const width = distance(samples, a, b);
  const run = around(strips, a, b, across);
  const { area, depth } = sizeOf(strips, run);
  const { length: along, chords } = axisOf(strips, way, a, b);
  const length = max(along, depth);
  const own = chords.length ? chords[chords.length >> 1] : width;
  const rest = max(distance(samples, a, across), distance(samples, b, across));
  const fill = area / (width * length);
  const keep = isArm(length / width, fill, cornersIn(strips, run)) && !(own < arm.thin * rest);
  return { way, junction, keep, length, width, fill };
}

/** The length of a branch along the middles of its chords, from the junction's chord on, and how wide those are, in order. */
function axisOf({ samples, triangles }: Strips, way: readonly number[], a: number, b: number): { length: number; chords: number[] } {
  let [x, y] = [(samples[a].x + samples[b].x) / 2, (samples[a].y + samples[b].y) / 2];
  let length = 0;
  const chords: number[] = [];
  for (let i = way.length - 1; i > 0; i--) {
    const t = triangles[way[i]];
    const [p, q] = ends(t, edgeTo(t, way[i - 1]));
    const [mx, my] = [(samples[p].x + samples[q].x) / 2, (samples[p].y + samples[q].y) / 2];
    chords.push(distance(samples, p, q));
    length += norm(mx - x, my - y);
    [x, y] = [mx, my];
  }
  return { length, chords: chords.sort((p, q) => p - q) };
}

/** Where a cut branch goes straight on from a long stroke past a notch, as the top of n's stem does: a stroke, though short. */
function stubOf(strips: Strips, t: Triangle): Triangle["stub"] {
  const { samples } = strips;
  const [cut] = t.cut;
  const [p, q] = ends(t, cut.edge);
  const across = t.corners[cut.edge];
  for (const [side, notch] of [
    [p, q],
    [q, p],
  ]) {
    if (!isNotch(samples[notch]) || abs(samples[side].turn) >= 0.2) continue;
    const stroke = distance(samples, side, across);
    const ratio = cut.width / stroke;
    const long = cut.length >= 0.2 * cut.width && cut.length >= 0.42 * distance(samples, notch, across);
    if (ratio < 0.55 || ratio > 1.7 || cut.fill < 0.5 || !long || !goesOn(strips, t, side, across, 1.5 * stroke)) continue;
    if (isStraight(strips, around(strips, side, notch, across), 0.6 * cut.length, 0.5 * stroke)) return { side, notch, across };
  }
  return undefined;
}

/** Whether the stroke behind the chord between two corners goes on for a length, or divides. */
function goesOn(strips: Strips, t: Triangle, p: number, q: number, least: number): boolean {
  const { samples, triangles } = strips;
  let from = triangles.indexOf(t);
  let at = t.beside[[0, 1, 2].find((i) => t.corners[i] !== p && t.corners[i] !== q)!];
  let [x, y] = [(samples[p].x + samples[q].x) / 2, (samples[p].y + samples[q].y) / 2];
  for (let length = 0; length < least;) {
    if (at < 0 || triangles[at].degree === 1) return false;
    if (triangles[at].degree !== 2) return true;
    const next = onwards(strips, at, from);
    if (next < 0) return false;
    const [a, b] = ends(triangles[at], edgeTo(triangles[at], next));
    const [mx, my] = [(samples[a].x + samples[b].x) / 2, (samples[a].y + samples[b].y) / 2];
    length += norm(mx - x, my - y);
    [x, y, from, at] = [mx, my, at, next];
  }
  return true;
}

/** Whether the outline is straight at the first sample of a run: as far on as `ahead`, and as far back as `behind`. */
function isStraight({ samples }: Strips, run: readonly number[], ahead: number, behind: number): boolean {
  const at = run[0];
  const forward = samples[at].next === run[1];
  const far = (way: "next" | "before", most: number) => {
    let i = at;
    for (let length = 0; length < most;) {
      const j = samples[i][way];
      length += distance(samples, i, j);
      i = j;
      if (abs(samples[i].turn) > 0.4) break;
    }
    return samples[i];
  };
  const [p, q] = [far(forward ? "next" : "before", ahead), far(forward ? "before" : "next", behind)];
  const [ux, uy] = [p.x - samples[at].x, p.y - samples[at].y];
  const [vx, vy] = [samples[at].x - q.x, samples[at].y - q.y];
  return (ux * vx + uy * vy) / (norm(ux, uy) * norm(vx, vy) || 1) >= 0.93;
}
