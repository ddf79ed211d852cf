import { blob, integer, primaryKey, sqliteTable, text } from "drizzle-orm/sqlite-core";

/** Pieces and styles are JSON documents; what is searched or sorted by stands beside them. */
const documentColumns = () => ({
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** The document as JSON, of the format version that it names itself. */
  document: text("document").notNull(),
  /** Counts up with every change, for optimistic concurrency. */
  revision: integer("revision").notNull(),
  createdAt: integer("created_at").notNull(),
  updatedAt: integer("updated_at").notNull(),
  /** When it was deleted; kept for a while so that deleting can be undone. */
  deletedAt: integer("deleted_at"),
});

export const pieces = sqliteTable("pieces", documentColumns());
export const styles = sqliteTable("styles", documentColumns());

/** Faces that were brought in, each once by the hash of its bytes. */
export const faces = sqliteTable("faces", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** SHA-256 of the bytes, in hexadecimal. */
  hash: text("hash").notNull().unique(),
  /** The font in the sfnt wrapping. */
  bytes: blob("bytes", { mode: "buffer" }).notNull(),
  /** The licence that came with it, as plain text. */
  licence: text("licence").notNull(),
  addedAt: integer("added_at").notNull(),
});

/** Photos that were brought in, each once. */
export const photos = sqliteTable("photos", {
  /** The first 32 hexadecimal digits of the SHA-256 of the file that was brought in. */
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  /** Media type of the bytes. */
  type: text("type").notNull(),
  /** In its own pixels. */
  width: integer("width").notNull(),
  height: integer("height").notNull(),
  /** Upright, in sRGB, without what a camera notes beside the picture. */
  bytes: blob("bytes", { mode: "buffer" }).notNull(),
  addedAt: integer("added_at").notNull(),
});

/** Pictures of the shelf, as they were drawn last. */
export const pictures = sqliteTable(
  "pictures",
  {
    shelf: text("shelf").notNull(),
    id: text("id").notNull(),
    /** What it was drawn of: it is stale where that has another tag by now. */
    tag: text("tag").notNull(),
    /** Media type of the bytes. */
    type: text("type").notNull(),
    bytes: blob("bytes", { mode: "buffer" }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.shelf, table.id] })],
);
