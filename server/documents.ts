import { and, desc, eq, inArray, isNotNull, isNull, lt, sql } from "drizzle-orm";
import { nanoid } from "nanoid";
import { openPiece, openStyle } from "../core/input/open";
import { pieceFormat, type Item, type Piece } from "../core/piece/schema";
import { isPale } from "../core/style/pale";
import type { Style } from "../core/style/schema";
import type { Documents, Entry, Shelf, Stored } from "../wire/shelf";
import { holds } from "./db/holds";
import type { Database } from "./db/open";
import { pieces, styles } from "./db/schema";

/** What the shelf holds, each with its table and its reader, which also brings older documents forward. */
export const shelves = {
  pieces: { table: pieces, read: openPiece, noun: "piece" },
  styles: { table: styles, read: openStyle, noun: "style" },
} as const satisfies Record<Shelf, unknown>;
// Known by their names: routes that are bundled apart have a class each, and share what is under way.
export class NotFound extends Error {
  override readonly name = "NotFound";
}
export class Conflict extends Error {
  override readonly name = "Conflict";
  constructor(readonly revision: number) {
    super("The document was changed elsewhere.");
  }
}
export class Exists extends Error {
  override readonly name = "Exists";
}

/** Deleted documents are kept this long, so that deleting can be undone. */
const keptDeleted = 30 * 24 * 3600 * 1000;

/** Newest first. */
export async function list(db: Database, shelf: Shelf): Promise<Entry[]> {
  const { table } = shelves[shelf];
  const plain = { id: table.id, name: table.name, revision: table.revision, updatedAt: table.updatedAt };
  const newest = [desc(table.updatedAt), table.name] as const;
  if (shelf === "pieces")
    return db
      .select(plain)
      .from(table)
      .where(isNull(table.deletedAt))
      .orderBy(...newest);
  const tags = sql<string | null>`json_extract(${table.document}, '$.tags')`;
  const inks = sql<string | null>`json_extract(${table.document}, '$.inks')`;
  const [rows, uses] = await Promise.all([
    db
      .select({ ...plain, tags, inks })
      .from(table)
      .where(isNull(table.deletedAt))
      .orderBy(...newest),
    usesOfStyles(db),
  ]);
  return rows.map(({ tags, inks, ...row }) => ({
    ...row,
    tags: JSON.parse(tags ?? "[]") as string[],
    uses: uses.get(row.id) ?? 0,
    pale: isPale(JSON.parse(inks ?? "[]") as Style["inks"]),
  }));
}

/** How many pieces have items that follow each style. */
async function usesOfStyles(db: Database): Promise<ReadonlyMap<string, number>> {
  const style = sql<string>`json_extract(item.value, '$.styleId')`;
  const rows = await db.all<{ style: string; pieces: number }>(
    sql`select ${style} as style, count(distinct ${pieces.id}) as pieces
      from ${pieces}, json_each(${pieces.document}, '$.items') as item
      where ${pieces.deletedAt} is null and ${style} is not null and json_extract(item.value, '$.ownStyle') is null
      group by style`,
  );
  return new Map(rows.map((r) => [r.style, r.pieces]));
}

/** @throws NotFound */
export async function get<S extends Shelf>(db: Database, shelf: S, id: string): Promise<Stored<S>> {
  const { table, read } = shelves[shelf];
  const [row] = await db
    .select()
    .from(table)
    .where(and(eq(table.id, id), isNull(table.deletedAt)));
  if (!row) throw new NotFound();
  return { document: read(JSON.parse(row.document)) as Documents[S], revision: row.revision };
}

/**
 * Puts a new document on the shelf. Asked again with the same document, as after an answer that was lost, it does nothing, unless nothing
 * may be there.
 * @throws Exists where the id is taken by another document
 */
