import { memoByIdentity, memoByKey, numberOf } from "../../memo";
import { areaOf } from "../arrange/tidy";
import { Budget } from "../budget";
import { contoursOf } from "../contour";
import type { Band, Join, Kernel, NamedWarp, StackItem, Warp } from "../kernel";
import type { Matrix, Point } from "../matrix";
import { dashed } from "../offset/band";
import { joinKey } from "../offset/joins";
import type { Path } from "../path";
import { inChords } from "./chords";
import { draftOutline } from "./draft-outline";
import { fillHoles } from "./draft-holes";
import { anyOverlap, outersOverlap } from "./draft-overlap";
import { counter, DraftPath, draftOf, drawnBy, eachContour, filler, noDraft } from "./draft-path";
import { draftWarp } from "./draft-warp";
import { Pen } from "./pen";
import { sketched } from "./sketched";

const pen = new Pen();

/**
 * Geometry for pictures while a handle is dragged: outlines are moved, but not united, so that a scene of many coats is there within a
 * frame. Filled nonzero it looks as the exact one does, but for places that close up when shrunk and for strokes along outlines that have
 * grown into each other. What it does not do quickly is done exactly. It is never exported.
 */
export class DraftKernel implements Kernel {
  readonly name: string = "draft";
  readonly #welded = memoByIdentity<Path, DraftPath>(1);
  /** Unions of straight letters, which a drag asks for again and again. */
  readonly #straight = memoByKey<Path | null>(100);

  readonly #chords = memoByIdentity<Path, Path>(1);

  constructor(readonly exact: Kernel) {}

  within<R>(budget: Budget, work: () => R): R {
    return this.exact.within(budget, work);
  }

  weld(path: Path): DraftPath {
    return path instanceof DraftPath ? path : this.#welded(path, "", () => draftOf(this.exact.weld(path)));
  }

  union(paths: readonly Path[], at?: readonly Point[]): DraftPath {
    const kinds: number[] = [];
    // Welded before anything is written: what throws must not leave half a drawing on the pen.
    paths
      .map((p) => this.weld(p))
      .forEach((own, i) => {
        const { x, y } = at?.[i] ?? { x: 0, y: 0 };
        write(x === 0 && y === 0 ? own : own.transform([1, 0, 0, 1, x, y]), kinds);
      });
    return drawnBy(pen, kinds);
  }

  joined(paths: readonly Path[], at: readonly Point[] = paths.map(() => ({ x: 0, y: 0 }))): DraftPath | null {
    const drafts = paths.map((p) => this.weld(p));
    const together = at.every((p) => Math.abs(p.x) + Math.abs(p.y) < 1e-6);
    const known = together ? this.#joinedBefore(drafts) : undefined;
    // Filled, what overlaps looks as its union does.
    return known ?? (known === undefined && anyOverlap(drafts, at) ? this.union(drafts, at) : null);
  }

