import { setTimeout as pause } from "node:timers/promises";

/**
 * Pictures for the shelf take up to a second each on the thread that answers everything. They are drawn one at a time, and only while
 * nothing else is being answered, so that no click waits for all of them.
 */
interface Turns {
  /** What the last picture took, in milliseconds. */
  took: number;
  /** Requests that are being answered and do not wait for a turn themselves. */
  underWay: number;
  last: Promise<unknown>;
}
// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & { vextalTurns?: Turns };
const turns = (shared.vextalTurns ??= { took: 0, underWay: 0, last: Promise.resolve() });

/** Between two pictures requests come in: for half of what the last one took, within these bounds in milliseconds. */
const breath = { least: 40, most: 400 };
/** How long a picture stands back at most, in milliseconds. */
const longest = 3000;

/** Counts a request as being answered. */
export async function counted<T>(work: () => Promise<T>): Promise<T> {
  turns.underWay++;
  try {
    return await work();
  } finally {
    turns.underWay--;
  }
}

/** Does what can wait, in the turn in which it was asked for. Within a request: it does not count as being answered meanwhile. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  turns.underWay--;
  try {
    const mine = turns.last.then(async () => {
      const until = Date.now() + longest;
      do await pause(Math.min(breath.most, Math.max(breath.least, turns.took / 2)));
      while (turns.underWay > 0 && Date.now() < until);
      const start = Date.now();
      return work().finally(() => (turns.took = Date.now() - start));
    });
    turns.last = mine.catch(() => undefined);
    return await mine;
  } finally {
    turns.underWay++;
  }
}
