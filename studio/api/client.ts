import type * as z from "zod";
import type { Measured } from "@/core/lettering/measured";
import { photoSchema, type Photo } from "@/core/photo";
import { facesSchema, measuredSchema, namesSchema, type FaceEntry } from "@/wire/faces";
import type { ExportRequest } from "@/core/piece/exported";
import { problemSchema } from "@/wire/problem";
import { entriesSchema, replacedSchema, storedSchemas, type Documents, type Entry, type Shelf, type Stored } from "@/wire/shelf";

export type { FaceEntry } from "@/wire/faces";
export type { Documents, Entry, Shelf, Stored } from "@/wire/shelf";

/** What the server refused, in its own words. Status 0: the server was not reached. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Undefined for what is not on the shelf; any other fault stays one. */
export const ifThere = <T>(found: Promise<T>): Promise<T | undefined> =>
  found.catch((error) => (error instanceof ApiProblem && error.status === 404 ? undefined : Promise.reject(error)));

async function call(path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (error) {
    if (init.signal?.aborted) throw error;
    throw new ApiProblem(0, "Vextal's server does not answer. Is it still running?");
  }
  if (response.ok) return response;
  const details = problemSchema.safeParse(await response.json().catch(() => ({})));
  throw new ApiProblem(response.status, details.data?.detail ?? `The server answered ${response.status}.`);
}

/** What is answered, checked against what was agreed on. @throws ApiProblem where it is something else */
async function answered<S extends z.ZodType>(response: Promise<Response>, schema: S): Promise<z.output<S>> {
  const read = schema.safeParse(await (await response).json());
  if (!read.success) throw new ApiProblem(502, "The server answered something that this page does not understand. Reload the page.");
  return read.data;
}

const stored = async <S extends Shelf>(shelf: S, response: Promise<Response>): Promise<Stored<S>> =>
  (await answered(response, storedSchemas[shelf])) as Stored<S>;

const json = (method: string, body: unknown, headers: Record<string, string> = {}): RequestInit => ({
  method,
  body: JSON.stringify(body),
  headers: { "content-type": "application/json", ...headers },
});

/** Ids are encoded, whatever they are: an address leads to nothing else than what it names. */
const addressOf = (shelf: Shelf, id: string): string => `/api/${shelf}/${encodeURIComponent(id)}`;

/** The page of a piece. */
export const pageOf = (id: string): string => `/pieces/${encodeURIComponent(id)}`;

/** The only way in which the interface reaches data. */
export const api = {
  list: (shelf: Shelf): Promise<Entry[]> => answered(call(`/api/${shelf}`), entriesSchema),
  get: <S extends Shelf>(shelf: S, id: string): Promise<Stored<S>> => stored(shelf, call(addressOf(shelf, id))),
  /** @param onlyNew refuses also where the very same is there already, as after an answer that was lost */
  create: <S extends Shelf>(shelf: S, document: Documents[S], onlyNew = false): Promise<Stored<S>> =>
    stored(shelf, call(`/api/${shelf}`, json("POST", document, onlyNew ? { "if-none-match": "*" } : {}))),
  /** @param revision that the change stands on; null overwrites whatever is there */
  replace: async <S extends Shelf>(shelf: S, document: Documents[S], revision: number | null, keepalive = false): Promise<number> => {
    const match = revision === null ? "*" : `"${revision}"`;
    const response = call(addressOf(shelf, document.id), { ...json("PUT", document, { "if-match": match }), keepalive });
    return (await answered(response, replacedSchema)).revision;
  },
  remove: async (shelf: Shelf, id: string) => void (await call(addressOf(shelf, id), { method: "DELETE" })),
  restore: async (shelf: Shelf, id: string) => void (await call(`${addressOf(shelf, id)}/restore`, { method: "POST" })),
  copy: <S extends Shelf>(shelf: S, id: string): Promise<Stored<S>> =>
    stored(shelf, call(`${addressOf(shelf, id)}/copy`, { method: "POST" })),
  faces: (): Promise<FaceEntry[]> => answered(call("/api/faces"), facesSchema),
  measured: (): Promise<Readonly<Record<string, Measured>>> => answered(call("/api/faces/measured"), measuredSchema),
  /** Brings in a font file, with the text of its licence where there is one. A collection gives several faces. */
  addFace: async (file: File, licence: string): Promise<FaceEntry[]> => {
    const form = new FormData();
    form.set("font", file);
    form.set("licence", licence);
    return answered(call("/api/faces", { method: "POST", body: form }), facesSchema);
  },
  /** The pieces that a style is worn in. */
  styleUses: (id: string): Promise<Entry[]> => answered(call(`${addressOf("styles", id)}/uses`), entriesSchema),
  removeFace: async (id: string) => void (await call(`/api/faces/${encodeURIComponent(id)}`, { method: "DELETE" })),
  /** The names of the pieces that are set in a face. */
  faceUses: (id: string): Promise<string[]> => answered(call(`/api/faces/${encodeURIComponent(id)}/uses`), namesSchema),
  hasPhoto: async (id: string): Promise<boolean> =>
    (await ifThere(call(`/api/photos/${encodeURIComponent(id)}`, { method: "HEAD" }))) !== undefined,
  /** A photo's picture; undefined where it is gone. */
  photo: async (id: string): Promise<Blob | undefined> => (await ifThere(call(`/api/photos/${encodeURIComponent(id)}`)))?.blob(),
  addPhoto: async (file: File): Promise<Photo> => {
    const form = new FormData();
    form.set("photo", file);
    return answered(call("/api/photos", { method: "POST", body: form }), photoSchema);
  },
  export: async (request: ExportRequest, signal: AbortSignal): Promise<Blob> =>
    (await call("/api/export", { ...json("POST", request), signal })).blob(),
  pictureUrl: (shelf: Shelf, entry: Pick<Entry, "id" | "revision">) => `${addressOf(shelf, entry.id)}/picture?r=${entry.revision}`,
};
