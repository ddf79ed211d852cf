import { fileGrains } from "../grains";
import { output } from "../output-kind";
import { toSvg } from "../svg";

export const svgWithPiece = output({
  kind: "svg-with-piece",
  label: "SVG with the piece inside",
  hint: "Opens again in Vextal with its words live",
  extension: "svg",
  mediaType: "image/svg+xml",
  remark: "piece inside",
  params: {},
  write: async (exported, box, _, { pause }) =>
    toSvg({ ...exported, piece: exported.piece(), grains: await fileGrains(exported, pause) }, box),
});
