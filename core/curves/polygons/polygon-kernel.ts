import { meet } from "../bounds";
import { flatten } from "../flatten";
import type { Band, Cap, CurveKernel, Join } from "../kernel";
import { fromPolygons, Path, PathBuilder, type Polygon } from "../path";
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
  readonly #clean = memoByIdentity<Path, Polygon[]>(1);
  readonly #results = memoByIdentity<Path, Path>(12);

  constructor(clipper: Clipper) {
    this.#clipper = clipper;
  }

  union(paths: readonly Path[]): Path {
    const filled = paths.filter((p) => !p.isEmpty);
    if (filled.length === 0) return Path.empty;
    if (filled.length === 1) return this.weld(filled[0]);
    const touching = filled.map((p, i) => filled.some((q, k) => k !== i && meet(p.bounds, q.bounds)));
    const apart = filled.filter((_, i) => !touching[i]);
    const together = filled.filter((_, i) => touching[i]);
    const joined = together.length
      ? fromPolygons(clip(this.#clipper, "Union", "NonZero", together.flatMap((p) => this.#polygons(p))))
      : Path.empty;
    if (apart.length === 0) return joined;
    const all = new PathBuilder().add(joined);
    for (const p of apart) all.add(this.weld(p));
    return all.build();
  }

  intersect(a: Path, b: Path): Path {
    if (a.isEmpty || b.isEmpty || !meet(a.bounds, b.bounds)) return Path.empty;
    return fromPolygons(clip(this.#clipper, "Intersection", "NonZero", this.#polygons(a), this.#polygons(b)));
  }

  subtract(a: Path, b: Path): Path {
    if (a.isEmpty || b.isEmpty || !meet(a.bounds, b.bounds)) return a;
    return fromPolygons(clip(this.#clipper, "Difference", "NonZero", this.#polygons(a), this.#polygons(b)));
  }

  weld(path: Path): Path {
    if (path.isEmpty) return path;
    return this.#results(path, "weld", () => {
      const before = flatten(path, tolerance);
      const after = this.#polygons(path);
      return sameContours(before, after) ? path : fromPolygons(after);
    });
  }

  grow(path: Path, distance: number, join: Join): Path {
    if (path.isEmpty) return path;
    if (distance === 0) return this.weld(path);
    return this.#results(path, `grow ${distance} ${joinKey(join)}`, () => fromPolygons(this.#offset(this.#polygons(path), distance, join)));
  }

  band(path: Path, band: Band): Path {
    if (path.isEmpty || band.width <= 0) return Path.empty;
    const key = `band ${band.width} ${band.side} ${joinKey(band.join)} ${band.cap} ${band.dashes.join()}`;
    return this.#results(path, key, () => fromPolygons(this.#makeBand(this.#polygons(path), band)));
  }

  plug(path: Path): Path {
    if (path.isEmpty) return path;
    return this.#results(path, "plug", () => {
      const welded = this.weld(path);
      return withoutInner(welded, this.#polygons(welded));
    });
  }

  area(path: Path): number {
    return this.#polygons(path).reduce((sum, p) => sum + signedArea(p), 0);
  }

  /** The outline flattened and welded: outers positive, counters negative. */
  #polygons(path: Path): Polygon[] {
    return this.#clean(path, "", () => clip(this.#clipper, "Union", "NonZero", flatten(path, tolerance)));
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
function withoutInner(path: Path, polygons: readonly Polygon[]): Path {
  if (polygons.every((p) => signedArea(p) > 0)) return path;
  const curves = contoursOf(path);
  const flat = curves.map((c) => flatten(c, tolerance)[0]);
  const out = new PathBuilder();
  curves.forEach((curve, i) => {
    const p = flat[i];
    if (!p) return;
    const inside = flat.some((q, k) => k !== i && q && Math.abs(signedArea(q)) > Math.abs(signedArea(p)) && winding(q, p[0], p[1]) !== 0);
    if (!inside) out.add(curve);
  });
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
