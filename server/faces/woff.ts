import { inflateSync } from "node:zlib";
import { Problem } from "../../core/problem";

/**
 * A WOFF 1.0 file without its wrapping (W3C WOFF File Format 1.0, sections 3 to 5): each table is stored as it is
 * or compressed with zlib.
 * @throws Problem where it is damaged
 */
export function unwrapWoff(bytes: Uint8Array, name: string): Uint8Array {
  try {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const count = view.getUint16(12);
    const tables = Array.from({ length: count }, (_, i) => {
      const at = 44 + i * 20;
      const [tag, offset, packed, length, checksum] = [0, 4, 8, 12, 16].map((k) => view.getUint32(at + k));
      if (offset + packed > bytes.length || length > 50_000_000) throw new RangeError("a table ends outside the file");
      const stored = bytes.subarray(offset, offset + packed);
      const data = packed < length ? new Uint8Array(inflateSync(stored, { maxOutputLength: length })) : stored;
      if (data.length !== length) throw new RangeError("a table is shorter than it says");
      return { tag, checksum, data };
    });
    const padded = (n: number) => (n + 3) & ~3;
    const out = new Uint8Array(12 + count * 16 + tables.reduce((sum, t) => sum + padded(t.data.length), 0));
    const to = new DataView(out.buffer);
    const power = 2 ** Math.floor(Math.log2(count));
    to.setUint32(0, view.getUint32(4));
    [count, power * 16, Math.log2(power), count * 16 - power * 16].forEach((v, i) => to.setUint16(4 + 2 * i, v));
    let place = 12 + count * 16;
    tables.forEach((t, i) => {
      [t.tag, t.checksum, place, t.data.length].forEach((v, k) => to.setUint32(12 + i * 16 + 4 * k, v));
      out.set(t.data, place);
      place += padded(t.data.length);
    });
    return out;
  } catch (error) {
    throw new Problem(`${name} is damaged: its WOFF wrapping cannot be undone (${(error as Error).message}).`);
  }
}
