import { describe, expect, test } from "@jest/globals";
import { PNG } from "pngjs";
import { styleOf, word } from "../../tests/engine";
import { coat, flat } from "../../demo/build";
import { Problem } from "../../core/problem";
import { blendModes, type BlendMode } from "../../core/scene/scene";
import { newOutput } from "../../core/output/outputs";
import { perMetre, withResolution } from "../../core/output/png";
import { checkSize } from "../../core/picture-size";
import { mixed, type Rgb } from "../../tests/compositing";
import { picture, pngOf, request } from "../../tests/exported";
import { closeDrawers } from "../drawing/drawers";
import { exportFile, writeFileHere } from "../render";
import { drawPng } from "./draw";

const decode = (png: Uint8Array) => PNG.sync.read(Buffer.from(png));
/** The chunks of a PNG (PNG specification, section 5.3). */
function chunks(png: Uint8Array): { type: string; data: Buffer }[] {
  const found = [];
  const bytes = Buffer.from(png);
  for (let at = 8; at < bytes.length;) {
    const length = bytes.readUInt32BE(at);
    found.push({ type: bytes.toString("latin1", at + 4, at + 8), data: bytes.subarray(at + 8, at + 8 + length) });
    at += length + 12;
  }
  return found;
}

describe("a picture's size and resolution", () => {
  test("300 dpi are 11811 pixels to the metre, right after the header, with a sound checksum", async () => {
    // PNG specification, section 11.3.4.3; 300 / 0.0254 = 11811.02.
    expect(perMetre(300)).toBe(11811);
    const png = await pngOf(request({ output: picture({ kind: "dpi", dpi: 300 }) }));
    const all = chunks(png);
    expect(all.slice(0, 2).map((c) => c.type)).toEqual(["IHDR", "pHYs"]);
    expect([all[1].data.readUInt32BE(0), all[1].data.readUInt32BE(4), all[1].data[8]]).toEqual([11811, 11811, 1]);
    // pngjs checks every chunk's CRC.
    const { width, height } = PNG.sync.read(Buffer.from(png), { checkCRC: true } as never);
    // A board in pixels keeps them: the resolution only says how large they print.
    expect([width, height]).toEqual([800, 400]);
  });

  test("a board of 12 in is 3600 pixels wide at 300 dpi", async () => {
    const { file } = request();
    const piece = { ...file.piece, board: { ...file.piece.board, width: 12, height: 1, unit: "in" as const } };
    const png = decode(await pngOf(request({ file: { ...file, piece }, output: picture({ kind: "dpi", dpi: 300 }) })));
    expect([png.width, png.height]).toEqual([3600, 300]);
  });

  test("a width in pixels sets the height", async () => {
    const png = await pngOf(request({ output: picture({ kind: "width", width: 400 }) }));
    expect([decode(png).width, decode(png).height]).toEqual([400, 200]);
    // It prints at the board's 96 dpi, which are 3780 to the metre.
    expect(chunks(png)[1].data.readUInt32BE(0)).toBe(3780);
  });

  test("a selection is cut to its ink, and nothing is refused", async () => {
    const png = decode(await pngOf(request({ area: { kind: "items", ids: ["word"] } })));
    expect(png.width).toBeLessThan(200);
    await expect(pngOf(request({ area: { kind: "items", ids: ["none"] } }))).rejects.toThrow(/no ink/);
  });

  test("without a ground it is transparent", async () => {
    expect(decode(await pngOf(request({ ground: false }))).data[3]).toBe(0);
    expect(decode(await pngOf(request())).data[3]).toBe(255);
  });

  test.each([
    [0, 10],
    [16385, 1],
    [10001, 10000],
    [1e9, 1e9],
    [NaN, 5],
    [1.5, 5],
  ])("%d x %d is refused before anything is drawn", (w, h) => {
    expect(() => checkSize(w, h)).toThrow(Problem);
  });

  test("a torn SVG is a message", () => {
    expect(() => drawPng("<svg", 10, 10)).toThrow(/could not be drawn/);
  });

  test("a picture that is no longer wanted is stopped", async () => {
    const stop = new AbortController();
    const drawing = exportFile(request({ output: picture({ kind: "width", width: 8000 }) }), { photos: new Map(), signal: stop.signal });
    setTimeout(() => stop.abort(), 50);
    await expect(drawing).rejects.toThrow(/stopped/);
    closeDrawers();
  }, 30_000);

  test("resolution is spliced into any PNG", () => {
    const png = PNG.sync.write(new PNG({ width: 2, height: 2 }));
    expect(chunks(withResolution(png, 72))[1].data.readUInt32BE(0)).toBe(2835);
  });
});

describe("blend modes on the pixels of an exported PNG (W3C Compositing and Blending Level 1)", () => {
  const [below, above]: Rgb[] = [
    [0.8, 0.4, 0.2],
    [0.2, 0.6, 1],
  ];
  const hex = (c: Rgb) =>
    `#${c
      .map((v) =>
        Math.round(v * 255)
          .toString(16)
          .padStart(2, "0"),
      )
      .join("")}`;

  test.each(
    blendModes.flatMap(
      (mode) =>
        [
          [mode, 100],
          [mode, 50],
        ] as [BlendMode, number][],
    ),
  )("%s at %d %%", async (mode, opacity) => {
    const style = {
      ...styleOf([coat("Above", flat("face"), [], { blend: mode, opacity })]),
      inks: [{ id: "face", name: "Face", colour: hex(above) }],
    };
    const { file } = request();
    const piece = { ...file.piece, board: { ...file.piece.board, ground: hex(below) } };
    const png = decode(await pngOf(request({ file: { ...file, piece, styles: [style] } })));
    // The middle of the stem of I, on whole pixels of both colours.
    const at = (250 * png.width + 365) * 4;
    const blended = mixed(mode, below, above);
    const a = opacity / 100;
    blended.forEach((v, i) => {
      // Co = (1 - a) Cb + a B(Cb, Cs). Two of 255 for rounding of colours, opacity and result.
      expect(Math.abs(png.data[at + i] - 255 * ((1 - a) * below[i] + a * v))).toBeLessThanOrEqual(2);
    });
  });
});

test("a group's opacity is applied once, where its letters overlap too", async () => {
  const style = { ...styleOf([coat("A", flat("face"), [], { opacity: 50 })]), inks: [{ id: "face", name: "Face", colour: "#000000" }] };
  const { file } = request();
  const piece = { ...file.piece, items: [word("II", { size: 400, x: 300, y: 350, letterSpacing: -400 })] };
  const png = decode(await pngOf(request({ file: { ...file, piece, styles: [style] } })));
  const row = [...Array(png.width).keys()].map((x) => png.data[(250 * png.width + x) * 4]);
  expect(Math.min(...row)).toBeGreaterThanOrEqual(127);
});

test("the server's SVG names the faces in its metadata", async () => {
  expect(await writeFileHere(request({ output: newOutput("svg") }))).toContain('faces="Archivo Black"');
});
