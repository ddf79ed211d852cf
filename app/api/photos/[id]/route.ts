import { database } from "@/server/database";
import { answer } from "@/server/http/answer";
import { readPhoto } from "@/server/photos/store";

/** A photo's picture. An id always means the same picture. */
export const GET = (_: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { type, bytes } = await readPhoto(await database(), (await context.params).id);
    return new Response(new Uint8Array(bytes), {
      headers: { "content-type": type, "cache-control": "private, max-age=31536000, immutable" },
    });
  });
