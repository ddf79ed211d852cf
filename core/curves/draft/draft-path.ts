import type { Bounds } from "../bounds";
import { contoursOf, stride } from "../contour";
import { areaOf } from "../arrange/tidy";
import type { Join } from "../offset/joins";
import type { Matrix, Point } from "../matrix";
import { Path, Verb } from "../path";
import type { NamedWarp } from "../warp";
import { Pen } from "./pen";

/** What a contour of a draft is. A filler fills what outlines close in; its edge lies under what they cover and is never seen. */
export const counter = 0;
export const outer = 1;
export const filler = 2;

/** How a draft was made, where the union of several that were made so is known to be made so from the union of what they are of. */
export type Origin =
  | { readonly by: "bend"; readonly of: Path; readonly at: Point; readonly map: NamedWarp }
  | { readonly by: "grow"; readonly of: DraftPath; readonly distance: number; readonly join: Join };

/**
 * A path made for a picture while it is dragged. Every contour is a move, lines and cubics that come back to the move's own point, and a
 * close; so each segment can be read where it lies in `coords`, from the two numbers before its own on. Its verb is its degree. Its box is
 * that of its points, from which handles stand out by little.
 */
export class DraftPath extends Path {
  constructor(
    verbs: Uint8Array,
    coords: Float64Array,
    /** Of each contour in turn. */
    readonly kinds: Uint8Array,
    readonly origin?: Origin,
  ) {
    super(verbs, coords, boxOf(coords));
  }

  override get inPassing(): boolean {
    return true;
  }

  override transform(m: Matrix): DraftPath {
    const { verbs, coords } = super.transform(m);
    return new DraftPath(verbs, coords, this.kinds);
  }
}

// Not read from the enum at each step: bundled apart from it, that is a call.
const closing: number = Verb.Close;

export const noDraft = new DraftPath(new Uint8Array(0), new Float64Array(0), new Uint8Array(0));

/** What a pen has written, which is then free again. @param kinds of each contour */
export function drawnBy(pen: Pen, kinds: ArrayLike<number>, origin?: Origin): DraftPath {
  const path =
    pen.verbCount === 0
      ? noDraft
      : new DraftPath(pen.verbs.slice(0, pen.verbCount), pen.coords.slice(0, pen.numberCount), new Uint8Array(kinds), origin);
  pen.clear();
  return path;
}

const pen = new Pen();

/** A clean path, outers positive and counters negative, made ready for drafts. */
export function draftOf(clean: Path): DraftPath {
  for (const { points: p, degrees, size } of contoursOf(clean, true)) {
    pen.move(p[0], p[1]);
    for (let k = 0; k < size; k++) {
      const o = k * stride;
      if (degrees[k] === 1) pen.line(p[o + 2], p[o + 3]);
      else if (degrees[k] === 3) pen.cubic(p[o + 2], p[o + 3], p[o + 4], p[o + 5], p[o + 6], p[o + 7]);
      else {
        // A quadratic's handles as a cubic's: two thirds of the way to its one.
        const [cx, cy, x, y] = [p[o + 2], p[o + 3], p[o + 4], p[o + 5]];
        pen.cubic(p[o] + ((cx - p[o]) * 2) / 3, p[o + 1] + ((cy - p[o + 1]) * 2) / 3, x + ((cx - x) * 2) / 3, y + ((cy - y) * 2) / 3, x, y);
      }
    }
    pen.close();
  }
  return drawnBy(
    pen,
    contoursOf(clean, true).map((c) => (areaOf(c) > 0 ? outer : counter)),
  );
}

/**
 * Runs `each` on every contour: its index, where its numbers start in `coords` (its move), the index of its first verb after the move
 * and of its close.
 */
export function eachContour({ verbs }: DraftPath, each: (contour: number, at: number, from: number, close: number) => void): void {
  let at = 0;
  for (let v = 0, contour = 0; v < verbs.length; contour++) {
    const from = v + 1;
    // The move takes two numbers, a line two and a cubic six.
    let numbers = 2;
    for (v = from; verbs[v] !== closing; v++) numbers += 2 * verbs[v];
    each(contour, at, from, v++);
    at += numbers;
  }
}

/** The box of points. */
export function boxOf(coords: Float64Array): Bounds {
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
