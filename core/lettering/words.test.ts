import { beforeAll, describe, expect, test } from "@jest/globals";
import { Buffer } from "node:buffer";
import * as fontkit from "fontkit";
import fc from "fast-check";
import { engineWith } from "../../tests/engine";
import { readFace } from "../../server/faces/read";
import { flatten } from "../curves/flatten";
import { spansAt } from "../curves/polygon";
import type { LoadedEngine } from "../piece/engine";
import { toPx } from "../units";
import { axesOf, namedPlacesOf } from "./axes";
import { keysOf, withText } from "./change-text";
import { fontsIn } from "./collection";
import { Face } from "./face";
import { alternatesOf, featuresOf } from "./features";
import { measureFace } from "./measured";
import { newLetterChange, settingSchema, type LetterChange } from "./options";
import { set, type Setting } from "./setting";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(
    "archivo-black",
    "anton",
    "bricolage",
    "fraunces",
    "kalnia",
    "pacifico",
    "marhey",
    "baloo-2",
    "league-gothic",
    "rye",
    "monoton",
    "abril-fatface",
    "alfa-slab",
  );
});
const setIn = (face: string, text: string, extra: Record<string, unknown> = {}): Setting =>
  set(
    engine.hb,
    engine.face(face)!,
    settingSchema.parse({ text, face, size: 100, letterSpacing: 0, lineSpacing: 1, align: "left", ...extra }),
  );
const widthOf = (s: Setting, line = 0) => s.lines[line].ink.maxX - s.lines[line].ink.minX;

describe("lines of an exact width", () => {
  test.each(["size", "spacing", "axis"])("by %s: 6 in are 432 pt and 152.4 mm, to 0.01", (by) => {
    // CSS Values 4: 1 in = 72 pt = 25.4 mm = 96 px.
    const inches = setIn("bricolage", "Radio Hour", { size: 80, lines: [{ width: toPx(6, "in"), by }] });
    const px = (widthOf(inches) * 80) / 1000;
    expect(px / toPx(1, "pt")).toBeCloseTo(432, 2);
    expect(px / toPx(1, "mm")).toBeCloseTo(152.4, 2);
    expect(px).toBeCloseTo(576, 2);
  });

  test("each line its own, and what is not fitted keeps its size", () => {
    const s = setIn("anton", "Brindle\nmoor\nStation", { align: "centre", lines: [{ width: 500 }, {}, { width: 500, by: "spacing" }] });
    expect(widthOf(s, 0) / 10).toBeCloseTo(500, 3);
    expect(widthOf(s, 2) / 10).toBeCloseTo(500, 3);
    expect(s.lines.map((l) => l.scale === 1)).toEqual([false, true, true]);
    // Centred by what is seen.
    for (const l of s.lines) expect(l.ink.minX + l.ink.maxX).toBeCloseTo(0, 6);
  });

  test("the width axis widens the letters themselves before anything is spaced", () => {
    const natural = setIn("bricolage", "RADIO");
    const narrow = setIn("bricolage", "RADIO", { lines: [{ width: (widthOf(natural) * 0.9) / 10, by: "axis" }] });
    const glyph = (s: Setting) => s.letters[0].outline.bounds.maxX - s.letters[0].outline.bounds.minX;
    expect(widthOf(narrow)).toBeCloseTo(widthOf(natural) * 0.9, 3);
    expect(glyph(narrow)).toBeLessThan(glyph(natural) * 0.95);
    expect(narrow.letters[0].outline.bounds.minY).toBeCloseTo(natural.letters[0].outline.bounds.minY, 0);
  });

  test("a line of one letter, or of none, is left as it is where there is nothing to space", () => {
    expect(widthOf(setIn("anton", "I", { lines: [{ width: 400, by: "spacing" }] }))).toBeLessThan(400);
    expect(setIn("anton", " ", { lines: [{ width: 400 }] }).letters).toHaveLength(0);
  });

  test("justified lines are all as wide as the widest", () => {
    const s = setIn("anton", "one two three\ntea\nmountain railway", { align: "justified" });
    const widths = s.lines.map((_, i) => widthOf(s, i));
    for (const w of widths) expect(w).toBeCloseTo(Math.max(...widths), 6);
  });
});

