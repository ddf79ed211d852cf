import { Resvg } from "@resvg/resvg-js";
import { isEmpty } from "../../core/curves/bounds";
import { picturePixels } from "../../core/output/picture-size";
import { exportArea, toSvg } from "../../core/output/svg";
import type { LoadedEngine } from "../../core/piece/engine";
import { Problem } from "../../core/problem";
import { checkSize } from "../raster/limits";
import type { DrawJob, Drawing } from "./job";
import { sceneOf } from "./scene";

/** @throws Problem where nothing is inked or the size is too large */
export async function draw(
  engine: LoadedEngine,
  { file: { piece, styles }, area, ground, photos, size, small }: DrawJob,
): Promise<Drawing> {
  const { scene, faces } = await sceneOf(engine, piece, styles);
  const options = { title: piece.name, unit: piece.board.unit, faces: size ? [] : faces, area, ground, photos };
  if (size) {
    const box = exportArea(scene, area);
    if (isEmpty(box)) throw new Problem("There is nothing to draw: the selection has no ink.");
    const pixels = picturePixels(size, box.maxX - box.minX, box.maxY - box.minY, piece.board);
    checkSize(pixels.width, pixels.height);
    return { kind: "svg", svg: toSvg(scene, { ...options, pixels }), pixels };
  }
  const svg = toSvg(scene, options);
  if (!small || svg.length <= small.most) return { kind: "svg", svg };
  const picture = new Resvg(svg, {
    fitTo: { mode: "width", value: small.side },
    font: { loadSystemFonts: false },
    logLevel: "off",
  }).render();
  return { kind: "png", png: picture.asPng() };
}
