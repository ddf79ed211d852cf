import type { LoadedEngine } from "../core/piece/engine";
import { facesOf, type Piece, type PieceFile } from "../core/piece/schema";
import type { SvgOptions } from "../core/output/svg";
import { looksOf } from "../core/piece/schema";
import { photosOf } from "../core/style/photos";
import type { Style } from "../core/style/schema";
import type { PngRequest } from "../wire/png";
import { database } from "./database";
import type { Database } from "./db/open";
import { draw } from "./drawing/draw";
import { drawExport, drawPicture } from "./drawing/drawers";
import type { DrawJob, Drawing } from "./drawing/job";
import { serverEngine } from "./engine";
import { ownPrefix, readOwn } from "./faces/own";
import { ifThere } from "./documents";
import { embeddedPhotos } from "./photos/store";
import { drawPng } from "./raster/draw";
import { withResolution } from "./raster/phys";

/** The photos that a piece may show. @param most pixels of the longer side, where they are only looked at small */
export async function photosFor(
  db: Database | undefined,
  piece: Piece,
  styles: readonly Style[],
  most?: number,
): Promise<Map<string, string>> {
  const ids = [
    ...new Set(
      looksOf(piece, styles)
        .flatMap(photosOf)
        .map((p) => p.id),
    ),
  ];
  return ids.length ? embeddedPhotos(db ?? (await database()), ids, most) : new Map();
}

/** The faces that were brought in and that a piece is set in, as far as they are here. */
export async function ownFacesFor(db: Database | undefined, piece: Piece): Promise<DrawJob["faces"]> {
  const ids = facesOf(piece.items).filter((id) => id.startsWith(ownPrefix));
  if (!ids.length) return [];
  const from = db ?? (await database());
  const found = await Promise.all(ids.map((id) => ifThere(readOwn(from, id))));
  return found.flatMap((f) => (f ? [{ info: f.info, bytes: f.bytes }] : []));
}

/** Draws a job: in this process by an engine, or in another by a drawer. */
type Draws = (job: DrawJob) => Promise<Drawing>;
const here = async (job: DrawJob): Promise<Drawing> => draw((await serverEngine()) as LoadedEngine, job);

/** The SVG of a piece, drawn in this process. */
export async function renderSvg(
  { piece, styles }: Pick<PieceFile, "piece" | "styles">,
  options: Partial<Pick<SvgOptions, "area" | "ground" | "photos">> = {},
): Promise<string> {
  const photos = options.photos ?? (await photosFor(undefined, piece, styles));
  const drawing = await here({
    file: { piece, styles },
    area: options.area ?? { kind: "board" },
    ground: options.ground ?? true,
    faces: [],
    photos,
  });
  return (drawing as { svg: string }).svg;
}

/**
 * @param signal ends the drawing at once
 * @param photos as data URLs by their ids; those of the shelf where they are left out
 * @throws Problem where nothing is inked or the size is too large
 */
export async function renderPng(
  { file, area, ground, size }: PngRequest,
  { signal, photos, draws = here }: { signal?: AbortSignal; photos?: ReadonlyMap<string, string>; draws?: Draws } = {},
): Promise<Buffer> {
  const faces = draws === here ? [] : await ownFacesFor(undefined, file.piece);
  const drawing = await draws({ file, area, ground, size, faces, photos: photos ?? (await photosFor(undefined, file.piece, file.styles)) });
  const { svg, pixels } = drawing as Extract<Drawing, { kind: "svg" }>;
  const { width, height, dpi } = pixels!;
  return withResolution(await drawPng(svg, width, height, signal), dpi);
}

/** As `renderPng`, with all work in processes of its own. */
export const exportPng = (request: PngRequest, signal: AbortSignal): Promise<Buffer> =>
  renderPng(request, { signal, draws: (job) => drawExport(job, signal) });

/** Draws a picture for the shelf. */
export const drawForShelf: Draws = (job) => drawPicture(job);
