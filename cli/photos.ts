import { photosShown } from "../core/piece/photos";
import type { PieceFile } from "../core/piece/schema";
import { Problem } from "../core/problem";
import { embeddedPhotos } from "../server/photos/store";
import { shelf } from "./shelf";

/**
 * The photos of a piece as data URLs: those that lie in its file, and those of the shelf.
 * @throws Problem naming one that is in neither
 */
export async function photosFor({ piece, styles }: PieceFile, inside: ReadonlyMap<string, string>): Promise<Map<string, string>> {
  const found = new Map(inside);
  const wanted = photosShown(piece, styles);
  const left = () => wanted.filter((p) => !found.has(p.id));
  const db = left().length ? await shelf() : undefined;
  if (db)
    for (const [id, data] of await embeddedPhotos(
      db,
      left().map((p) => p.id),
    ))
      found.set(id, data);
  const [missing] = left();
  if (missing) throw new Problem(`The photo “${missing.name}” is neither in this file nor on the shelf.`);
  return found;
}