describe("even gaps", () => {
  test("the areas between neighbouring outlines are equal within 1 %", () => {
    // Measured anew, row by row, on outlines that stand where they were set: white up to 150 units into a letter belongs to the gap.
    for (const [face, word] of [
      ["archivo-black", "HAVEN"],
      ["anton", "TYPOLOGY"],
      ["league-gothic", "LATTICE"],
    ]) {
      const { letters } = setIn(face, word, { gaps: "even" });
      const height = engine.face(face)!.metrics.capHeight;
      const rows = 400;
      const edges = letters.map((l) => {
        const polygons = flatten(l.outline.transform([1, 0, 0, 1, l.x, l.y]), 0.1);
        const b = l.outline.bounds;
        return Array.from({ length: rows }, (_, r) => {
          const spans = spansAt(polygons, -height + ((r + 0.5) * height) / rows);
          const [first, last] = [spans[0]?.[0] ?? Infinity, spans.at(-1)?.[1] ?? -Infinity];
          return [Math.min(first, l.x + b.minX + 150), Math.max(last, l.x + b.maxX - 150)];
        });
      });
      const areas = letters
        .slice(1)
        .map((_, i) => edges[i].reduce((sum, [, right], r) => sum + edges[i + 1][r][0] - right, 0) * (height / rows));
      const nearest = letters.slice(1).map((_, i) => Math.min(...edges[i].map(([, right], r) => edges[i + 1][r][0] - right)));
      // Pairs that would touch keep a hair's breadth instead.
      const free = areas.filter((_, i) => nearest[i] > 13);
      expect(free.length).toBeGreaterThan(2);
      const mean = free.reduce((a, b) => a + b, 0) / free.length;
      for (const a of free) expect(Math.abs(a - mean) / mean).toBeLessThan(0.01);
    }
  });

  test("the word keeps about its length, and the face's own gaps are not even", () => {
    const [face, even] = [setIn("anton", "TYPOLOGY"), setIn("anton", "TYPOLOGY", { gaps: "even" })];
    expect(Math.abs(widthOf(even) / widthOf(face) - 1)).toBeLessThan(0.1);
    expect(even.letters.map((l) => l.x)).not.toEqual(face.letters.map((l) => l.x));
  });
});

describe("spaces", () => {
  test("a tab, and any other control, is set as a space in its place, and as no box", () => {
    const spaced = setIn("anton", "A B C");
    for (const text of ["A\tB\tC", "A\u0000B\u0085C"]) {
      const tabbed = setIn("anton", text);
      expect(tabbed.missing).toEqual([]);
      expect(tabbed.carets).toEqual(spaced.carets);
    }
  });

  test("word space is added at spaces only, letter space between all letters", () => {
    const plain = setIn("anton", "a b");
    const wide = setIn("anton", "a b", { wordSpacing: 100 });
    expect(wide.letters[1].x - plain.letters[1].x).toBeCloseTo(100, 6);
    expect(setIn("anton", "a b", { letterSpacing: 30 }).letters[1].x - plain.letters[1].x).toBeCloseTo(60, 6);
  });

  test("optical edges let a round letter hang out and leave a stem flush", () => {
    const stem = setIn("archivo-black", "H\nO", { optical: true });
    const [h, o] = stem.lines.map((l) => l.ink.minX);
    expect(Math.abs(h)).toBeLessThan(1.5);
    expect(o).toBeLessThan(-8);
    expect(setIn("archivo-black", "H\nO").lines.map((l) => Math.round(l.x))).toEqual([0, 0]);
  });

  test("a hand-kerned gap is as much wider, and the letters after it move along", () => {
    const [a, b] = [setIn("anton", "moor"), setIn("anton", "moor", { letters: [{ at: 1, space: 40 }] })];
    expect(b.letters.map((l, i) => l.x - a.letters[i].x)).toEqual([0, 0, 40, 40].map((n) => expect.closeTo(n, 6)));
  });
});

