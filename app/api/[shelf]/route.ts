import { create, list, shelves } from "@/server/documents";
import { drawSoon } from "@/server/pictures";
import { jsonBody } from "@/server/http/body";
import { etag, onShelf, type Context } from "../shelf";

type C = Context<{ shelf: string }>;

export const GET = (_: Request, context: C) => onShelf(context, async (db, shelf) => Response.json(await list(db, shelf)));

/** Makes a document; with `If-None-Match: *` only where none has its id, and otherwise also where the very same is there. */
export const POST = (request: Request, context: C) =>
  onShelf(context, async (db, shelf) => {
    const document = shelves[shelf].read(await jsonBody(request));
    const stored = await create(db, shelf, document, request.headers.get("if-none-match") === "*");
    drawSoon(db, shelf, document.id);
    return Response.json(stored, { status: 201, headers: { etag: etag(stored.revision), location: `/api/${shelf}/${document.id}` } });
  });
