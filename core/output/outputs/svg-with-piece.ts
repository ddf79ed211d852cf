import { output } from "../output-kind";
import { toSvg } from "../svg";

export const svgWithPiece = output({
  kind: "svg-with-piece",
  label: "SVG with the piece inside",
  hint: "The same picture; opened in Vextal, its words are live again",
  extension: "svg",
  mediaType: "image/svg+xml",
  remark: "piece inside",
  params: {},
  write: async (exported, box) => toSvg({ ...exported, piece: exported.piece() }, box),
});
