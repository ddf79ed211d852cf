import { meet, shifted } from "../bounds";
import { flatten } from "../flatten";
import type { Band, Cap, CurveKernel, Join } from "../kernel";
import type { Point } from "../matrix";
import { fromPolygons, Path, PathBuilder, translated, type Polygon } from "../path";
import { signedArea, winding } from "../polygon";
import { memoByIdentity } from "../../memo";
import { clip, type Clipper } from "./clipper";
import { dashLines } from "./dashes";
import { rawOutline } from "./raw-outline";

/** How far a chord may lie from its curve, in units: a tenth of a thousandth of the em, under a pixel at any size in use. */
const tolerance = 0.1;

/**
 * The kernel on flattened outlines, clipped by Clipper2. Results are kept by the identity of their input paths, so
 * that a letter that did not change costs nothing.
 */
export class PolygonKernel implements CurveKernel {
  readonly #clipper: Clipper;
  /** Contours that do not cross, by path. */
  readonly #clean = new WeakMap<Path, Polygon[]>();
  /** Paths that this kernel made of such contours: welding them changes nothing. */
  readonly #own = new WeakSet<Path>();
  readonly #results = memoByIdentity<Path, Path>(12);

  constructor(clipper: Clipper) {
    this.#clipper = clipper;
  }

  union(paths: readonly Path[], at?: readonly Point[]): Path {
    const placed = paths
      .map((path, i) => ({ path, x: at?.[i].x ?? 0, y: at?.[i].y ?? 0 }))
      .filter((p) => !p.path.isEmpty)
      .map((p) => ({ ...p, bounds: shifted(p.path.bounds, p.x, p.y) }));
    if (placed.length === 0) return Path.empty;
    if (placed.length === 1) return translated(this.weld(placed[0].path), placed[0].x, placed[0].y);
    const touches = placed.map((p) => placed.some((q) => q !== p && meet(p.bounds, q.bounds)));
    const apart = placed.filter((_, i) => !touches[i]);
    const together = placed.filter((_, i) => touches[i]);
    const joined = together.length
      ? this.#made(clip(this.#clipper, "Union", "NonZero", together.flatMap((p) => this.#polygons(p.path).map((c) => moved(c, p.x, p.y)))))
      : Path.empty;
    if (apart.length === 0) return joined;
    const all = new PathBuilder().add(joined);
    for (const p of apart) all.add(this.weld(p.path), p.x, p.y);
    return all.build();
  }

  intersect(a: Path, b: Path): Path {
    if (a.isEmpty || b.isEmpty || !meet(a.bounds, b.bounds)) return Path.empty;
    return this.#made(clip(this.#clipper, "Intersection", "NonZero", this.#polygons(a), this.#polygons(b)));
  }

  subtract(a: Path, b: Path): Path {
    if (a.isEmpty || b.isEmpty || !meet(a.bounds, b.bounds)) return a;
    return this.#made(clip(this.#clipper, "Difference", "NonZero", this.#polygons(a), this.#polygons(b)));
  }

  weld(path: Path): Path {
    if (path.isEmpty || this.#own.has(path)) return path;
    return this.#results(path, "weld", () => {
      const before = flatten(path, tolerance);
      const after = this.#polygons(path);
      return sameContours(before, after) ? path : this.#made(after);
    });
  }

  grow(path: Path, distance: number, join: Join): Path {
    if (path.isEmpty) return path;
    if (distance === 0) return this.weld(path);
    return this.#results(path, `grow ${distance} ${joinKey(join)}`, () => this.#made(this.#offset(this.#polygons(path), distance, join)));
  }

  band(path: Path, band: Band): Path {
    if (path.isEmpty || band.width <= 0) return Path.empty;
    const key = `band ${band.width} ${band.side} ${joinKey(band.join)} ${band.cap} ${band.dashes.join()}`;
    return this.#results(path, key, () => this.#made(this.#makeBand(this.#polygons(path), band)));
  }

  plug(path: Path): Path {
    if (path.isEmpty) return path;
    return this.#results(path, "plug", () => {
      const welded = this.weld(path);
      const polygons = this.#polygons(welded);
      const outers = polygons.filter((p) => signedArea(p) > 0);
      if (outers.length === polygons.length) return welded;
      // Of clipped contours those that run backwards are the counters; what stood inside them is covered now.
      if (this.#own.has(welded)) return this.#made(clip(this.#clipper, "Union", "NonZero", outers));
      return withoutInner(welded);
    });
  }

  area(path: Path): number {
    return this.#polygons(path).reduce((sum, p) => sum + signedArea(p), 0);
  }

  /** The outline flattened and welded: outers positive, counters negative. */
  #polygons(path: Path): Polygon[] {
    let polygons = this.#clean.get(path);
    if (!polygons) this.#clean.set(path, (polygons = clip(this.#clipper, "Union", "NonZero", flatten(path, tolerance))));
    return polygons;
  }

  /** A path of contours that clipping gave, and which need not be cleaned again. */
  #made(polygons: Polygon[]): Path {
    const path = fromPolygons(polygons);
    if (path.isEmpty) return path;
    this.#clean.set(path, polygons);
    this.#own.add(path);
    return path;
  }

  #offset(clean: readonly Polygon[], distance: number, join: Join): Polygon[] {
    return clip(this.#clipper, "Union", "Positive", clean.map((p) => rawOutline(p, distance, join, tolerance)));
  }

  #makeBand(clean: Polygon[], { width, side, join, cap, dashes }: Band): Polygon[] {
    const m = this.#clipper;
    if (dashes.some((d) => d > 0)) {
      const across = side === "centre" ? width : 2 * width;
      const strokes = this.#strokes(clean, dashes, across, join, cap);
      if (side === "centre") return strokes;
      return clip(m, side === "inside" ? "Intersection" : "Difference", "NonZero", strokes, clean);
    }
    const outer = side === "inside" ? clean : this.#offset(clean, side === "centre" ? width / 2 : width, join);
    const inner = side === "outside" ? clean : this.#offset(clean, side === "centre" ? -width / 2 : -width, join);
    return inner.length ? clip(m, "Difference", "NonZero", outer, inner) : outer;
  }

  #strokes(clean: readonly Polygon[], dashes: readonly number[], width: number, join: Join, cap: Cap): Polygon[] {
    const raw: Polygon[] = [];
    for (const contour of clean)
      for (const line of dashLines(contour, dashes)) {
        const thereAndBack = thereAndBackAlong(line);
        if (thereAndBack) raw.push(rawOutline(thereAndBack, width / 2, join, tolerance, cap));
      }
    return clip(this.#clipper, "Union", "Positive", raw);
  }
}

