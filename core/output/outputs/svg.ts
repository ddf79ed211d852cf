import { output } from "../output-kind";
import { toSvg } from "../svg";

export const svg = output({
  kind: "svg",
  label: "Plain SVG",
  hint: "Plain paths: no face is needed to open it, and its size is the board’s",
  extension: "svg",
  mediaType: "image/svg+xml",
  params: {},
  write: async (exported, box) => toSvg({ ...exported, piece: undefined }, box),
});
