import { NotFound, piecesWith } from "@/server/documents";
import { onShelf, type Context } from "../../../shelf";

/** The pieces with items that follow a style. */
export const GET = (_: Request, context: Context<{ shelf: string; id: string }>) =>
  onShelf(context, async (db, shelf, { id }) => {
    if (shelf !== "styles") throw new NotFound();
    return Response.json(await piecesWith(db, id), { headers: { "cache-control": "no-store" } });
  });
