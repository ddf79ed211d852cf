import { createHash } from "node:crypto";
import { readFile } from "node:fs/promises";
import path from "node:path";
import decompress from "woff2-encoder/decompress";
import { Problem } from "../../core/problem";
import { shippedFaces } from "./shipped";
import { unwrapWoff } from "./woff";

const root = () => path.resolve(/* turbopackIgnore: true */ process.cwd(), "node_modules");

const woff = 0x774f4646; // "wOFF"
const woff2 = 0x774f4632; // "wOF2"

/** A font's bytes in the sfnt wrapping, whatever it was wrapped in. @throws Problem where the wrapping is damaged */
export async function toSfnt(bytes: Uint8Array, name: string): Promise<Uint8Array> {
  const signature = bytes.length < 4 ? 0 : new DataView(bytes.buffer, bytes.byteOffset).getUint32(0);
  if (signature === woff) return unwrapWoff(bytes, name);
  if (signature !== woff2) return bytes;
  try {
    return new Uint8Array(await decompress(bytes));
  } catch {
    throw new Problem(`${name} is damaged: its WOFF2 wrapping cannot be undone.`);
  }
}

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
