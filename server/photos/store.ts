import { createHash } from "node:crypto";
import { eq, inArray } from "drizzle-orm";
import sharp from "sharp";
import type { Photo } from "../../core/photo";
import { Problem } from "../../core/problem";
import type { Database } from "../db/open";
import { photos } from "../db/schema";
import { NotFound } from "../documents";

/** Larger files and pictures than these are not taken. */
export const mostPhotoBytes = 40_000_000;
const mostPixels = 100_000_000;
/** Larger pictures are brought down to this many pixels a side: 27 in at 300 dpi. */
const mostSide = 8192;

/**
 * Keeps a photo: upright, in sRGB, and without what the camera noted of place and time, which a letterer would hand on with every
 * export. The same file gives the same id.
 * @throws Problem in the user's words where it is no sound picture
 */
export async function addPhoto(db: Database, fileName: string, file: Uint8Array): Promise<Photo> {
  const { id, name } = named(fileName, file);
  const [known] = await db.select({ width: photos.width, height: photos.height }).from(photos).where(eq(photos.id, id));
  if (known) return { id, name, ...known };
  const row = await photoRow(fileName, file);
  await db.insert(photos).values(row).onConflictDoNothing();
  return { id, name, width: row.width, height: row.height };
}

/** A photo as it is kept. @throws Problem in the user's words where it is no sound picture */
export async function photoRow(fileName: string, file: Uint8Array): Promise<typeof photos.$inferInsert> {
  const { id, name } = named(fileName, file);
  return { id, name, ...(await upright(file, name)), addedAt: Date.now() };
}

/** @throws Problem where the file is too large, or empty */
function named(fileName: string, file: Uint8Array): { id: string; name: string } {
  const name = fileName.slice(0, 120) || "Photo";
  if (file.length === 0) throw new Problem(`${name} is empty.`);
  if (file.length > mostPhotoBytes)
    throw new Problem(`${name} is over ${mostPhotoBytes / 1e6} MB, which is more than Vextal takes for a photo.`);
  return { name, id: createHash("sha256").update(file).digest("hex").slice(0, 32) };
}

async function upright(file: Uint8Array, name: string) {
  const format = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => undefined);
  // Markup can name other files, and comes in as a shape.
  // Of the pictures in HEIF only those packed as AV1 are read.
  const read =
    format &&
    (["jpeg", "png", "webp", "gif", "tiff"].includes(format.format) || (format.format === "heif" && format.compression === "av1"));
  if (!format || !read) throw new Problem(`${name} is no picture that Vextal reads. PNG, JPEG and WebP files are.`);
  if (format.width * format.height > mostPixels)
    throw new Problem(`${name} has ${format.width} x ${format.height} pixels; at most ${mostPixels / 1e6} million are taken.`);
  const picture = sharp(file, { failOn: "error", limitInputPixels: mostPixels })
    .autoOrient()
    .resize({ width: mostSide, height: mostSide, fit: "inside", withoutEnlargement: true })
    .toColourspace("srgb");
  const exact = format.hasAlpha || format.format === "png";
  try {
    const { data, info } = await (exact ? picture.png() : picture.jpeg({ quality: 95, chromaSubsampling: "4:4:4" })).toBuffer({
      resolveWithObject: true,
    });
    return { bytes: data, type: exact ? "image/png" : "image/jpeg", width: info.width, height: info.height };
  } catch {
    throw new Problem(`${name} is damaged: it could not be read to its end.`);
  }
}

/** How many of some photos are here. */
export async function countPhotos(db: Database, ids: readonly string[]): Promise<number> {
  return ids.length ? db.$count(photos, inArray(photos.id, [...ids])) : 0;
}

/** @throws NotFound */
export async function readPhoto(db: Database, id: string): Promise<{ type: string; bytes: Uint8Array }> {
  const [row] = await db.select({ type: photos.type, bytes: photos.bytes }).from(photos).where(eq(photos.id, id));
  if (!row) throw new NotFound();
  return { type: row.type, bytes: new Uint8Array(row.bytes) };
}

/**
 * Photos as data URLs, for a file that needs no other; those that are not here are left out.
 * @param most pixels of their longer side, where they are only looked at small
 */
export async function embeddedPhotos(db: Database, ids: readonly string[], most?: number): Promise<Map<string, string>> {
  const rows = ids.length
    ? await db
        .select({ id: photos.id, type: photos.type, bytes: photos.bytes })
        .from(photos)
        .where(inArray(photos.id, [...ids]))
    : [];
  const found = new Map<string, string>();
  for (const { id, type, bytes } of rows) {
    const small =
      most === undefined
        ? bytes
        : await sharp(bytes).resize({ width: most, height: most, fit: "inside", withoutEnlargement: true }).toBuffer();
    found.set(id, `data:${type};base64,${small.toString("base64")}`);
  }
  return found;
}
