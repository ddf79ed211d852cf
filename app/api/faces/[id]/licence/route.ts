import { NotFound } from "@/server/documents";
import { readLicence } from "@/server/faces/read";
import { answer } from "@/server/http/answer";

export const GET = (_: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const text = await readLicence((await context.params).id);
    if (text === undefined) throw new NotFound();
    return new Response(text, { headers: { "content-type": "text/plain; charset=utf-8" } });
  });
