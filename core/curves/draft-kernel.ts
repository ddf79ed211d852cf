import { areaOf } from "./arrange/tidy";
import { boxesOf } from "./boxes";
import { contoursOf, movedBy, pathOf, reversed, type Contour } from "./contour";
import type { Band, Join, Kernel, Warp } from "./kernel";
import type { Point } from "./matrix";
import { draftOutline } from "./offset/draft-outline";
import { Path } from "./path";
import { memoByIdentity } from "../memo";

/** How far a draft's bent curves may lie from their true image, in units: less than a pixel of the bench. */
const tolerance = 0.5;

/**
 * Geometry for pictures while a handle is dragged: outlines are moved, but not united, so that a scene of many coats is there within a
 * frame. Filled nonzero it looks as the exact one does, but for lines along the inside of letters that overlap and for places that close
 * up when shrunk. What it does not do quickly is done exactly. It is never exported.
 */
export class DraftKernel implements Kernel {
  readonly name: string = "draft";
  readonly #results = memoByIdentity<Path, Path>(6);
  /** The contours of paths made here, and of letters that were welded: outers positive. */
  readonly #clean = new WeakMap<Path, readonly Contour[]>();

  constructor(private readonly exact: Kernel) {}

  weld(path: Path): Path {
    if (this.#clean.has(path)) return path;
    const welded = this.exact.weld(path);
    this.#clean.set(welded, contoursOf(welded, true));
    return welded;
  }

  union(paths: readonly Path[], at?: readonly Point[]): Path {
    return this.#made(paths.flatMap((p, i) => this.#contours(p).map((c) => movedBy(c, at?.[i].x ?? 0, at?.[i].y ?? 0))));
  }

  grow(path: Path, distance: number, join: Join): Path {
    if (path.isEmpty || distance === 0) return this.weld(path);
    const key = `grow ${distance} ${join.kind === "miter" ? join.limit : join.kind}`;
    return this.#results(path, key, () => this.#made(moved(this.#contours(path), distance, join)));
  }

  band(path: Path, band: Band): Path {
    const { width, side, join, dashes, taper } = band;
    if (dashes.some((d) => d > 0) || taper?.length || contoursOf(path, false).some((c) => !c.closed)) return this.exact.band(path, band);
    if (path.isEmpty || width <= 0) return Path.empty;
    const clean = this.#contours(path);
    const outer = side === "inside" ? clean : moved(clean, side === "centre" ? width / 2 : width, join);
    const inner = side === "outside" ? clean : moved(clean, side === "centre" ? -width / 2 : -width, join);
    return roughly(pathOf([...outer, ...inner.map(reversed)]));
  }

  plug(path: Path): Path {
    const all = this.#contours(path);
    const outers = all.filter((c) => areaOf(c) > 0);
    return outers.length === all.length ? this.weld(path) : this.#made(outers);
  }

  warp(path: Path, warp: Warp): Path {
    const image = this.exact.warp(this.weld(path), warp, tolerance);
    const contours = contoursOf(image, false);
    // A map that turns the plane over turns outlines round.
    const turned = contours.reduce((sum, c) => sum + areaOf(c), 0) < 0;
    return turned ? this.#made(contours.map(reversed)) : this.#made(contours, image);
  }

  intersect = (...a: Parameters<Kernel["intersect"]>) => this.exact.intersect(...a);
  subtract = (...a: Parameters<Kernel["subtract"]>) => this.exact.subtract(...a);
  exclude = (...a: Parameters<Kernel["exclude"]>) => this.exact.exclude(...a);
  split = (...a: Parameters<Kernel["split"]>) => this.exact.split(...a);
  sweep = (...a: Parameters<Kernel["sweep"]>) => this.exact.sweep(...a);
  simplify = (...a: Parameters<Kernel["simplify"]>) => this.exact.simplify(...a);
  /** Of all that is drawn: what is covered twice counts twice. */
  area = (path: Path) => this.#contours(path).reduce((sum, c) => sum + areaOf(c), 0);

  #contours = (path: Path): readonly Contour[] => this.#clean.get(this.weld(path))!;

  /** @param same the path that has just these contours, where there is one */
  #made(contours: readonly Contour[], same?: Path): Path {
    const path = same ?? roughly(pathOf(contours));
    this.#clean.set(path, contours);
    return path;
  }
}

/** A path with the box of its points in place of its own: handles stand out of it by little. */
function roughly({ verbs, coords }: Path): Path {
  if (!coords.length) return Path.empty;
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < coords.length; i += 2) {
    const x = coords[i];
    const y = coords[i + 1];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return new Path(verbs, coords, { minX, minY, maxX, maxY });
}

/** Counters that would close up are left out, and what is too thin to be shrunk. */
function moved(contours: readonly Contour[], d: number, join: Join): Contour[] {
  return contours.filter((c) => areaOf(c) > 0 === d > 0 || thickness(c) > 2 * Math.abs(d)).map((c) => draftOutline(c, d, join));
}

function thickness(c: Contour): number {
  const [minX, minY, maxX, maxY] = boxesOf(c).subarray(4 * c.size);
  return Math.min(maxX - minX, maxY - minY);
}