function moved(p: Polygon, dx: number, dy: number): Polygon {
  if (dx === 0 && dy === 0) return p;
  const out = new Float64Array(p.length);
  for (let i = 0; i < p.length; i += 2) {
    out[i] = p[i] + dx;
    out[i + 1] = p[i + 1] + dy;
  }
  return out;
}

const joinKey = (join: Join) => (join.kind === "miter" ? `miter${join.limit}` : join.kind);

/** An open line as a closed contour that runs to its end and back; nothing for a line without length. */
function thereAndBackAlong(line: Float64Array): Polygon | undefined {
  const points: number[] = [];
  for (let i = 0; i < line.length; i += 2)
    if (i === 0 || Math.hypot(line[i] - points[points.length - 2], line[i + 1] - points[points.length - 1]) > 1e-6)
      points.push(line[i], line[i + 1]);
  if (points.length < 4) return undefined;
  for (let i = points.length - 4; i > 0; i -= 2) points.push(points[i], points[i + 1]);
  return Float64Array.from(points);
}

/** Whether welding changed nothing but the direction and the start of contours. */
function sameContours(before: readonly Polygon[], after: readonly Polygon[]): boolean {
  if (before.length !== after.length) return false;
  const areas = (all: readonly Polygon[]) => all.map((p) => Math.abs(signedArea(p))).sort((a, b) => a - b);
  const b = areas(after);
  // Rounding to a thousandth of a unit moves an area by about that times the perimeter; 0.5 square units is over it.
  return areas(before).every((area, i) => Math.abs(area - b[i]) < 0.5 + area * 1e-5);
}

/** Drops each contour that lies inside another, on the path itself, so that untouched curves stay curves. */
function withoutInner(path: Path): Path {
  const contours = contoursOf(path).flatMap((curve) => {
    const [polygon] = flatten(curve, tolerance);
    return polygon ? [{ curve, polygon, bounds: curve.bounds, area: Math.abs(signedArea(polygon)) }] : [];
  });
  const out = new PathBuilder();
  for (const inner of contours) {
    const [x, y] = inner.polygon;
    // Boxes first: a word of two thousand letters has thousands of contours, and few that could hold another.
    const held = contours.some(
      ({ bounds: b, area, polygon }) => area > inner.area && x >= b.minX && x <= b.maxX && y >= b.minY && y <= b.maxY && winding(polygon, x, y) !== 0,
    );
    if (!held) out.add(inner.curve);
  }
  return out.build();
}

function contoursOf(path: Path): Path[] {
  const out: Path[] = [];
  let v = 0;
  let c = 0;
  while (v < path.verbs.length) {
    let endV = v + 1;
    let endC = c + 2;
    while (endV < path.verbs.length && path.verbs[endV] !== 0) {
      const verb = path.verbs[endV++];
      endC += verb === 1 ? 2 : verb === 2 ? 4 : verb === 3 ? 6 : 0;
    }
    out.push(new Path(path.verbs.slice(v, endV), path.coords.slice(c, endC)));
    v = endV;
    c = endC;
  }
  return out;
}
