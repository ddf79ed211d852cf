import { describe, expect, test } from "@jest/globals";
import { PNG } from "pngjs";
import { board, styleOf, word } from "../../tests/engine";
import { coat, flat } from "../../demo/build";
import { Problem } from "../../core/problem";
import { blendModes, type BlendMode } from "../../core/scene/scene";
import { renderPng, renderSvg } from "../render";
import type { PngRequest } from "../../wire/png";
import { drawPng } from "./draw";
import { checkSize } from "./limits";
import { perMetre, withResolution } from "./phys";

const decode = (png: Uint8Array) => PNG.sync.read(Buffer.from(png));
const request = (extra: Partial<PngRequest> = {}): PngRequest => ({
  file: { format: "vextal.file", version: 1, piece: board(word("I", { size: 400, x: 300, y: 350 })), styles: [styleOf()] },
  area: { kind: "board" },
  ground: true,
  size: { kind: "dpi", dpi: 96 },
  ...extra,
});

/** The chunks of a PNG (PNG specification, section 5.3). */
function chunks(png: Buffer): { type: string; data: Buffer }[] {
  const found = [];
  for (let at = 8; at < png.length;) {
    const length = png.readUInt32BE(at);
    found.push({ type: png.toString("latin1", at + 4, at + 8), data: png.subarray(at + 8, at + 8 + length) });
    at += length + 12;
  }
  return found;
}

describe("a picture's size and resolution", () => {
  test("300 dpi are 11811 pixels to the metre, right after the header, with a sound checksum", async () => {
    // PNG specification, section 11.3.4.3; 300 / 0.0254 = 11811.02.
    expect(perMetre(300)).toBe(11811);
    const png = await renderPng(request({ size: { kind: "dpi", dpi: 300 } }));
    const all = chunks(png);
    expect(all.slice(0, 2).map((c) => c.type)).toEqual(["IHDR", "pHYs"]);
    expect([all[1].data.readUInt32BE(0), all[1].data.readUInt32BE(4), all[1].data[8]]).toEqual([11811, 11811, 1]);
    // pngjs checks every chunk's CRC.
    const { width, height } = PNG.sync.read(png, { checkCRC: true } as never);
    // A board in pixels keeps them: the resolution only says how large they print.
    expect([width, height]).toEqual([800, 400]);
  });

  test("a board of 12 in is 3600 pixels wide at 300 dpi", async () => {
    const { file } = request();
    const piece = { ...file.piece, board: { ...file.piece.board, width: 12, height: 1, unit: "in" as const } };
    const png = decode(await renderPng(request({ file: { ...file, piece }, size: { kind: "dpi", dpi: 300 } })));
    expect([png.width, png.height]).toEqual([3600, 300]);
  });

  test("a width in pixels sets the height", async () => {
    const png = await renderPng(request({ size: { kind: "width", width: 400 } }));
    expect([decode(png).width, decode(png).height]).toEqual([400, 200]);
    // It prints at the board's 96 dpi, which are 3780 to the metre.
    expect(chunks(png)[1].data.readUInt32BE(0)).toBe(3780);
  });

  test("a selection is cut to its ink, and nothing is refused", async () => {
    const png = decode(await renderPng(request({ area: { kind: "items", ids: ["word"] } })));
    expect(png.width).toBeLessThan(200);
    await expect(renderPng(request({ area: { kind: "items", ids: ["none"] } }))).rejects.toThrow(/no ink/);
  });

  test("without a ground it is transparent", async () => {
    expect(decode(await renderPng(request({ ground: false }))).data[3]).toBe(0);
    expect(decode(await renderPng(request())).data[3]).toBe(255);
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

  test("a torn SVG ends the child, not the server", async () => {
    await expect(drawPng("<svg", 10, 10)).rejects.toThrow(/could not be drawn/);
  });

  test("a picture that is no longer wanted is stopped", async () => {
    const stop = new AbortController();
    const drawing = renderPng(request({ size: { kind: "width", width: 8000 } }), { signal: stop.signal });
    setTimeout(() => stop.abort(), 50);
    await expect(drawing).rejects.toThrow(/stopped/);
  });

  test("resolution is spliced into any PNG", () => {
    const png = PNG.sync.write(new PNG({ width: 2, height: 2 }));
    expect(chunks(withResolution(png, 72))[1].data.readUInt32BE(0)).toBe(2835);
  });
});

/** The formulas of W3C Compositing and Blending Level 1, section 10, on channels of 0 to 1; b below, s above. */
const separable: Partial<Record<BlendMode, (b: number, s: number) => number>> = {
  normal: (_, s) => s,
  multiply: (b, s) => b * s,
  screen: (b, s) => b + s - b * s,
  overlay: (b, s) => hardLight(s, b),
  darken: Math.min,
  lighten: Math.max,
  "color-dodge": (b, s) => (b === 0 ? 0 : s === 1 ? 1 : Math.min(1, b / (1 - s))),
  "color-burn": (b, s) => (b === 1 ? 1 : s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  "hard-light": hardLight,
  "soft-light": (b, s) => {
    const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
    return s <= 0.5 ? b - (1 - 2 * s) * b * (1 - b) : b + (2 * s - 1) * (d - b);
  },
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
};
function hardLight(b: number, s: number): number {
  return s <= 0.5 ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1);
}

type Rgb = [number, number, number];
const lum = ([r, g, b]: Rgb) => 0.3 * r + 0.59 * g + 0.11 * b;
const sat = (c: Rgb) => Math.max(...c) - Math.min(...c);
function clipColour(c: Rgb): Rgb {
  const l = lum(c);
  const [n, x] = [Math.min(...c), Math.max(...c)];
  let out = c;
  if (n < 0) out = out.map((v) => l + ((v - l) * l) / (l - n)) as Rgb;
  if (x > 1) out = out.map((v) => l + ((v - l) * (1 - l)) / (x - l)) as Rgb;
  return out;
}
const setLum = (c: Rgb, l: number) => clipColour(c.map((v) => v + l - lum(c)) as Rgb);
function setSat(c: Rgb, s: number): Rgb {
  const [n, x] = [Math.min(...c), Math.max(...c)];
  return c.map((v) => (x > n ? ((v - n) * s) / (x - n) : 0)) as Rgb;
}
const together: Partial<Record<BlendMode, (b: Rgb, s: Rgb) => Rgb>> = {
  hue: (b, s) => setLum(setSat(s, sat(b)), lum(b)),
  saturation: (b, s) => setLum(setSat(b, sat(s)), lum(b)),
  color: (b, s) => setLum(s, lum(b)),
  luminosity: (b, s) => setLum(b, lum(s)),
};

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
    const png = decode(await renderPng(request({ file: { ...file, piece, styles: [style] } })));
    // The middle of the stem of I, on whole pixels of both colours.
    const at = (250 * png.width + 365) * 4;
    const one = separable[mode];
    const blended = one ? (below.map((b, i) => one(b, above[i])) as Rgb) : together[mode]!(below, above);
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
  const png = decode(await renderPng(request({ file: { ...file, piece, styles: [style] } })));
  const row = [...Array(png.width).keys()].map((x) => png.data[(250 * png.width + x) * 4]);
  expect(Math.min(...row)).toBeGreaterThanOrEqual(127);
});

test("the server's SVG names the faces in its metadata", async () => {
  expect(await renderSvg(request().file)).toContain('faces="Archivo Black"');
});
