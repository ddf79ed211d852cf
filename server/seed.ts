import { readFile } from "node:fs/promises";
import path from "node:path";
import { demoPhotos } from "../demo/photos";
import { demoPieces } from "../demo/pieces";
import { demoStyles } from "../demo/styles";
import type { Database } from "./db/open";
import { pieces, styles } from "./db/schema";
import { create } from "./documents";
import { addPhoto } from "./photos/store";

/** Puts the demo on a shelf that has never held anything; a shelf that was emptied stays empty. */
export async function seed(db: Database): Promise<boolean> {
  const [anyPiece] = await db.select({ id: pieces.id }).from(pieces).limit(1);
  const [anyStyle] = await db.select({ id: styles.id }).from(styles).limit(1);
  if (anyPiece || anyStyle) return false;
  for (const { photo, file } of demoPhotos) await addPhoto(db, photo.name, await readFile(path.resolve(/* turbopackIgnore: true */ process.cwd(), file)));
  for (const style of demoStyles()) await create(db, "styles", style);
  // The first of the list is to stand first on the shelf, which shows the newest first.
  for (const piece of demoPieces().reverse()) await create(db, "pieces", piece);
  return true;
}
