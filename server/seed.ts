import { readFile } from "node:fs/promises";
import path from "node:path";
import { demoPhotos } from "../demo/photos";
import { demoPieces } from "../demo/pieces";
import { demoStyles } from "../demo/styles";
import type { Database } from "./db/open";
import { photos, pieces, styles } from "./db/schema";
import { newRow } from "./documents";
import { photoRow } from "./photos/store";

/**
 * Puts the demo on a shelf that has never held anything; a shelf that was emptied stays empty. All of it comes at once, or nothing,
 * wherever the program ends.
 */
export async function seed(db: Database): Promise<boolean> {
  const [anyPiece] = await db.select({ id: pieces.id }).from(pieces).limit(1);
  const [anyStyle] = await db.select({ id: styles.id }).from(styles).limit(1);
  if (anyPiece || anyStyle) return false;
  const pictures = await Promise.all(
    demoPhotos.map(async ({ photo, file }) =>
      photoRow(photo.name, await readFile(path.resolve(/* turbopackIgnore: true */ process.cwd(), file))),
    ),
  );
  const now = Date.now();
  // The first of the list is to stand first on the shelf, which shows the newest first.
  const pieceRows = demoPieces().map((piece, i) => newRow(piece, now - i));
  await db.batch([
    db.insert(photos).values(pictures).onConflictDoNothing(),
    db
      .insert(styles)
      .values(demoStyles().map((style) => newRow(style, now)))
      .onConflictDoNothing(),
    db.insert(pieces).values(pieceRows).onConflictDoNothing(),
  ]);
  return true;
}
