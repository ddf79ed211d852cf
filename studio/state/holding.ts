import type { History } from "./history";
import type { Work } from "./work";

/**
 * What is dragged, of whatever kind: from the press of the pointer until it is let go, all that changes is one thing. It is saved at its
 * end, so that no half of it is, and Escape takes all of it back.
 */
interface Held {
  readonly work: Work | null;
  readonly history: History;
}

let before: Held | null = null;
let cancelled = false;

export function press(now: Held): void {
  before = now;
  cancelled = false;
}

export function letGo(): void {
  before = null;
  cancelled = false;
}

export const isHeld = (): boolean => before !== null;

/** Whether the pointer goes on with a drag that was taken back: nothing comes of it any more. */
export const isCancelled = (): boolean => cancelled;

/** Takes the drag back. @returns how all was before it; undefined where nothing has changed since */
export function cancel(now: Work | null): Held | undefined {
  if (!before || cancelled || before.work === now) return undefined;
  cancelled = true;
  return before;
}
