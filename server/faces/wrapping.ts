import decompress from "woff2-encoder/decompress";
import { Problem } from "../../core/problem";
import { unwrapWoff } from "./woff";

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
