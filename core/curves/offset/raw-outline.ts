import { directionAt } from "../bezier";
import type { Budget } from "../budget";
import { ContourBuilder, reversed, segmentOf, stride, type Contour } from "../contour";
import { addCap, addJoin, type Cap, type Join } from "./joins";
import { parallel } from "./parallel";
import { tightStretches, type Stretch } from "./tight";
import { lineTo, type Trace } from "./trace";
import { withoutLoops } from "./trim";

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
  const to: Trace = { out: new ContourBuilder(), tolerance, budget };
  const way = new Way(c, d, join, to);
  const closings: number[] = [];
  way.start();
  const { x, y } = to.out;
  for (let k = 0; k < c.size; k++) {
    way.along(k, join.kind !== "round");
    const before = to.out.size;
    if (way.turn(k, (k + 1) % c.size)) closings.push(before);
  }
  // A way that starts on a corner that opens comes back to it from the end of the corner's join; any other is there but for rounding.
  if (way.startsTight(0)) lineTo(to, x, y);
  to.out.endAt(x, y);
  return withoutLoops(to.out.build(true), closings);
}

/** The border of a band of constant width along an open contour: there on the right, a cap, back on the left, a cap. */
export function rawBand(c: Contour, half: number, join: Join, cap: Cap, tolerance: number, budget: Budget): Contour {
  const to: Trace = { out: new ContourBuilder(), tolerance, budget };
  const { out } = to;
  let x = 0;
  let y = 0;
  for (const side of [c, reversed(c)]) {
    const way = new Way(side, half, join, to);
    const last = side.size - 1;
    if (side === c) {
      way.start();
      ({ x, y } = out);
    } else if (way.startsTight(0)) lineTo(to, side.points[0], side.points[1]);
    for (let k = 0; k <= last; k++) {
      way.along(k, join.kind !== "round" || k === 0 || k === last);
      if (k < last) way.turn(k, k + 1);
    }
    const n = last * stride + 2 * side.degrees[last];
    directionAt(side.points, last * stride, side.degrees[last], 1, inward);
    const [ax, ay] = inward;
    lineTo(to, side.points[n] + half * ay, side.points[n + 1] - half * ax);
    addCap(out, side.points[n], side.points[n + 1], ax, ay, half, cap);
  }
  lineTo(to, x, y);
  out.endAt(x, y);
  return out.build(true);
}

/** The way beside a contour, at a distance d to its right. */
class Way {
  readonly #tight: readonly (readonly Stretch[])[];

  constructor(
    readonly c: Contour,
    readonly d: number,
    readonly join: Join,
    readonly to: Trace,
  ) {
    this.#tight = Array.from({ length: c.size }, (_, k) => tightStretches(segmentOf(c, k), d));
  }

  /** Whether segment k is tight from its very start; the way then starts on the curve. */
  startsTight(k: number): boolean {
    const tight = this.#tight[k];
    return tight.length > 0 && tight[0][0] === 0;
  }

  #endsTight(k: number): boolean {
    const tight = this.#tight[k];
    return tight.length > 0 && tight[tight.length - 1][1] === 1;
  }

  start(): void {
    const { c, d } = this;
    directionAt(c.points, 0, c.degrees[0], 0, outward);
    if (this.startsTight(0)) this.to.out.move(c.points[0], c.points[1]);
    else this.to.out.move(c.points[0] + d * outward[1], c.points[1] - d * outward[0]);
  }

  along(k: number, exact: boolean): void {
    parallel(segmentOf(this.c, k), this.d, this.#tight[k], exact, this.to);
  }

  /** From segment k to the next. @returns whether it went through a corner that closes */
  turn(k: number, next: number): boolean {
    const { c, d } = this;
    directionAt(c.points, k * stride, c.degrees[k], 1, inward);
    directionAt(c.points, next * stride, c.degrees[next], 0, outward);
    const x = c.points[next * stride];
    const y = c.points[next * stride + 1];
    return addJoin(
      this.to.out,
      {
        x,
        y,
        ax: inward[0],
        ay: inward[1],
        bx: outward[0],
        by: outward[1],
        fromCorner: this.#endsTight(k),
        toCorner: this.startsTight(next),
      },
      d,
      this.join,
    );
  }
}
