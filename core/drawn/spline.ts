const { max, min } = Math;

/** A height over the way across as cubics between knots (cubic Hermite spline; de Boor, A practical guide to splines, 1978, chapter IV). */
export class Spline {
  /** Of each piece the height and, by powers of the share of the way along it, what is added: four numbers. */
  readonly #terms: Float64Array;

  /** @param xs ascending, two at least */
  constructor(
    readonly xs: ArrayLike<number>,
    ys: ArrayLike<number>,
    slopes: ArrayLike<number>,
  ) {
    const terms = new Float64Array(4 * (xs.length - 1));
    for (let k = 0; k + 1 < xs.length; k++) {
      const h = xs[k + 1] - xs[k];
      const [a, b, d] = [h * slopes[k], h * slopes[k + 1], ys[k + 1] - ys[k]];
      terms[4 * k] = ys[k];
      terms[4 * k + 1] = a;
      terms[4 * k + 2] = 3 * d - 2 * a - b;
      terms[4 * k + 3] = a + b - 2 * d;
    }
    this.#terms = terms;
  }

  /** The height; beyond the ends it is theirs. */
  at(x: number): number {
    const k = this.#pieceAt(x);
    const t = this.#along(k, x);
    const c = this.#terms;
    return c[4 * k] + t * (c[4 * k + 1] + t * (c[4 * k + 2] + t * c[4 * k + 3]));
  }

  slopeAt(x: number): number {
    const k = this.#pieceAt(x);
    const t = this.#along(k, x);
    const c = this.#terms;
    return (c[4 * k + 1] + t * (2 * c[4 * k + 2] + 3 * t * c[4 * k + 3])) / (this.xs[k + 1] - this.xs[k]);
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
