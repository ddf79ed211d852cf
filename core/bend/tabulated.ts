import type { Edge } from "./coons";
import { intervalOf } from "../curves/halving";

/** Stretches between the places where an edge may have a corner. */
const stretches = 96;
/** How far from the ends of a stretch its slopes are taken, so that those at a corner are of its own side. */
const aside = 1e-7;

/**
 * An edge as a table of cubics through exact places with exact slopes (Hermite interpolation: the error falls with the fourth power of the
 * stretch, and is below a thousandth of a unit here), to be evaluated at thousands of places of every letter.
 * @param corners places from 0 to 1 where the edge may turn sharply
 */
export function tabulated(edge: Edge, corners: readonly number[]): Edge {
  const knots = Float64Array.from(
    [
      ...new Set([...Array.from({ length: stretches + 1 }, (_, i) => i / stretches), ...corners.filter((t) => t > 1e-6 && t < 1 - 1e-6)]),
    ].sort((a, b) => a - b),
  );
  const n = knots.length - 1;
  // Of each stretch: x0, y0, x1, y1 and the slopes at its two ends, times its width.
  const table = new Float64Array(8 * n);
  const p = new Float64Array(4);
  for (let i = 0; i < n; i++) {
    const [a, b] = [knots[i], knots[i + 1]];
    const h = b - a;
    const eps = Math.min(aside, h / 4);
    edge(a, p);
    table.set([p[0], p[1]], 8 * i);
    edge(b, p);
    table.set([p[0], p[1]], 8 * i + 2);
    edge(a + eps, p);
    table.set([p[2] * h, p[3] * h], 8 * i + 4);
    edge(b - eps, p);
    table.set([p[2] * h, p[3] * h], 8 * i + 6);
  }
  return (t, out) => {
    const i = intervalOf(knots, n, t);
    const h = knots[i + 1] - knots[i];
    const s = (t - knots[i]) / h;
    const o = 8 * i;
    const u = 1 - s;
    const [b0, b1, c0, c1] = [u * u * (1 + 2 * s), s * s * (3 - 2 * s), s * u * u, -s * s * u];
    const d = (6 * s * u) / h;
    const [e0, e1] = [(u * (1 - 3 * s)) / h, (s * (3 * s - 2)) / h];
    for (let k = 0; k < 2; k++) {
      const [v0, v1, m0, m1] = [table[o + k], table[o + 2 + k], table[o + 4 + k], table[o + 6 + k]];
      out[k] = b0 * v0 + b1 * v1 + c0 * m0 + c1 * m1;
      out[2 + k] = d * (v1 - v0) + e0 * m0 + e1 * m1;
    }
  };
}
