import { CurveError } from "./errors";

/** What an operation throws when it was given too little work for what it was asked. */
export class BudgetError extends CurveError {}

/**
 * A bound on the work of operations, in steps: a step is about one point flattened, one pair of edges compared or one
 * sample fitted. A hundred million, what is allowed unless told otherwise, take some ten seconds. Steps, not time, so that the same input
 * ends the same way on every machine.
 */
export class Budget {
  #left: number;

  constructor(readonly steps = 100e6) {
    this.#left = steps;
  }

  /** @throws BudgetError when the steps are used up */
  spend(steps: number): void {
    this.#left -= steps;
    if (this.#left < 0) throw new BudgetError(`This shape needs more than the ${this.steps} steps of work that were allowed.`);
  }

  get spent(): number {
    return this.steps - this.#left;
  }
}
