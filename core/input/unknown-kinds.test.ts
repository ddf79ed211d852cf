import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, grow, style } from "../../demo/build";
import { board, engineWith, word } from "../../tests/engine";
import { compile } from "../piece/compile";
import { exportedOf } from "../piece/exported";
import type { LoadedEngine } from "../piece/engine";
import type { PieceFile } from "../piece/schema";
import { inksOf } from "../style/inks";
import { libraryOf } from "../style/library";
import { open, openStyle } from "./open";
import { withUnknownBack } from "./unknown-kinds";

const plain = style("Later", "archivo-black", "em", { Face: "#112233" }, [coat("A", flat("face"), [grow(2)])]);
const json = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The style as a later program would have written it, with kinds that are not known here in every place that has one. */
const later = json({
  ...plain,
  coats: [
    { ...plain.coats[0], form: [...plain.coats[0].form, { id: "x", on: true, kind: "crumple", folds: 7, way: { angle: 3 } }] },
    {
      ...plain.coats[0],
      id: "b",
      lay: { kind: "sewn", thread: 2 },
      finish: { ...plain.coats[0].finish, haze: { on: true, depth: [1, 2] } },
    },
    { ...plain.coats[0], id: "c", paint: { kind: "velvet", ink: "face", pile: "long" }, passes: { face: { kind: "velvet", ink: "face" } } },
  ],
});

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

describe("kinds that are not known here", () => {
  test("are kept: what is written again is what was read", () => {
    const read = openStyle(later);
    expect(withUnknownBack(read)).toEqual(later);
    // Also once it has lain on the shelf, and where it stands in a piece.
    expect(withUnknownBack(openStyle(json(read)))).toEqual(later);
    const piece = board(word("I", { styleId: null, ownStyle: read }), word("J", { id: "j", styleId: read.id }));
    const file: PieceFile = { format: "vextal.file", version: 1, piece, styles: [read] };
    const wish = { area: { kind: "board" }, ground: true } as const;
    const { scene } = compile(piece, new Map([[read.id, read]]), engine);
    const written = JSON.parse(exportedOf(file, scene, wish, [], new Map()).piece());
    expect(written.styles).toEqual([later]);
    expect(written.piece.items[0].ownStyle).toEqual(later);
    expect(openStyle(later)).toEqual(read);
  });

  test("are named, and drawn without", () => {
    const read = openStyle(later);
    expect(read.coats[0].form.at(-1)).toMatchObject({ kind: "unknown", held: { kind: "crumple", folds: 7 } });
    const piece = board(word("I", { styleId: read.id }));
    const { scene, faults } = compile(piece, new Map([[read.id, read]]), engine);
    const known = compile(piece, new Map([[read.id, openStyle(plain)]]), engine).scene.items[0].layers[0];
    const [crumpled, sewn, velvet] = scene.items[0].layers;
    for (const layer of [crumpled, sewn]) expect(layer.bounds).toEqual(known.bounds);
    expect(velvet.paths).toEqual([]);
    expect(faults).toEqual([{ item: expect.anything(), coat: "c", message: expect.stringMatching(/“velvet”.*kept/) }]);
    expect(inksOf(read.coats[0])).toEqual(["face"]);
  });

  test("come back once they are known", () => {
    const held = json(openStyle(plain));
    const [first] = held.coats;
    const aside = { ...first, paint: { kind: "unknown", held: first.paint }, kept: { blur: { radius: 3 } }, finish: {} };
    const [back] = openStyle({ ...held, coats: [aside] }).coats;
    expect(back.paint).toEqual(first.paint);
    expect(back.finish.blur).toEqual({ radius: 3 });
    expect(back.kept).toBeUndefined();
  });

  test("but what names no kind, or is no object, is damaged", () => {
    for (const paint of [{ ink: "face" }, 7, "flat", null, { kind: "" }])
      expect(() => openStyle({ ...plain, coats: [{ ...plain.coats[0], paint }] })).toThrow(/damaged/);
  });
});

describe("a library", () => {
  const photo = "0123456789abcdef0123456789abcdef";
  const data = "data:image/png;base64,AAAA";

  test("holds several styles with their photos, each once, what is not known here among them", () => {
    const text = JSON.stringify(libraryOf([plain, { ...later, id: "later-2" }], new Map([[photo, data]])));
    const opened = open(text);
    if (opened.kind !== "styles") throw new Error(opened.kind);
    expect(opened.styles.map((s) => s.id)).toEqual([plain.id, "later-2"]);
    expect([...opened.photos]).toEqual([[photo, data]]);
  });

  test("one style may bring its photos, too", () => {
    const opened = open(JSON.stringify({ ...plain, photos: { [photo]: data } }));
    expect(opened).toMatchObject({ kind: "styles", photos: new Map([[photo, data]]) });
  });

  test.each([
    ["no styles", { styles: "none" }, /holds no styles/],
    ["a damaged style", { styles: [{ ...plain, measure: "mile" }] }, /style is damaged/],
    ["a photo that is none", { styles: [plain], photos: { [photo]: "javascript:1" } }, /photos in this file are damaged/],
    ["a newer version", { version: 4, styles: [] }, /newer Vextal/],
  ])("with %s is refused in words", (_, change, message) => {
    expect(() => open(JSON.stringify({ ...(libraryOf([], new Map()) as object), ...change }))).toThrow(message);
  });
});
