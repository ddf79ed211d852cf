import type { Bounds } from "../../curves/bounds";
import { picturePixels, tooLarge, type PictureSize, type Pixels } from "../../picture-size";
import { grainsFor } from "../grains";
import { output, type Exported } from "../output-kind";
import { withResolution } from "../png";
import { toSvg } from "../svg";

export const png = output({
  kind: "png",
  label: "PNG picture",
  hint: "Pixels, with or without a ground",
  extension: "png",
  mediaType: "image/png",
  needs: ["raster"],
  params: {
    size: { type: "size", label: "Size", hint: "How many pixels, or how large in print", default: null },
  },
  refuses: (exported, box, { size }) => {
    const { width, height } = pixelsOf(exported, box, size);
    return tooLarge(width, height);
  },
  photoDensity: (exported, box, { size }) => pixelsOf(exported, box, size).width / (box.maxX - box.minX),
  write: async (exported, box, { size }, { raster, pause }) => {
    const pixels = pixelsOf(exported, box, size);
    const grains = await grainsFor(exported.scene, exported.area, pixels.width / (box.maxX - box.minX), pause);
    const svg = toSvg({ ...exported, grains, piece: undefined, faces: [] }, box, pixels);
    return withResolution(await raster(svg, pixels), pixels.dpi);
  },
});

const pixelsOf = (board: Exported, box: Bounds, size: PictureSize | null): Pixels =>
  picturePixels(size, box.maxX - box.minX, box.maxY - box.minY, board);
