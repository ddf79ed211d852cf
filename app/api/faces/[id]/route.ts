import { NotFound } from "@/server/documents";
import { readFace } from "@/server/faces/read";
import { answer } from "@/server/http/answer";

/** A face's file in the sfnt wrapping. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const file = await readFace((await context.params).id);
    if (!file) throw new NotFound();
    const headers = { etag: `"${file.hash}"`, "cache-control": "private, max-age=3600", "content-type": "font/sfnt" };
    if (request.headers.get("if-none-match") === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(new Uint8Array(file.bytes), { headers });
  });
