import type { Work } from "./work";

/** What has been done and can be taken back. Works share all that did not change, so that a step costs little. */
export interface History {
  readonly past: readonly Work[];
  readonly future: readonly Work[];
  /** Changes with the same key in one go, such as a drag, are one step. */
  readonly merging: string | null;
}

export const noHistory: History = { past: [], future: [], merging: null };

const mostSteps = 300;

/** Notes the step from `before`. @param merge key of a drag or of a burst of typing */
export function noted(history: History, before: Work, merge: string | null): History {
  if (merge !== null && merge === history.merging) return { ...history, future: [] };
  return { past: [...history.past.slice(-mostSteps + 1), before], future: [], merging: merge };
}

export function undone(history: History, now: Work): { history: History; work: Work } | undefined {
  const work = history.past.at(-1);
  return work && { work, history: { past: history.past.slice(0, -1), future: [now, ...history.future], merging: null } };
}

export function redone(history: History, now: Work): { history: History; work: Work } | undefined {
  const [work, ...future] = history.future;
  return work && { work, history: { past: [...history.past, now], future, merging: null } };
}
