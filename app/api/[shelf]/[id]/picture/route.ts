import { picture } from "@/server/pictures";
import { onShelf, type Context } from "../../../shelf";

/**
 * The picture, as it was drawn last: a stale one says so in X-Picture, and `?fresh` waits for the new one. Its tag follows the document,
 * the styles it is linked to and the photos and faces that are here.
 */
export const GET = (request: Request, context: Context<{ shelf: string; id: string }>) =>
  onShelf(context, async (db, shelf, { id }) => {
    const { type, bytes, tag, stale } = await picture(db, shelf, id, new URL(request.url).searchParams.has("fresh"));
    const headers = { etag: `"${tag}"`, "cache-control": "no-cache", "content-type": type, "x-picture": stale ? "stale" : "fresh" };
    if (request.headers.get("if-none-match") === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(new Uint8Array(bytes), { headers });
  });
