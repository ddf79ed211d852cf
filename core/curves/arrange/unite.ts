import type { Budget } from "../budget";
import type { Contour } from "../contour";
import type { Border } from "./apart";
import { winding } from "./cover";
import { makeMesh } from "./mesh";
import { findNodes } from "./noding";
import { attempt, bordersOf, chordTolerance, insideBy, nonzero, ones, positive } from "./resolve";

/** What one mesh tells of shapes that nothing was known of. */
export interface United {
  /** The contours of each shape by itself, outers positive, counters negative. */
  readonly clean: Contour[][];
  /** The contours of all together; nothing where shapes meet themselves, or have to be looked at more closely. */
  readonly union: Contour[] | undefined;
}

const closeness = { chord: chordTolerance, slack: 0 };

/**
 * Shapes cleaned, each by itself, and united, all on one mesh. Most letters do not meet themselves: what each of their contours
 * adds follows from what winds about it, and all that is left to look for is where shapes meet each other.
 * @param shape the number of the shape that each contour belongs to; contours of one shape follow one another
 * @returns nothing where the shapes could not be cleaned on this mesh
 */
export function unite(contours: readonly Contour[], shape: Int32Array, shapes: number, budget: Budget): United | undefined {
  const mesh = makeMesh(contours, shape, { chord: chordTolerance, coarser: 0, sharing: false, closely: true }, budget);
  const within = findNodes(mesh, budget);
  const each = attempt(() =>
    bordersOf(mesh, within, { contours, weights: ones(contours.length), cover: winding, labelOf: insideBy(nonzero) }, closeness),
  );
  if (!each || each.misses > 0) return undefined;
  const clean: Contour[][] = Array.from({ length: shapes }, () => []);
  for (const { contour, from } of each.borders) clean[shape[from]].push(contour);
  if (within.touched.includes(1)) return { clean, union: undefined };
  const together = { ...mesh, shape: new Int32Array(contours.length) };
  const between = findNodes(together, budget, { group: shape, strips: within.strips });
  const weights = turns(contours, each.borders);
  const all = attempt(() => bordersOf(together, between, { contours, weights, cover: winding, labelOf: insideBy(positive) }, closeness));
  return { clean, union: all?.misses === 0 ? all.borders.map((b) => b.contour) : undefined };
}

/** What each contour adds to its clean shape: 1 where it is a border as it runs, -1 where it is one backwards, 0 where it is none. */
function turns(contours: readonly Contour[], borders: readonly Border[]): Int32Array {
  const weights = new Int32Array(contours.length);
  for (const { contour, from } of borders) weights[from] = contour === contours[from] ? 1 : -1;
  return weights;
}
