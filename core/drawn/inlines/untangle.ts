import type { Line, LinePoint } from "./line";
import { cross } from "./sides";

const { hypot, max, min } = Math;

/** Open lines without the ends that run into others, which happens where strokes of unlike width join: they stop before them. */
export function untangled(lines: readonly Line[]): Line[] {
  const all = lines.map(stretchesOf);
  const trimmed = lines.map((line, own) => (line.closed ? line : withoutCrossed(line, own, all))).filter((l) => l.points.length > 1);
  return interrupted(trimmed);
}

/** Lines that still cross, cut where they do, the shorter of two: each stops before the other. */
function interrupted(lines: readonly Line[]): Line[] {
  const order = [...lines].sort((a, b) => lengthOf(b) - lengthOf(a));
  const done: Line[] = [];
  const around: (readonly Stretch[])[] = [];
  for (const line of order)
    for (const part of apartFrom(line, around)) {
      done.push(part);
      around.push(stretchesOf(part));
    }
  return done;
}

const lengthOf = ({ points }: Line): number =>
  points.reduce((sum, p, i) => sum + (i ? hypot(p.x - points[i - 1].x, p.y - points[i - 1].y) : 0), 0);

/** The stretches of a line that cross none of others, with a gap where they would. */
function apartFrom(line: Line, others: readonly (readonly Stretch[])[]): Line[] {
  const { points } = line;
  const crossed: number[] = [];
  for (let i = 0; i + 1 < points.length; i++)
    if (others.some((stretches) => stretches.some((s) => crosses(points[i], points[i + 1], s)))) crossed.push(i);
  if (!crossed.length) return [line];
  const gap = points[crossed[0]].width / 8;
  const parts: Line[] = [];
  let from = 0;
  for (const at of [...crossed, points.length]) {
    const last = at === points.length;
    const run = points.slice(from === 0 ? 0 : awayFrom(points, from, 1, gap), last ? points.length : awayFrom(points, at, -1, gap) + 1);
    const part = { ...line, points: run, closed: false };
    if (run.length > 1 && lengthOf(part) > run[0].width / 2) parts.push(part);
    from = at + 1;
  }
  return parts;
}

/** The place on a line that lies a length away from another. */
function awayFrom(points: readonly LinePoint[], at: number, way: 1 | -1, length: number): number {
  let i = at;
  for (let gone = 0; gone < length && i + way >= 0 && i + way < points.length; i += way)
    gone += hypot(points[i + way].x - points[i].x, points[i + way].y - points[i].y);
  return i;
}

/** Of lines the numbers of those that cross another one anywhere. */
export function tangled(lines: readonly Line[]): Set<number> {
  const all = lines.map(stretchesOf);
  const found = new Set<number>();
  lines.forEach(({ points }, own) => {
    for (let i = 0; i + 1 < points.length; i++)
      if (all.some((stretches, k) => k !== own && stretches.some((s) => crosses(points[i], points[i + 1], s)))) {
        found.add(own);
        return;
      }
  });
  return found;
}

/** Some points of a line, with the box around them. */
interface Stretch {
  readonly points: readonly LinePoint[];
  readonly from: number;
  readonly to: number;
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** Steps of a line that are looked at only where their box is met. */
const together = 12;

function stretchesOf({ points }: Line): Stretch[] {
  const found: Stretch[] = [];
  for (let from = 0; from + 1 < points.length; from += together) {
    const to = min(points.length - 1, from + together);
    let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let i = from; i <= to; i++) {
      const { x, y } = points[i];
      [minX, minY, maxX, maxY] = [min(minX, x), min(minY, y), max(maxX, x), max(maxY, y)];
    }
    found.push({ points, from, to, minX, minY, maxX, maxY });
  }
  return found;
}

function withoutCrossed(line: Line, own: number, all: readonly (readonly Stretch[])[]): Line {
  let { points } = line;
  for (let end = 0; end < 2; end++) {
    const cut = crossedAt(points, own, all);
    if (cut >= 0) {
      let i = cut;
      for (let gap = points[0].width / 8; i + 2 < points.length && gap > 0; i++)
        gap -= hypot(points[i + 1].x - points[i].x, points[i + 1].y - points[i].y);
      points = points.slice(i);
    }
    points = [...points].reverse();
  }
  return points.length === line.points.length ? line : { ...line, points };
}

/** The last place, within two widths of its start, before which a line crosses another; -1 where it crosses none. */
function crossedAt(points: readonly LinePoint[], own: number, all: readonly (readonly Stretch[])[]): number {
  let found = -1;
  let way = 0;
  const reach = 2 * points[0].width;
  for (let i = 0; i + 1 < points.length && way < reach; i++) {
    const [a, b] = [points[i], points[i + 1]];
    way += hypot(b.x - a.x, b.y - a.y);
    if (all.some((stretches, k) => k !== own && stretches.some((s) => crosses(a, b, s)))) found = i + 1;
  }
  return found;
}

function crosses(a: LinePoint, b: LinePoint, { points, from, to, minX, minY, maxX, maxY }: Stretch): boolean {
  if (max(a.x, b.x) < minX || min(a.x, b.x) > maxX || max(a.y, b.y) < minY || min(a.y, b.y) > maxY) return false;
  for (let k = from; k < to; k++) {
    const [c, d] = [points[k], points[k + 1]];
    if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
  }
  return false;
}

const side = (p: LinePoint, q: LinePoint, r: LinePoint): number => cross(q.x - p.x, q.y - p.y, r.x - p.x, r.y - p.y);