export async function create<S extends Shelf>(db: Database, shelf: S, given: Documents[S], onlyNew = false): Promise<Stored<S>> {
  const { table } = shelves[shelf];
  const document = await dressed(db, given);
  const rows = await db.insert(table).values(newRow(document)).onConflictDoNothing().returning({ id: table.id });
  if (rows.length) return { document, revision: await stillDressed(db, shelf, document, 1) };
  const there = await ifThere(get(db, shelf, document.id));
  if (onlyNew || !there || !alike(there.document, document)) throw new Exists();
  return there;
}

/** A document as it first lies on the shelf. */
export const newRow = (document: Piece | Style, now = Date.now()) => ({
  id: document.id,
  name: document.name,
  document: JSON.stringify(document),
  revision: 1,
  createdAt: now,
  updatedAt: now,
});

/** Whether two documents say the same; both were read by the same schema, which gives their keys one order. */
const alike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Puts `document` in the place of revision `revision`, or of whatever is there where that is null. Where it is there already, as after an
 * answer that was lost, nothing is done (RFC 9110, section 9.2.2: PUT is idempotent; section 13.1.1: what If-Match asked for has been done
 * before).
 * @throws Conflict where another revision is there, NotFound where none is
 */
export async function replace<S extends Shelf>(db: Database, shelf: S, given: Documents[S], revision: number | null): Promise<number> {
  const { table } = shelves[shelf];
  const document = await dressed(db, given);
  const [row] = await db
    .update(table)
    .set({ name: document.name, document: JSON.stringify(document), revision: sql`${table.revision} + 1`, updatedAt: Date.now() })
    .where(and(eq(table.id, document.id), isNull(table.deletedAt), revision === null ? undefined : eq(table.revision, revision)))
    .returning({ revision: table.revision });
  if (row) return stillDressed(db, shelf, document, row.revision);
  const there = await get(db, shelf, document.id);
  if (alike(there.document, document)) return there.revision;
  throw new Conflict(there.revision);
}

/**
 * A piece whose items follow styles that were deleted, with those looks as the items' own: whoever saves a piece has not always been told
 * that a style of it has gone. Anything else as it is.
 */
async function dressed<D extends Piece | Style>(db: Database, document: D): Promise<D> {
  if (document.format !== pieceFormat) return document;
  const bare = document.items.flatMap((i) => (i.styleId && !i.ownStyle ? [i.styleId] : []));
  if (!bare.length) return document;
  const gone = await db
    .select({ id: styles.id, document: styles.document })
    .from(styles)
    .where(and(inArray(styles.id, [...new Set(bare)]), isNotNull(styles.deletedAt)));
  if (!gone.length) return document;
  const looks = new Map(gone.map((s) => [s.id, openStyle(JSON.parse(s.document))]));
  return { ...document, items: document.items.map((i) => ({ ...i, ownStyle: i.ownStyle ?? looks.get(i.styleId ?? "") ?? null })) };
}

/**
 * Looks once more when a piece has been written: a style that was deleted meanwhile has either been seen by this, or its deletion sees the
 * piece. @returns the revision that is there now
 */
async function stillDressed<S extends Shelf>(db: Database, shelf: S, document: Documents[S], revision: number): Promise<number> {
  const again = await dressed(db, document);
  return again === document ? revision : replace(db, shelf, again, revision);
}

/** @throws NotFound */
export async function remove(db: Database, shelf: Shelf, id: string): Promise<void> {
  const { table } = shelves[shelf];
  await db.delete(table).where(and(isNotNull(table.deletedAt), lt(table.deletedAt, Date.now() - keptDeleted)));
  const { document } = await get(db, shelf, id);
  const gone = db
    .update(table)
    .set({ deletedAt: Date.now() })
    .where(and(eq(table.id, id), isNull(table.deletedAt)));
  if (shelf === "pieces") return void (await gone);
  await db.batch([gone, ...(await keepLooks(db, document as Style))]);
  // Pieces that were saved between the reading and the writing.
  for (let left = await keepLooks(db, document as Style); left.length; left = await keepLooks(db, document as Style))
    await db.batch(left as [(typeof left)[number]]);
}

