import { memoByIdentity, numberOf } from "../memo";
import { involved } from "./apart";
import { inAll, insideOf, lessThan, nonzero, odd, positive, resolve, resolveEach } from "./arrange/resolve";
import { stackContours } from "./arrange/stack";
import { unite } from "./arrange/unite";
import { areaOf } from "./arrange/tidy";
import { meet } from "./bounds";
import { Budget } from "./budget";
import { contoursOf, movedBy, pathOf, type Contour } from "./contour";
import type { Matrix, Point } from "./matrix";
import { bandContours, lineContours, type Band } from "./offset/band";
import { growContours } from "./offset/grow";
import { joinKey, type Join } from "./offset/joins";
import { Path } from "./path";
import { separateShapes, withoutCounters } from "./shapes";
import { simplifyContour } from "./simplify";
import { sweepContours, type Way } from "./sweep";
import { warpContours, type NamedWarp, type Warp } from "./warp";

export type { Band, Side } from "./offset/band";
export type { Cap, Join } from "./offset/joins";
export type { TaperStop } from "./offset/taper";
export type { Way } from "./sweep";
export type { NamedWarp, Warp } from "./warp";

/** The operations of a kernel, exact or not. */
export type Kernel = { readonly [K in keyof CurveKernel]: CurveKernel[K] };

/** The side of a swept shape that faces its way, and the part of the source that it comes from. */
export interface SideFace {
  readonly path: Path;
  /** Contour and segment of the welded source, and the part of the segment. */
  readonly contour: number;
  readonly segment: number;
  readonly from: number;
  readonly to: number;
}

/** One of several shapes that lie over one another. */
export interface StackItem<L> {
  readonly path: Path;
  readonly label?: L;
}

/** What is seen of the shapes of one label, or of one shape without. */
export interface StackPart<L> {
  readonly label: L | undefined;
  readonly path: Path;
}

/**
 * The geometry that everything drawn is made of. Paths are filled nonzero; results wind outers positive and counters negative
 * (shoelace, y down) and do not cross themselves. All operations are pure, and give the same object where they change nothing; results
 * are kept by the identity of the paths they were made from, so that a letter that did not change costs nothing.
 *
 * Every operation takes a budget and throws BudgetError when it runs out, and CurveError for coordinates that are no numbers.
 */
export class CurveKernel {
  /** Tells its results from another kernel's. */
  readonly name: string = "exact";
  /** For what must not depend on whether something is being dragged. */
  readonly exact: Kernel = this;
  #within: Budget | undefined;
  readonly #results = memoByIdentity<Path, Path>(12);
  readonly #clean = new WeakMap<Path, readonly Contour[]>();
  /** Paths made here: they are clean as they are. */
  readonly #own = new WeakSet<Path>();

  /** Does something whose operations share one budget, where they are given none of their own. */
  within<R>(budget: Budget, work: () => R): R {
    const before = this.#within;
    this.#within = budget;
    try {
      return work();
    } finally {
      this.#within = before;
    }
  }

