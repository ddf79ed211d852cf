import { measuredFaces } from "@/server/faces/measured";
import { answer } from "@/server/http/answer";

/** What is measured on every face, by id. */
export const GET = () => answer(async () => Response.json(await measuredFaces(), { headers: { "cache-control": "no-store" } }));
