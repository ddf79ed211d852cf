import type { LoadedEngine } from "../core/piece/engine";
import { facesOf, type Piece } from "../core/piece/schema";
import { photosShown } from "../core/piece/photos";
import type { Style } from "../core/style/schema";
import type { ExportRequest } from "../core/piece/exported";
import { database } from "./database";
import type { Database } from "./db/open";
import { draw } from "./drawing/draw";
import { drawExport } from "./drawing/drawers";
import type { DrawJob } from "./drawing/job";
import { serverEngine } from "./engine";
import { ownPrefix, readOwn } from "./faces/own";
import { ifThere } from "./documents";
import { embeddedPhotos } from "./photos/store";

/** The photos that a piece may show. @param most pixels of the longer side, where they are only looked at small */
export async function photosFor(
  db: Database | undefined,
  piece: Piece,
  styles: readonly Style[],
  most?: number,
): Promise<Map<string, string>> {
  const ids = photosShown(piece, styles).map((p) => p.id);
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

/** A file of a piece that is asked for. */
export interface Order {
  /** As data URLs by their ids; those of the shelf where they are left out. */
  readonly photos?: ReadonlyMap<string, string>;
  /** Ends the drawing at once. */
  readonly signal?: AbortSignal;
}

/** A piece as a file, written in this process. @throws Problem where it is refused or cannot be drawn */
export async function writeFileHere(request: ExportRequest, { photos }: Order = {}): Promise<string | Uint8Array> {
  const { piece, styles } = request.file;
  const job = { ...request, faces: [], photos: photos ?? (await photosFor(undefined, piece, styles)) };
  return draw((await serverEngine()) as LoadedEngine, { kind: "export", job });
}

/** As `writeFileHere`, with all work in processes of its own. */
export async function exportFile(request: ExportRequest, { photos, signal }: Order = {}): Promise<string | Uint8Array> {
  const { piece, styles } = request.file;
  const faces = await ownFacesFor(undefined, piece);
  return drawExport({ ...request, faces, photos: photos ?? (await photosFor(undefined, piece, styles)) }, signal);
}
