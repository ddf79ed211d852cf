import { Problem } from "@/core/problem";
import { get, remove, replace, shelves } from "@/server/documents";
import { jsonBody } from "@/server/http/body";
import { problem } from "@/server/http/problem-details";
import { drawSoon } from "@/server/pictures";
import { etag, onShelf, type Context } from "../../shelf";

type C = Context<{ shelf: string; id: string }>;

export const GET = (_: Request, context: C) =>
  onShelf(context, async (db, shelf, { id }) => {
    const stored = await get(db, shelf, id);
    return Response.json(stored, { headers: { etag: etag(stored.revision), "cache-control": "no-store" } });
  });

/** Replaces a document. If-Match names the revision that it stands on; `*` overwrites whatever is there. */
export const PUT = (request: Request, context: C) =>
  onShelf(context, async (db, shelf, { id }) => {
    const match = request.headers.get("if-match");
    if (!match) return problem(428, "Revision needed", "A change must say which revision it stands on (If-Match).");
    const revision = match === "*" ? null : Number(/^"(\d+)"$/.exec(match)?.[1]);
    if (Number.isNaN(revision)) throw new Problem("If-Match is no revision.");
    const document = shelves[shelf].read(await jsonBody(request));
    if (document.id !== id) throw new Problem("The document carries another id than its address.");
    const next = await replace(db, shelf, document, revision);
    drawSoon(db, shelf, id);
    return Response.json({ revision: next }, { headers: { etag: etag(next) } });
  });

export const DELETE = (_: Request, context: C) =>
  onShelf(context, async (db, shelf, { id }) => {
    await remove(db, shelf, id);
    return new Response(null, { status: 204 });
  });
