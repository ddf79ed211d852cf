import { picture } from "@/server/pictures";
import { onShelf, type Context } from "../../../shelf";

/** The live picture. Its tag follows the document, the styles it is linked to and the photos that are here. */
export const GET = (request: Request, context: Context<{ shelf: string; id: string }>) =>
  onShelf(context, async (db, shelf, { id }) => {
    const { svg, tag } = await picture(db, shelf, id);
    const headers = { etag: `"${tag}"`, "cache-control": "no-cache", "content-type": "image/svg+xml; charset=utf-8" };
    if (request.headers.get("if-none-match") === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(svg, { headers });
  });
