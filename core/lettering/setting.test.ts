import { beforeAll, describe, expect, test } from "@jest/globals";
import { Buffer } from "node:buffer";
import * as fontkit from "fontkit";
import opentype from "opentype.js";
import { engineWith } from "../../tests/engine";
import { readFace } from "../../server/faces/read";
import { shippedFaces } from "../../server/faces/shipped";
import type { LoadedEngine } from "../piece/engine";
import { settingSchema } from "./options";
import { set } from "./setting";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...shippedFaces.map((f) => f.id));
});

const setIn = (face: string, text: string, extra: Record<string, unknown> = {}) =>
  set(
    engine.hb,
    engine.face(face)!,
    settingSchema.parse({ text, face, size: 100, letterSpacing: 0, lineSpacing: 1, align: "left", ...extra }),
  );

/** Faces whose default outlines the reference reads as they are. */
const still = [
  "archivo-black",
  "anton",
  "alfa-slab",
  "abril-fatface",
  "shrikhand",
  "unifrakturcook",
  "pacifico",
  "rye",
  "bangers",
  "luckiest-guy",
];

describe("against fontkit", () => {
  test.each(still)("%s: advances and kerning of Latin words", async (id) => {
    const font = fontkit.create(Buffer.from((await readFace(id))!.bytes));
    for (const text of ["Brindlemoor", "AVATAR Tower", "To, Wy. Ply", "Fjord"]) {
      const run = font.layout(text);
      const width = (run.positions.reduce((sum, p) => sum + p.xAdvance, 0) * 1000) / font.unitsPerEm;
      // Both work in whole font units; half a unit of 1,000 covers the change to the em of 1,000.
      expect(Math.abs(setIn(id, text).lines[0].width - width)).toBeLessThan(0.5);
    }
  });

  test.each(still)("%s: the tight boxes of its outlines", async (id) => {
    const font = fontkit.create(Buffer.from((await readFace(id))!.bytes));
    const k = 1000 / font.unitsPerEm;
    for (const letter of ["B", "g", "S", "&"]) {
      const [glyph] = font.layout(letter).glyphs;
      const { minX, minY, maxX, maxY } = glyph.path.bbox;
      const b = engine.face(id)!.outline(glyph.id).bounds;
      // y runs the other way. 0.01 thousandths of the em is beyond what either rounds.
      for (const [ours, theirs] of [
        [b.minX, minX * k],
        [b.maxX, maxX * k],
        [b.minY, -maxY * k],
        [b.maxY, -minY * k],
      ])
        expect(Math.abs(ours - theirs)).toBeLessThan(0.01);
    }
  });
});

describe("against opentype.js", () => {
  test.each(["archivo-black", "anton", "abril-fatface", "bangers"])("%s: every point of its outlines", async (id) => {
    const bytes = (await readFace(id))!.bytes;
    const font = opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer);
    for (const letter of ["R", "a", "8"]) {
      const theirs = font
        .charToGlyph(letter)
        .getPath(0, 0, 1000)
        .commands.flatMap(
          (c) =>
            [...("x1" in c ? [[c.x1, c.y1]] : []), ...("x2" in c ? [[c.x2, c.y2]] : []), ...("x" in c ? [[c.x, c.y]] : [])] as number[][],
        );
      const { coords } = engine.face(id)!.outline(font.charToGlyph(letter).index);
      const ours = Array.from({ length: coords.length / 2 }, (_, i) => [coords[2 * i], coords[2 * i + 1]]);
      // The reference may repeat a contour's start at its end: each of our points must be among its points, in order.
      let at = 0;
      for (const [x, y] of ours) {
        while (at < theirs.length && Math.hypot(theirs[at][0] - x, theirs[at][1] - y) > 0.02) at++;
        expect(at).toBeLessThan(theirs.length);
      }
    }
  });
});

