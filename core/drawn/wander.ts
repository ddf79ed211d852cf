import { chance } from "../grain/noise";

const { floor } = Math;

/**
 * Smooth noise along a line, from -1 to 1 with mean 0: random values at whole places, joined by quintics, so that it has no corner
 * (after Perlin, Improving noise, SIGGRAPH 2002).
 * @param cells how many places it goes round; 0 where it does not close
 */
export function wander(u: number, id: number, seed: number, cells = 0): number {
  const i = floor(u);
  const f = u - i;
  const a = chance(round(i, cells), id, seed);
  const b = chance(round(i + 1, cells), id, seed);
  return 2 * (a + (b - a) * f * f * f * (f * (f * 6 - 15) + 10)) - 1;
}

/** The same with how fast it changes, by the cell. */
export function wanderWithSlope(u: number, id: number, seed: number): [value: number, slope: number] {
  const i = floor(u);
  const f = u - i;
  const a = chance(i, id, seed);
  const d = 2 * (chance(i + 1, id, seed) - a);
  return [2 * a + d * f * f * f * (f * (f * 6 - 15) + 10) - 1, 30 * d * f * f * (1 - f) * (1 - f)];
}

const round = (k: number, cells: number): number => (cells ? ((k % cells) + cells) % cells : k);
