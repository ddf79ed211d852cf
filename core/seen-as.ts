import "culori/css";
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit, type Rgb } from "culori/fn";

/** Ways to look at a board that change nothing of it. */
export const waysOfSeeing = [
  { id: "plain", label: "As it is", hint: "All colours" },
  { id: "protan", label: "Without reds", hint: "As eyes that lack the cones for long waves see it (protanopia)" },
  { id: "deutan", label: "Without greens", hint: "As eyes that lack the cones for middle waves see it (deuteranopia): the commonest" },
  { id: "tritan", label: "Without blues", hint: "As eyes that lack the cones for short waves see it (tritanopia)" },
  { id: "grey", label: "In greys", hint: "By lightness alone, as a copier sees it" },
] as const;
export type WayOfSeeing = (typeof waysOfSeeing)[number]["id"];

/** Rec. 709's luminance, which sRGB shares (IEC 61966-2-1): of encoded values, as screens without colour take it. */
const grey = [0.2126, 0.7152, 0.0722];

const filters = { protan: filterDeficiencyProt(1), deutan: filterDeficiencyDeuter(1), tritan: filterDeficiencyTrit(1) };

/**
 * What a way of seeing makes of encoded red, green and blue, as three rows of three (Machado, Oliveira and Fernandes, A
 * physiologically-based model for simulation of color vision deficiency, 2009); undefined where it changes nothing.
 */
export function matrixOfSeeing(way: WayOfSeeing): readonly (readonly number[])[] | undefined {
  if (way === "plain") return undefined;
  if (way === "grey") return [grey, grey, grey];
  const filter = filters[way];
  const columns = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ].map(([r, g, b]) => filter<Rgb>({ mode: "rgb", r, g, b }));
  return (["r", "g", "b"] as const).map((channel) => columns.map((c) => c[channel]));
}
