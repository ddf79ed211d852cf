import { and, eq, inArray, isNull } from "drizzle-orm";
import { firstFace } from "../core/lettering/face";
import { newLettering, newPiece, type PieceFile } from "../core/piece/schema";
import { isProblem } from "../core/problem";
import type { Style } from "../core/style/schema";
import type { Database } from "./db/open";
import { faces, photos, pictures, styles } from "./db/schema";
import { get, ifThere, linkedStyles, list, NotFound, shelves } from "./documents";
import type { Shelf } from "../wire/shelf";
import { isEnded } from "./drawing/drawer";
import { drawPicture } from "./drawing/drawers";
import type { DrawJob, PictureJob } from "./drawing/job";
import { ownFacesFor, photosFor } from "./render";

/** Pictures on the shelf are about 300 pixels wide, on screens of up to twice as many. */
const photoSide = 800;
/** A drawing of more characters than this is kept as a PNG of so many pixels a side. */
const small = { most: 300_000, side: 640 };

export interface Picture {
  readonly type: string;
  readonly bytes: Uint8Array;
  /** Changes when the picture may have changed. */
  readonly tag: string;
  /** Whether it shows how things were: the new one is being drawn. */
  readonly stale: boolean;
}

/**
 * The picture of a piece or a style, as it was drawn last; what has no picture yet is drawn first.
 * @param fresh waits for the new one where it is stale
 * @throws NotFound
 */
export async function picture(db: Database, shelf: Shelf, id: string, fresh = false): Promise<Picture> {
  const tag = await tagOf(db, shelf, id);
  const [row] = await db
    .select()
    .from(pictures)
    .where(and(eq(pictures.shelf, shelf), eq(pictures.id, id)));
  if (row?.tag === tag) return { ...row, stale: false };
  const coming = drawn(db, shelf, id);
  if (fresh || !row) return coming;
  coming.catch(() => undefined);
  return { ...row, stale: true };
}

/**
 * What a picture is drawn of, without reading it all: the revisions of the document and of the styles that it follows, and which of its
 * photos and faces are here.
 */
