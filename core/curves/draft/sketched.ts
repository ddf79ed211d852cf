import { directionAt, valueAt } from "../bezier";
import { ContourBuilder, stride, type Contour } from "../contour";
import type { Cap } from "../offset/joins";
import { widthAt, type TaperStop } from "../offset/taper";

/** Places that a curve is drawn with. */
const places = 5;
/** Segments that meet at less than some 8 degrees go on: the cosine. */
const straight = 0.99;
/** Turns at which a round end has corners, as shares of the half circle. */
const roundness = [1 / 4, 1 / 2, 3 / 4];
const direction = new Float64Array(2);

/**
 * A line as thick as a pen, for a picture while something is dragged and where cutting would be too much work: one polygon along both
 * of its sides. A closed one has a slit where it begins: what a polygon winds about is the sum of what its steps do, however often the
 * line crosses itself.
 */
export function sketched(c: Contour, width: number, cap: Cap, taper: readonly TaperStop[] = []): Contour {
  const right: number[] = [];
  const left: number[] = [];
  let [lastX, lastY] = [0, 0];
  for (let k = 0; k < c.size; k++) {
    const steps = c.degrees[k] === 1 ? 1 : places;
    for (let i = 0; i <= steps; i++) {
      const t = i / steps;
      directionAt(c.points, k * stride, c.degrees[k], t, direction);
      // Where a segment begins as the one before it ends its sides are there already; at a corner they are set anew.
      if (i === 0 && k > 0 && direction[0] * lastX + direction[1] * lastY > straight) continue;
      lastX = direction[0];
      lastY = direction[1];
      const half = (taper.length ? widthAt(taper, (k + t) / c.size) : width) / 2;
      const [x, y] = [valueAt(c.points, k * stride, c.degrees[k], t), valueAt(c.points, k * stride + 1, c.degrees[k], t)];
      const [dx, dy] = [direction[1] * half, -direction[0] * half];
      right.push(x + dx, y + dy);
      left.push(x - dx, y - dy);
    }
  }
  const out = new ContourBuilder();
  const last = right.length - 2;
  out.move(right[0], right[1]);
  for (let i = 2; i <= last; i += 2) out.line(right[i], right[i + 1]);
  if (!c.closed) endOf(out, right[last], right[last + 1], left[last], left[last + 1], cap);
  for (let i = last; i >= 0; i -= 2) out.line(left[i], left[i + 1]);
  if (!c.closed) endOf(out, left[0], left[1], right[0], right[1], cap);
  out.line(right[0], right[1]);
  return out.build(true);
}

/** The end of a line, from its right side to its left, seen along its way. */
function endOf(out: ContourBuilder, ax: number, ay: number, bx: number, by: number, cap: Cap): void {
  if (cap === "butt") return;
  const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
  const [ux, uy] = [ax - mx, ay - my];
  // Ahead, as far as the line is thick on either side.
  const [vx, vy] = [-uy, ux];
  if (cap === "square") {
    out.line(ax + vx, ay + vy);
    out.line(bx + vx, by + vy);
    return;
  }
  for (const share of roundness) {
    const [cos, sin] = [Math.cos(Math.PI * share), Math.sin(Math.PI * share)];
    out.line(mx + ux * cos + vx * sin, my + uy * cos + vy * sin);
  }
}
