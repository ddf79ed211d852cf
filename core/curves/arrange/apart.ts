import { reversed, type Contour } from "../contour";
import type { Labels } from "./cover";
import type { GridMesh } from "./mesh";
import { isSliver } from "./tidy";
import { coverWestOf, type Field } from "./windings";

/** A closed border of one label, as it is written, and a contour that it was made from. */
export interface Border {
  readonly contour: Contour;
  readonly label: number;
  readonly from: number;
}

/**
 * The borders where no contour meets another or itself, as in most letters: each contour is a border or is none, by what covers the
 * outside of it, which a ray from its leftmost point tells.
 */
export function bordersApart(field: Field, labelOf: Labels): Border[] {
  const { mesh, weights, cover } = field;
  const { x, y, chains, contours } = mesh;
  // A leftmost vertex of each contour is an end of a chain.
  const leftmost = new Int32Array(contours.length).fill(-1);
  for (let i = 0; i < chains.count; i++) {
    const c = chains.contour[i];
    const v = chains.from[i];
    const b = leftmost[c];
    if (b < 0 || x[v] < x[b]) leftmost[c] = v;
  }
  const own = new Int32Array(contours.length);
  for (let c = 0; c < own.length; c++) own[c] = c;
  const borders: Border[] = [];
  for (let c = 0; c < contours.length; c++) {
    const v = leftmost[c];
    if (v < 0) continue;
    const west = coverWestOf(field, x[v], y[v], c, own);
    const counterclockwise = turnsLeft(mesh, c, v);
    const inside = labelOf(counterclockwise ? cover.plus(west, weights[c]) : cover.minus(west, weights[c]));
    const outside = labelOf(west);
    if (inside === outside || isSliver(contours[c])) continue;
    const [outer, counter] = counterclockwise ? [contours[c], undefined] : [undefined, contours[c]];
    if (inside >= 0) borders.push({ contour: outer ?? reversed(contours[c]), label: inside, from: c });
    if (outside >= 0) borders.push({ contour: counter ?? reversed(contours[c]), label: outside, from: c });
  }
  return borders;
}

/**
 * Whether a contour that does not meet itself runs counterclockwise, with what lies inside on its left: at its leftmost vertex it turns
 * that way.
 */
function turnsLeft({ x, y, first, last }: GridMesh, contour: number, v: number): boolean {
  const before = v === first[contour] ? last[contour] - 1 : v - 1;
  let after = v;
  let turn = 0;
  // On a straight way up or down it does not turn yet.
  while (turn === 0) {
    after = after + 1 === last[contour] ? first[contour] : after + 1;
    turn = (x[v] - x[before]) * (y[after] - y[v]) - (y[v] - y[before]) * (x[after] - x[v]);
    if (after === before) break;
  }
  return turn > 0;
}
