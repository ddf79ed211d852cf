import { directionAt } from "../curves/bezier";
import { stride, type Contour } from "../curves/contour";

/** A node at which an outline turns at once. */
export interface Corner {
  /** The segment that it starts. */
  readonly segment: number;
  /** Whether it points out of the ink. */
  readonly convex: boolean;
}

/** Turns beyond this are corners and not slips of a drawing: 18 degrees. */
const least = Math.cos(Math.PI / 10);

/** The corners of a clean contour: outers positive, counters negative, so that ink lies on the right. */
export function cornersOf(c: Contour): Corner[] {
  const [a, b] = [new Float64Array(2), new Float64Array(2)];
  const found: Corner[] = [];
  for (let k = 0; k < c.size; k++) {
    const before = (k + c.size - 1) % c.size;
    directionAt(c.points, before * stride, c.degrees[before], 1, a);
    directionAt(c.points, k * stride, c.degrees[k], 0, b);
    if (a[0] * b[0] + a[1] * b[1] < least) found.push({ segment: k, convex: a[0] * b[1] - a[1] * b[0] > 0 });
  }
  return found;
}
