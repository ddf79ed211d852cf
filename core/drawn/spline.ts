const { max, min } = Math;

/** A height over the way across as cubics between knots (cubic Hermite spline; de Boor, A practical guide to splines, 1978, chapter IV). */
export class Spline {
  /** @param xs ascending, two at least */
  constructor(
    readonly xs: readonly number[],
    readonly ys: readonly number[],
    readonly slopes: readonly number[],
  ) {}

  /** The height; beyond the ends it is theirs. */
  at(x: number): number {
    const { xs, ys, slopes } = this;
    const k = this.#pieceAt(x);
    const h = xs[k + 1] - xs[k];
    const t = min(1, max(0, (x - xs[k]) / h));
    const [a, b, d] = [h * slopes[k], h * slopes[k + 1], ys[k + 1] - ys[k]];
    return ys[k] + t * (a + t * (3 * d - 2 * a - b + t * (a + b - 2 * d)));
  }

  slopeAt(x: number): number {
    const { xs, ys, slopes } = this;
    const k = this.#pieceAt(x);
    const h = xs[k + 1] - xs[k];
    const t = min(1, max(0, (x - xs[k]) / h));
    const [a, b, d] = [h * slopes[k], h * slopes[k + 1], ys[k + 1] - ys[k]];
    return (a + t * (2 * (3 * d - 2 * a - b) + 3 * t * (a + b - 2 * d))) / h;
  }

  #pieceAt(x: number): number {
    let k = 0;
    while (k + 2 < this.xs.length && this.xs[k + 1] < x) k++;
    return k;
  }
}
