import { outputOf } from "@/core/output/outputs";
import { answer } from "@/server/http/answer";
import { jsonBody } from "@/server/http/body";
import { exportFile } from "@/server/render";
import { exportRequestSchema } from "@/wire/export";

/** A file of a piece as it is sent, saved or not. Ends when the asker goes away. */
export const POST = (request: Request) =>
  answer(async () => {
    const asked = exportRequestSchema.parse(await jsonBody(request));
    const file = await exportFile(asked, { signal: request.signal });
    return new Response(typeof file === "string" ? file : new Uint8Array(file), {
      headers: { "content-type": outputOf(asked.output.kind).mediaType, "cache-control": "no-store" },
    });
  });
