const { max, min } = Math;

/** A height over the way across as cubics between knots (cubic Hermite spline; de Boor, A practical guide to splines, 1978, chapter IV). */
export class Spline {
  /** Of each piece the height and, by powers of the share of the way along it, what is added. */
  readonly #pieces: readonly (readonly [number, number, number, number])[];

  /** @param xs ascending, two at least */
  constructor(
    readonly xs: readonly number[],
    ys: readonly number[],
    slopes: readonly number[],
  ) {
    this.#pieces = xs.slice(1).map((x, k) => {
      const h = x - xs[k];
      const [a, b, d] = [h * slopes[k], h * slopes[k + 1], ys[k + 1] - ys[k]];
      return [ys[k], a, 3 * d - 2 * a - b, a + b - 2 * d];
    });
  }

  /** The height; beyond the ends it is theirs. */
  at(x: number): number {
    const k = this.#pieceAt(x);
    const [c0, c1, c2, c3] = this.#pieces[k];
    const t = this.#along(k, x);
    return c0 + t * (c1 + t * (c2 + t * c3));
  }

  slopeAt(x: number): number {
    const k = this.#pieceAt(x);
    const [, c1, c2, c3] = this.#pieces[k];
    const t = this.#along(k, x);
    return (c1 + t * (2 * c2 + 3 * t * c3)) / (this.xs[k + 1] - this.xs[k]);
  }

  #along(k: number, x: number): number {
    return min(1, max(0, (x - this.xs[k]) / (this.xs[k + 1] - this.xs[k])));
  }

  #pieceAt(x: number): number {
    let k = 0;
    while (k + 2 < this.xs.length && this.xs[k + 1] < x) k++;
    return k;
  }
}