describe("single letters", () => {
  test("are shifted, scaled and turned about their middle, and the others stay", () => {
    const [a, b] = [
      setIn("archivo-black", "moor"),
      setIn("archivo-black", "moor", { letters: [{ at: 2, right: 10, down: -20, turn: 90, width: 2, height: 0.5 }] }),
    ];
    const centre = (s: Setting, i: number) => {
      const { outline, x, y } = s.letters[i];
      const k = outline.bounds;
      return [x + (k.minX + k.maxX) / 2, y + (k.minY + k.maxY) / 2];
    };
    expect(centre(b, 2)).toEqual([centre(a, 2)[0] + 10, centre(a, 2)[1] - 20].map((n) => expect.closeTo(n, 3)));
    const size = (s: Setting, i: number) => [
      s.letters[i].outline.bounds.maxX - s.letters[i].outline.bounds.minX,
      s.letters[i].outline.bounds.maxY - s.letters[i].outline.bounds.minY,
    ];
    // Twice as wide and half as high, then on its side.
    expect(size(b, 2)).toEqual([size(a, 2)[1] / 2, size(a, 2)[0] * 2].map((n) => expect.closeTo(n, 3)));
    for (const i of [0, 1, 3]) expect(b.letters[i]).toMatchObject({ outline: a.letters[i].outline, x: a.letters[i].x });
  });

  test("loosened are the same for the same seed, within their amounts", () => {
    const loose = (seed: number) => setIn("anton", "Brindlemoor", { loosen: { shift: 30, turn: 0, size: 0, seed } });
    const plain = setIn("anton", "Brindlemoor");
    expect(loose(4).letters.map((l) => l.y)).toEqual(loose(4).letters.map((l) => l.y));
    expect(loose(4).letters.map((l) => l.y)).not.toEqual(loose(5).letters.map((l) => l.y));
    loose(4).letters.forEach((l, i) => {
      expect(Math.abs(l.x - plain.letters[i].x)).toBeLessThanOrEqual(30);
      expect(Math.abs(l.y)).toBeLessThanOrEqual(30);
    });
  });

  test("carry their inks to the letters", () => {
    expect(setIn("anton", "ab", { letters: [{ at: 1, inks: { face: "edge" } }] }).letters.map((l) => l.inks)).toEqual([
      undefined,
      { face: "edge" },
    ]);
  });
});

describe("a changed text", () => {
  const on = (text: string, ...at: number[]) => ({
    text,
    letters: at.map((a): LetterChange => ({ ...newLetterChange(a), turn: 5 })),
    lines: [],
  });
  const kept = (from: ReturnType<typeof on>, to: string) => withText(from, to).letters.map((l) => to[l.at]);

  test.each([
    ["put in before", "moor", [1, 3], "Brindlemoor", ["o", "r"]],
    ["put in after", "moor", [1], "moorland", ["o"]],
    ["put in between", "mr", [0, 1], "moor", ["m", "r"]],
    ["a typo corrected in place", "Brimdle", [3], "Brindle", ["n"]],
    ["what it stood on deleted", "Brindle", [2, 5], "Bndle", ["l"]],
    ["all deleted", "Tea", [1], "", []],
  ])("%s: changes stay with their letters", (_, before, places, after, letters) => {
    expect(kept(on(before, ...places), after)).toEqual(letters);
  });

  test("widths stay with their lines when one is put in before, broken or joined", () => {
    const lines = [
      { width: 100, by: "size" as const },
      { width: 200, by: "axis" as const },
    ];
    const widths = (text: string) => withText({ text: "one\ntwo", letters: [], lines }, text).lines.map((l) => l.width);
    expect(widths("zero\none\ntwo")).toEqual([null, 100, 200]);
    expect(widths("one\ntwo more")).toEqual([100, 200]);
    expect(widths("one\ntwo\nthree")).toEqual([100, 200]);
    expect(widths("on\ne\ntwo")).toEqual([100, null, 200]);
  });

  test("each character keeps its number, whatever is typed around it", () => {
    const type = (from: { text: string; keys?: number[] }, to: string) => withText({ ...from, letters: [], lines: [] }, to);
    const numbers = (typed: { text: string; keys: number[] }) => keysOf(typed);
    expect(type({ text: "moor" }, "moors").keys).toEqual([]);
    const before = type({ text: "moor" }, "a moor");
    expect(numbers(before).slice(2)).toEqual([0, 1, 2, 3]);
    const between = type(before, "a moo-r");
    expect([2, 3, 4, 6].map((at) => numbers(between)[at])).toEqual([0, 1, 2, 3]);
    // One letter for another stays in its place; no two characters share a number.
    expect(numbers(type(between, "a mooir")).length).toBe(7);
    expect(new Set(numbers(type(between, "at moo-ry"))).size).toBe(9);
    // Numbers that do not fit the text, as of a file made by hand, are left aside.
    expect(keysOf({ text: "abc", keys: [4] })).toEqual([0, 1, 2]);
  });

  test("places always lie within the text, whatever is changed", () => {
    const text = fc.string({ maxLength: 12 }).map((t) => t.replace(/[^a-z\n]/g, "a"));
    fc.assert(
      fc.property(text, text, fc.integer({ min: 0, max: 11 }), (before, after, at) => {
        fc.pre(at < before.length);
        const next = withText(on(before, at), after);
        for (const l of next.letters) expect(l.at).toBeLessThan(after.length);
        expect(next.lines.length).toBeLessThanOrEqual(after.split("\n").length);
      }),
    );
  });
});

