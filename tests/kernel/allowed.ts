import type { Path } from "../../core/curves/path";

/**
 * How wide a strip along all outlines may differ, in units: what chords and grids of the reference leave open. Nothing is allowed by area.
 */
export const known = 0.0006;

/** How many times coarser than usual the kernel's grid is for these shapes: it has room for 4096 units about their middle. */
export function gridUnits(paths: readonly Path[]): number {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const p of paths) {
    if (p.isEmpty) continue;
    minX = Math.min(minX, p.bounds.minX);
    minY = Math.min(minY, p.bounds.minY);
    maxX = Math.max(maxX, p.bounds.maxX);
    maxY = Math.max(maxY, p.bounds.maxY);
  }
  if (!(minX <= maxX)) return 1;
  return 2 ** Math.max(0, Math.ceil(Math.log2((Math.max(maxX - minX, maxY - minY) / 2 + 2) / 4096)));
}
