import { directionAt } from "../bezier";
import type { Budget } from "../budget";
import { ContourBuilder, reversed, stride, type Contour } from "../contour";
import { addCap, addJoin, type Cap, type Join } from "./joins";
import { withoutLoops } from "./trim";
import { backwardParts, parallel, type Part } from "./parallel";

const inward = new Float64Array(2);
const outward = new Float64Array(2);

/**
 * A closed contour moved sideways by d. It crosses itself. Its winding number at any point is the contour's own, plus (d > 0)
 * or less (d < 0) the number of times the point is covered by the strips between segments and their parallels and by
 * the joins at the corners: the grown or shrunk shape is where it is above 0
 * (Chen and McMains, Polygon Offsetting by Computing Winding Numbers, ASME DETC 2005, carried over to curves).
 *
 * @param d units; above 0 to the right of travel, the outside of a positive contour
 */
export function rawOutline(c: Contour, d: number, join: Join, tolerance: number, budget: Budget): Contour {
  const out = new ContourBuilder();
  const backward = allBackward(c, d);
  const closings: number[] = [];
  start(c, d, backward, out);
  const x = out.x;
  const y = out.y;
  for (let k = 0; k < c.size; k++) {
    parallel(c.points, k * stride, c.degrees[k], d, backward[k], tolerance, out, budget);
    const before = out.size;
    if (corner(c, k, k + 1 === c.size ? 0 : k + 1, d, join, backward, out)) closings.push(before);
  }
  out.endAt(x, y);
  return withoutLoops(out.build(true), closings);
}

/** The border of a band of constant width along an open contour: there on the right, a cap, back on the left, a cap. */
export function rawBand(c: Contour, half: number, join: Join, cap: Cap, tolerance: number, budget: Budget): Contour {
  const out = new ContourBuilder();
  const sides = [c, reversed(c)];
  let x = 0;
  let y = 0;
  for (const side of sides) {
    const backward = allBackward(side, half);
    if (side === c) {
      start(c, half, backward, out);
      x = out.x;
      y = out.y;
    } else if (startsBackward(backward[0])) out.line(side.points[0], side.points[1]);
    for (let k = 0; k < side.size; k++) {
      const ends = { start: k === 0, end: k + 1 === side.size };
      parallel(side.points, k * stride, side.degrees[k], half, backward[k], tolerance, out, budget, ends);
      if (k + 1 < side.size) corner(side, k, k + 1, half, join, backward, out);
    }
    const last = side.size - 1;
    const n = last * stride + 2 * side.degrees[last];
    directionAt(side.points, last * stride, side.degrees[last], 1, inward);
    const [ax, ay] = inward;
    if (endsBackward(backward[last])) out.line(side.points[n] + half * ay, side.points[n + 1] - half * ax);
    addCap(out, side.points[n], side.points[n + 1], ax, ay, half, cap);
  }
  if (out.x !== x || out.y !== y) out.line(x, y);
  return out.build(true);
}

const allBackward = (c: Contour, d: number): (readonly Part[])[] => Array.from({ length: c.size }, (_, k) => backwardParts(c.points, k * stride, c.degrees[k], d));

const startsBackward = (parts: readonly Part[]): boolean => parts.length > 0 && parts[0][0] === 0;
const endsBackward = (parts: readonly Part[]): boolean => parts.length > 0 && parts[parts.length - 1][1] === 1;

function start(c: Contour, d: number, backward: readonly (readonly Part[])[], out: ContourBuilder): void {
  directionAt(c.points, 0, c.degrees[0], 0, outward);
  if (startsBackward(backward[0])) out.move(c.points[0], c.points[1]);
  else out.move(c.points[0] + d * outward[1], c.points[1] - d * outward[0]);
}

function corner(c: Contour, k: number, next: number, d: number, join: Join, backward: readonly (readonly Part[])[], out: ContourBuilder): boolean {
  directionAt(c.points, k * stride, c.degrees[k], 1, inward);
  directionAt(c.points, next * stride, c.degrees[next], 0, outward);
  const x = c.points[next * stride];
  const y = c.points[next * stride + 1];
  return addJoin(out, x, y, inward[0], inward[1], outward[0], outward[1], d, join, endsBackward(backward[k]), startsBackward(backward[next]));
}
