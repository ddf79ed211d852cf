import * as z from "zod";
import { Problem } from "@/core/problem";
import { database } from "@/server/database";
import { answer } from "@/server/http/answer";
import { fitted } from "@/server/photos/fit";
import { readPhoto } from "@/server/photos/store";

const sideSchema = z.coerce.number().int().min(16).max(100_000).optional();

/** A photo's picture, with no more pixels of its longer side than `?side=` says. An id always means the same picture. */
export const GET = (request: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { type, bytes } = await readPhoto(await database(), (await context.params).id);
    const side = sideSchema.safeParse(new URL(request.url).searchParams.get("side") ?? undefined);
    if (!side.success) throw new Problem("The side of a photo is a number of pixels, 16 or more.");
    const seen = side.data === undefined ? bytes : await fitted(bytes, side.data);
    return new Response(new Uint8Array(seen), {
      headers: { "content-type": type, "cache-control": "private, max-age=31536000, immutable" },
    });
  });
