import { and, isNotNull, lt, sql } from "drizzle-orm";
import type { Database } from "../db/open";
import { photos, pictures, pieces, styles } from "../db/schema";

/** As long as deleted pieces are kept; until then an open tab, or an undo, may still show the photo. */
const kept = 30 * 24 * 3600 * 1000;
const daily = 24 * 3600 * 1000;

/** Takes photos away that no piece and no style names any more, what was deleted long ago, and its pictures. @returns how many photos */
export async function removeUnused(db: Database, now = Date.now()): Promise<number> {
  for (const table of [pieces, styles]) await db.delete(table).where(and(isNotNull(table.deletedAt), lt(table.deletedAt, now - kept)));
  const named = (table: typeof pieces | typeof styles) =>
    sql`exists (select 1 from ${table} where instr(${table.document}, ${photos.id}) > 0)`;
  const gone = await db
    .delete(photos)
    .where(and(lt(photos.addedAt, now - kept), sql`not ${named(pieces)}`, sql`not ${named(styles)}`))
    .returning({ id: photos.id });
  await db
    .delete(pictures)
    .where(
      sql`(${pictures.shelf} = 'pieces' and ${pictures.id} not in (select id from pieces)) or (${pictures.shelf} = 'styles' and ${pictures.id} not in (select id from styles))`,
    );
  return gone.length;
}

/** Looks once a day, from a day after the start on. @returns ends it */
export function removeUnusedDaily(db: Database): () => void {
  // What cannot be done today is done tomorrow.
  const timer = setInterval(() => void removeUnused(db).catch(() => undefined), daily);
  timer.unref();
  return () => clearInterval(timer);
}
