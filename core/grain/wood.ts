import { material } from "./material";
import { chance, clamp, noise, ramp, scattered, type Near } from "./noise";

const { floor, max, sqrt } = Math;

const near: Near = { first: 0, second: 0, id: 0 };

/** Rings to the unit. */
const rings = 19;

/** A plank cut beside the heart of the tree: rings about an axis that wanders, fibres, and pores where each ring begins. */
export const wood = material({
  kind: "wood",
  label: "Wood",
  hint: "A planed plank, with its rings, fibres and pores",
  inks: [
    { id: "timber", name: "Timber", colour: "#d9a566" },
    { id: "heartwood", name: "Heartwood", colour: "#8a4f22" },
    { id: "pores", name: "Pores", colour: "#4a2713" },
  ],
  at: (x, y, pixel, seed, spot) => {
    // How deep below the cut the heart lies changes slowly along the plank: the rings close into tongues.
    const across = y + 0.6 * (chance(1, 1, seed) - 0.5) + 0.13 * noise(x * 0.55, y * 0.3, seed) + 0.02 * noise(x * 1.7, y * 0.8, seed + 3);
    const deep = 0.3 + 0.075 * x * (chance(2, 1, seed) < 0.5 ? 1 : -1) + 0.2 * noise(x * 0.21, 0.5, seed + 9);
    const out = sqrt(0.55 * across * across + deep * deep) + 0.007 * noise(x * 3.1, y * 14, seed + 5);
    const count = rings * out + 0.5 * noise(out * 0.5, 0.3, seed + 21);
    const ring = floor(count);
    const t = count - ring;
    const own = chance(ring, 7, seed);

    // Early wood darkens slowly into late wood, which ends at once.
    const end = max(0.05, 1.5 * rings * pixel);
    const late = ramp(0.15, 0.93, t) * (1 - ramp(1 - end, 1, t));
    const fine = 190 * pixel < 1 ? 0.45 * noise(x * 9, y * 190, seed + 33) : 0;
    const fibre = 92 * pixel < 1 ? 0.55 * noise(x * 4.2, y * 92, seed + 31) + fine : 0;
    const broad = noise(x * 0.7, y * 3.2, seed + 41);

    // Pores: short dark strokes along the fibres in two sizes, thick where a ring begins.
    let pore = 0;
    if (88 * pixel < 1.2) {
      const sway = 0.4 * noise(x * 3, y * 11, seed + 50);
      const early = 1 - ramp(0, 0.55, t);
      scattered(x * 4.6 + sway, y * 88, seed + 51, near);
      if (near.id < (0.06 + 0.42 * early) * 4294967296) pore = (1 - ramp(0.05, 0.28, near.first)) * (0.35 + 0.65 * ((near.id & 255) / 255));
      scattered(x * 11 + sway, y * 130, seed + 53, near);
      if (near.id < 0.2 * 4294967296) pore = max(pore, 0.5 * (1 - ramp(0.05, 0.3, near.first)));
      pore *= 1 - 0.5 * late;
    }
    spot.tone = clamp(0.08 + late * late * (0.5 + 0.42 * own) + 0.13 * fibre + 0.11 * broad);
    spot.mark = 0.42 * pore;
    spot.height = 0.2 * late + 0.11 * fibre - 0.2 * pore;
  },
});
