import type { Budget } from "../budget";
import type { ContourBuilder } from "../contour";

/** An outline as it is being written. */
export interface Trace {
  readonly out: ContourBuilder;
  /** How far what is fitted may lie from the true curve, in units. */
  readonly tolerance: number;
  readonly budget: Budget;
}

/** Two points nearer than this, in units, are one. */
const nowhere = 1e-7;

/** A line to (x, y), unless the outline stands there. */
export function lineTo({ out }: Trace, x: number, y: number): void {
  if (Math.abs(out.x - x) > nowhere || Math.abs(out.y - y) > nowhere) out.line(x, y);
}
