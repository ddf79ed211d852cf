import { valueAt } from "../bezier";
import { segmentOf, type Contour } from "../contour";
import type { GridMesh } from "./mesh";

/** Each edge is looked at as so many chords: a sixteenth as far from the curve as the edge is. */
const parts = 4;

/**
 * Crossings of curves that their chords know nothing of. Two edges that do not cross, and are no farther apart than chords may lie from
 * curves, may belong to curves that do: the curves are looked at again with finer chords. A crossing that one pair of edges has and the
 * curves have a little farther on, in the next, is none that is missed: what counts is the sum over two chains.
 */
export class NearMisses {
  /** Pairs of chains whose curves cross more often, or less, than their chords do. */
  count = 0;
  #balance = 0;
  readonly #a = new Float64Array(2 * parts + 2);
  readonly #b = new Float64Array(2 * parts + 2);

  constructor(private readonly mesh: GridMesh) {}

  /** Compares two edges, by their first vertices. @param crossed whether the edges cross */
  compare(a: number, contourA: number, b: number, contourB: number, crossed: boolean): void {
    // One is enough to look at all once more. Straight segments are what their edges are.
    if (this.count > 0 || (this.#isStraight(a, contourA) && this.#isStraight(b, contourB))) return;
    this.#pointsOf(a, contourA, this.#a);
    this.#pointsOf(b, contourB, this.#b);
    this.#balance += crossings(this.#a, this.#b) - (crossed ? 1 : 0);
  }

  /** Ends the comparison of two chains. */
  endPair(): void {
    if (this.#balance !== 0) this.count++;
    this.#balance = 0;
  }

  #isStraight(edge: number, contour: number): boolean {
    return this.mesh.contours[contour].degrees[Math.floor(this.mesh.u[edge])] === 1;
  }

  #pointsOf(edge: number, contour: number, out: Float64Array): void {
    const { u, contours } = this.mesh;
    const c: Contour = contours[contour];
    const k = Math.floor(u[edge]);
    const { p, o, degree } = segmentOf(c, k);
    const from = u[edge] - k;
    const to = Math.min(1, u[edge + 1] - k);
    for (let i = 0; i <= parts; i++) {
      const t = from + ((to - from) * i) / parts;
      out[2 * i] = valueAt(p, o, degree, t);
      out[2 * i + 1] = valueAt(p, o + 1, degree, t);
    }
  }
}

/** How often two polylines cross. */
function crossings(a: Float64Array, b: Float64Array): number {
  let count = 0;
  for (let i = 0; i < 2 * parts; i += 2)
    for (let j = 0; j < 2 * parts; j += 2) {
      if (side(a, i, b, j) !== side(a, i, b, j + 2) && side(b, j, a, i) !== side(b, j, a, i + 2)) count++;
    }
  return count;
}

/** Whether point j of q lies to the left of the chord of p from point i on. */
const side = (p: Float64Array, i: number, q: Float64Array, j: number): boolean =>
  (p[i + 2] - p[i]) * (q[j + 1] - p[i + 1]) - (p[i + 3] - p[i + 1]) * (q[j] - p[i]) > 0;
