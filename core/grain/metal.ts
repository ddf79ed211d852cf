import { material } from "./material";
import { clamp, noise, octaves, ramp } from "./noise";

/** Brushed metal: fine streaks along the grain in three lengths under a broad sheen; the marks are scratches. */
export const metal = material({
  kind: "metal",
  label: "Metal",
  hint: "Brushed sheet, with streaks along its grain and a broad sheen",
  inks: [
    { id: "steel", name: "Steel", colour: "#e0e4e7" },
    { id: "dark-steel", name: "Dark steel", colour: "#8a9299" },
    { id: "scratches", name: "Scratches", colour: "#555c63" },
  ],
  at: (x, y, pixel, seed, spot) => {
    const streak = (along: number, across: number, s: number) => (across * pixel < 1.2 ? noise(x * along, y * across, seed + s) : 0);
    const fine = 0.5 * streak(2.2, 150, 1) + 0.32 * streak(1.1, 70, 2) + 0.28 * streak(0.5, 31, 3);
    const sheen = octaves(x * 0.35 + 0.2 * y, y * 0.9, seed + 5, 2, pixel);
    const bands = noise(x * 0.12, y * 5, seed + 6);
    const scratch = 58 * pixel < 1 ? ramp(0.62, 0.8, noise(x * 0.8 + 40, y * 58 + 1.5 * x, seed + 8)) : 0;
    spot.tone = clamp(0.42 + 0.75 * sheen + 0.2 * bands + 0.34 * fine);
    spot.mark = 0.3 * scratch;
    spot.height = 0.22 * fine - 0.2 * scratch;
  },
});
