import { jsonBody } from "@/server/http/body";
import { answer } from "@/server/http/answer";
import { exportPng } from "@/server/render";
import { pngRequestSchema } from "@/wire/png";

/** A picture of a piece as it is sent, saved or not. Ends when the asker goes away. */
export const POST = (request: Request) =>
  answer(async () => {
    const png = await exportPng(pngRequestSchema.parse(await jsonBody(request)), request.signal);
    return new Response(new Uint8Array(png), { headers: { "content-type": "image/png", "cache-control": "no-store" } });
  });
