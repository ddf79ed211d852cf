import { describe, expect, test } from "@jest/globals";
import { PNG } from "pngjs";
import sharp from "sharp";
import { encodeBmp } from "./bmp";
import { encodePng, withResolution } from "./png";

const rgb = Uint8Array.from({ length: 5 * 3 * 3 }, (_, i) => (i * 37) % 256);

describe("pixels as files", () => {
  test("a PNG is read back as it was, with sound checksums, by pngjs and by sharp", async () => {
    const png = encodePng(5, 3, rgb);
    const read = PNG.sync.read(Buffer.from(png), { checkCRC: true } as never);
    expect([read.width, read.height]).toEqual([5, 3]);
    expect([...read.data].filter((_, i) => i % 4 !== 3)).toEqual([...rgb]);
    expect([...(await sharp(png).raw().toBuffer())]).toEqual([...rgb]);
    expect((await sharp(withResolution(png, 300)).metadata()).density).toBe(300);
  });

  test("a bitmap has its pixels from the top, rows on whole words (BITMAPINFOHEADER)", () => {
    const view = new DataView(encodeBmp(5, 3, rgb).buffer);
    expect(String.fromCharCode(view.getUint8(0), view.getUint8(1))).toBe("BM");
    expect([view.getUint32(2, true), view.getUint32(10, true)]).toEqual([54 + 3 * 16, 54]);
    expect([view.getInt32(18, true), view.getInt32(22, true), view.getUint16(28, true)]).toEqual([5, -3, 24]);
    // The first pixel of the second row, blue first.
    expect([70, 71, 72].map((i) => view.getUint8(i))).toEqual([rgb[17], rgb[16], rgb[15]]);
  });
});
