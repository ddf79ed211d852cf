import { Problem } from "../../core/problem";

const mostBytes = 20_000_000;

/** The JSON of a request. @throws Problem where it is too long or no JSON */
export async function jsonBody(request: Request): Promise<unknown> {
  if (!request.headers.get("content-type")?.startsWith("application/json")) throw new Problem("The request carries no JSON.");
  if (Number(request.headers.get("content-length") ?? 0) > mostBytes) throw new Problem("The request is over 20 MB.");
  const text = await request.text();
  if (text.length > mostBytes) throw new Problem("The request is over 20 MB.");
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem("The request carries no sound JSON.");
  }
}
