import { Budget } from "../budget";
import type { Contour } from "../contour";
import { CurveError } from "../errors";
import { bordersApart } from "./apart";
import { makeMesh } from "./mesh";
import { findNodes } from "./noding";
import { rebuild } from "./rebuild";
import { traceRings, type Rule } from "./rings";
import { makeStrands } from "./strands";
import { isSliver } from "./tidy";
import { Inconsistent, windings } from "./windings";

/**
 * The heart of the kernel: the border of all points whose winding number, summed over `contours`, is inside by `rule`.
 *
 * The contours are flattened onto an integer grid, where every question of what crosses what has an exact answer; cut at their
 * nodes into strands; the strands between inside and outside are linked into rings; and the rings are written with the curves
 * that the strands were flattened from. A contour that meets no other comes back as the same object.
 *
 * @param contours closed
 * @param weights what each contour adds to the winding number of what it goes round counterclockwise; integers
 * @param slack how far apart curves may be where they are joined, in units: curves that only nearly meet are looked at more closely
 * @returns contours that do not cross, outers positive, counters negative
 * @throws BudgetError
 */
export function resolve(contours: readonly Contour[], weights: ArrayLike<number>, rule: Rule, budget = new Budget(), slack = 0): Contour[] {
  return resolveEach(contours, new Uint8Array(contours.length), weights, rule, budget, slack).rings;
}

/** What `resolveEach` gives. */
export interface Resolved {
  readonly rings: Contour[];
  /** For each ring, the index of a contour that it was made from. */
  readonly from: number[];
}

/**
 * As `resolve` does it, for several shapes at once, each as if it were alone: one large arrangement costs less than many small ones.
 * @param shape the number of the shape that each contour belongs to; contours of one shape follow one another
 */
export function resolveEach(contours: readonly Contour[], shape: ArrayLike<number>, weights: ArrayLike<number>, rule: Rule, budget = new Budget(), slack = 0): Resolved {
  let tolerance = chordTolerance;
  // One kind of array throughout: the loops below are compiled once, for that.
  const owners = Int32Array.from(shape);
  const steps = Int32Array.from(weights);
  for (let attempt = 0; attempt < 4; attempt++) {
    try {
      const { rings, from, misses } = once(contours, owners, steps, rule, tolerance, slack, budget, attempt);
      if (misses === 0 || tolerance < chordTolerance) {
        return { rings, from };
      }
      tolerance = fineTolerance;
      attempt--;
    } catch (error) {
      // The arrangement checks itself. Another grid rounds in another way.
      if (!(error instanceof Inconsistent)) throw error;
    }
  }
  throw new CurveError("This outline could not be worked out. Please move one of its points by a little.");
}

/** How far a chord may lie from its curve while it is decided what crosses what, in units. */
const chordTolerance = 0.05;
/** The same where chords crossed and no common point of their curves was found: curves that run along one another. */
const fineTolerance = 0.004;

function once(contours: readonly Contour[], shape: Int32Array, weights: Int32Array, rule: Rule, tolerance: number, slack: number, budget: Budget, attempt: number) {
  const mesh = makeMesh(contours, shape, tolerance, budget, attempt);
  const noding = findNodes(mesh, budget);
  if (!noding.touched.includes(1)) return { ...bordersApart(mesh, noding.strips, weights, rule), misses: 0 };
  const strands = makeStrands(mesh, noding, weights);
  const rings: Contour[] = [];
  const from: number[] = [];
  let misses = 0;
  for (const ring of traceRings(strands, windings(mesh, strands, weights, noding.strips), rule, contours.map((c) => c.size))) {
    const built = rebuild(mesh, strands, ring, tolerance, slack);
    misses += built.misses;
    if (!built.contour || isSliver(built.contour)) continue;
    rings.push(built.contour);
    from.push(ring[0].contour);
  }
  return { rings, from, misses };
}
