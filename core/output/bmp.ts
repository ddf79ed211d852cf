/**
 * Pixels as a bitmap file, unpacked: made in a moment, for pictures that are only looked at (Windows BITMAPINFOHEADER, 24 bits).
 * @param rgb three bytes a pixel, row by row from the top
 */
export function encodeBmp(width: number, height: number, rgb: Uint8Array): Uint8Array<ArrayBuffer> {
  const row = (3 * width + 3) & ~3;
  const bytes = new Uint8Array(54 + row * height);
  const view = new DataView(bytes.buffer);
  bytes.set([0x42, 0x4d]);
  view.setUint32(2, bytes.length, true);
  view.setUint32(10, 54, true);
  view.setUint32(14, 40, true);
  view.setInt32(18, width, true);
  // Below 0: from the top down.
  view.setInt32(22, -height, true);
  view.setUint16(26, 1, true);
  view.setUint16(28, 24, true);
  view.setUint32(34, row * height, true);
  for (let y = 0; y < height; y++)
    for (let from = 3 * width * y, to = 54 + row * y, end = from + 3 * width; from < end; from += 3, to += 3) {
      bytes[to] = rgb[from + 2];
      bytes[to + 1] = rgb[from + 1];
      bytes[to + 2] = rgb[from];
    }
  return bytes;
}
