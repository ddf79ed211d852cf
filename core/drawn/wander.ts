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
  const at = (k: number) => 2 * chance(cells ? ((k % cells) + cells) % cells : k, id, seed) - 1;
  const a = at(i);
  return a + (at(i + 1) - a) * f * f * f * (f * (f * 6 - 15) + 10);
}
