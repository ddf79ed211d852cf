import { NotFound } from "@/server/documents";
import { licenceOf } from "@/server/faces/find";
import { answer } from "@/server/http/answer";

export const GET = (_: Request, context: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const text = await licenceOf((await context.params).id);
    if (text === undefined) throw new NotFound();
    return new Response(text, { headers: { "content-type": "text/plain; charset=utf-8" } });
  });
