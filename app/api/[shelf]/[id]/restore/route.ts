import { restore } from "@/server/documents";
import { onShelf, type Context } from "../../../shelf";

export const POST = (_: Request, context: Context<{ shelf: string; id: string }>) =>
  onShelf(context, async (db, shelf, { id }) => {
    await restore(db, shelf, id);
    return new Response(null, { status: 204 });
  });
