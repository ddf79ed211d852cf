import { Budget, BudgetError } from "../curves/budget";
import { contoursOf } from "../curves/contour";
import { sketched } from "../curves/draft/sketched";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";

/** Steps of work that sides may take to be cut: some three seconds. */
const mostCut = 60e6;

/**
 * The sides of a body as they are cut to what is seen of them; where that would be too much work, as of hundreds of letters that run to one
 * point, painted over one another, which looks the same.
 */
export function cutOrPainted<T>(kernel: Kernel, cut: () => T, painted: () => T, steps = mostCut): T {
  try {
    return kernel.within(new Budget(steps), cut);
  } catch (error) {
    if (error instanceof BudgetError) return painted();
    throw error;
  }
}

/** Lines along a painted side, for which nothing is cut either. */
export const paintedLines = (side: Path, width: number): Path => sketched(contoursOf(side, true), width, "round");
