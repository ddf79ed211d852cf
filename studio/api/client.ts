import type { FaceInfo } from "@/core/lettering/face";
import type { Measured } from "@/core/lettering/measured";
import type { Photo } from "@/core/photo";
import type { Piece } from "@/core/piece/schema";
import type { Style } from "@/core/style/schema";

/** What the shelf lists. */
export interface Entry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: number;
}
export interface Documents {
  pieces: Piece;
  styles: Style;
}
export type Shelf = keyof Documents;
export interface Stored<S extends Shelf> {
  readonly document: Documents[S];
  readonly revision: number;
}
export interface FaceEntry extends FaceInfo {
  readonly licence: string;
  /** Brought in, and not shipped. */
  readonly own?: boolean;
}

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
  const details = (await response.json().catch(() => ({}))) as { detail?: string };
  throw new ApiProblem(response.status, details.detail ?? `The server answered ${response.status}.`);
}

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
  list: async (shelf: Shelf): Promise<Entry[]> => (await call(`/api/${shelf}`)).json(),
  get: async <S extends Shelf>(shelf: S, id: string): Promise<Stored<S>> => (await call(addressOf(shelf, id))).json(),
  /** @param onlyNew refuses also where the very same is there already, as after an answer that was lost */
  create: async <S extends Shelf>(shelf: S, document: Documents[S], onlyNew = false): Promise<Stored<S>> =>
    (await call(`/api/${shelf}`, json("POST", document, onlyNew ? { "if-none-match": "*" } : {}))).json(),
  /** @param revision that the change stands on; null overwrites whatever is there */
  replace: async <S extends Shelf>(shelf: S, document: Documents[S], revision: number | null, keepalive = false): Promise<number> => {
    const match = revision === null ? "*" : `"${revision}"`;
    const response = await call(addressOf(shelf, document.id), { ...json("PUT", document, { "if-match": match }), keepalive });
    return ((await response.json()) as { revision: number }).revision;
  },
  remove: async (shelf: Shelf, id: string) => void (await call(addressOf(shelf, id), { method: "DELETE" })),
  restore: async (shelf: Shelf, id: string) => void (await call(`${addressOf(shelf, id)}/restore`, { method: "POST" })),
  copy: async <S extends Shelf>(shelf: S, id: string): Promise<Stored<S>> =>
    (await call(`${addressOf(shelf, id)}/copy`, { method: "POST" })).json(),
  faces: async (): Promise<FaceEntry[]> => (await call("/api/faces")).json(),
  measured: async (): Promise<Readonly<Record<string, Measured>>> => (await call("/api/faces/measured")).json(),
  /** Brings in a font file, with the text of its licence where there is one. A collection gives several faces. */
  addFace: async (file: File, licence: string): Promise<FaceEntry[]> => {
    const form = new FormData();
    form.set("font", file);
    form.set("licence", licence);
    return (await call("/api/faces", { method: "POST", body: form })).json();
  },
  /** The pieces that a style is worn in. */
  styleUses: async (id: string): Promise<Entry[]> => (await call(`${addressOf("styles", id)}/uses`)).json(),
  removeFace: async (id: string) => void (await call(`/api/faces/${encodeURIComponent(id)}`, { method: "DELETE" })),
  /** The names of the pieces that are set in a face. */
  faceUses: async (id: string): Promise<string[]> => (await call(`/api/faces/${encodeURIComponent(id)}/uses`)).json(),
  hasPhoto: async (id: string): Promise<boolean> =>
    (await ifThere(call(`/api/photos/${encodeURIComponent(id)}`, { method: "HEAD" }))) !== undefined,
  addPhoto: async (file: File): Promise<Photo> => {
    const form = new FormData();
    form.set("photo", file);
    return (await call("/api/photos", { method: "POST", body: form })).json();
  },
  png: async (request: unknown, signal: AbortSignal): Promise<Blob> =>
    (await call("/api/png", { ...json("POST", request), signal })).blob(),
  pictureUrl: (shelf: Shelf, entry: Pick<Entry, "id" | "revision">) => `${addressOf(shelf, entry.id)}/picture?r=${entry.revision}`,
};
