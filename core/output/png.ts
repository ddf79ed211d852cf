import { zlibSync } from "fflate";

/** A chunk of a PNG: its length, its type, its data and their checksum (PNG specification, section 5.3). */
function chunk(type: string, data: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(12 + data.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, data.length);
  for (let i = 0; i < 4; i++) bytes[4 + i] = type.charCodeAt(i);
  bytes.set(data, 8);
  view.setUint32(8 + data.length, crc32(bytes.subarray(4, 8 + data.length)));
  return bytes;
}

const table = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

/** The checksum of PNG (PNG specification, annex D). */
function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (let i = 0; i < bytes.length; i++) c = table[(c ^ bytes[i]) & 0xff] ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

function joined(parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const all = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const p of parts) {
    all.set(p, at);
    at += p.length;
  }
  return all;
}

const signature = Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a);

/** Pixels to the metre, as PNG stores a resolution: 300 dpi is 11811. */
export const perMetre = (dpi: number): number => Math.round(dpi / 0.0254);

/** The PNG with its resolution: a pHYs chunk right after IHDR (PNG specification, section 11.3.4.3). */
export function withResolution(png: Uint8Array, dpi: number): Uint8Array<ArrayBuffer> {
  const afterHeader = signature.length + 12 + 13;
  const data = new Uint8Array(9);
  const view = new DataView(data.buffer);
  view.setUint32(0, perMetre(dpi));
  view.setUint32(4, perMetre(dpi));
  data[8] = 1;
  return joined([png.subarray(0, afterHeader), chunk("pHYs", data), png.subarray(afterHeader)]);
}

/**
 * Pixels as a PNG, whose bytes are the same wherever it is made. Each row is written as the differences from the pixel to the left (PNG
 * specification, section 9.2, filter 1), which suits what varies gently.
 * @param rgb three bytes a pixel, row by row
 */
export function encodePng(width: number, height: number, rgb: Uint8Array): Uint8Array<ArrayBuffer> {
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  // Eight bits a channel, colour without alpha.
  header[8] = 8;
  header[9] = 2;
  const row = width * 3;
  const lines = new Uint8Array((row + 1) * height);
  for (let y = 0; y < height; y++) {
    const [to, from] = [y * (row + 1), y * row];
    lines[to] = 1;
    for (let i = 0; i < row; i++) lines[to + 1 + i] = i < 3 ? rgb[from + i] : rgb[from + i] - rgb[from + i - 3];
  }
  return joined([signature, chunk("IHDR", header), chunk("IDAT", zlibSync(lines, { level: 6 })), chunk("IEND", new Uint8Array(0))]);
}