async function tagOf(db: Database, shelf: Shelf, id: string): Promise<string> {
  const { table } = shelves[shelf];
  const [row] = await db
    .select({ revision: table.revision, document: table.document })
    .from(table)
    .where(and(eq(table.id, id), isNull(table.deletedAt)));
  if (!row) throw new NotFound();
  const named = (pattern: RegExp, documents: readonly string[]) => [
    ...new Set(documents.flatMap((d) => [...d.matchAll(pattern)].map((m) => m[1]))),
  ];
  const followed = shelf === "styles" ? [] : named(/"styleId":"([A-Za-z0-9_-]+)"/g, [row.document]);
  const looks = followed.length
    ? await db
        .select({ id: styles.id, revision: styles.revision, document: styles.document })
        .from(styles)
        .where(and(inArray(styles.id, followed), isNull(styles.deletedAt)))
        .orderBy(styles.id)
    : [];
  const all = [row.document, ...looks.map((s) => s.document)];
  const count = async (table: typeof photos | typeof faces, ids: readonly string[]) =>
    ids.length ? `.${await db.$count(table, inArray(table.id, [...ids]))}` : "";
  const here =
    (await count(photos, named(/"photo":\{"id":"([0-9a-f]{32})"/g, all))) + (await count(faces, named(/"face":"(own-[0-9a-f]+)"/g, all)));
  return `${shelf[0]}${row.revision}${looks.map((s) => `.${s.id}.${s.revision}`).join("")}${here}`;
}

// Kept on the process, since routes may be bundled apart.
const shared = globalThis as typeof globalThis & {
  vextalPictures?: { drawing: Map<string, Promise<Picture>>; later: Map<string, ReturnType<typeof setTimeout>> };
};
const { drawing, later } = (shared.vextalPictures ??= { drawing: new Map(), later: new Map() });

/** Draws a picture and keeps it. Who asks while it is being drawn waits for the same. */
function drawn(db: Database, shelf: Shelf, id: string): Promise<Picture> {
  const key = `${shelf}/${id}`;
  let job = drawing.get(key);
  if (!job) {
    job = drawAndKeep(db, shelf, id).finally(() => drawing.delete(key));
    drawing.set(key, job);
  }
  return job;
}

async function drawAndKeep(db: Database, shelf: Shelf, id: string): Promise<Picture> {
  const tag = await tagOf(db, shelf, id);
  const { file, area } = shelf === "styles" ? onAWord((await get(db, "styles", id)).document) : await asAPiece(db, id);
  const { piece, styles: looks } = file;
  const job: PictureJob = {
    file,
    area,
    ground: true,
    faces: await ownFacesFor(db, piece),
    photos: await photosFor(db, piece, looks, photoSide),
    ...small,
  };
  // What ended from outside says nothing of the picture: it is drawn once more.
  const tried = drawPicture(job).catch((error: unknown) => (isEnded(error) ? drawPicture(job) : Promise.reject(error)));
  const made = await tried.then(
    (drawn) =>
      typeof drawn === "string"
        ? { type: "image/svg+xml; charset=utf-8", bytes: Buffer.from(drawn) }
        : { type: "image/png", bytes: Buffer.from(drawn) },
    (error: unknown) => {
      // It is not tried over and over: the next change makes it be drawn again.
      if (isProblem(error) && !isEnded(error)) return { type: "image/svg+xml; charset=utf-8", bytes: Buffer.from(notDrawn) };
      throw error;
    },
  );
  const row = { shelf, id, tag, ...made };
  await db
    .insert(pictures)
    .values(row)
    .onConflictDoUpdate({ target: [pictures.shelf, pictures.id], set: { tag, ...made } });
  return { ...row, stale: false };
}

const notDrawn = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><rect width="300" height="200" fill="#d8d6d0"/><path d="M110 130l35-45 25 30 15-15 25 30z" fill="#a8a59d"/></svg>`;

const fileOf = (piece: PieceFile["piece"], looks: Style[]): PieceFile => ({ format: "vextal.file", version: 1, piece, styles: looks });

async function asAPiece(db: Database, id: string): Promise<Pick<DrawJob, "file" | "area">> {
  const { document: piece } = await get(db, "pieces", id);
  const looks = await linkedStyles(db, piece);
  return {
    file: fileOf(
      piece,
      looks.map((s) => s.document),
    ),
    area: { kind: "board" },
  };
}

/** A style on the first word of its own name. */
function onAWord(style: Style): Pick<DrawJob, "file" | "area"> {
  const text = [...(style.name.split(/\s+/)[0] ?? "Aa")].slice(0, 14).join("");
  const piece = newPiece({
    id: "picture",
    name: style.name,
    board: { width: 600, height: 400, unit: "px", dpi: 96, ground: null },
    items: [
      newLettering({
        id: "word",
        text,
        face: style.madeWith?.face ?? firstFace,
        size: 200,
        letterSpacing: 0,
        lineSpacing: 1,
        align: "centre",
        x: 300,
        y: 250,
        turn: 0,
        styleId: style.id,
        ownStyle: null,
      }),
    ],
  });
  return { file: fileOf(piece, [style]), area: { kind: "items", ids: ["word"] } };
}

/** Draws one after another what has no picture yet, or a stale one, while nothing else is waited for. */
export async function drawMissing(db: Database): Promise<void> {
  // What could not be drawn is tried once a start: a machine may be faster today, a mistake mended.
  await db.delete(pictures).where(eq(pictures.bytes, Buffer.from(notDrawn)));
  for (const shelf of ["pieces", "styles"] as const)
    for (const { id } of await list(db, shelf)) await ifThere(picture(db, shelf, id, true));
}

/** A document is saved several times a second while it is worked on: it is drawn when that has been over for so long, in milliseconds. */
const pause = 1500;

/** Draws the picture of what was saved, before it is asked for. */
export function drawSoon(db: Database, shelf: Shelf, id: string): void {
  const key = `${shelf}/${id}`;
  clearTimeout(later.get(key));
  const timer = setTimeout(() => {
    later.delete(key);
    void ifThere(picture(db, shelf, id)).catch((error: unknown) => console.error(error));
  }, pause);
  timer.unref();
  later.set(key, timer);
}
