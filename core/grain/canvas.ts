import { material } from "./material";
import { chance, clamp, noise, ramp } from "./noise";

const { floor, sqrt } = Math;

/** Threads to the unit. */
const threads = 22;

/** Plain weave: each thread over one and under one, in widths and tones that vary; the marks are slubs. */
export const canvas = material({
  kind: "canvas",
  label: "Canvas",
  hint: "A plain weave of uneven threads",
  inks: [
    { id: "sailcloth", name: "Sailcloth", colour: "#eadfc4" },
    { id: "weft", name: "Weft", colour: "#c4b088" },
    { id: "gaps", name: "Gaps", colour: "#7d6b45" },
  ],
  at: (x, y, pixel, seed, spot) => {
    const sx = x * threads + 0.24 * noise(x * 4, y * 1.2, seed + 1);
    const sy = y * threads + 0.24 * noise(x * 1.2, y * 4, seed + 2);
    const [ix, iy] = [floor(sx), floor(sy)];
    const [fx, fy] = [sx - ix - 0.5, sy - iy - 0.5];
    const over = ((ix + iy) & 1) === 0 ? 1 : -1;
    // Half as wide as they lie apart, and a little: they nearly touch.
    const warp = 0.44 + 0.05 * noise(ix * 1.7, y * 2.2, seed + 3);
    const weft = 0.44 + 0.05 * noise(x * 2.2, iy * 1.7, seed + 4);
    const upright = 1 - (fx * fx) / (warp * warp);
    const level = 1 - (fy * fy) / (weft * weft);
    const high = upright > 0 ? 0.5 * sqrt(upright) + over * 0.4 * (1 - 4 * fy * fy) : -2;
    const wide = level > 0 ? 0.5 * sqrt(level) - over * 0.4 * (1 - 4 * fx * fx) : -2;
    const top = high >= wide;
    const height = high > wide ? high : wide;
    const gap = height < -0.7;
    const dye = top ? chance(ix, 3, seed) : chance(iy, 9, seed);
    const fine =
      threads * 7 * pixel < 1 ? (top ? noise(sx * 7, sy * 0.9 + ix * 7.7, seed + 5) : noise(sx * 0.9 + iy * 7.7, sy * 7, seed + 6)) : 0;
    const slub = top ? noise(ix * 3.1, y * 1.6, seed + 7) : noise(x * 1.6, iy * 3.1, seed + 8);
    spot.tone = clamp(gap ? 0.95 : 0.16 + 0.2 * dye + 0.14 * fine + 0.1 * noise(x * 2, y * 2, seed + 11) + 0.3 * ramp(0.6, -0.5, height));
    spot.mark = gap ? 0 : 0.35 * ramp(0.45, 0.9, slub);
    spot.height = 1.5 * (gap ? -0.8 : height) + 0.25 * fine + 0.3 * ramp(0.45, 0.9, slub);
  },
});