  #budget(): Budget {
    return this.#within ?? new Budget();
  }

  /** The union of a path with itself. Returns the same object where no contours overlap and all wind as they should. */
  weld(path: Path, budget = this.#budget()): Path {
    if (this.#own.has(path)) return path;
    return this.#results(path, "weld", () => {
      const before = contoursOf(path, true);
      const after = this.#welded(path, budget);
      if (after.length === before.length && after.every((c, i) => c === before[i]) && isClosed(path)) return path;
      return this.#made(after);
    });
  }

  /** @param at where the origin of each path lies, where they are not all at 0, 0 */
  union(paths: readonly Path[], at?: readonly Point[], budget = this.#budget()): Path {
    const placed = paths.map((path, i) => ({ path, x: at?.[i].x ?? 0, y: at?.[i].y ?? 0 })).filter((p) => !p.path.isEmpty);
    if (placed.length === 0) return Path.empty;
    if (placed.length === 1) {
      const [{ path, x, y }] = placed;
      return x === 0 && y === 0 ? this.weld(path, budget) : this.#made(this.#welded(path, budget).map((c) => movedBy(c, x, y)));
    }
    const united =
      at === undefined
        ? this.#unitedFresh(
            placed.map((p) => p.path),
            budget,
          )
        : undefined;
    if (united) return this.#made(united);
    this.#weldEach(
      placed.map((p) => p.path),
      budget,
    );
    const owner: number[] = [];
    const contours = placed.flatMap(({ path, x, y }, i) => {
      const clean = this.#welded(path, budget);
      for (let k = clean.length; k > 0; k--) owner.push(i);
      return x === 0 && y === 0 ? clean : clean.map((c) => movedBy(c, x, y));
    });
    // What stands alone passes through; only contours that may meet another shape's are worked on.
    const marks = involved(contours, owner);
    const together = contours.filter((_, i) => marks[i]);
    const alone = contours.filter((_, i) => !marks[i]);
    return this.#made(together.length ? [...resolve(together, positive, budget), ...alone] : alone);
  }

  /** The union, or null where the paths only come near each other: without a common area each keeps its own curves. */
  joined(paths: readonly Path[], at?: readonly Point[], budget = this.#budget()): Path | null {
    const union = this.union(paths, at, budget);
    const apart = paths.reduce((sum, p) => sum + this.area(p, budget), 0);
    return apart - this.area(union, budget) < 0.01 ? null : union;
  }

  /** What all of `paths` cover. */
  intersect(paths: readonly Path[], budget = this.#budget()): Path {
    const n = paths.length;
    if (n === 0 || paths.some((p) => p.isEmpty)) return Path.empty;
    if (paths.some((p) => paths.some((q) => !meet(p.bounds, q.bounds)))) return Path.empty;
    const fresh = paths.filter((p) => !this.#clean.has(p));
    if (n === 1 || fresh.length !== 1) {
      const all = paths.flatMap((p) => this.#welded(p, budget));
      return this.#made(resolve(all, inAll(n), budget));
    }
    // One of which nothing is known yet is not welded first: what of it lies in the others can be had from one arrangement.
    const all = paths.map((p) => (p === fresh[0] ? { kept: contoursOf(p, true) } : { within: this.#welded(p, budget) }));
    return this.#made(insideOf(all, nonzero, budget));
  }

  /** What `path` covers and none of `less` does. Curves that no other crosses come through as they are. */
  subtract(path: Path, less: readonly Path[], budget = this.#budget()): Path {
    const near = less.filter((p) => !p.isEmpty && meet(p.bounds, path.bounds));
    if (path.isEmpty || near.length === 0) return this.weld(path, budget);
    const kept = this.#welded(path, budget);
    const taken = near.flatMap((p) => this.#welded(p, budget));
    return this.#made(lessThan(kept, taken, near.length, budget));
  }

  /** What an odd number of `paths` cover. */
  exclude(paths: readonly Path[], budget = this.#budget()): Path {
    const all = paths.flatMap((p) => this.#welded(p, budget));
    return this.#made(resolve(all, odd, budget));
  }

  /** What a path covers by the even-odd rule (SVG 2, section 13.3): the points that its contours go round an odd number of times. */
  evenOdd(path: Path, budget = this.#budget()): Path {
    return this.#made(resolve(contoursOf(path, true), odd, budget));
  }

  /**
   * What is seen of shapes that lie over one another: for each label the part of its shapes that no nearer one covers. Parts share their
   * borders, with no gap and no overlap. Only what winds positively covers: a shape that is seen from behind winds negatively, and
   * vanishes.
   * @param items nearest first; those of equal labels are one part, and each without a label is a part of its own
   * @returns a part for each label and each item without one, in the order of the nearest of each
   */
  stack<L>(items: readonly StackItem<L>[], budget = this.#budget()): StackPart<L>[] {
    const parts: (L | undefined)[] = [];
    const known = new Map<L, number>();
    const labelled = items.map(({ path, label }) => {
      let part = label === undefined ? undefined : known.get(label);
      if (part === undefined) {
        part = parts.push(label) - 1;
        if (label !== undefined) known.set(label, part);
      }
      return { contours: contoursOf(path, true), part };
    });
    return stackContours(labelled, parts.length, budget).map((contours, i) => ({ label: parts[i], path: this.#made(contours) }));
  }

  /** The parallel outline. @param distance units, outwards above 0, inwards below */
  grow(path: Path, distance: number, join: Join, budget = this.#budget()): Path {
    if (path.isEmpty) return path;
    checkNumber(distance, "distance");
    if (distance === 0) return this.weld(path, budget);
    return this.#results(path, `grow ${distance} ${joinKey(join)}`, () =>
      this.#made(growContours(this.#welded(path, budget), distance, join, budget)),
    );
  }

  /**
   * A stroke made a shape. Contours that end in a close command are outlines of a filled shape; others are lines, and the band lies in
   * their middle.
   */
  band(path: Path, band: Band, budget = this.#budget()): Path {
    checkNumber(band.width, "width");
    for (const d of band.dashes) checkNumber(d, "dash");
    for (const { at, width } of band.taper ?? []) {
      checkNumber(at, "place of a width");
      checkNumber(width, "width");
    }
    if (path.isEmpty || (band.width <= 0 && !band.taper?.some((s) => s.width > 0))) return Path.empty;
    const taper = band.taper?.length
      ? [...band.taper].map((s) => ({ at: s.at, width: Math.max(0, s.width) })).sort((a, b) => a.at - b.at)
      : undefined;
    const key = `band ${band.width} ${band.side} ${joinKey(band.join)} ${band.cap} ${band.dashes.join()} ${band.fit === true} ${band.start} ${band.rings === true} ${JSON.stringify(taper)} ${band.within ? numberOf(band.within) : ""}`;
    return this.#results(path, key, () => {
      const drawn = contoursOf(path, false);
      const lines = band.rings ? drawn : drawn.filter((c) => !c.closed);
      const ordered = { ...band, taper };
      const within = band.within && this.#welded(band.within, budget);
      const kept = (all: Contour[]) => this.#made(within ? resolve([...all, ...within], inAll(2), budget) : all);
      if (lines.length === 0) return kept(bandContours(this.#welded(path, budget), ordered, budget));
      const outlines = band.rings ? [] : drawn.filter((c) => c.closed);
      const along = lineContours(lines, ordered, budget, within);
      if (outlines.length === 0) return this.#made(along);
      const shape = resolve(outlines, nonzero, budget);
      return kept(resolve([...bandContours(shape, ordered, budget), ...along], positive, budget));
    });
  }

  /** The shape without its counters. */
  plug(path: Path, budget = this.#budget()): Path {
    return this.#results(path, "plug", () => {
      const clean = this.#welded(path, budget);
      const plugged = withoutCounters(clean, budget);
      return plugged.length === clean.length ? this.weld(path, budget) : this.#made(plugged);
    });
  }

  /** The separate shapes of a path, each with its counters. */
  split(path: Path, budget = this.#budget()): Path[] {
    return separateShapes(this.#welded(path, budget)).map((c) => this.#made(c));
  }

  /** All that the shape covers on its way, and the faces of its sides that look along it. */
  sweep(path: Path, way: Way, budget = this.#budget()): { silhouette: Path; sides: SideFace[] } {
    for (const v of [way.x, way.y, way.kind === "point" ? way.by : 0]) checkNumber(v, "way");
    if (way.kind === "point" && way.by > 1) throw new RangeError("A shape can be swept to the point itself at most.");
    const still = way.kind === "vector" ? way.x === 0 && way.y === 0 : way.by === 0;
    if (path.isEmpty || still) return { silhouette: this.weld(path, budget), sides: [] };
    const { silhouette, faces } = sweepContours(this.#welded(path, budget), way, budget);
    return { silhouette: this.#made(silhouette), sides: faces.map(({ outline, ...source }) => ({ path: pathOf([outline]), ...source })) };
  }

  /** The same shape within `tolerance` units with fewer nodes. Open contours stay open. */
  simplify(path: Path, tolerance: number, budget = this.#budget()): Path {
    checkNumber(tolerance, "tolerance");
    const before = contoursOf(path, false);
    const after = before.map((c) => simplifyContour(c, Math.max(1e-6, tolerance), budget));
    return after.every((c, i) => c === before[i]) ? path : pathOf(after);
  }

  /** The image under a smooth map, within `tolerance` units. It may cross itself, and is not welded. */
  warp(path: Path, warp: Warp, tolerance: number, budget = this.#budget()): Path {
    return pathOf(warpContours(contoursOf(path, false), warp, tolerance, budget));
  }

  /** The welded path, its origin at `at`, under a smooth map, within `tolerance` units. */
  bent(path: Path, at: Point, { warp }: NamedWarp, tolerance: number, budget = this.#budget()): Path {
    return this.warp(this.weld(path, budget), (x, y, out) => warp(x + at.x, y + at.y, out), tolerance, budget);
  }

  /** The image under an affine map. What does not cross itself still does not, which is not looked for again. */
  placed(path: Path, m: Matrix, budget = this.#budget()): Path {
    const image = path.transform(m);
    if (path.isEmpty || m[0] * m[3] - m[1] * m[2] <= 0) return image;
    if (this.weld(path, budget) === path) {
      this.#clean.set(image, contoursOf(image, true));
      this.#own.add(image);
    } else this.#clean.set(image, contoursOf(this.weld(path, budget).transform(m), true));
    return image;
  }

  /** The filled area in square units, exact for Bezier curves. */
  area(path: Path, budget = this.#budget()): number {
    return this.#welded(path, budget).reduce((sum, c) => sum + areaOf(c), 0);
  }

  /**
   * The union of paths of which nothing is known yet, where it can be had from one arrangement; what was found of each is kept in any case.
   */
  #unitedFresh(paths: readonly Path[], budget: Budget): readonly Contour[] | undefined {
    if (new Set(paths).size < paths.length || paths.some((p) => this.#clean.has(p))) return undefined;
    const { contours, shape } = gathered(paths);
    const united = unite(contours, shape, paths.length, budget);
    if (!united) return undefined;
    paths.forEach((p, i) => this.#clean.set(p, united.clean[i]));
    return united.union;
  }

  /** Welds several paths at once, each by itself: one arrangement costs less than many. */
  #weldEach(paths: readonly Path[], budget: Budget): void {
    const fresh = [...new Set(paths)].filter((p) => !this.#clean.has(p));
    if (fresh.length < 2) return;
    const { contours, shape } = gathered(fresh);
    const clean = resolveEach(contours, shape, fresh.length, nonzero, budget);
    fresh.forEach((p, i) => this.#clean.set(p, clean[i]));
  }

  /** Contours that do not cross, outers positive, counters negative. */
  #welded(path: Path, budget: Budget): readonly Contour[] {
    let clean = this.#clean.get(path);
    if (!clean) {
      const contours = contoursOf(path, true);
      this.#clean.set(path, (clean = resolve(contours, nonzero, budget)));
    }
    return clean;
  }

  /** A path of clean contours, remembered as such. */
  #made(clean: readonly Contour[]): Path {
    const path = pathOf(clean);
    if (path.isEmpty) return path;
    this.#clean.set(path, clean);
    this.#own.add(path);
    return path;
  }
}

/** The contours of several paths, and for each the number of its path. */
function gathered(paths: readonly Path[]): { contours: Contour[]; shape: Int32Array } {
  const each = paths.map((p) => contoursOf(p, true));
  const contours = each.flat();
  const shape = new Int32Array(contours.length);
  let next = 0;
  each.forEach((own, i) => shape.fill(i, next, (next += own.length)));
  return { contours, shape };
}

/** Whether every contour says that it is closed: an open one would be stroked open. */
const isClosed = (path: Path): boolean => contoursOf(path, false).every((c) => c.closed);

function checkNumber(v: number, what: string): void {
  if (!(Math.abs(v) <= 1e9)) throw new RangeError(Number.isFinite(v) ? `A ${what} of ${v} is too far.` : `A ${what} must be a number.`);
}
