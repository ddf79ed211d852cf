/** How what is done in steps looks up between them. */
export interface LookingUp<P> {
  /** Milliseconds. */
  readonly clock: () => number;
  /** How long it may go on without looking up, in milliseconds. */
  readonly every: number;
  /** Lets what waits have its turn. */
  readonly turn: () => Promise<void>;
  /** Whether nobody waits for the result any more. */
  readonly isLeft: () => boolean;
  /** Is told how far it is whenever it looks up. */
  readonly tell: (progress: P) => void;
}

/** Does something step by step, so that others get their turn and it can be left. @returns undefined where it was left */
export async function inSteps<P, T>(steps: Generator<P, T>, { clock, every, turn, isLeft, tell }: LookingUp<P>): Promise<T | undefined> {
  for (let looked = clock(), step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    if (clock() - looked < every) continue;
    tell(step.value);
    await turn();
    if (isLeft()) return undefined;
    looked = clock();
  }
}
