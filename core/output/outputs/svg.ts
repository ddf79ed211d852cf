import { fileGrains } from "../grains";
import { output } from "../output-kind";
import { toSvg } from "../svg";

export const svg = output({
  kind: "svg",
  label: "Plain SVG",
  hint: "Plain paths, as large as the board; opens everywhere",
  extension: "svg",
  mediaType: "image/svg+xml",
  params: {},
  // Vectors are printed, and larger than they were made: over 300 dots to the inch at the size of the board.
  photoDensity: () => 4,
  write: async (exported, box, _, { pause }) => toSvg({ ...exported, piece: undefined, grains: await fileGrains(exported, pause) }, box),
});
