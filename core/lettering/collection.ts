import { Problem } from "../problem";

/** Fonts that one collection may hold. */
const mostFonts = 64;

/**
 * The fonts of a file: one, or each one of a collection (OpenType specification, "Font Collections": a header of offsets to table
 * directories, whose tables may be shared), each with tables of its own.
 * @throws Problem where a collection is damaged
 */
export function fontsIn(bytes: Uint8Array, name: string): Uint8Array[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 12 || view.getUint32(0) !== 0x74746366) return [bytes]; // "ttcf"
  const count = view.getUint32(8);
  if (count < 1 || count > mostFonts || 12 + 4 * count > bytes.length)
    throw new Problem(`${name} is a damaged collection: it says it holds ${count} fonts.`);
  return Array.from({ length: count }, (_, i) => {
    const at = view.getUint32(12 + 4 * i);
    if (at + 12 > bytes.length) throw new Problem(`${name} is cut short: font ${i + 1} of the collection lies outside the file.`);
    const tables = view.getUint16(at + 4);
    const directory = 12 + 16 * tables;
    if (at + directory > bytes.length) throw new Problem(`${name} is cut short: the tables of font ${i + 1} do not fit into the file.`);
    const records = Array.from({ length: tables }, (_, k) => {
      const from = at + 12 + 16 * k;
      const [offset, length] = [view.getUint32(from + 8), view.getUint32(from + 12)];
      if (offset + length > bytes.length) throw new Problem(`${name} is cut short: a table of font ${i + 1} ends outside the file.`);
      return { from, offset, length };
    });
    const padded = (n: number) => (n + 3) & ~3;
    const out = new Uint8Array(directory + records.reduce((n, r) => n + padded(r.length), 0));
    out.set(bytes.subarray(at, at + directory));
    const to = new DataView(out.buffer);
    let place = directory;
    records.forEach((r, k) => {
      to.setUint32(12 + 16 * k + 8, place);
      out.set(bytes.subarray(r.offset, r.offset + r.length), place);
      place += padded(r.length);
    });
    return out;
  });
}
