import { ContourBuilder, contoursOf, pathOf, stride, type Contour } from "../../curves/contour";
import type { Point } from "../../curves/matrix";
import type { Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import { fine, ridge, rough, walksOf, type Place, type Sample, type Walk } from "./walk";

const { abs, hypot } = Math;

/** One slope of a chiselled letter: from a stretch of its outline inwards, to the ridge or to the edge of a flat top. */
export interface Facet {
  readonly path: Path;
  /** Places in the middle of the slope, along it, with the outward normal there, a unit of length. */
  readonly samples: readonly { readonly at: Point; readonly normal: Point }[];
  /** The stretch of the outline that it begins at, and from where to where it is walked inwards: with what corners own, in order. */
  readonly stretch: Contour;
  readonly walked: () => readonly Sample[];
  /** Whether it goes on under the one before it, since no corner parts them. */
  readonly smooth: boolean;
  /** How wide it is, on average. */
  readonly width: number;
  /** Its borders to other slopes: ridges, and lines from corners to them. */
  readonly borders: readonly (readonly Point[])[];
}

/** How far a slope goes on under its neighbour where no corner parts them: between them no ground is seen. */
const under = 1.2;

/**
 * The slopes of a letter: every stretch of the outline owns what lies nearer to it than to any other. At corners that point inwards two
 * slopes meet in the line that halves the corner.
 * @param contours that do not cross, outers positive, counters negative
 * @param inset how wide slopes are, in units; Infinity lets them run to the ridge
 * @param widest by how many degrees the slopes of curves turn at most: their light runs along a straight line
 */
export function facetsOf(contours: readonly Contour[], inset: number, widest = 25): Facet[] {
  return facetsOn(walksOf(contours, inset, widest, fine), Infinity, fine.tolerance);
}

/**
 * The same, roughly and soon: for a picture while something is dragged. The outline is walked to the ridge once, however wide slopes
 * become.
 */
export function draftFacetsOf(path: Path, inset: number, widest = 25): Facet[] {
  const walks = roughWalks(path, `${widest}`, () => walksOf(contoursOf(path, true), Infinity, widest, rough));
  return facetsOn(walks, inset, rough.tolerance);
}

const roughWalks = memoByIdentity<Path, readonly Walk[]>(2);

const facetsOn = (walks: readonly Walk[], inset: number, tolerance: number): Facet[] =>
  walks.flatMap((w) => facetOf(w, inset, tolerance) ?? []);

/** @param inset how wide a slope is at most, where it was walked farther */
function facetOf(walk: Walk, inset: number, tolerance: number): Facet | undefined {
  const { middle, stretch, smooth } = walk;
  const [opening, along, closing] = [walk.opening, walk.along, walk.closing].map((s) => upTo(s, inset));
  const [first, last] = [along[0], along[along.length - 1]];
  const borders: Point[][] = [];
  if (opening.length) borders.push([{ x: first.x, y: first.y }, ridge(opening[0])]);
  if (closing.length) borders.push([{ x: last.x, y: last.y }, ridge(closing[closing.length - 1])]);
  const inner = thinned([...opening.map(ridge), ...along.map(ridge), ...closing.map(ridge)], tolerance);
  borders.push(inner);
  const width = along.reduce((sum, s) => sum + s.reach, 0) / along.length;
  if (!(width > 1e-3)) return undefined;
  const out = new ContourBuilder();
  const start = smooth ? moved(first, -under) : first;
  out.move(start.x, start.y);
  if (start !== first) out.line(first.x, first.y);
  for (let k = 0; k < stretch.size; k++) out.segment(stretch.points, k * stride, stretch.degrees[k]);
  for (let i = inner.length - 1; i >= 0; i--) out.line(inner[i].x, inner[i].y);
  if (start !== first) {
    const foot = moved(first, -under, ridge(first));
    out.line(foot.x, foot.y);
  }
  out.line(start.x, start.y);
  const samples = middle.map((p) => ({
    at: { x: p.x + (p.nx * width) / 2, y: p.y + (p.ny * width) / 2 },
    normal: { x: -p.nx, y: -p.ny },
  }));
  const walked = () => [...opening, ...along, ...closing];
  return { path: pathOf([out.build(true)]), samples, stretch, walked, smooth, width, borders };
}

/** A walk to the ridge, up to the edge of a flat top; where it comes to that edge is a place of its own. */
function upTo(walk: readonly Sample[], inset: number): readonly Sample[] {
  if (walk.every((s) => s.reach <= inset)) return walk;
  const short: Sample[] = [];
  let last = walk[0];
  for (const s of walk) {
    if (last.reach > inset !== s.reach > inset) {
      const t = (inset - last.reach) / (s.reach - last.reach);
      const at = (a: number, b: number): number => a + (b - a) * t;
      short.push({ x: at(last.x, s.x), y: at(last.y, s.y), nx: at(last.nx, s.nx), ny: at(last.ny, s.ny), reach: inset, mitre: 1 });
    }
    const { x, y, nx, ny, mitre } = s;
    const most = inset * mitre;
    short.push(s.reach > most ? { x, y, nx, ny, reach: most, mitre } : s);
    last = s;
  }
  return short;
}

/** A place moved along the outline. */
const moved = (p: Place, by: number, from: Point = p): Point => ({ x: from.x + p.ny * by, y: from.y - p.nx * by });

/** Points without those that lie on the way between their neighbours. */
function thinned(points: readonly Point[], tolerance: number): Point[] {
  if (points.length < 3) return [...points];
  const kept: Point[] = [points[0]];
  const look = (from: number, to: number): void => {
    let [worst, at] = [tolerance, -1];
    const [a, b] = [points[from], points[to]];
    const length = hypot(b.x - a.x, b.y - a.y);
    for (let i = from + 1; i < to; i++) {
      const p = points[i];
      const off = length > 1e-9 ? abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length : hypot(p.x - a.x, p.y - a.y);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) {
      kept.push(b);
      return;
    }
    look(from, at);
    look(at, to);
  };
  look(0, points.length - 1);
  return kept;
}
