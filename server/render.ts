import { z } from "zod";
import { compile } from "../core/piece/compile";
import { facesOf, pieceFileSchema, type Piece, type PieceFile } from "../core/piece/schema";
import { isEmpty } from "../core/curves/bounds";
import { picturePixels, pictureSizeSchema } from "../core/output/picture-size";
import { exportArea, photosIn, toSvg, type SvgOptions } from "../core/output/svg";
import { Problem } from "../core/problem";
import type { Scene } from "../core/scene/scene";
import type { Style } from "../core/style/schema";
import { database } from "./database";
import { serverEngine } from "./engine";
import { embeddedPhotos } from "./photos/store";
import { drawPng } from "./raster/draw";
import { checkSize } from "./raster/limits";
import { withResolution } from "./raster/phys";

const areaSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("board") }),
  z.object({ kind: z.literal("items"), ids: z.array(z.string()).max(200) }),
]);

export const pngRequestSchema = z.object({
  file: pieceFileSchema,
  area: areaSchema,
  ground: z.boolean(),
  size: pictureSizeSchema,
});
export type PngRequest = z.infer<typeof pngRequestSchema>;

async function sceneOf(piece: Piece, styles: readonly Style[]) {
  const engine = await serverEngine();
  await engine.load(facesOf(piece.items));
  const { scene } = compile(piece, new Map(styles.map((s) => [s.id, s])), engine);
  return { scene, faces: facesOf(piece.items).map((id) => engine.face(id)?.info.name ?? id) };
}

/** The photos of a scene. The database is opened only where there are some. */
async function photosOf(scene: Scene, most?: number): Promise<Map<string, string>> {
  const ids = photosIn(scene);
  return ids.length ? embeddedPhotos(await database(), ids, most) : new Map();
}

/** @param mostPhotoSide pixels of the longer side of its photos, where they are only looked at small */
export async function renderSvg({ piece, styles }: Pick<PieceFile, "piece" | "styles">, options: Partial<SvgOptions> = {}, mostPhotoSide?: number): Promise<string> {
  const { scene, faces } = await sceneOf(piece, styles);
  return toSvg(scene, { title: piece.name, unit: piece.board.unit, faces, area: { kind: "board" }, ground: true, ...options, photos: options.photos ?? (await photosOf(scene, mostPhotoSide)) });
}

/**
 * @param signal ends the drawing at once
 * @param photos as data URLs by their ids; those of the shelf where they are left out
 * @throws Problem where nothing is inked or the size is too large
 */
export async function renderPng({ file, area, ground, size }: PngRequest, { signal, photos }: { signal?: AbortSignal; photos?: ReadonlyMap<string, string> } = {}): Promise<Buffer> {
  const { piece, styles } = file;
  const { scene } = await sceneOf(piece, styles);
  const box = exportArea(scene, area);
  if (isEmpty(box)) throw new Problem("There is nothing to draw: the selection has no ink.");
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const { width, height, dpi } = picturePixels(size, w, h, piece.board);
  checkSize(width, height);
  const svg = toSvg(scene, { title: piece.name, unit: piece.board.unit, faces: [], area, ground, pixels: { width, height }, photos: photos ?? (await photosOf(scene)) });
  return withResolution(await drawPng(svg, width, height, signal), dpi);
}
