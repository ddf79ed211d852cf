import { beforeAll, describe, expect, test } from "@jest/globals";
import { PDFiumLibrary } from "@hyzyla/pdfium";
import { PNG } from "pngjs";
import { newPaint, type Coat } from "../../core/coat/schema";
import { newOutput } from "../../core/output/outputs";
import type { ExportRequest } from "../../core/piece/exported";
import { blendModes, type BlendMode } from "../../core/scene/scene";
import { coat, flat, gradient, trail } from "../../demo/build";
import { demoPieces } from "../../demo/pieces";
import { demoStyles } from "../../demo/styles";
import { mixed, type Rgb } from "../../tests/compositing";
import { styleOf, word } from "../../tests/engine";
import { picture, pngOf, request } from "../../tests/exported";
import { writeFileHere } from "../render";

// Held against PDFium, which shares no code with what writes, and against the PNG of the same scene.
let pdfium: PDFiumLibrary;
beforeAll(async () => {
  pdfium = await PDFiumLibrary.init();
});

const pdfOf = async (asked: ExportRequest, settings: { dpi?: number } = {}, photos?: ReadonlyMap<string, string>): Promise<Buffer> =>
  Buffer.from((await writeFileHere({ ...asked, output: newOutput("pdf", settings) }, { photos })) as Uint8Array);

interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** As PDFium draws it, on white. */
async function drawn(pdf: Buffer, width: number, height: number): Promise<Pixels> {
  const document = await pdfium.loadDocument(pdf);
  const rendered = await document.getPage(0).render({ width, height, render: "bitmap" });
  document.destroy();
  return rendered;
}
const at = ({ width, data }: Pixels, x: number, y: number): number[] => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)];

/** The mean difference of channels, and the share of those that are over an eighth off. */
function difference(a: Pixels, b: Pixels): { mean: number; far: number } {
  let [sum, far] = [0, 0];
  for (let i = 0; i < a.data.length; i++) {
    if (i % 4 === 3) continue;
    const d = Math.abs(a.data[i] - b.data[i]);
    sum += d;
    if (d > 32) far++;
  }
  const n = (a.data.length / 4) * 3;
  return { mean: sum / n, far: far / n };
}

const photo = { id: "0123456789abcdef0123456789abcdef", name: "ridge.png", width: 2, height: 2 };
const dataUrl = (colour: [number, number, number, number]) => {
  const png = new PNG({ width: 2, height: 2 });
  for (let i = 0; i < 16; i++) png.data[i] = colour[i % 4];
  return `data:image/png;base64,${PNG.sync.write(png).toString("base64")}`;
};

/** An I whose stem is in the middle of the board, in coats. */
const inCoats = (coats: Coat[], ground: string | null = "#ffffff"): ExportRequest => {
  const { file } = request();
  return request({
    file: {
      ...file,
      piece: { ...file.piece, board: { ...file.piece.board, ground } },
      styles: [styleOf(coats)],
    },
  });
};

