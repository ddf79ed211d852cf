import { norm } from "../../curves/bezier";
import type { Line, LinePoint } from "./line";
import { cross } from "./sides";
import { tangled } from "./untangle";

const { abs, max } = Math;

/** How far on both sides of a junction chords still lean, as a share of the stroke's width there. */
const reach = 0.75;
/** Lines that go on within this angle go on straight: 18 degrees. */
const alike = 0.95;

/** What chords make a line waver by, as a share of the width; what is more than this is a bend. */
const waver = 0.18;

/** How far from its end a line may be drawn aside, as a share of the width, and how level is straight before. */
const drawn = 0.9;
const level = 0.015;

/** Lines that run on past junctions straight, and straight out of their strokes. */
export const straightenedEach = (lines: readonly Line[]): Line[] => lines.map((line) => runOut(straightened(line)));

/**
 * The same, but for those that would run into others so.
 * @returns the lines, and whether none of them crosses another, where that is known
 */
export function straightenedAll(lines: readonly Line[]): { lines: readonly Line[]; apart: boolean } {
  const straight = straightenedEach(lines);
  const bad = tangled(straight);
  return { lines: straight.map((l, i) => (bad.has(i) ? lines[i] : l)), apart: !bad.size };
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

/** Lines of straight strokes run straight to the outline, where a bracket or a cut serif would draw them aside. */
function runOut(line: Line): Line {
  if (line.closed) return line;
  let points = line.points;
  for (let end = 0; end < 2; end++) points = [...endingStraight(points)].reverse();
  return points.every((p, i) => p === line.points[i]) ? line : { ...line, points };
}

/** A line whose last place is moved along the outline to where the line, straight before, would meet it. */
function endingStraight(points: readonly LinePoint[]): readonly LinePoint[] {
  const last = points.length - 1;
  const end = points[last];
  if (!end.edge || last < 2) return points;
  const from = farAway(points, last, -1, drawn * end.width);
  const before = from && farAway(points, from, -1, 0.75 * end.width);
  if (!from || before === undefined || deviation(points, before, from) > level * end.width) return points;
  const [a, b] = [points[before], points[from]];
  const [ux, uy] = [b.x - a.x, b.y - a.y];
  const [c, d] = end.edge;
  const [ex, ey] = [d.x - c.x, d.y - c.y];
  const slope = cross(ux, uy, ex, ey);
  if (abs(slope) < 0.3 * norm(ux, uy) * norm(ex, ey)) return points;
  const t = cross(end.x - b.x, end.y - b.y, ex, ey) / slope;
  const met = { ...end, x: b.x + t * ux, y: b.y + t * uy };
  const along = ((met.x - c.x) * ex + (met.y - c.y) * ey) / (ex * ex + ey * ey);
  if (t <= 0 || along < 0 || along > 1) return points;
  const off = max(norm(met.x - end.x, met.y - end.y), deviation([b, ...points.slice(from + 1, last), met], 0, last - from));
  return off > 2 * level * end.width && off < waver * end.width ? [...points.slice(0, from + 1), met] : points;
}

/**
 * The first place that lies a length away along the line, or its end where that is not much nearer, before anything that is a corner;
 * undefined where there is none.
 */
function farAway(points: readonly LinePoint[], at: number, way: 1 | -1, length: number): number | undefined {
  let gone = 0;
  for (let i = at; i + way >= 0 && i + way < points.length; i += way) {
    gone += norm(points[i + way].x - points[i].x, points[i + way].y - points[i].y);
    if (points[i + way].corner) return undefined;
    if (gone >= length && !points[i + way].joint) return i + way;
  }
  return gone >= 0.3 * length ? (way > 0 ? points.length - 1 : 0) : undefined;
}

function goesStraight(points: readonly LinePoint[], from: number, to: number, span: number): boolean {
  const direction = (a: LinePoint, b: LinePoint): [number, number] => {
    const l = norm(b.x - a.x, b.y - a.y) || 1;
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
  const l = norm(b.x - a.x, b.y - a.y) || 1;
  let most = 0;
  for (let i = from + 1; i < to; i++) most = max(most, abs((points[i].x - a.x) * (b.y - a.y) - (points[i].y - a.y) * (b.x - a.x)) / l);
  return most;
}
