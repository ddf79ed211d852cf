import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { PNG } from "pngjs";
import sharp, { type Sharp } from "sharp";
import { fittedPhotos } from "./fit";
import { addPhoto, embeddedPhotos, readPhoto } from "./store";
import { board, styleOf, word } from "../../tests/engine";
import { demoPhotos } from "../../demo/photos";
import { coat, shape as shapeItem, form } from "../../demo/build";
import { Problem } from "../../core/problem";
import { database } from "../database";
import type { Database } from "../db/open";
import { create, NotFound, remove } from "../documents";
import { removeUnused } from "./unused";
import { picture, type Picture } from "../pictures";
import { closeDrawers } from "../drawing/drawers";
import { newOutput } from "../../core/output/outputs";
import { pngOf, request } from "../../tests/exported";
import { writeFileHere } from "../render";
import { newPaint } from "../../core/coat/schema";

let db: Database;
const folder = mkdtempSync(path.join(tmpdir(), "vextal-photos-"));
beforeAll(async () => {
  process.env.DATABASE_URL = `file:${path.join(folder, "photos.db")}`;
  db = await database();
});
afterAll(() => {
  closeDrawers();
  db.$client.close();
  delete process.env.DATABASE_URL;
  rmSync(folder, { recursive: true, force: true });
});

type Rgb = readonly [number, number, number];
const [red, green, blue, white]: Rgb[] = [
  [220, 30, 30],
  [30, 180, 60],
  [40, 60, 220],
  [240, 240, 240],
];
/** Red, green, blue and white quarters, clockwise from the top left. */
function quarters(width: number, height: number) {
  const data = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      Buffer.from(y < height / 2 ? (x < width / 2 ? red : green) : x < width / 2 ? white : blue).copy(data, (y * width + x) * 3);
  return sharp(data, { raw: { width, height, channels: 3 } });
}
const bytes = async (s: Sharp) => new Uint8Array(await s.toBuffer());

