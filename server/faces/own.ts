import { createHash } from "node:crypto";
import { asc, eq } from "drizzle-orm";
import { fontsIn } from "../../core/lettering/collection";
import { Face, type FaceInfo } from "../../core/lettering/face";
import { loadHarfBuzz } from "../../core/lettering/harfbuzz";
import { Problem } from "../../core/problem";
import { holds } from "../db/holds";
import type { Database } from "../db/open";
import { faces, pieces } from "../db/schema";
import { NotFound } from "../documents";
import { toSfnt } from "./wrapping";

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
 * Checks a font file and keeps each font in it: TrueType, OpenType, WOFF, WOFF2 or a collection. A font that is there already stays
 * as it is.
 * @param licence the text that came with it; where it is empty, what the font says of itself is kept
 * @throws Problem in the user's words where it is no sound font
 */
export async function addOwn(db: Database, fileName: string, file: Uint8Array, licence: string): Promise<OwnFace[]> {
  if (file.length > mostFontBytes) throw new Problem(`${fileName} is over ${mostFontBytes / 1e6} MB, which is more than Vextal takes for a face.`);
  const hb = await loadHarfBuzz();
  const found: OwnFace[] = [];
  for (const bytes of fontsIn(await toSfnt(file, fileName), fileName)) {
    const face = Face.open(hb, { id: "new", name: fileName, kind }, bytes);
    checkLetters(face, fileName);
    const hash = createHash("sha256").update(bytes).digest("hex");
    const id = `${ownPrefix}${hash.slice(0, 24)}`;
    const name = nameOf(face, fileName);
    await db
      .insert(faces)
      .values({ id, name, hash, bytes: Buffer.from(bytes), licence: licence.trim().slice(0, 100_000) || saysOfItself(face), addedAt: Date.now() })
      .onConflictDoNothing();
    found.push({ id, name, kind, licence: "As it came" });
  }
  return found;
}

/** Draws its common letters once, so that a damaged outline is found now and not while lettering. @throws Problem */
function checkLetters(face: Face, fileName: string): void {
  for (const c of "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789&") {
    const glyph = face.glyphOf(c);
    if (glyph !== undefined && face.outline(glyph).coords.some((v) => !Number.isFinite(v))) throw new Problem(`${fileName} is damaged: its letter ${c} has points that are nowhere.`);
  }
}

const text = (face: Face, id: number): string => face.tables.getName(id, "en").replace(/[\u0000-\u001f\u007f]+/g, " ").trim();

/** Its full name (OpenType specification, name ID 4), or that of its file. */
const nameOf = (face: Face, fileName: string): string => (text(face, 4) || fileName.replace(/\.[^.]+$/, "")).slice(0, 80) || "Face";

/** Copyright, licence and where it is told, from the font's own names (name IDs 0, 13 and 14). */
const saysOfItself = (face: Face): string =>
  [0, 13, 14].map((id) => face.tables.getName(id, "en").trim()).filter(Boolean).join("\n\n").slice(0, 100_000) || "The font says nothing of its licence, and none came with it.";

/** The names of the pieces that are set in a face. */
export async function usesOf(db: Database, id: string): Promise<string[]> {
  const rows = await db.select({ name: pieces.name, deletedAt: pieces.deletedAt }).from(pieces).where(holds(pieces.document, `"face":${JSON.stringify(id)}`));
  return rows.filter((r) => r.deletedAt === null).map((r) => r.name);
}

/** Takes a face away; letterings that are set in it keep its name and their settings. @throws NotFound */
export async function removeOwn(db: Database, id: string): Promise<void> {
  const rows = await db.delete(faces).where(eq(faces.id, id)).returning({ id: faces.id });
  if (!rows.length) throw new NotFound();
}
