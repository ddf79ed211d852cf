import type { SquareMap } from "./rows";

/** A curve over 0 to 1: writes x, y and its derivative. */
export type Edge = (t: number, out: Float64Array) => void;

/** The four edges of a square's image: `top` and `bottom` run to the right, `left` and `right` down. */
export interface Edges {
  readonly top: Edge;
  readonly right: Edge;
  readonly bottom: Edge;
  readonly left: Edge;
}

/**
 * The bilinearly blended patch of four edges that meet at their corners (Coons, Surfaces for Computer-Aided Design of Space Forms, MIT
 * Project MAC TR-41, 1967; Farin, Curves and Surfaces for CAGD, "Coons patches"): it has the edges exactly.
 */
export function coonsMap({ top, right, bottom, left }: Edges): SquareMap {
  const [t, b, l, r] = Array.from({ length: 4 }, () => new Float64Array(4));
  const corner = (edge: Edge, at: number): [number, number] => {
    edge(at, t);
    return [t[0], t[1]];
  };
  const [p00, p10, p01, p11] = [corner(top, 0), corner(top, 1), corner(bottom, 0), corner(bottom, 1)];
  return (u, v, out) => {
    top(u, t);
    bottom(u, b);
    left(v, l);
    right(v, r);
    for (let k = 0; k < 2; k++) {
      const upper = (1 - u) * p00[k] + u * p10[k];
      const lower = (1 - u) * p01[k] + u * p11[k];
      out[k] = (1 - v) * t[k] + v * b[k] + (1 - u) * l[k] + u * r[k] - (1 - v) * upper - v * lower;
      out[2 + k] = (1 - v) * t[2 + k] + v * b[2 + k] - l[k] + r[k] - (1 - v) * (p10[k] - p00[k]) - v * (p11[k] - p01[k]);
      out[4 + k] = -t[k] + b[k] + (1 - u) * l[2 + k] + u * r[2 + k] + upper - lower;
    }
  };
}
