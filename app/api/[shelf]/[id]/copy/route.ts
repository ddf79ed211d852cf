import { copy } from "@/server/documents";
import { onShelf, type Context } from "../../../shelf";

export const POST = (_: Request, context: Context<{ shelf: string; id: string }>) =>
  onShelf(context, async (db, shelf, { id }) => Response.json(await copy(db, shelf, id), { status: 201 }));
