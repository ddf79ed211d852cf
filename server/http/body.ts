import { Problem } from "../../core/problem";

const mostBytes = 20_000_000;
/** What a form is allowed to hold beside its file. */
const beside = 1_000_000;

/**
 * The form of a request and the file in one of its fields.
 * @param most bytes of the file
 * @throws Problem where it is too long or carries none
 */
export async function formFile(request: Request, field: string, most: number): Promise<{ form: FormData; file: File }> {
  if (Number(request.headers.get("content-length") ?? 0) > most + beside) throw new Problem(`This file is over ${most / 1e6} MB.`);
  const form = await request.formData().catch(() => undefined);
  const file = form?.get(field);
  if (!form || !(file instanceof File)) throw new Problem(`The request carries no ${field}.`);
  return { form, file };
}

/** The JSON of a request. @throws Problem where it is too long or no JSON */
export async function jsonBody(request: Request): Promise<unknown> {
  // The media type alone, without its parameters (RFC 9110, section 8.3.1).
  const type = request.headers.get("content-type")?.split(";")[0].trim().toLowerCase();
  if (type !== "application/json") throw new Problem("The request carries no JSON.");
  if (Number(request.headers.get("content-length") ?? 0) > mostBytes) throw new Problem("The request is over 20 MB.");
  const text = await request.text();
  if (text.length > mostBytes) throw new Problem("The request is over 20 MB.");
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem("The request carries no sound JSON.");
  }
}
