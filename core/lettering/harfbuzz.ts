export type HarfBuzz = typeof import("harfbuzzjs");

let loading: Promise<HarfBuzz> | undefined;

/**
 * Loads HarfBuzz once. It is imported here and not at the top of a module, since its start-up waits for WebAssembly
 * and a worker would lose the messages that arrive meanwhile.
 */
export function loadHarfBuzz(): Promise<HarfBuzz> {
  return (loading ??= import("harfbuzzjs"));
}