describe("photos that are brought in", () => {
  test("are kept once, by what the file holds", async () => {
    const file = await bytes(quarters(60, 40).png());
    const first = await addPhoto(db, "ridge.png", file);
    expect(first).toEqual({ id: expect.stringMatching(/^[0-9a-f]{32}$/), name: "ridge.png", width: 60, height: 40 });
    expect(await addPhoto(db, "again.png", file)).toEqual({ ...first, name: "again.png" });
    // What is kept holds the same pixels.
    const kept = PNG.sync.read(Buffer.from((await readPhoto(db, first.id)).bytes));
    expect([...kept.data.subarray(0, 3)]).toEqual([...red]);
    await expect(readPhoto(db, "0".repeat(32))).rejects.toBeInstanceOf(NotFound);
  });

  test("of the demo are what the demo says of them", async () => {
    for (const { photo, file } of demoPhotos) expect(await addPhoto(db, photo.name, readFileSync(file))).toEqual(photo);
  });

  test("stand upright, and say nothing of where and when they were taken", async () => {
    // Orientation 6 of the Exif standard (CIPA DC-008, tag 274): row 0 of the file is the right side of the picture.
    const file = await bytes(
      quarters(64, 32)
        .withExif({ IFD0: { Copyright: "Brindlemoor" }, IFD3: { GPSLatitudeRef: "N" } })
        .withMetadata({ orientation: 6 })
        .jpeg({ quality: 100, chromaSubsampling: "4:4:4" }),
    );
    const made = await addPhoto(db, "turned.jpg", file);
    expect([made.width, made.height]).toEqual([32, 64]);
    const kept = await readPhoto(db, made.id);
    const meta = await sharp(kept.bytes).metadata();
    expect([meta.exif, meta.orientation ?? 1]).toEqual([undefined, 1]);
    const { data } = await sharp(kept.bytes).raw().toBuffer({ resolveWithObject: true });
    // The top right of what is seen is the file's top left; 12 of 255 for two passes of JPEG.
    for (const [c, i] of [...red].map((c, i) => [c, i])) expect(Math.abs(data[(4 * 32 + 28) * 3 + i] - c)).toBeLessThan(12);
  });

  test("come in from what cameras and presses make: WebP, and JPEG in four inks", async () => {
    for (const picture of [quarters(50, 50).webp({ lossless: true }), quarters(50, 50).toColourspace("cmyk").jpeg()]) {
      const { bytes: kept } = await readPhoto(db, (await addPhoto(db, "p", await bytes(picture))).id);
      expect((await sharp(kept).metadata()).space).toBe("srgb");
    }
  });

  test.each([
    ["words", () => Promise.resolve(new TextEncoder().encode("no picture at all")), /no picture/],
    [
      "markup",
      () => Promise.resolve(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
      /no picture/,
    ],
    ["a file that breaks off", async () => (await bytes(quarters(400, 400).jpeg())).slice(0, 900), /damaged/],
    [
      "a picture of a hundred thousand pixels a side, by its own word",
      async () => {
        const file = Buffer.from(await bytes(quarters(10, 10).png()));
        file.writeUInt32BE(100_000, 16);
        file.writeUInt32BE(100_000, 20);
        return new Uint8Array(file);
      },
      /at most 100 million/,
    ],
  ])("are refused in the user's words where they are %s", async (_, file, message) => {
    const adding = addPhoto(db, "thing.png", await file());
    await expect(adding).rejects.toThrow(message);
    await expect(adding).rejects.toBeInstanceOf(Problem);
  });

  test("are brought down where they are only looked at small", async () => {
    const { id } = await addPhoto(db, "large.png", await bytes(quarters(900, 300).png()));
    const [small, full] = [(await embeddedPhotos(db, [id], 90)).get(id)!, (await embeddedPhotos(db, [id])).get(id)!];
    const size = async (url: string) =>
      sharp(Buffer.from(url.split(",")[1], "base64"))
        .metadata()
        .then((m) => [m.width, m.height]);
    expect([await size(small), await size(full)]).toEqual([
      [90, 30],
      [900, 300],
    ]);
    expect(await embeddedPhotos(db, ["f".repeat(32)])).toEqual(new Map());
  });
});

describe("photos in a file", () => {
  const url = async (width: number, height: number) =>
    `data:image/png;base64,${Buffer.from(await bytes(quarters(width, height).png())).toString("base64")}`;
  const sizeOf = async (data: string) => {
    const { width, height, format } = await sharp(Buffer.from(data.split(",")[1], "base64")).metadata();
    return [width, height, format];
  };

  test("have no more pixels than are needed, and no fewer than they have", async () => {
    const [large, close, small] = [await url(900, 300), await url(300, 240), await url(40, 40)];
    const photos = new Map([
      ["large", large],
      ["close", close],
      ["small", small],
      ["whole", large],
    ]);
    const fit = await fittedPhotos(photos, new Map([...["large", "close", "small"].map((id) => [id, 256] as const), ["gone", 64]]));
    expect(await sizeOf(fit.get("large")!)).toEqual([256, 85, "png"]);
    // A quarter more is not worth another packing.
    expect([fit.get("close"), fit.get("small"), fit.get("whole")]).toEqual([close, small, large]);
    expect(fit.size).toBe(4);
  });
});

test("the shelf's picture of a piece changes when a photo that was not here comes in", async () => {
  const file = await bytes(quarters(30, 30).negate().png());
  const photo = { id: createHash("sha256").update(file).digest("hex").slice(0, 32), name: "late.png", width: 30, height: 30 };
  const style = { ...styleOf([coat("Photo", newPaint("photo", { photo }))]), id: "late" };
  await create(db, "styles", style);
  await create(db, "pieces", { ...board(word("I", { styleId: "late" })), id: "late" });
  const text = (p: Picture) => Buffer.from(p.bytes).toString();
  const before = await picture(db, "pieces", "late");
  expect(text(before)).not.toContain("<image");
  expect((await addPhoto(db, "late.png", file)).id).toBe(photo.id);
  const after = await picture(db, "pieces", "late", true);
  expect(text(after)).toContain("<image");
  expect(after.tag).not.toBe(before.tag);
  expect(text(await picture(db, "styles", "late"))).toContain("<image");
});

describe("a photo in what is exported", () => {
  const panel = async (values: Record<string, unknown> = {}) => {
    const photo = await addPhoto(db, "quarters.png", await bytes(quarters(80, 80).png()));
    const style = styleOf([coat("Photo", newPaint("photo", { photo, ...values }))]);
    const item = { ...shapeItem("panel", "Panel", 400, 200, 400, 200, form("rectangle"), "Test"), styleId: style.id };
    return { format: "vextal.file" as const, version: 1 as const, piece: board(item), styles: [style] };
  };
  const pixels = async (values: Record<string, unknown>) => {
    const png = PNG.sync.read(Buffer.from(await pngOf(request({ file: await panel(values) }))));
    return (x: number, y: number) => [...png.data.subarray((y * png.width + x) * 4, (y * png.width + x) * 4 + 3)];
  };
  /** Within what resampling and colour rounding change. */
  const near = (found: number[], wanted: readonly number[]) =>
    found.forEach((v, i) => expect(Math.abs(v - wanted[i])).toBeLessThanOrEqual(3));

  test("covers a panel, its middle in the middle", async () => {
    // The panel is 400 x 200 about (400, 200); the photo is 400 x 400 there, half of it cut off.
    const at = await pixels({ fit: "cover" });
    near(at(250, 150), red);
    near(at(550, 150), green);
    near(at(550, 250), blue);
    near(at(250, 250), white);
    near(at(250, 90), [255, 255, 255]);
  });

  test("is seen whole and once, with the board beside it", async () => {
    // 200 x 200 about (400, 200).
    const at = await pixels({ fit: "contain" });
    near(at(350, 150), red);
    near(at(450, 250), blue);
    near(at(270, 200), [255, 255, 255]);
    near(at(530, 200), [255, 255, 255]);
  });

  test("lets the board through as far as its opacity says", async () => {
    near(
      (await pixels({ fit: "cover", opacity: 50 }))(250, 150),
      red.map((c) => (c + 255) / 2),
    );
  });

  test("lies inside the SVG, which needs no other file", async () => {
    const svg = (await writeFileHere(request({ file: await panel(), output: newOutput("svg") }))) as string;
    expect(svg).toContain('xmlns:xlink="http://www.w3.org/1999/xlink"');
    expect(svg.match(/xlink:href="data:image\/png;base64,/g)).toHaveLength(1);
    expect(svg).not.toMatch(/href="\//);
  });
});

test("photos that nothing names any more go after thirty days, and no others", async () => {
  const day = 24 * 3600 * 1000;
  const [a, b, c] = await Promise.all(
    [
      [60, 20],
      [61, 20],
      [62, 20],
    ].map(async ([w, h]) => addPhoto(db, "p.png", await quarters(w, h).png().toBuffer())),
  );
  const wearing = (photo: typeof a) => styleOf([coat("Photo", newPaint("photo", { photo }))]);
  await create(db, "styles", { ...wearing(a), id: "wears-a" });
  await create(db, "pieces", { ...board(word("Tea", { styleId: null, ownStyle: wearing(b) })), id: "wears-b" });
  await remove(db, "pieces", "wears-b");
  const left = async () =>
    (
      await Promise.all(
        [a, b, c].map((p) =>
          readPhoto(db, p.id).then(
            () => p.id,
            () => undefined,
          ),
        ),
      )
    ).map((id) => id !== undefined);
  await removeUnused(db, Date.now() + 29 * day);
  expect(await left()).toEqual([true, true, true]);
  // The piece was deleted thirty days ago, too, and goes with its photo.
  await removeUnused(db, Date.now() + 31 * day);
  expect(await left()).toEqual([true, false, false]);
});
