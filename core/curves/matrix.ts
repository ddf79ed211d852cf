/**
 * A 2D affine map in the order of SVG's `matrix(a b c d e f)`:
 * x' = a x + c y + e, y' = b x + d y + f.
 */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export interface Point {
  readonly x: number;
  readonly y: number;
}

export const identity: Matrix = [1, 0, 0, 1, 0, 0];

/** The map that applies `inner` first and `outer` second. */
export function multiply(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [g, h, i, j, k, l] = inner;
  return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f];
}

export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];

export const scaling = (x: number, y = x): Matrix => [x, 0, 0, y, 0, 0];

/** A turn about the origin. @param degrees clockwise on a screen whose y runs down */
export function rotation(degrees: number): Matrix {
  const t = (degrees * Math.PI) / 180;
  return [Math.cos(t), Math.sin(t), -Math.sin(t), Math.cos(t), 0, 0];
}

/** The inverse map. @throws RangeError where the map flattens the plane */
export function invert([a, b, c, d, e, f]: Matrix): Matrix {
  const det = a * d - b * c;
  if (!Number.isFinite(1 / det)) throw new RangeError("This placement has no size, so it cannot be undone.");
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

export const apply = ([a, b, c, d, e, f]: Matrix, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});
