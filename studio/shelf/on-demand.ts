/** @throws Error in the user's words, where the server is gone or has been brought up to date meanwhile */
const fetched = <M>(module: Promise<M>): Promise<M> =>
  module.catch(() => Promise.reject(new Error("A part of Vextal did not arrive. Is the server running? If so, reload the page.")));

/** What the shelf does, fetched when it is first done or when there is nothing else to do: to be seen it needs none of it. */
export const deeds = {
  actions: () => fetched(import("./actions")),
  styleFiles: () => fetched(import("./style-files")),
  fetchWhenIdle(): void {
    const fetchAll = () => void Promise.allSettled([this.actions(), this.styleFiles()]);
    if ("requestIdleCallback" in window) requestIdleCallback(fetchAll, { timeout: 5000 });
    else setTimeout(fetchAll, 1000);
  },
};
