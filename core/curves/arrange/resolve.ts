import { Budget } from "../budget";
import type { Contour } from "../contour";
import { CurveError } from "../errors";
import { bordersApart, type Border } from "./apart";
import { winding, type Cover, type Labels } from "./cover";
import { makeMesh, type GridMesh } from "./mesh";
import { findNodes, type Noding } from "./noding";
import { rebuild, type Closeness } from "./rebuild";
import { traceRings } from "./rings";
import { makeStrands } from "./strands";
import { isSliver } from "./tidy";
import { Inconsistent, windings } from "./windings";

/** Which winding numbers count as inside. */
export type Rule = (winding: number) => boolean;

export const positive: Rule = (w) => w > 0;
export const nonzero: Rule = (w) => w !== 0;
export const odd: Rule = (w) => w % 2 !== 0;
/** Of n shapes, none of which winds more than once about any point. */
export const inAll =
  (n: number): Rule =>
  (w) =>
    w === n;

/** What contours are arranged for. */
export interface Question {
  /** Closed. */
  readonly contours: readonly Contour[];
  /**
   * The shape that each contour belongs to, in ascending order: shapes have nothing to do with one another. All one, where it is left out.
   */
  readonly shape?: Int32Array;
  /** What each contour adds to the cover of what it goes round counterclockwise. */
  readonly weights: Int32Array;
  readonly cover: Cover;
  readonly labelOf: Labels;
  /**
   * How far apart curves may be where they are joined, in units, since they are not known more closely: those that only nearly meet are
   * looked at again where it is 0.
   */
  readonly slack?: number;
  /** Whether many contours are expected to share their borders: they are then looked at once. */
  readonly sharing?: boolean;
}

/** How far a chord may lie from its curve while it is decided what crosses what, in units. */
export const chordTolerance = 0.05;
/** The same where chords crossed and no common point of their curves was found: curves that run along one another. */
const fineTolerance = 0.004;
/** Grids that are tried before an outline is given up, each half as fine as the one before. */
const grids = 4;

/**
 * The heart of the kernel: the borders of all parts of the plane that have the same label, by what covers them.
 *
 * The contours are flattened onto an integer grid, where every question of what crosses what has an exact answer; cut at their
 * nodes into strands; the strands between two labels are linked into rings; and the rings are written with the curves
 * that the strands were flattened from. A contour that meets no other comes back as the same object.
 *
 * @returns contours that do not cross; of each label outers are positive, counters negative
 * @throws BudgetError
 */
export function arrange(question: Question, budget = new Budget()): Border[] {
  const { contours, slack = 0, sharing = false } = question;
  const shape = question.shape ?? new Int32Array(contours.length);
  let chord = chordTolerance;
  for (let coarser = 0; coarser < grids;) {
    const found = attempt(() => {
      const mesh = makeMesh(contours, shape, { chord, coarser, sharing, closely: chord > fineTolerance && slack === 0 }, budget);
      return bordersOf(mesh, findNodes(mesh, budget), question, { chord, slack });
    });
    if (!found) coarser++;
    else if (found.misses === 0 || chord === fineTolerance) return found.borders;
    else chord = fineTolerance;
  }
  throw new CurveError("This outline could not be worked out. Please move one of its points by a little.");
}

/** What comes of one grid. The arrangement checks itself: nothing, where it contradicts itself. Another grid rounds in another way. */
export function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof Inconsistent) return undefined;
    throw error;
  }
}

/**
 * The borders on a mesh whose nodes are known; how many of their junctions are not at a common point of two curves, and how many lenses are
 * lost.
 */
export function bordersOf(
  mesh: GridMesh,
  noding: Noding,
  { weights, cover, labelOf }: Question,
  closeness: Closeness,
): { borders: Border[]; misses: number } {
  const field = { mesh, weights, cover, strips: noding.strips };
  if (!noding.touched.includes(1)) return { borders: bordersApart(field, labelOf), misses: noding.misses };
  const strands = makeStrands(mesh, noding, weights, cover);
  const around = windings(field, strands);
  const borders: Border[] = [];
  let misses = noding.misses + strands.lenses;
  for (const { label, reaches } of traceRings(
    strands,
    around,
    cover,
    labelOf,
    mesh.contours.map((c) => c.size),
  )) {
    const built = rebuild(mesh, strands, reaches, closeness);
    misses += built.misses;
    if (built.contour && !isSliver(built.contour)) borders.push({ contour: built.contour, label, from: reaches[0].contour });
  }
  return { borders, misses };
}

/**
 * The border of all points whose winding number, summed over `contours`, is inside by `rule`.
 * @param contours closed
 * @param weights what each contour adds to the winding number of what it goes round counterclockwise; whole numbers; 1 where left out
 * @param slack as in `Question`
 * @returns contours that do not cross, outers positive, counters negative
 */
export function resolve(
  contours: readonly Contour[],
  rule: Rule,
  budget = new Budget(),
  { weights, slack }: { weights?: ArrayLike<number>; slack?: number } = {},
): Contour[] {
  const question = {
    contours,
    weights: weights ? Int32Array.from(weights) : ones(contours.length),
    cover: winding,
    labelOf: insideBy(rule),
    slack,
  };
  return arrange(question, budget).map((b) => b.contour);
}

/** What `kept` winds about and nothing of `taken`, which are so many shapes; none of them winds more than once about any point. */
export function lessThan(kept: readonly Contour[], taken: readonly Contour[], shapes: number, budget: Budget): Contour[] {
  const all = shapes + 1;
  return resolve([...kept, ...taken], inAll(all), budget, { weights: [...kept.map(() => all), ...taken.map(() => 1)] });
}

/** What a shape adds to a winding number that others are counted beside: more than they ever wind. */
const whole = 2 ** 20;

/** Contours that may cross themselves, or a shape that they are kept within, which winds no more than once about any point. */
export type Cutting = { readonly kept: readonly Contour[] } | { readonly within: readonly Contour[] };

/** What is inside of all that is kept by a rule, and within each of the shapes, too: from one arrangement. */
export function insideOf(all: readonly Cutting[], rule: Rule, budget: Budget, slack?: number): Contour[] {
  const full = whole * all.filter((c) => "within" in c).length;
  const contours = all.flatMap((c) => ("kept" in c ? c.kept : c.within));
  const weights = all.flatMap((c) => ("kept" in c ? c.kept.map(() => 1) : c.within.map(() => whole)));
  return resolve(contours, (w) => Math.abs(w - full) < whole / 2 && rule(w - full), budget, { weights, slack });
}

/**
 * As `resolve` does it, for several shapes at once, each as if it were alone: one large arrangement costs less than many small ones.
 * @param shape the number of the shape that each contour belongs to; contours of one shape follow one another
 * @param shapes how many there are
 * @param slack as in `Question`
 * @returns the contours of each shape
 */
export function resolveEach(
  contours: readonly Contour[],
  shape: Int32Array,
  shapes: number,
  rule: Rule,
  budget = new Budget(),
  slack?: number,
): Contour[][] {
  const borders = arrange({ contours, shape, weights: ones(contours.length), cover: winding, labelOf: insideBy(rule), slack }, budget);
  const each: Contour[][] = Array.from({ length: shapes }, () => []);
  for (const { contour, from } of borders) each[shape[from]].push(contour);
  return each;
}

export const ones = (n: number): Int32Array => new Int32Array(n).fill(1);

export const insideBy =
  (rule: Rule): Labels =>
  (w) =>
    rule(w) ? 0 : -1;