  /** The union by way of what the drafts are of, which has no lines inside; undefined where they were not made alike. */
  #joinedBefore(drafts: readonly DraftPath[]): DraftPath | null | undefined {
    const [first, ...others] = drafts.map((d) => d.origin);
    if (!first) return undefined;
    if (first.by === "bend") {
      const parts = [first];
      for (const o of others) if (o?.by === "bend" && o.map.key === first.map.key) parts.push(o);
      if (parts.length < drafts.length) return undefined;
      const key = parts.map((o) => `${numberOf(o.of)} ${o.at.x} ${o.at.y}`).join();
      const straight = this.#straight(key, () =>
        this.exact.joined(
          parts.map((o) => o.of),
          parts.map((o) => o.at),
        ),
      );
      return straight && draftWarp(this.weld(straight), first.map.warp);
    }
    const parts = [first];
    for (const o of others) if (o?.by === "grow" && o.distance === first.distance && joinKey(o.join) === joinKey(first.join)) parts.push(o);
    const before = parts.length === drafts.length ? this.#joinedBefore(parts.map((o) => o.of)) : undefined;
    // What did not overlap may do so now that it is grown.
    return before ? this.grow(before, first.distance, first.join) : undefined;
  }

  grow(path: Path, distance: number, join: Join): DraftPath {
    const own = this.weld(path);
    if (path.isEmpty || distance === 0) return own;
    const kinds: number[] = [];
    draftOutline(own, distance, join, pen, kinds);
    return drawnBy(pen, kinds, distance > 0 ? { by: "grow", of: own, distance, join } : undefined);
  }

  band(path: Path, band: Band): Path {
    const { width, side, join, dashes, taper } = band;
    if (path.isEmpty || width <= 0) return noDraft;
    const line = !(path instanceof DraftPath) && contoursOf(path, false).some((c) => !c.closed);
    if (line || taper?.length) return this.exact.band(path, band);
    const own = neat(this.weld(path));
    if (dashes.some((d) => d > 0)) {
      // Along the middle of the band, where dashes are as long as on its edge but for what curves make of it.
      const shift = side === "centre" ? 0 : side === "inside" ? -width / 2 : width / 2;
      const plain = own.kinds.includes(filler) ? unfilled(own) : own;
      // Dashes are marks of their own, and would be seen inside.
      const bare = outersOverlap(plain) ? draftOf(this.exact.weld(plain)) : plain;
      const middle = shift === 0 ? bare : neat(this.grow(bare, shift, join));
      const marks = contoursOf(middle, false).flatMap((c) => dashed(c, dashes, band.fit === true));
      return draftOf(sketched(marks, width, band.cap));
    }
    const kinds: number[] = [];
    if (side === "inside") write(own, kinds, "outer");
    else draftOutline(own, side === "centre" ? width / 2 : width, join, pen, kinds, "outer");
    if (side === "outside") write(own, kinds, "inner");
    else draftOutline(own, side === "centre" ? -width / 2 : -width, join, pen, kinds, "inner");
    return drawnBy(pen, kinds);
  }

  plug(path: Path): Path {
    const own = this.weld(path);
    const kinds: number[] = [];
    write(own, kinds, "shape", false);
    const fillers = fillHoles(own, pen);
    for (let k = 0; k < fillers; k++) kinds.push(filler);
    const plugged = drawnBy(pen, kinds);
    return kinds.length === own.kinds.length && fillers === 0 ? own : plugged;
  }

  warp(path: Path, warp: Warp): DraftPath {
    return draftWarp(this.weld(path), warp);
  }

  bent(path: Path, { x: dx, y: dy }: Point, map: NamedWarp): DraftPath {
    return draftWarp(this.weld(path), (x, y, out) => map.warp(x + dx, y + dy, out), { by: "bend", of: path, at: { x: dx, y: dy }, map });
  }

  placed(path: Path, m: Matrix): Path {
    return this.weld(path).transform(m);
  }

  /** Of all that is drawn: what is covered twice counts twice. */
  area(path: Path): number {
    return contoursOf(this.weld(path), true).reduce((sum, c) => sum + areaOf(c), 0);
  }

  intersect(paths: readonly Path[], budget?: Budget): Path {
    return this.exact.intersect(
      paths.map((p) => this.#inChords(p)),
      budget,
    );
  }

  subtract(path: Path, less: readonly Path[], budget?: Budget): Path {
    return this.exact.subtract(
      this.#inChords(path),
      less.map((p) => this.#inChords(p)),
      budget,
    );
  }

  /** What is cut is cut along chords: nothing is flattened more finely than a frame needs, and no curve is found again. */
  #inChords(path: Path): Path {
    return this.#chords(path, "", () => inChords(path));
  }

  evenOdd = (...a: Parameters<Kernel["evenOdd"]>) => this.exact.evenOdd(...a);
  exclude = (...a: Parameters<Kernel["exclude"]>) => this.exact.exclude(...a);
  stack = <L>(items: readonly StackItem<L>[], budget?: Budget) => this.exact.stack(items, budget);
  split = (...a: Parameters<Kernel["split"]>) => this.exact.split(...a);
  sweep = (...a: Parameters<Kernel["sweep"]>) => this.exact.sweep(...a);
  simplify = (...a: Parameters<Kernel["simplify"]>) => this.exact.simplify(...a);
}

function unfilled(path: DraftPath): DraftPath {
  const kinds: number[] = [];
  write(path, kinds, "outer");
  return drawnBy(pen, kinds);
}

/** A grown outline without its loops, which lie where it covers and are seen when it is stroked. */
function neat(path: DraftPath): DraftPath {
  if (path.origin?.by !== "grow") return path;
  const { of, distance, join } = path.origin;
  const kinds: number[] = [];
  draftOutline(neat(of), distance, join, pen, kinds, "shape", true);
  return drawnBy(pen, kinds);
}

/** Writes the contours of a path with the pen, as draftOutline does those beside it. */
function write(path: DraftPath, kinds: number[], edge: "shape" | "outer" | "inner" = "shape", counters = true): void {
  eachContour(path, (contour, at, from, close) => {
    const kind = path.kinds[contour];
    if ((kind === filler && edge !== "shape") || (kind === counter && !counters)) return;
    kinds.push(edge === "inner" ? 1 - kind : kind);
    if (edge === "inner") pen.backwards(path.verbs, path.coords, at, from, close);
    else pen.contour(path.verbs, path.coords, at, from, close);
  });
}
