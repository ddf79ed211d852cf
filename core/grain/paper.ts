import { material } from "./material";
import { clamp, noise, octaves, ramp } from "./noise";

/** Rag paper: a soft tooth, clouds where the pulp is thicker, and fibres that curl through it, which are the marks. */
export const paper = material({
  kind: "paper",
  label: "Paper",
  hint: "Rag paper, with a tooth and fibres",
  inks: [
    { id: "sheet", name: "Sheet", colour: "#f6efdc" },
    { id: "fibres", name: "Fibres", colour: "#dccdaa" },
    { id: "flecks", name: "Flecks", colour: "#a88f60" },
  ],
  at: (x, y, pixel, seed, spot) => {
    const tooth = octaves(x * 26, y * 26, seed + 1, 4, 26 * pixel);
    const cloud = octaves(x * 3.2, y * 3.2, seed + 2, 3, 3 * pixel);
    // A fibre runs where a slow noise passes through nothing, as far as another lets it.
    const fibre = (scale: number, s: number, width: number) => {
      const bent = noise(x * scale + 0.6 * noise(x * 9, y * 9, seed + s + 1), y * scale, seed + s);
      const here = ramp(0.25, 0.5, noise(x * scale * 0.8 + 31, y * scale * 0.8, seed + s + 2));
      return here * (1 - ramp(width * 0.4, width, bent < 0 ? -bent : bent));
    };
    const fibres = fibre(7, 10, 0.035) + 0.7 * fibre(11, 20, 0.05);
    spot.tone = clamp(0.3 + 0.32 * cloud + 0.34 * tooth);
    spot.mark = clamp(0.4 * fibres);
    spot.height = 0.75 * tooth + 0.2 * cloud + 0.18 * fibres;
  },
});
