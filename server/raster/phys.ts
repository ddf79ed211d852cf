import { crc32 } from "node:zlib";

/** Pixels to the metre, as PNG stores a resolution: 300 dpi is 11811. */
export const perMetre = (dpi: number): number => Math.round(dpi / 0.0254);

/** The PNG with its resolution: a pHYs chunk right after IHDR (PNG specification, 11.3.4.3). */
export function withResolution(png: Uint8Array, dpi: number): Buffer {
  const afterHeader = 8 + 12 + 13;
  const chunk = Buffer.alloc(21);
  chunk.writeUInt32BE(9, 0);
  chunk.write("pHYs", 4, "latin1");
  chunk.writeUInt32BE(perMetre(dpi), 8);
  chunk.writeUInt32BE(perMetre(dpi), 12);
  chunk.writeUInt8(1, 16);
  chunk.writeUInt32BE(crc32(chunk.subarray(4, 17)), 17);
  return Buffer.concat([png.subarray(0, afterHeader), chunk, png.subarray(afterHeader)]);
}
