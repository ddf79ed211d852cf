import { material } from "./material";
import { chance, clamp, octaves, ramp, scattered, type Near } from "./noise";

const near: Near = { first: 0, second: 0, id: 0 };

/** Enamel ware: round drops of two sizes flung over a glaze that pools; the small ones are the marks. */
export const speckle = material({
  kind: "speckle",
  label: "Speckle",
  hint: "Drops flung over a glaze, as on enamel ware",
  inks: [
    { id: "plaster", name: "Plaster", colour: "#ece4d3" },
    { id: "flint", name: "Flint", colour: "#8f8a80" },
    { id: "specks", name: "Specks", colour: "#3a352d" },
  ],
  at: (x, y, pixel, seed, spot) => {
    const glaze = octaves(x * 2.1, y * 2.1, seed + 1, 3, 2 * pixel);
    const drop = (scale: number, s: number, share: number, most: number) => {
      scattered(x * scale, y * scale, seed + s, near);
      const own = chance(near.id & 0xffff, near.id >>> 16, seed + s);
      if (own > share) return 0;
      const size = most * (0.35 + (0.65 * own) / share);
      // No drop is cut off by its neighbour.
      return (1 - ramp(size - 0.06 - 2 * scale * pixel, size, near.first)) * ramp(0, 0.16, near.second - near.first);
    };
    const large = drop(9, 10, 0.34, 0.3);
    const small = drop(24, 20, 0.42, 0.26);
    spot.tone = clamp(0.12 + 0.18 * glaze + 0.85 * large);
    spot.mark = clamp(0.85 * small * (1 - large));
    spot.height = 0.35 * large + 0.2 * small + 0.5 * glaze;
  },
});
