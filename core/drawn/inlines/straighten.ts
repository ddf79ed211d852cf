import type { Line, LinePoint } from "./line";
import { tangled } from "./untangle";

const { abs, hypot, max } = Math;

/** How far on both sides of a junction chords still lean, as a share of the stroke's width there. */
const reach = 0.75;
/** Lines that go on within this angle go on straight: 18 degrees. */
const alike = 0.95;

/** What chords make a line waver by, as a share of the width; what is more than this is a bend. */
const waver = 0.18;

/** Lines that run on past junctions straight, but for those that would run into others so. */
export function straightenedAll(lines: readonly Line[]): Line[] {
  const straight = lines.map(straightened);
  if (straight.every((l, i) => l === lines[i])) return straight;
  const bad = tangled(straight);
  return straight.map((l, i) => (bad.has(i) ? lines[i] : l));
}

/** A line that runs on past junctions straight, where it comes in and goes out in one direction: chords lean there. */
function straightened(line: Line): Line {
  let { points } = line;
  for (let i = 1; i + 1 < points.length; i++) {
    if (!points[i].joint) continue;
    const span = reach * points[i].width;
    const [from, to] = [farAway(points, i, -1, span), farAway(points, i, 1, span)];
    if (from === undefined || to === undefined || !goesStraight(points, from, to, span)) continue;
    if (deviation(points, from, to) > waver * points[i].width) continue;
    points = [...points.slice(0, from + 1), ...points.slice(to)];
    i = from + 1;
  }
  return points === line.points ? line : { ...line, points };
}

/**
 * The first place that lies a length away along the line, or its end where that is not much nearer, before anything that is a corner;
 * undefined where there is none.
 */
function farAway(points: readonly LinePoint[], at: number, way: 1 | -1, length: number): number | undefined {
  let gone = 0;
  for (let i = at; i + way >= 0 && i + way < points.length; i += way) {
    gone += hypot(points[i + way].x - points[i].x, points[i + way].y - points[i].y);
    if (points[i + way].corner) return undefined;
    if (gone >= length && !points[i + way].joint) return i + way;
  }
  return gone >= 0.3 * length ? (way > 0 ? points.length - 1 : 0) : undefined;
}

function goesStraight(points: readonly LinePoint[], from: number, to: number, span: number): boolean {
  const direction = (a: LinePoint, b: LinePoint): [number, number] => {
    const l = hypot(b.x - a.x, b.y - a.y) || 1;
    return [(b.x - a.x) / l, (b.y - a.y) / l];
  };
  const own = direction(points[from], points[to]);
  const runsOn = (a: LinePoint, b: LinePoint) => {
    const d = direction(a, b);
    return d[0] * own[0] + d[1] * own[1] > alike;
  };
  const before = from > 0 ? farAway(points, from, -1, span / 2) : from;
  const after = to + 1 < points.length ? farAway(points, to, 1, span / 2) : to;
  if (before === undefined || after === undefined) return false;
  return (before === from || runsOn(points[before], points[from])) && (after === to || runsOn(points[to], points[after]));
}

/** How far places between two others lie from the straight line between those. */
function deviation(points: readonly LinePoint[], from: number, to: number): number {
  const [a, b] = [points[from], points[to]];
  const l = hypot(b.x - a.x, b.y - a.y) || 1;
  let most = 0;
  for (let i = from + 1; i < to; i++) most = max(most, abs((points[i].x - a.x) * (b.y - a.y) - (points[i].y - a.y) * (b.x - a.x)) / l);
  return most;
}
