import { areaOf } from "./arrange/tidy";
import type { Bounds } from "./bounds";
import { contoursOf, movedBy, pathOf, reversed, stride, type Contour } from "./contour";
import { draftWarp } from "./draft-warp";
import type { Band, Join, Kernel, Warp } from "./kernel";
import type { Point } from "./matrix";
import { draftOutline } from "./offset/draft-outline";
import { Path } from "./path";
import { memoByIdentity } from "../memo";

/**
 * A path with the contours it was made of, outers positive, and the box of its points in place of its own, from which handles stand out
 * by little. They are its own and not remembered beside it: a drag makes thousands of them and keeps none.
 */
class DraftPath extends Path {
  constructor({ verbs, coords }: Path, readonly contours: readonly Contour[]) {
    super(verbs, coords, boxOf(coords));
  }
}

/**
 * Geometry for pictures while a handle is dragged: outlines are moved, but not united, so that a scene of many coats is there within a
 * frame. Filled nonzero it looks as the exact one does, but for lines along the inside of letters that overlap and for places that close
 * up when shrunk. What it does not do quickly is done exactly. It is never exported.
 */
export class DraftKernel implements Kernel {
  readonly name: string = "draft";
  readonly #welded = memoByIdentity<Path, DraftPath>(1);

  constructor(private readonly exact: Kernel) {}

  weld(path: Path): DraftPath {
    if (path instanceof DraftPath) return path;
    return this.#welded(path, "", () => {
      const welded = this.exact.weld(path);
      return new DraftPath(welded, contoursOf(welded, true));
    });
  }

  union(paths: readonly Path[], at?: readonly Point[]): Path {
    return made(paths.flatMap((p, i) => this.weld(p).contours.map((c) => movedBy(c, at?.[i].x ?? 0, at?.[i].y ?? 0))));
  }

  grow(path: Path, distance: number, join: Join): Path {
    if (path.isEmpty || distance === 0) return this.weld(path);
    return made(moved(this.weld(path).contours, distance, join));
  }

  band(path: Path, band: Band): Path {
    const { width, side, join, dashes, taper } = band;
    if (path.isEmpty || width <= 0) return Path.empty;
    const line = !(path instanceof DraftPath) && contoursOf(path, false).some((c) => !c.closed);
    if (line || dashes.some((d) => d > 0) || taper?.length) return this.exact.band(path, band);
    const clean = this.weld(path).contours;
    const outer = side === "inside" ? clean : moved(clean, side === "centre" ? width / 2 : width, join);
    const inner = side === "outside" ? clean : moved(clean, side === "centre" ? -width / 2 : -width, join);
    return made([...outer, ...inner.map(reversed)]);
  }

  plug(path: Path): Path {
    const all = this.weld(path).contours;
    const outers = all.filter((c) => areaOf(c) > 0);
    return outers.length === all.length ? this.weld(path) : made(outers);
  }

  warp(path: Path, warp: Warp): Path {
    const contours = this.weld(path).contours.map((c) => draftWarp(c, warp));
    // A map that turns the plane over turns outlines round.
    const turned = contours.reduce((sum, c) => sum + areaOf(c), 0) < 0;
    return made(turned ? contours.map(reversed) : contours);
  }

  /** Of all that is drawn: what is covered twice counts twice. */
  area(path: Path): number {
    return this.weld(path).contours.reduce((sum, c) => sum + areaOf(c), 0);
  }

  intersect = (...a: Parameters<Kernel["intersect"]>) => this.exact.intersect(...a);
  subtract = (...a: Parameters<Kernel["subtract"]>) => this.exact.subtract(...a);
  exclude = (...a: Parameters<Kernel["exclude"]>) => this.exact.exclude(...a);
  split = (...a: Parameters<Kernel["split"]>) => this.exact.split(...a);
  sweep = (...a: Parameters<Kernel["sweep"]>) => this.exact.sweep(...a);
  simplify = (...a: Parameters<Kernel["simplify"]>) => this.exact.simplify(...a);
}

const made = (contours: readonly Contour[]): DraftPath => new DraftPath(pathOf(contours), contours);

function boxOf(coords: Float64Array): Bounds {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < coords.length; i += 2) {
    const x = coords[i];
    const y = coords[i + 1];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return { minX, minY, maxX, maxY };
}

/** Counters that would close up are left out, and what is too thin to be shrunk. */
function moved(contours: readonly Contour[], d: number, join: Join): Contour[] {
  return contours.filter((c) => areaOf(c) > 0 === d > 0 || thickness(c) > 2 * Math.abs(d)).map((c) => draftOutline(c, d, join));
}

/** The shorter side of the box of a contour's nodes. */
function thickness({ points: p, size }: Contour): number {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let k = 0; k < size; k++) {
    const x = p[k * stride];
    const y = p[k * stride + 1];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return Math.min(maxX - minX, maxY - minY);
}
