import { reversed, type Contour } from "../contour";
import type { Mesh } from "./mesh";
import type { Rule } from "./rings";
import type { Strips } from "./strips";
import { isSliver } from "./tidy";
import { windingWestOf } from "./windings";

/**
 * The borders where no contour meets another or itself, as in most letters: each contour is a border or is none, by the winding number
 * outside it, which a ray from its leftmost point tells.
 */
export function bordersApart(mesh: Mesh, strips: Strips, weights: ArrayLike<number>, rule: Rule): { rings: Contour[]; from: number[] } {
  const { x, y, first, last, chains, contours } = mesh;
  // The leftmost, and of those the lowest, vertex of each contour is an end of a chain.
  const leftmost = new Int32Array(contours.length).fill(-1);
  const own = new Int32Array(contours.length);
  for (let i = 0; i < chains.count; i++) {
    const c = chains.contour[i];
    const v = chains.from[i];
    const b = leftmost[c];
    if (b < 0 || x[v] < x[b] || (x[v] === x[b] && y[v] < y[b])) leftmost[c] = v;
  }
  for (let c = 0; c < own.length; c++) own[c] = c;
  const rings: Contour[] = [];
  const from: number[] = [];
  for (let c = 0; c < contours.length; c++) {
    const v = leftmost[c];
    if (v < 0) continue;
    const outside = windingWestOf(mesh, x[v], y[v], c, own, weights, strips);
    // A contour that runs counterclockwise has the outside on its right.
    let area = 0;
    for (let i = first[c]; i < last[c]; i++) area += (x[i] - x[v]) * (y[i + 1] - y[v]) - (x[i + 1] - x[v]) * (y[i] - y[v]);
    const left = area > 0;
    const inside = left ? outside + weights[c] : outside - weights[c];
    if (rule(inside) === rule(outside) || isSliver(contours[c])) continue;
    rings.push(rule(inside) === left ? contours[c] : reversed(contours[c]));
    from.push(c);
  }
  return { rings, from };
}
