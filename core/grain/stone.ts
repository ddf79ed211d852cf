import { material } from "./material";
import { chance, clamp, noise, octaves, ramp, scattered, type Near } from "./noise";

const near: Near = { first: 0, second: 0, id: 0 };

/** Hewn limestone: broad facets of the chisel with worn rims, a sandy face, beds, and a few round pits; the marks are stains. */
export const stone = material({
  kind: "stone",
  label: "Stone",
  hint: "Hewn limestone, with facets of the chisel, sand and pits",
  inks: [
    { id: "limestone", name: "Limestone", colour: "#ddd6c6" },
    { id: "weathered", name: "Weathered", colour: "#958d7c" },
    { id: "pits", name: "Pits", colour: "#57503f" },
  ],
  at: (x, y, pixel, seed, spot) => {
    const wx = x + 0.05 * noise(x * 4, y * 4, seed + 1) + 0.012 * noise(x * 21, y * 21, seed + 16);
    const wy = y + 0.05 * noise(x * 4 + 9, y * 4, seed + 2) + 0.012 * noise(x * 21 + 9, y * 21, seed + 17);
    scattered(wx * 4.4, wy * 8.5, seed + 20, near);
    const facet = (near.id & 255) / 255 - 0.5;
    const inside = ramp(0, 0.34, near.second - near.first);
    const broad = octaves(x * 1.1, y * 1.6, seed + 3, 4, 2 * pixel);
    const bed = noise(x * 0.4, y * 5.4 + 0.9 * broad, seed + 4);
    const rough = octaves(x * 9, y * 9, seed + 6, 6, 9 * pixel);
    const sand = octaves(x * 48, y * 48, seed + 9, 3, 48 * pixel);
    scattered(x * 7 + 0.25 * rough, y * 7 + 0.25 * rough, seed + 10, near);
    const own = chance(near.id & 0xffff, 3, seed);
    const size = 0.08 + 0.2 * own * own;
    const pit = own > 0.6 ? 1 - ramp(size * 0.35, size, near.first) : 0;
    const hollow = clamp(0.5 - 1.1 * rough - 0.4 * broad);
    const stain = ramp(0.1, 0.5, octaves(x * 1.9 + 7, y * 1.9, seed + 15, 4, 2 * pixel));
    spot.tone = clamp(
      0.3 + 0.4 * broad + 0.12 * bed + 0.3 * (hollow - 0.4) + 0.2 * facet * inside + 0.14 * sand + 0.05 * (1 - inside) + 0.35 * pit,
    );
    spot.mark = clamp(0.3 * stain * hollow + 0.18 * pit);
    spot.height = 1.1 * broad + 0.25 * bed + 1.15 * rough + 0.3 * sand - 1.1 * pit + 0.42 * inside * (1 + facet);
  },
});
