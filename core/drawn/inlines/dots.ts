import type { Sample } from "./samples";
import { cross } from "./sides";
import { ends, type Strips } from "./strips";
import { shares, type Line, type Weave } from "./line";

const { abs, floor, hypot, max, min } = Math;

/** Parts that are no strokes, as the dot of an i is: their skeleton is shorter than they are wide. Their triangles are taken away. */
export function dotsOf(strips: Strips): Sample[][] {
  const { triangles } = strips;
  const seen = new Uint8Array(triangles.length);
  const found: Sample[][] = [];
  triangles.forEach((_, first) => {
    if (seen[first]) return;
    const part = partOf(strips, first, seen);
    const ring = isDot(strips, part) ? ringOf(strips, part) : undefined;
    if (!ring) return;
    for (const t of part) triangles[t].alive = false;
    found.push(ring);
  });
  return found;
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

function areaOf({ samples, triangles }: Strips, part: readonly number[]): number {
  return part.reduce((sum, t) => {
    const [a, b, c] = triangles[t].corners.map((i) => samples[i]);
    return sum + abs(cross(b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y)) / 2;
  }, 0);
}

function isDot(strips: Strips, part: readonly number[]): boolean {
  const { samples, triangles } = strips;
  if (new Set(part.flatMap((t) => triangles[t].corners.map((i) => samples[i].contour))).size > 1) return false;
  let [length, width] = [0, 0];
  for (const t of part.filter((k) => triangles[k].alive)) {
    const chords = [0, 1, 2]
      .filter((e) => triangles[t].beside[e] >= 0 && triangles[triangles[t].beside[e]].alive)
      .map((e) => {
        const [p, q] = ends(triangles[t], e).map((i) => samples[i]);
        return { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2, width: hypot(p.x - q.x, p.y - q.y) };
      });
    if (chords.length > 2) return false;
    for (const c of chords) width = max(width, c.width);
    if (chords.length === 2) length += hypot(chords[0].x - chords[1].x, chords[0].y - chords[1].y);
  }
  const area = areaOf(strips, part);
  return area >= 50 && (width === 0 || area <= 1.35 * width * width || length <= 0.6 * width);
}

/** The outline of a part, where the part is all that it goes round. */
function ringOf(strips: Strips, part: readonly number[]): Sample[] | undefined {
  const { samples, triangles } = strips;
  const first = triangles[part[0]].corners[0];
  const ring = [samples[first]];
  for (let i = samples[first].next; i !== first; i = samples[i].next) ring.push(samples[i]);
  const whole = ring.reduce((sum, p, k) => {
    const q = ring[(k + 1) % ring.length];
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
  return areaOf(strips, part) > 0.9 * abs(whole) ? ring : undefined;
}

/** Round dots have rings; dots with corners upright lines, as a stem has. */
export function linesInDot(ring: readonly Sample[], { count, margin, endGap }: Weave): Line[] {
  const [minX, maxX] = [min(...ring.map((p) => p.x)), max(...ring.map((p) => p.x))];
  const [minY, maxY] = [min(...ring.map((p) => p.y)), max(...ring.map((p) => p.y))];
  const across = shares(count, margin);
  const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
  if (!ring.some((p) => p.turn > 0.45)) {
    const width = min(maxX - minX, maxY - minY);
    return across.slice(0, max(1, floor(count / 2))).map((share, depth) => {
      const k = 1 - 2 * min(share, 0.4);
      return { closed: true, depth, points: ring.map((p) => ({ x: x + k * (p.x - x), y: y + k * (p.y - y), width, corner: false })) };
    });
  }
  const gap = endGap * (maxX - minX) * (count > 1 ? across[1] - across[0] : 0.5);
  return across.flatMap((share, rank): Line[] => {
    const at = minX + share * (maxX - minX);
    const met = ring
      .flatMap((p, i) => {
        const q = ring[(i + 1) % ring.length];
        return p.x <= at !== q.x <= at ? [p.y + ((at - p.x) / (q.x - p.x)) * (q.y - p.y)] : [];
      })
      .sort((a, b) => a - b);
    if (met.length < 2 || met[1] - met[0] <= 2 * gap + 5) return [];
    const point = (down: number) => ({ x: at, y: down, width: maxX - minX, corner: false });
    return [{ closed: false, depth: min(rank, count - 1 - rank), points: [point(met[0] + gap), point(met[1] - gap)] }];
  });
}
