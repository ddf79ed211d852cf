import { createContext, useContext, type PointerEvent } from "react";
import type { Gesture } from "./gestures";

/** What handles need of the bench that they lie on. */
export interface BenchActions {
  /** Starts a drag. */
  readonly begin: (gesture: Gesture, event: PointerEvent) => void;
}

export const BenchContext = createContext<BenchActions | null>(null);
export const useBench = (): BenchActions => useContext(BenchContext)!;
