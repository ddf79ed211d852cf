import { database } from "@/server/database";
import { NotFound } from "@/server/documents";
import { serverEngine } from "@/server/engine";
import { findFace } from "@/server/faces/find";
import { removeOwn } from "@/server/faces/own";
import { answer } from "@/server/http/answer";

type Context = { params: Promise<{ id: string }> };

/** A face's file in the sfnt wrapping. */
export const GET = (request: Request, context: Context) =>
  answer(async () => {
    const file = await findFace((await context.params).id);
    if (!file) throw new NotFound();
    const headers = { etag: `"${file.hash}"`, "cache-control": "private, max-age=3600", "content-type": "font/sfnt" };
    if (request.headers.get("if-none-match") === headers.etag) return new Response(null, { status: 304, headers });
    return new Response(new Uint8Array(file.bytes), { headers });
  });

/** Takes away a face that was brought in. */
export const DELETE = (_: Request, context: Context) =>
  answer(async () => {
    await removeOwn(await database(), (await context.params).id);
    (await serverEngine()).forget();
    return new Response(null, { status: 204 });
  });
