import { createHash } from "node:crypto";
import { asc, eq } from "drizzle-orm";
import type { FaceInfo } from "../../core/lettering/face";
import { Problem } from "../../core/problem";
import { holds } from "../db/holds";
import type { Database } from "../db/open";
import { faces, pieces } from "../db/schema";
import { NotFound } from "../documents";
import { checkFont } from "../drawing/drawers";

/** Ids of faces that were brought in start with this; what ships has ids of its own. */
export const ownPrefix = "own-";

/** Larger files than this are collections of a whole family of scripts, or no fonts. */
export const mostFontBytes = 20_000_000;

export interface OwnFace extends FaceInfo {
  readonly licence: string;
}

const kind = "Brought in";

/** The faces that were brought in, by name. */
export async function listOwn(db: Database): Promise<OwnFace[]> {
  const rows = await db.select({ id: faces.id, name: faces.name }).from(faces).orderBy(asc(faces.name));
  return rows.map((r) => ({ ...r, kind, licence: "As it came" }));
}

/** @throws NotFound */
export async function readOwn(db: Database, id: string): Promise<{ info: FaceInfo; bytes: Uint8Array; hash: string; licence: string }> {
  const [row] = await db.select().from(faces).where(eq(faces.id, id));
  if (!row) throw new NotFound();
  return { info: { id, name: row.name, kind }, bytes: new Uint8Array(row.bytes), hash: row.hash, licence: row.licence };
}

/**
 * Keeps each font in a file: TrueType, OpenType, WOFF, WOFF2 or a collection. A font that is there already stays
 * as it is. The file is read and checked in a process of its own, which takes its memory with it.
 * @param licence the text that came with it; where it is empty, what the font says of itself is kept
 * @throws Problem in the user's words where it is no sound font
 */
export async function addOwn(db: Database, fileName: string, file: Uint8Array, licence: string): Promise<OwnFace[]> {
  if (file.length > mostFontBytes)
    throw new Problem(`${fileName} is over ${mostFontBytes / 1e6} MB, which is more than Vextal takes for a face.`);
  const found: OwnFace[] = [];
  for (const { bytes, name, says } of await checkFont(fileName, file)) {
    const hash = createHash("sha256").update(bytes).digest("hex");
    const id = `${ownPrefix}${hash.slice(0, 24)}`;
    await db
      .insert(faces)
      .values({ id, name, hash, bytes: Buffer.from(bytes), licence: licence.trim().slice(0, 100_000) || says, addedAt: Date.now() })
      .onConflictDoNothing();
    found.push({ id, name, kind, licence: "As it came" });
  }
  return found;
}

/** The names of the pieces that are set in a face. */
export async function usesOf(db: Database, id: string): Promise<string[]> {
  const rows = await db
    .select({ name: pieces.name, deletedAt: pieces.deletedAt })
    .from(pieces)
    .where(holds(pieces.document, `"face":${JSON.stringify(id)}`));
  return rows.filter((r) => r.deletedAt === null).map((r) => r.name);
}

/** Takes a face away; letterings that are set in it keep its name and their settings. @throws NotFound */
export async function removeOwn(db: Database, id: string): Promise<void> {
  const rows = await db.delete(faces).where(eq(faces.id, id)).returning({ id: faces.id });
  if (!rows.length) throw new NotFound();
}
