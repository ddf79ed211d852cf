import { norm } from "../../curves/bezier";
import type { Sample } from "./samples";
import { areaOf, chordsOf, type Strips } from "./strips";

const { abs, max } = Math;

/** The area of a part that is no stroke, over that of the square on its widest chord. */
const compact = 1.35;
/** Where hairlines were taken away, it is the beaks and balls at their ends that are left: those that taper are longer. */
const beak = 2.4;
/** Half a bowl between two hairlines is still a stroke. */
const bowl = 1;
/** How large they are at most, to the largest part of the letter. */
const little = 1 / 6;

/**
 * Parts that are no strokes, as the dot of an i is: their skeleton is shorter than they are wide. Their triangles are taken away.
 * @param cutUp whether hairlines between the parts were taken away
 */
export function dotsOf(strips: Strips, cutUp: boolean): Sample[][] {
  const { triangles } = strips;
  const seen = new Uint8Array(triangles.length);
  const parts = triangles.flatMap((_, first) => {
    if (seen[first]) return [];
    const part = partOf(strips, first, seen);
    return [{ part, area: part.reduce((sum, t) => sum + areaOf(strips, t), 0) }];
  });
  const small = cutUp ? max(...parts.map((p) => p.area)) * little : 0;
  return parts.flatMap(({ part, area }) => {
    const ring = isDot(strips, part, area, area < small ? beak : cutUp ? bowl : compact) ? ringOf(strips, part, area) : undefined;
    if (ring) for (const t of part) triangles[t].alive = false;
    return ring ? [ring] : [];
  });
}

function partOf({ triangles }: Strips, first: number, seen: Uint8Array): number[] {
  const part: number[] = [];
  const open = [first];
  seen[first] = 1;
  for (let t = open.pop(); t !== undefined; t = open.pop()) {
    part.push(t);
    for (const n of triangles[t].beside)
      if (n >= 0 && !seen[n]) {
        seen[n] = 1;
        open.push(n);
      }
  }
  return part;
}

function isDot(strips: Strips, part: readonly number[], area: number, most: number): boolean {
  const { samples, triangles } = strips;
  if (new Set(part.flatMap((t) => triangles[t].corners.map((i) => samples[i].contour))).size > 1) return false;
  let [length, width] = [0, 0];
  for (const t of part.filter((k) => triangles[k].alive)) {
    const chords = chordsOf(strips, t);
    if (chords.length > 2) return false;
    for (const c of chords) width = max(width, c.width);
    if (chords.length === 2) length += norm(chords[0].x - chords[1].x, chords[0].y - chords[1].y);
  }
  return area >= 50 && (width === 0 || area <= most * width * width || length <= 0.6 * width);
}

/** The outline of a part, where the part is all that it goes round. */
function ringOf(strips: Strips, part: readonly number[], area: number): Sample[] | undefined {
  const { samples, triangles } = strips;
  const first = triangles[part[0]].corners[0];
  const ring = [samples[first]];
  for (let i = samples[first].next; i !== first; i = samples[i].next) ring.push(samples[i]);
  const whole = ring.reduce((sum, p, k) => {
    const q = ring[(k + 1) % ring.length];
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
  return area > 0.9 * abs(whole) ? ring : undefined;
}
