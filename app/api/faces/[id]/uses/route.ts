import { database } from "@/server/database";
import { usesOf } from "@/server/faces/own";
import { answer } from "@/server/http/answer";

/** The names of the pieces that are set in a face. */
export const GET = (_: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () =>
    Response.json(await usesOf(await database(), (await context.params).id), { headers: { "cache-control": "no-store" } }),
  );
