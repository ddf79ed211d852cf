import { norm } from "../../curves/bezier";
import { Crossings } from "./crossings";
import type { Line, LinePoint } from "./line";

/** Open lines without the ends that run into others, which happens where strokes of unlike width join: they stop before them. */
export function untangled(lines: readonly Line[]): Line[] {
  const all = crossingsOf(lines);
  const trimmed = lines.map((line, own) => (line.closed ? line : withoutCrossed(line, own, all))).filter((l) => l.points.length > 1);
  return interrupted(trimmed);
}

function crossingsOf(lines: readonly Line[]): Crossings {
  const all = new Crossings();
  lines.forEach(({ points }, own) => all.add(points, own));
  return all;
}

/** Lines that still cross, cut where they do, the shorter of two: each stops before the other. */
function interrupted(lines: readonly Line[]): Line[] {
  const lengths = new Map(lines.map((line) => [line, lengthOf(line)]));
  const order = [...lines].sort((a, b) => lengths.get(b)! - lengths.get(a)!);
  const done: Line[] = [];
  const around = new Crossings();
  for (const line of order)
    for (const part of apartFrom(line, around)) {
      around.add(part.points, done.length);
      done.push(part);
    }
  return done;
}

const lengthOf = ({ points }: Line): number =>
  points.reduce((sum, p, i) => sum + (i ? norm(p.x - points[i - 1].x, p.y - points[i - 1].y) : 0), 0);

/** The stretches of a line that cross none of others, with a gap where they would. */
function apartFrom(line: Line, others: Crossings): Line[] {
  const { points } = line;
  const crossed: number[] = [];
  for (let i = 0; i + 1 < points.length; i++) if (others.has(points[i], points[i + 1], -1)) crossed.push(i);
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
    gone += norm(points[i + way].x - points[i].x, points[i + way].y - points[i].y);
  return i;
}

/** Of lines the numbers of those that cross another one anywhere. */
export function tangled(lines: readonly Line[]): Set<number> {
  const all = new Crossings();
  const steps = lines.map(({ points }) => longSteps(points));
  steps.forEach((points, own) => all.add(points, own));
  const found = new Set<number>();
  steps.forEach((points, own) => {
    if (points.some((p, i) => i > 0 && all.has(points[i - 1], p, own))) found.add(own);
  });
  return found;
}

/** Units: how long a step may become. Long ones that run aslant lie in the box of many cells. */
const longest = 40;
/** Units: places that lie no farther off are on a straight line. */
const aside = 1e-6;

/** A line without places on straight stretches of it, of which there is one for each chord. */
function longSteps(points: readonly LinePoint[]): LinePoint[] {
  const kept = [points[0]];
  for (let i = 1; i < points.length; i++) {
    const [a, p, q] = [kept[kept.length - 1], points[i], points[i + 1]];
    const [x, y] = q ? [q.x - a.x, q.y - a.y] : [0, 0];
    const [squared, off] = [x * x + y * y, (p.x - a.x) * y - (p.y - a.y) * x];
    const isOnWay = squared > 0 && squared < longest * longest && (p.x - a.x) * x + (p.y - a.y) * y >= 0;
    if (!isOnWay || off * off > aside * aside * squared) kept.push(p);
  }
  return kept;
}

function withoutCrossed(line: Line, own: number, all: Crossings): Line {
  let { points } = line;
  for (let end = 0; end < 2; end++) {
    const cut = crossedAt(points, own, all);
    if (cut >= 0) {
      let i = cut;
      for (let gap = points[0].width / 8; i + 2 < points.length && gap > 0; i++)
        gap -= norm(points[i + 1].x - points[i].x, points[i + 1].y - points[i].y);
      points = points.slice(i);
    }
    points = [...points].reverse();
  }
  return points.length === line.points.length ? line : { ...line, points };
}

/** The last place, within two widths of its start, before which a line crosses another; -1 where it crosses none. */
function crossedAt(points: readonly LinePoint[], own: number, all: Crossings): number {
  let found = -1;
  let way = 0;
  const reach = 2 * points[0].width;
  for (let i = 0; i + 1 < points.length && way < reach; i++) {
    const [a, b] = [points[i], points[i + 1]];
    way += norm(b.x - a.x, b.y - a.y);
    if (all.has(a, b, own)) found = i + 1;
  }
  return found;
}
