import { describe, expect, test } from "@jest/globals";
import { board, styleOf, word } from "../../tests/engine";
import { Problem } from "../problem";
import { open, openPiece, openStyle } from "./open";
import { migrate } from "./versions";

const piece = board(word("Tea"));
const style = styleOf();
const text = (v: unknown) => JSON.stringify(v);

describe("opening a file", () => {
  test("tells pieces, styles and piece files apart", () => {
    expect(open(text(style))).toEqual({ kind: "styles", styles: [style], photos: new Map() });
    expect(open(text(piece))).toMatchObject({ kind: "piece", file: { piece, styles: [] } });
    expect(open(text({ format: "vextal.file", version: 1, piece, styles: [style] }))).toMatchObject({
      kind: "piece",
      file: { piece, styles: [style] },
    });
  });

  test.each<[string, string, RegExp]>([
    ["nothing", "", /neither a piece/],
    ["prose", "Dear Sir", /neither a piece/],
    ["half a file", text(piece).slice(0, 80), /begins as a piece or a style, and does not end/],
    ["a list", "[]", /names no format/],
    ["null", "null", /names no format/],
    ["another program's JSON", '{"layers":[]}', /names no format/],
    ["a style of a newer version", text({ ...style, version: 7 }), /newer Vextal \(format 7; this one reads up to 1\)/],
    ["a piece without a version", text({ ...piece, version: undefined }), /no format version/],
    ["a piece with a torn lettering", text({ ...piece, items: [{ ...word("Tea"), size: "big" }] }), /damaged at items\[0\]\.size/],
    ["a size of a million", text({ ...piece, items: [{ ...word("Tea"), size: 1e6 }] }), /items\[0\]\.size/],
    ["a text of 2,001 characters", text({ ...piece, items: [{ ...word("Tea"), text: "x".repeat(2001) }] }), /at most 2000 characters/],
    ["a board of no width", text({ ...piece, board: { ...piece.board, width: 0 } }), /board\.width/],
    ["a colour that is none", text({ ...style, inks: [{ id: "a", name: "A", colour: "red" }] }), /#rrggbb/],
    ["a torn SVG", "<svg><g></svg>", /SVG is damaged/],
    ["an SVG of another kind", "<svg xmlns='http://www.w3.org/2000/svg'><path d='M0 0'/></svg>", /carries no piece/],
    ["an SVG that swells", '<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg>&a;</svg>', /document type/],
  ])("says what is wrong with %s", (_, file, message) => {
    expect(() => open(file)).toThrow(message);
    expect(() => open(file)).toThrow(Problem);
  });

  test("survives any one character being lost", () => {
    const whole = text(style);
    for (let i = 0; i < whole.length; i += 7) {
      try {
        open(whole.slice(0, i) + whole.slice(i + 1));
      } catch (error) {
        expect(error).toBeInstanceOf(Problem);
      }
    }
  });

  test("drops what it does not know, so that nothing foreign is stored", () => {
    expect(openStyle({ ...style, script: "alert(1)" })).toEqual(style);
    expect(openPiece({ ...piece, extra: 1 })).toEqual(piece);
  });
});

describe("older formats", () => {
  test("are brought forward one version at a time", () => {
    const steps = [(d: Record<string, unknown>) => ({ ...d, a: 1 }), (d: Record<string, unknown>) => ({ ...d, b: (d.a as number) + 1 })];
    expect(migrate({ version: 1 }, "style", 3, steps)).toEqual({ version: 3, a: 1, b: 2 });
    expect(migrate({ version: 2, a: 5 }, "style", 3, steps)).toEqual({ version: 3, a: 5, b: 6 });
    expect(migrate({ version: 3 }, "style", 3, steps)).toEqual({ version: 3 });
  });

  test.each([0, -1, 1.5, "1", null])("a version of %p is none", (version) => {
    expect(() => migrate({ version }, "style", 1)).toThrow(Problem);
  });
});
