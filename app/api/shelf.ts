import { isSoundId } from "@/core/ids";
import { database } from "@/server/database";
import type { Database } from "@/server/db/open";
import { NotFound, shelves } from "@/server/documents";
import type { Shelf } from "@/wire/shelf";
import { answer } from "@/server/http/answer";

export interface Context<P> {
  params: Promise<P>;
}

/** Runs a handler on one of the shelves; another name is not found. */
export const onShelf = <P extends { shelf: string; id?: string }>(
  context: Context<P>,
  handler: (db: Database, shelf: Shelf, params: P) => Promise<Response>,
) =>
  answer(async () => {
    const params = await context.params;
    if (!Object.hasOwn(shelves, params.shelf) || (params.id !== undefined && !isSoundId(params.id))) throw new NotFound();
    return handler(await database(), params.shelf as Shelf, params);
  });

export const etag = (revision: number) => `"${revision}"`;
