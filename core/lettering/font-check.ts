import { Problem } from "../problem";

const glyphTables = [["glyf", "loca"], ["CFF "], ["CFF2"]];
const needed = ["cmap", "head", "hhea", "hmtx", "maxp"];

/**
 * Checks the table directory of a font in the sfnt wrapping (OpenType specification, "Organization of an OpenType
 * Font"), since a shaping library loads damaged files without a word.
 * @throws Problem naming the first thing that is wrong
 */
export function checkSfnt(bytes: Uint8Array, name = "This file"): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 12) throw new Problem(`${name} is not a font: it holds only ${bytes.length} bytes.`);
  const signature = view.getUint32(0);
  const known = [0x00010000, 0x4f54544f, 0x74727565]; // TrueType, "OTTO", "true"
  if (!known.includes(signature)) throw new Problem(`${name} is not an OpenType or TrueType font: its first bytes are not a font's.`);
  const count = view.getUint16(4);
  if (12 + count * 16 > bytes.length) throw new Problem(`${name} is cut short: its table directory does not fit into the file.`);
  const tables = new Map<string, { offset: number; length: number }>();
  for (let i = 0; i < count; i++) {
    const at = 12 + i * 16;
    const tag = String.fromCharCode(...bytes.subarray(at, at + 4));
    const offset = view.getUint32(at + 8);
    const length = view.getUint32(at + 12);
    if (offset + length > bytes.length) throw new Problem(`${name} is cut short: its table “${tag.trim()}” ends outside the file.`);
    tables.set(tag, { offset, length });
  }
  const missing = needed.find((tag) => !tables.has(tag));
  if (missing) throw new Problem(`${name} is not a complete font: the table “${missing}” is missing.`);
  if (!glyphTables.some((set) => set.every((tag) => tables.has(tag)))) throw new Problem(`${name} has no outlines.`);
  const head = tables.get("head")!;
  const upem = head.length >= 20 ? view.getUint16(head.offset + 18) : 0;
  if (upem < 16 || upem > 16384) throw new Problem(`${name} is damaged: ${upem} units to the em is outside 16 to 16384.`);
}