describe("a setting", () => {
  test("is aligned about x = 0, line by line", () => {
    const text = "Tea\nRoom";
    for (const line of setIn("anton", text, { align: "left" }).lines) expect(line.x).toBe(0);
    for (const line of setIn("anton", text, { align: "centre" }).lines) expect(line.x).toBeCloseTo(-line.width / 2, 9);
    for (const line of setIn("anton", text, { align: "right" }).lines) expect(line.x).toBeCloseTo(-line.width, 9);
  });

  test("spaces letters between each other and not after the last", () => {
    const tight = setIn("anton", "FERRY");
    const wide = setIn("anton", "FERRY", { letterSpacing: 100 });
    expect(wide.lines[0].width - tight.lines[0].width).toBeCloseTo(400, 6);
    expect(wide.letters[4].x - tight.letters[4].x).toBeCloseTo(400, 6);
  });

  test("sets lines by the em", () => {
    expect(setIn("anton", "a\nb\nc", { lineSpacing: 0.9 }).lines.map((l) => l.baseline)).toEqual([0, 900, 1800]);
  });

  test("gives equal letters the same outline object", () => {
    const { letters } = setIn("alfa-slab", "moor");
    expect(letters[1].outline).toBe(letters[2].outline);
  });

  test("keeps curves: quadratics of TrueType stay quadratics", () => {
    expect(setIn("anton", "O").letters[0].outline.verbs).toContain(2);
  });

  test("names the characters that a face cannot draw, each once, and still shows something", () => {
    const setting = setIn("anton", "Tea ☕ and ☕ 🚂");
    expect(setting.missing).toEqual(["☕", "🚂"]);
    expect(setting.lines[0].width).toBeGreaterThan(0);
    expect(setIn("anton", "Tea").missing).toEqual([]);
  });

  test("of nothing has a line, a caret and a frame, and no letters", () => {
    const setting = setIn("anton", "");
    expect(setting.letters).toHaveLength(0);
    expect(setting.carets.map((c) => [c.index, c.foot.x, c.line])).toEqual([[0, 0, 0]]);
    expect(setting.frame.maxX).toBeGreaterThan(setting.frame.minX);
  });

  test("has a caret place before each character and at the end of each line", () => {
    const { carets } = setIn("anton", "ab\nc");
    expect(carets.map((c) => [c.index, c.line])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [3, 1],
      [4, 1],
    ]);
    expect(carets[1].foot.x).toBeGreaterThan(carets[0].foot.x);
  });

  test("shares a ligature's width among its carets", () => {
    const ligature = setIn("alfa-slab", "fi");
    expect(ligature.carets).toHaveLength(3);
    expect(ligature.carets[1].foot.x).toBeGreaterThan(0);
    expect(ligature.carets[1].foot.x).toBeLessThan(ligature.carets[2].foot.x);
  });

  test("holds 2,000 characters and says so in good time", () => {
    const setting = setIn("anton", "Brindlemoor ".repeat(166) + "12345678");
    expect(setting.letters.length).toBeGreaterThan(1800);
  });
});

describe("scripts", () => {
  test("Arabic runs from right to left and joins its letters", () => {
    const text = "مرحبا";
    const { letters, carets } = setIn("marhey", text);
    // Letters stand in visual order: the first of the text is the rightmost.
    expect(letters.at(-1)!.from).toBe(0);
    expect(carets[0].foot.x).toBeGreaterThan(carets.at(-1)!.foot.x);
    // A joined form differs from the letter standing alone.
    const alone = setIn("marhey", "ح").letters[0].outline;
    expect(letters.map((l) => l.outline)).not.toContain(alone);
  });

  test("Arabic widths agree with fontkit", async () => {
    const font = fontkit.create(Buffer.from((await readFace("marhey"))!.bytes));
    for (const text of ["مرحبا", "أهلا", "برندلمور"]) {
      const width = (font.layout(text).positions.reduce((sum, p) => sum + p.xAdvance, 0) * 1000) / font.unitsPerEm;
      expect(Math.abs(setIn("marhey", text).lines[0].width - width)).toBeLessThan(0.5);
    }
  });

  test("Devanagari orders its marks: the short i stands before its letter", () => {
    // Unicode Standard, chapter 12.1, rule R16: the sign for short i is drawn to the left.
    const { letters } = setIn("baloo-2", "कि");
    expect(letters).toHaveLength(1);
    const ka = setIn("baloo-2", "क").letters[0];
    expect(letters[0].outline.bounds.maxX).toBeGreaterThan(ka.outline.bounds.maxX);
  });

  test("words of two scripts on one line are both shaped", () => {
    const { letters, missing } = setIn("marhey", "Tea شاي");
    expect(missing).toEqual([]);
    expect(letters.map((l) => l.from)).toEqual([0, 1, 2, 6, 5, 4]);
  });
});

describe("metrics are measured", () => {
  // Stems of H in thousandths of the em, as measured once by hand on the outlines.
  test.each([
    ["archivo-black", 221],
    ["anton", 171],
    ["alfa-slab", 280],
    ["league-gothic", 108],
    ["fredoka", 183],
    ["monoton", 35],
    ["luckiest-guy", 220],
  ])("%s has stems of %d", (id, stem) => {
    expect(Math.abs(engine.face(id)!.metrics.stem - stem)).toBeLessThanOrEqual(1);
  });

  test("Rye's capitals are as high as they are drawn, whatever its table says", () => {
    // OS/2 says 363 of 2048; its H is 1550 high.
    expect(engine.face("rye")!.metrics.capHeight).toBeCloseTo((1550 * 1000) / 2048, 0);
  });

  test("a variable face stands where its axes are set", () => {
    const face = engine.face("kalnia")!;
    const before = face.metrics.stem;
    expect(before).toBeGreaterThan(200);
  });

  test.each(shippedFaces.map((f) => f.id))("%s draws its own letters", (id) => {
    const face = engine.face(id)!;
    const text = face.info.kind === "Arabic" ? "برندلمور" : face.info.kind === "Devanagari" ? "ब्रिंडलमूर" : "Brindlemoor";
    const setting = setIn(id, text);
    expect(setting.missing).toEqual([]);
    expect(setting.letters.length).toBeGreaterThan(2);
    expect(face.metrics.capHeight).toBeGreaterThan(300);
  });
});