export const isNotFound = (error: unknown): boolean => error instanceof Error && error.name === "NotFound";

/** Undefined for what is not on the shelf; any other fault stays one. */
export const ifThere = <T>(found: Promise<T>): Promise<T | undefined> =>
  found.catch((error) => (isNotFound(error) ? undefined : Promise.reject(error)));

/** Before a style goes, every lettering that is linked to it is given its look as its own, so that no word loses its paint. */
const keepLooks = (db: Database, style: Style) => inPieces(db, style.id, (item) => (item.ownStyle ? item : { ...item, ownStyle: style }));

/** When a style comes back, every lettering that was given its look follows it again; changes of its own since then it keeps. */
const relinked = (db: Database, style: Style) =>
  inPieces(db, style.id, (item) => (alike(item.ownStyle, style) ? { ...item, ownStyle: null } : item));

/**
 * The changes of all pieces, deleted ones too, with items that are linked to a style. They are a matter of the style: pieces keep their
 * place on the shelf.
 */
async function inPieces(db: Database, styleId: string, change: (item: Item) => Item) {
  const rows = await db
    .select()
    .from(pieces)
    .where(holds(pieces.document, `"styleId":${JSON.stringify(styleId)}`));
  return rows.flatMap((row) => {
    const piece = openPiece(JSON.parse(row.document));
    const items = piece.items.map((i) => (i.styleId === styleId ? change(i) : i));
    if (items.every((item, k) => item === piece.items[k])) return [];
    return [
      db
        .update(pieces)
        .set({ document: JSON.stringify({ ...piece, items }), revision: row.revision + 1 })
        .where(and(eq(pieces.id, row.id), eq(pieces.revision, row.revision))),
    ];
  });
}

/** Takes a deletion back, with what it changed elsewhere. @throws NotFound */
export async function restore(db: Database, shelf: Shelf, id: string): Promise<void> {
  const { table, read } = shelves[shelf];
  const [row] = await db.select().from(table).where(eq(table.id, id));
  if (!row) throw new NotFound();
  const back = db.update(table).set({ deletedAt: null }).where(eq(table.id, id));
  await db.batch([
    back,
    ...(shelf === "styles" && row.deletedAt !== null ? await relinked(db, read(JSON.parse(row.document)) as Style) : []),
  ]);
}

/** The pieces on the shelf with items that follow a style, newest first; those whose items have coats of their own instead are left out. */
export async function piecesWith(db: Database, styleId: string): Promise<Entry[]> {
  const rows = await db
    .select()
    .from(pieces)
    .where(and(isNull(pieces.deletedAt), holds(pieces.document, `"styleId":${JSON.stringify(styleId)}`)))
    .orderBy(desc(pieces.updatedAt), pieces.name);
  const follows = (document: string) => (JSON.parse(document) as Piece).items.some((i) => i.styleId === styleId && !i.ownStyle);
  return rows.filter((r) => follows(r.document)).map(({ id, name, revision, updatedAt }) => ({ id, name, revision, updatedAt }));
}

/** A copy under a name and an id of its own. @throws NotFound */
export async function copy<S extends Shelf>(db: Database, shelf: S, id: string): Promise<Stored<S>> {
  const { document } = await get(db, shelf, id);
  return create(db, shelf, {
    ...document,
    id: nanoid(12),
    name: `${document.name.slice(0, 70)} copy`,
    ...("named" in document ? { named: true } : {}),
  });
}

/** The styles that a piece is linked to, with their revisions; those that are gone are left out. */
export async function linkedStyles(db: Database, piece: Piece): Promise<Stored<"styles">[]> {
  const ids = [...new Set(piece.items.flatMap((i) => (i.styleId ? [i.styleId] : [])))];
  const found = await Promise.all(ids.map((id) => ifThere(get(db, "styles", id))));
  return found.filter((s) => s !== undefined);
}