describe("a PDF", () => {
  test("keeps what is laid within an outline, and fades, over vectors", async () => {
    const finish = {
      relief: { height: 3, softness: 8 },
      "inner-glow": { radius: 10, ink: "edge", blend: "multiply" as const },
      fade: { from: { x: 0, y: 0 }, to: { x: 0, y: 1 } },
    };
    const asked = inCoats([coat("A", flat("face"), [], { finish, opacity: 90 })], "#ffffff");
    const png = PNG.sync.read(Buffer.from(await pngOf(asked)));
    const pdf = await pdfOf(asked, { dpi: 96 });
    const { mean, far } = difference(await drawn(pdf, png.width, png.height), png);
    expect(mean).toBeLessThan(1);
    expect(far).toBeLessThan(0.01);
    // One picture an overlay; the letter itself is a path.
    expect(pdf.toString("latin1").match(/Subtype \/Image/g)!.length).toBeGreaterThanOrEqual(3);
  });

  // But for one of thousands of strokes, which takes as long as all others and is compared in the browser.
  const pieces = demoPieces().filter((p) => p.name !== "Chalk Menu");
  test.each(pieces.map((p) => [p.name, p] as const))(
    "of %s has the pixels of its PNG",
    async (_, piece) => {
      const asked = request({ file: { format: "vextal.file", version: 1, piece, styles: demoStyles() } });
      const png = PNG.sync.read(Buffer.from(await pngOf({ ...asked, output: picture({ kind: "times", times: 0.75 }) }, new Map())));
      const { mean, far } = difference(await drawn(await pdfOf(asked, { dpi: 72 }, new Map()), png.width, png.height), png);
      // Two renderers differ along edges; PDFium sets upright rectangles on whole pixels. Measured: up to 0.94, and 0.0022.
      expect(mean).toBeLessThan(1.2);
      expect(far).toBeLessThan(0.01);
    },
    60_000,
  );

  test("is as large as the board, with its name: 12 in are 864 points (72 to the inch)", async () => {
    const { file } = request();
    const board = { ...file.piece.board, width: 12, height: 1, unit: "in" as const };
    const pdf = (await pdfOf(request({ file: { ...file, piece: { ...file.piece, name: "Größe", board } } }))).toString("latin1");
    expect(pdf).toMatch(/^%PDF-1\.7/);
    expect(pdf).toContain("/MediaBox [0 0 864 72]");
    // Not in ASCII: UTF-16 with its mark (ISO 32000-1, 7.9.2.2).
    expect(pdf).toContain(`(${Buffer.from("\ufeffGröße", "utf16le").swap16().toString("latin1")})`);
    expect(pdf).not.toMatch(/\/Font\b/);
  });

  describe("mixes by the formulas of W3C Compositing and Blending Level 1", () => {
    const [below, above]: Rgb[] = [
      [0.8, 0.4, 0.2],
      [0.2, 0.6, 1],
    ];
    const hex = (c: Rgb) => `#${Buffer.from(c.map((v) => Math.round(v * 255))).toString("hex")}`;
    test.each(blendModes.flatMap((mode): [BlendMode, number][] => [100, 50].map((opacity) => [mode, opacity])))(
      "%s at %d %%",
      async (mode, opacity) => {
        const asked = inCoats([coat("Above", flat("face"), [], { blend: mode, opacity })], hex(below));
        asked.file.styles[0].inks = [{ id: "face", name: "Face", colour: hex(above) }];
        const colour = at(await drawn(await pdfOf(asked), 800, 400), 365, 250);
        const a = opacity / 100;
        // Three of 255: PDFium rounds at each step, as the PNG does with two.
        mixed(mode, below, above).forEach((v, i) =>
          expect(Math.abs(colour[i] - 255 * ((1 - a) * below[i] + a * v))).toBeLessThanOrEqual(3),
        );
      },
    );
  });

  test.each([
    ["along a line", {}],
    ["around a place", { shape: "radial" }],
    ["around a place, as wedges", { shape: "angular" }],
    ["at 30 degrees, over each letter", { span: "letter", from: { x: 0.2, y: 0 }, to: { x: 0.9, y: 0.8 } }],
  ])("has gradients of colour and opacity %s", async (_, values) => {
    const asked = inCoats([
      coat(
        "A",
        gradient(
          [
            [0, "face", 100],
            [40, "edge", 20],
            [100, "face", 70],
          ],
          values,
        ),
      ),
    ]);
    const { file } = asked;
    const piece = { ...file.piece, items: [word("BOG", { size: 300, x: 400, y: 300, turn: 12, align: "centre" })] };
    const turned = { ...asked, file: { ...file, piece } };
    const png = PNG.sync.read(Buffer.from(await pngOf({ ...turned, output: picture(null) })));
    const { mean, far } = difference(await drawn(await pdfOf(turned), png.width, png.height), png);
    expect(mean).toBeLessThan(0.6);
    expect(far).toBeLessThan(0.002);
  });

  test("holds each photo once, however many letters it is in, and shows it with its own opacity and the coat's", async () => {
    const painted = [coat("Photo", newPaint("photo", { photo, span: "letter", opacity: 50 }))];
    const asked = inCoats(painted);
    const photos = new Map([[photo.id, dataUrl([200, 40, 0, 128])]]);
    const pdf = await pdfOf(asked, {}, photos);
    const colour = at(await drawn(pdf, 800, 400), 365, 250);
    // Half of half over white.
    [200, 40, 0].forEach((v, i) => expect(Math.abs(colour[i] - (0.75 * 255 + 0.25 * v))).toBeLessThanOrEqual(2));
    const many = inCoats(painted);
    many.file.piece.items = [word("IIII", { size: 200, x: 100, y: 300 })];
    const count = (file: Buffer) => file.toString("latin1").match(/\/Subtype \/Image/g)?.length ?? 0;
    // The picture and its alpha.
    expect(count(await pdfOf(many, {}, photos))).toBe(count(pdf));
    // A grey stands in for one that is not here.
    expect(at(await drawn(await pdfOf(asked, {}, new Map()), 800, 400), 365, 250)).toEqual([128, 128, 128]);
  });

  test("has a picture only of what is blurred, as fine as it is asked for, and no larger than its reach", async () => {
    const plain = await pdfOf(inCoats([coat("A", flat("face"), [], { opacity: 50, blend: "multiply" })]));
    expect(plain.toString("latin1")).not.toContain("/Subtype /Image");
    const soft = inCoats([coat("A", flat("face"), [], { shadow: { blur: 4, way: { angle: 0, distance: 0 } } })]);
    const widths = await Promise.all(
      [96, 192].map(async (dpi) => Number(/\/Width (\d+)/.exec((await pdfOf(soft, { dpi })).toString("latin1"))![1])),
    );
    expect(widths[1] / widths[0]).toBeCloseTo(2, 1);
    // Archivo Black's I is 222 of 1000 units wide (its font file): 89 px; a blur of 4 % of 400 px fades out within 24 px on each side.
    expect(widths[0]).toBeGreaterThan(89 + 24);
    expect(widths[0]).toBeLessThanOrEqual(89 + 48 + 2);
  });

  test("writes a path that repeats once", async () => {
    const of = async (copies: number) => {
      const asked = inCoats([coat("T", flat("face"), [trail(copies, 45, 30, { scale: 60 })])]);
      asked.file.piece.items = [word("Brindlemoor", { size: 100, x: 50, y: 200 })];
      return (await pdfOf(asked)).length;
    };
    // Some 11 letters x 200 copies x 30 bytes packed; each written out would be ten times as much.
    expect((await of(400)) - (await of(200))).toBeLessThan(11 * 200 * 30);
  });

  test("refuses what a page or a picture cannot hold, in words", async () => {
    const { file } = request();
    const wide = { ...file.piece.board, width: 201, unit: "in" as const };
    await expect(pdfOf(request({ file: { ...file, piece: { ...file.piece, board: wide } } }))).rejects.toThrow(/at most 200 inches/);
    const soft = inCoats([coat("Glow", flat("face"), [], { shadow: { blur: 4 } })]);
    soft.file.piece.board = { ...file.piece.board, width: 150, height: 150, unit: "in" };
    soft.file.piece.items = [word("I", { size: 13_000, x: 3000, y: 12_000 })];
    await expect(pdfOf(soft, { dpi: 1200 })).rejects.toThrow(/What is blurred in “Glow.*too large/);
  });
});
