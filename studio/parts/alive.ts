import { useSyncExternalStore } from "react";

const never = () => () => {};

/** Whether the page's programs run yet. Until then a click would be lost, and controls say so by being disabled. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