describe("variable faces", () => {
  test("say their axes and named places as fontkit reads them", async () => {
    const font = fontkit.create(Buffer.from((await readFace("bricolage"))!.bytes)) as unknown as {
      variationAxes: Record<string, { min: number; max: number }>;
      namedVariations: Record<string, Record<string, number>>;
    };
    const axes = axesOf(engine.face("bricolage")!);
    expect(axes.map((a) => [a.tag, a.min, a.max]).sort()).toEqual(
      Object.entries(font.variationAxes)
        .map(([tag, a]) => [tag, a.min, a.max])
        .sort(),
    );
    const places = namedPlacesOf(engine.face("bricolage")!);
    for (const p of places) expect(font.namedVariations[p.name]).toMatchObject(p.axes);
    expect(places.length).toBe(Object.keys(font.namedVariations).length);
  });

  test("grow heavier along their weight, and are one object at one place", () => {
    const face = engine.face("fraunces")!;
    const [light, bold] = [face.at({ wght: 200 }), face.at({ wght: 900 })];
    expect(light.metrics.stem).toBeLessThan(bold.metrics.stem / 2);
    expect(face.at({ wght: 200 })).toBe(light);
    expect(face.at({})).toBe(face);
    expect(setIn("fraunces", "n", { axes: { wght: 200 } }).letters[0].outline).not.toBe(setIn("fraunces", "n").letters[0].outline);
  });

  test("a still face has neither", () => {
    expect(axesOf(engine.face("anton")!)).toEqual([]);
    expect(namedPlacesOf(engine.face("anton")!)).toEqual([]);
  });
});

describe("features", () => {
  const asked = { features: {}, language: null, direction: "auto" as const };

  test("are named in words and say what they change", () => {
    const found = featuresOf(engine.hb, engine.face("alfa-slab")!, "office", asked);
    const ligatures = found.find((f) => f.tag === "liga")!;
    expect(ligatures).toMatchObject({ name: "Ligatures", on: true });
    expect(ligatures.changes.join("")).toMatch(/f/);
    expect(ligatures.picture!.isEmpty).toBe(false);
    for (const f of found) expect(f.name).not.toBe(f.tag);
  });

  test("a ligature turned off leaves its letters", () => {
    expect(setIn("alfa-slab", "fi").letters).toHaveLength(1);
    expect(setIn("alfa-slab", "fi", { features: { liga: 0 } }).letters).toHaveLength(2);
  });

  test("glyphs with a feature agree with fontkit", async () => {
    const font = fontkit.create(Buffer.from((await readFace("anton"))!.bytes));
    for (const [tag, text] of [
      ["sups", "0123"],
      ["smcp", "Tea Room"],
      ["zero", "2024"],
    ]) {
      const run = (
        font as unknown as { layout: (t: string, f: string[]) => { positions: { xAdvance: number }[]; glyphs: { id: number }[] } }
      ).layout(text, [tag]);
      const ours = setIn("anton", text, { features: { [tag]: 1 } });
      const width = (run.positions.reduce((n, p) => n + p.xAdvance, 0) * 1000) / font.unitsPerEm;
      expect(Math.abs(ours.lines[0].width - width)).toBeLessThan(0.5);
      const face = engine.face("anton")!;
      const inked = run.glyphs.map((g) => face.outline(g.id)).filter((o) => !o.isEmpty);
      expect(ours.letters.map((l) => l.outline)).toEqual(inked);
    }
  });

  test("alternates of a letter differ from it and from each other, and one can be set", () => {
    const found = alternatesOf(engine.hb, engine.face("anton")!, "tea", 2, asked);
    expect(found.length).toBeGreaterThanOrEqual(2);
    const plain = setIn("anton", "tea").letters;
    expect(new Set([plain[2].outline, ...found.map((f) => f.outline)]).size).toBe(found.length + 1);
    for (const { tag, value, outline } of found) {
      const set = setIn("anton", "tea", { letters: [{ at: 2, alternate: { tag, value } }] }).letters;
      expect(set[2].outline).toBe(outline);
      expect(set[0].outline).toBe(plain[0].outline);
    }
    expect(alternatesOf(engine.hb, engine.face("monoton")!, "tea", 2, asked)).toEqual([]);
  });
});

