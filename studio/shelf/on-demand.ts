/** @throws Error in the user's words, where the server is gone or has been brought up to date meanwhile */
const fetched = <M>(module: Promise<M>): Promise<M> =>
  module.catch(() => Promise.reject(new Error("A part of Vextal did not arrive. Is the server running? If so, reload the page.")));

/** What the shelf does, fetched as a hand comes near: to be seen it needs none of it. */
export const deeds = {
  actions: () => fetched(import("./actions")),
  styleFiles: () => fetched(import("./style-files")),
};

/** Fetches it all at the first move or key, which come before any click. @returns what ends the waiting */
export function fetchDeedsSoon(): () => void {
  const ended = new AbortController();
  const fetchAll = () => {
    ended.abort();
    void Promise.allSettled(Object.values(deeds).map((fetch) => fetch()));
  };
  for (const event of ["pointermove", "pointerdown", "keydown"] as const)
    window.addEventListener(event, fetchAll, { signal: ended.signal, passive: true });
  return () => ended.abort();
}
