import { flatten } from "../curves/flatten";
import type { Point } from "../curves/matrix";
import { PathBuilder, type Path, type Polygon } from "../curves/path";
import type { Way } from "../curves/sweep";
import { nearestFirst } from "./order";
import { placeOn, type Arc } from "./sides";

const { abs, hypot, PI, sign } = Math;

/** How far a chord may lie from its curve, in units: some quarter of a pixel of letters of 160 pixels in a drag, and else unseen. */
export const chordsOf = { draft: 1.5, still: 0.1 } as const;

/** Sides that follow one another on an outline and belong together. */
interface Run<L> {
  readonly label: L;
  /** x, y, x, y, ... */
  readonly points: number[];
}

/**
 * The sides of a shape that is swept along a way as a quick picture: whole strips from the farthest to the nearest, each over those before
 * it, with chords for curves. Painted in that order, and the front last, it looks as what `visibleSides` gives; nothing is cut away, and no
 * outline needs to be clean.
 * @param labelOf what a side with such an outward normal, a unit of length, belongs to
 * @param tolerance how far chords may lie from curves, in units
 */
export function paintedSides<L>(
  front: Path,
  way: Way,
  labelOf: (normal: Point) => L,
  tolerance: number = chordsOf.draft,
): { readonly label: L; readonly path: Path }[] {
  const runs = flatten(front, tolerance).flatMap((polygon) => runsOf(polygon, way, labelOf));
  const order = nearestFirst(
    runs.map((r) => arcOf(r.points, way)),
    way,
  );
  const painted: { label: L; path: PathBuilder }[] = [];
  for (const i of order.reverse()) {
    const { label, points } = runs[i];
    let last = painted.at(-1);
    if (!last || last.label !== label) painted.push((last = { label, path: new PathBuilder() }));
    strip(lapped(points), way, last.path);
  }
  return painted.map(({ label, path }) => ({ label, path: path.build() }));
}

/** All that painted sides cover, to lie under them: between two of them no ground is seen. */
export function underPainted(painted: readonly { readonly path: Path }[]): Path {
  const out = new PathBuilder();
  for (const { path } of painted) out.add(path);
  return out.build();
}

/** The runs of a polygon that face a way, cut where the angles about a vanishing point jump. */
function runsOf<L>(p: Polygon, way: Way, labelOf: (normal: Point) => L): Run<L>[] {
  const runs: Run<L>[] = [];
  let open: Run<L> | undefined;
  for (let i = 0; i < p.length; i += 2) {
    const [x, y] = [p[i], p[i + 1]];
    const [ex, ey] = i + 2 < p.length ? [p[i + 2], p[i + 3]] : [p[0], p[1]];
    const [dx, dy] = [ex - x, ey - y];
    const [wx, wy] = way.kind === "vector" ? [way.x, way.y] : [(way.x - x) * sign(way.by), (way.y - y) * sign(way.by)];
    if (!(dy * wx - dx * wy > 0)) {
      open = undefined;
      continue;
    }
    const length = hypot(dx, dy);
    const label = labelOf({ x: dy / length, y: -dx / length });
    if (!open || open.label !== label) runs.push((open = { label, points: [x, y] }));
    if (way.kind === "point" && (y - way.y) * (ey - way.y) <= 0) {
      // The ray to the left, at which they jump.
      const at = y === ey ? 0 : (way.y - y) / (ey - y);
      const rx = x + at * dx;
      if (rx < way.x && at > 0 && at < 1) {
        open.points.push(rx, way.y);
        runs.push((open = { label, points: [rx, way.y] }));
      } else if (rx < way.x) {
        // An end lies on it.
        open.points.push(ex, ey);
        open = undefined;
        continue;
      }
    }
    open.points.push(ex, ey);
  }
  return runs;
}

/** As `arcOf` in sides does it for a curve. */
function arcOf(points: readonly number[], way: Way): Arc {
  const n = points.length / 2;
  const arc = { across: new Float64Array(n), along: new Float64Array(n), x: new Float64Array(n), y: new Float64Array(n) };
  for (let i = 0; i < n; i++) {
    placeOn(arc, i, points[2 * i], points[2 * i + 1], way);
  }
  if (way.kind === "point") {
    // An end on the ray takes the side that its neighbour lies on.
    for (const [end, next] of [
      [0, 1],
      [n - 1, n - 2],
    ])
      if (abs(arc.across[end] - arc.across[next]) > PI) arc.across[end] += arc.across[end] < arc.across[next] ? 2 * PI : -2 * PI;
  }
  return arc;
}

/** How far a strip goes on under or over its neighbours, in units: between two no ground is seen. */
const lap = 0.6;

/** A run whose ends go on straight by a little. */
function lapped(p: readonly number[]): readonly number[] {
  const n = p.length;
  const beyond = (x: number, y: number, fromX: number, fromY: number): [number, number] => {
    const length = hypot(x - fromX, y - fromY) || 1;
    return [x + ((x - fromX) * lap) / length, y + ((y - fromY) * lap) / length];
  };
  return [...beyond(p[0], p[1], p[2], p[3]), ...p.slice(2, n - 2), ...beyond(p[n - 2], p[n - 1], p[n - 4], p[n - 3])];
}

function strip(p: readonly number[], way: Way, out: PathBuilder): void {
  const [x, y] = way.kind === "vector" ? [(v: number) => v + way.x, (v: number) => v + way.y] : [to(way.x, way.by), to(way.y, way.by)];
  out.move(p[0], p[1]);
  for (let i = 0; i < p.length; i += 2) out.line(x(p[i]), y(p[i + 1]));
  for (let i = p.length - 2; i > 0; i -= 2) out.line(p[i], p[i + 1]);
  out.close();
}

const to = (end: number, by: number) => (v: number) => v + (end - v) * by;