describe("scripts and directions", () => {
  test.each([
    ["marhey", "برندلمور"],
    ["marhey", "أهلا وسهلا"],
    ["baloo-2", "स्वागत"],
    ["baloo-2", "ब्रिंडलमूर"],
    ["baloo-2", "क्षत्रिय"],
  ])("%s: advances of %s agree with fontkit", async (face, text) => {
    const font = fontkit.create(Buffer.from((await readFace(face))!.bytes));
    const width = (font.layout(text).positions.reduce((n, p) => n + p.xAdvance, 0) * 1000) / font.unitsPerEm;
    expect(Math.abs(setIn(face, text).lines[0].width - width)).toBeLessThan(0.5);
  });

  test("a line set to run to the left has its first word at the right", () => {
    const [auto, rtl] = [setIn("anton", "one two"), setIn("anton", "one two", { direction: "rtl" })];
    expect(auto.letters[0].from).toBe(0);
    // Unicode Standard Annex 9: Latin words keep their own direction within the line, which as a whole starts at the right.
    expect(rtl.letters.map((l) => l.from)).toEqual([0, 1, 2, 4, 5, 6]);
    expect(setIn("marhey", "Tea شاي", { direction: "rtl" }).letters.map((l) => l.from)).toEqual([6, 5, 4, 0, 1, 2]);
  });
});

describe("what is measured on a face", () => {
  const measured = (id: string) => measureFace(engine.face(id)!, engine.kernel);

  test("tells thick and thin, light and heavy, clean and worn, wide and narrow", () => {
    expect(measured("abril-fatface").contrast).toBeGreaterThan(3 * measured("archivo-black").contrast);
    expect(measured("alfa-slab").stem).toBeGreaterThan(measured("league-gothic").stem * 2);
    expect(measured("league-gothic").width).toBeLessThan(measured("archivo-black").width * 0.6);
    expect(measured("archivo-black").roughness).toBeLessThan(1);
    expect(measured("fraunces").axes).toBe(4);
  });

  test("says which scripts it can set", () => {
    expect(measured("marhey").scripts).toContain("Arabic");
    expect(measured("baloo-2").scripts).toContain("Devanagari");
    expect(measured("anton").scripts).not.toContain("Arabic");
    expect(measured("anton").scripts).toContain("Latin");
  });
});

describe("a collection of fonts", () => {
  /**
   * Two fonts in one file, as the OpenType specification lays a collection out: a header, then fonts whose offsets are from the file's
   * start.
   */
  function collection(fonts: readonly Uint8Array[]): Uint8Array {
    const header = 12 + 4 * fonts.length;
    const total = header + fonts.reduce((n, f) => n + f.length, 0);
    const out = new Uint8Array(total);
    const view = new DataView(out.buffer);
    view.setUint32(0, 0x74746366);
    view.setUint32(4, 0x00010000);
    view.setUint32(8, fonts.length);
    let at = header;
    fonts.forEach((f, i) => {
      view.setUint32(12 + 4 * i, at);
      out.set(f, at);
      const tables = view.getUint16(at + 4);
      for (let k = 0; k < tables; k++) view.setUint32(at + 12 + 16 * k + 8, view.getUint32(at + 12 + 16 * k + 8) + at);
      at += f.length;
    });
    return out;
  }

  test("gives each of its fonts, sound and the same as alone", async () => {
    const alone = await Promise.all(["anton", "rye"].map(async (id) => (await readFace(id))!.bytes));
    const fonts = fontsIn(collection(alone), "Two.ttc");
    expect(fonts).toHaveLength(2);
    fonts.forEach((bytes, i) => {
      const face = Face.open(engine.hb, { id: `c${i}`, name: "Two", kind: "" }, bytes);
      expect([...face.outline(face.glyphOf("R")!).coords]).toEqual([
        ...engine.face(["anton", "rye"][i])!.outline(face.glyphOf("R")!).coords,
      ]);
    });
    expect(fontsIn(alone[0], "One.ttf")).toEqual([alone[0]]);
  });

  test("cut short or with absurd counts is refused in words", async () => {
    const whole = collection([(await readFace("anton"))!.bytes]);
    expect(() => fontsIn(whole.slice(0, 400), "Cut.ttc")).toThrow(/cut short/);
    const many = whole.slice();
    new DataView(many.buffer).setUint32(8, 4_000_000);
    expect(() => fontsIn(many, "Many.ttc")).toThrow(/damaged collection/);
  });
});

test("stretched letters are wider by the ratio, and the offered stretch makes strokes equal", () => {
  const { stem, bar } = engine.face("archivo-black")!.metrics;
  const k = bar / stem;
  const [plain, stretched] = [setIn("archivo-black", "H"), setIn("archivo-black", "H", { stretch: k })];
  const spans = (s: Setting) => spansAt(flatten(s.letters[0].outline, 0.1), -100)[0];
  const width = ([a, b]: readonly number[]) => b - a;
  expect(width(spans(stretched)) / width(spans(plain))).toBeCloseTo(k, 6);
  expect(width(spans(stretched))).toBeCloseTo(bar, 0);
});
