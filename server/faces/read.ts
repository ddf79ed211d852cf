import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import path from "node:path";
import type { FaceInfo } from "../../core/lettering/face";
import { shippedFaces } from "./shipped";
import { toSfnt } from "./wrapping";

const root = () => path.resolve(/* turbopackIgnore: true */ process.cwd(), "node_modules");

export interface FaceFile {
  readonly bytes: Uint8Array;
  /** SHA-256 of the bytes, in hexadecimal. */
  readonly hash: string;
}

const files = new Map<string, Promise<FaceFile>>();

/** The file of a shipped face, unwrapped, read once; undefined for an id that does not ship. */
export function readFace(id: string): Promise<FaceFile> | undefined {
  const face = shippedFaces.find((f) => f.id === id);
  if (!face) return undefined;
  let file = files.get(id);
  if (!file) {
    file = (async () => {
      const wrapped = new Uint8Array(await readFile(path.join(root(), face.file)));
      const bytes = await toSfnt(wrapped, face.name);
      return { bytes, hash: createHash("sha256").update(bytes).digest("hex") };
    })();
    file.catch(() => files.delete(id));
    files.set(id, file);
  }
  return file;
}

export const readLicence = (id: string): Promise<string> | undefined => {
  const face = shippedFaces.find((f) => f.id === id);
  return face && readFile(path.join(root(), face.licenceFile), "utf8");
};

/** What is known of a shipped face; undefined for an id that does not ship. */
export const shippedInfo = (id: string): FaceInfo | undefined => shippedFaces.find((f) => f.id === id);
