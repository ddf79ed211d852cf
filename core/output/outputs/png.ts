import type { Bounds } from "../../curves/bounds";
import { picturePixels, tooLarge, type PictureSize, type Pixels } from "../../picture-size";
import { output, type Exported } from "../output-kind";
import { withResolution } from "../png";
import { toSvg } from "../svg";

export const png = output({
  kind: "png",
  label: "PNG picture",
  hint: "Pixels, with the resolution that says how large they print",
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
  write: async (exported, box, { size }, { raster }) => {
    const pixels = pixelsOf(exported, box, size);
    return withResolution(await raster(toSvg({ ...exported, piece: undefined, faces: [] }, box, pixels), pixels), pixels.dpi);
  },
});

const pixelsOf = (board: Exported, box: Bounds, size: PictureSize | null): Pixels =>
  picturePixels(size, box.maxX - box.minX, box.maxY - box.minY, board);
