import { norm } from "../../curves/bezier";
import type { Point } from "../../curves/matrix";
import type { Line, LinePoint } from "./line";
import { cross } from "./sides";
import { tangled } from "./untangle";

const { abs, max } = Math;

type Edge = NonNullable<LinePoint["edge"]>;

/** How far on both sides of a junction chords still lean, as a share of the stroke's width there. */
const reach = 0.75;
/** Lines that go on within this angle go on straight: 18 degrees. */
const alike = 0.95;

/** What chords make a line waver by, as a share of the width; what is more than this is a bend. */
const waver = 0.18;

/** What lies between lines on an edge where they run straight, as shares of the mean, and before the first and after the last. */
const closest = 0.8;
const widest = 1.25;
const leastMargin = 0.5;

/** How far from its end a line may be drawn aside, as a share of the width, and how level is straight before. */
const drawn = 0.9;
const straightFor = 1.5;
const level = 0.015;

/** Lines that run on past junctions straight, and straight out of their strokes. */
export const straightenedEach = (lines: readonly Line[]): readonly Line[] => ranOut(lines.map(straightened));

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

/** An end of a line on a straight stretch of the outline. */
interface Ending {
  readonly line: number;
  readonly way: "forward" | "backward";
  readonly end: LinePoint;
  readonly edge: Edge;
  /** Where it would be if the line ran straight on, and after which place; the places are counted the way that it runs out. */
  readonly straight: { readonly from: number; readonly met: LinePoint } | undefined;
}

/**
 * Lines of straight strokes run straight to the outline, where a bracket or a cut serif would draw them aside: all that end on one edge, or
 * none, where they would no longer lie evenly there.
 */
function ranOut(lines: readonly Line[]): readonly Line[] {
  const edges = new Map<Point, Ending[]>();
  lines.forEach(({ points, closed }, line) => {
    if (closed) return;
    for (const way of ["forward", "backward"] as const) {
      const out = way === "forward" ? points : [...points].reverse();
      const end = out[out.length - 1];
      if (!end.edge) continue;
      const ending = { line, way, end, edge: end.edge, straight: straightEnd(out, end.edge) };
      const there = edges.get(end.edge[0]);
      if (there) there.push(ending);
      else edges.set(end.edge[0], [ending]);
    }
  });
  const ends = new Map<number, Ending[]>();
  for (const endings of edges.values())
    if (endings.some((e) => e.straight) && !areUneven(endings)) for (const e of endings) ends.set(e.line, [...(ends.get(e.line) ?? []), e]);
  return lines.map((line, i) => endedBy(line, ends.get(i) ?? []));
}

/** Whether lines that ran straight to their edge would lie unevenly there. */
function areUneven(endings: readonly Ending[]): boolean {
  const [a, b] = endings[0].edge;
  const [x, y] = [b.x - a.x, b.y - a.y];
  const places = endings
    .map(({ end, straight }) => straight?.met ?? end)
    .map((p) => (p.x - a.x) * x + (p.y - a.y) * y)
    .sort((p, q) => p - q);
  const [first, last] = [places[0], places[places.length - 1]];
  const mean = (last - first) / (places.length - 1 || 1);
  const gaps = places.slice(1).map((v, i) => v - places[i]);
  const margin = Math.min(first, x * x + y * y - last);
  return margin < leastMargin * mean || gaps.some((gap) => gap < closest * mean || gap > widest * mean);
}

/** Both ends at once, whose places are counted in the line as it was. */
function endedBy(line: Line, endings: readonly Ending[]): Line {
  const [start, end] = (["backward", "forward"] as const).map((way) => endings.find((e) => e.way === way)?.straight);
  if (!start && !end) return line;
  const last = line.points.length - 1;
  const between = line.points.slice(start ? last - start.from : 0, (end ? end.from : last) + 1);
  return { ...line, points: [...(start ? [start.met] : []), ...between, ...(end ? [end.met] : [])] };
}

/** Where on its edge a line would end that runs on as it did before, if that is straight, and it does not end there already. */
function straightEnd(points: readonly LinePoint[], [c, d]: Edge): Ending["straight"] {
  const last = points.length - 1;
  const end = points[last];
  if (last < 2) return undefined;
  const from = farAway(points, last, -1, drawn * end.width);
  const before = from && farAway(points, from, -1, straightFor * end.width);
  if (!from || before === undefined || deviation(points, before, from) > level * end.width) return undefined;
  const [a, b] = [points[before], points[from]];
  const [ux, uy] = [b.x - a.x, b.y - a.y];
  const [ex, ey] = [d.x - c.x, d.y - c.y];
  const slope = cross(ux, uy, ex, ey);
  if (abs(slope) < 0.3 * norm(ux, uy) * norm(ex, ey)) return undefined;
  const t = cross(end.x - b.x, end.y - b.y, ex, ey) / slope;
  const met = { ...end, x: b.x + t * ux, y: b.y + t * uy };
  const along = ((met.x - c.x) * ex + (met.y - c.y) * ey) / (ex * ex + ey * ey);
  if (t <= 0 || along < 0 || along > 1) return undefined;
  const off = max(norm(met.x - end.x, met.y - end.y), deviation([b, ...points.slice(from + 1, last), met], 0, last - from));
  return off > 2 * level * end.width && off < waver * end.width ? { from, met } : undefined;
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
