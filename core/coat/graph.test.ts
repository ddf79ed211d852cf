import { beforeAll, describe, expect, jest, test } from "@jest/globals";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { coatsContext } from "../../tests/coats";
import { area, rectangle } from "../../tests/paths";
import { coat, flat, grow, shift, step, stroke, weld } from "../../demo/build";
import { compile, type Compiled } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import { newShape, newShapeItem, type Item } from "../piece/schema";
import type { Style } from "../style/schema";
import { type Point } from "../curves/matrix";
import { Coats, type CoatsContext } from "./evaluate";
import type { Coat } from "./schema";
import { type Shape } from "./shape";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const square = (x: number, y: number, side: number): Shape => ({ parts: [{ path: rectangle(0, 0, side, side), x, y, line: 0 }] });
const context = (more: Partial<CoatsContext> = {}) => coatsContext(engine.kernel, square(0, 0, 100), more);
const total = (shape: Shape | undefined) => shape!.parts.reduce((sum, p) => sum + area(p.path), 0);
const knockOut = (values: object) => step("knock-out", { gap: 0, ...values });
const off = (c: Coat): Coat => ({ ...c, on: false });

describe("coats that are made of others", () => {
  const front = (by: number) => coat("Front", flat("face"), [shift(by, 0)]);
  const behind = (extra: object = {}) => coat("Behind", flat("face"), [knockOut({ coat: "front", ...extra })]);

  test("lose what those cover, with a gap where one is asked for", () => {
    // A square of 100 less itself moved by 60: a strip of 60. Values are hundredths of the measure, here 10 units.
    expect(total(new Coats([behind(), front(6)], context()).form("behind"))).toBeCloseTo(6000, 6);
    expect(total(new Coats([behind({ gap: 1 }), front(6)], context()).form("behind"))).toBeCloseTo(5000, 6);
    expect(total(new Coats([behind({ gap: -1 }), front(6)], context()).form("behind"))).toBeCloseTo(6000 + 4000 - 30 * 80, 6);
  });

  test("keep what lies inside", () => {
    const inside = coat("In", flat("face"), [step("keep-inside", { coat: "front" })]);
    expect(total(new Coats([inside, front(6)], context()).form("in"))).toBeCloseTo(4000, 6);
    const apart = coat("In", flat("face"), [step("keep-inside", { coat: "front" })]);
    expect(new Coats([apart, front(11)], context()).form("in")!.parts).toEqual([]);
  });

  test("are made of coats that are switched off, and of their strokes", () => {
    expect(total(new Coats([behind(), off(front(6))], context()).form("behind"))).toBeCloseTo(6000, 6);
    const line = coat("Front", flat("face"), [], { lay: stroke(2, { side: "inside" }) });
    expect(total(new Coats([behind(), line], context()).form("behind"))).toBeCloseTo(60 * 60, 6);
  });

  test("are never what they were before the other one changed", () => {
    const form = (by: number) => total(new Coats([behind(), front(by)], context()).form("behind"));
    expect([form(2), form(6), form(2)]).toEqual([2000, 6000, 2000].map((v) => expect.closeTo(v, 6)));
    // The same of what lies on the board, and of the scale of lengths.
    const cut = coat("Cut", flat("face"), [knockOut({ of: "item", item: { id: "other", what: "letters" } })]);
    const less = (side: number) => total(new Coats([cut], context({ item: () => square(0, 0, side) })).form("cut"));
    expect([less(20), less(60)]).toEqual([9600, 6400].map((v) => expect.closeTo(v, 6)));
    const scaled = (scale: number) => total(new Coats([behind(), front(6)], context({ scale })).form("behind"));
    expect([scaled(10), scaled(5)]).toEqual([6000, 3000].map((v) => expect.closeTo(v, 6)));
  });

  test("are kept while nothing of that changes", () => {
    const letters = context();
    expect(new Coats([behind(), front(6)], letters).form("behind")).toBe(new Coats([behind(), front(6)], letters).form("behind"));
  });

  test("stay as they are where none is chosen, or the chosen one is gone", () => {
    for (const id of ["", "nonesuch"]) expect(total(new Coats([behind({ coat: id })], context()).form("behind"))).toBeCloseTo(10_000, 6);
  });

  test("name each other where they run in a circle, and take no other coat with them", () => {
    const a = coat("Rim", flat("face"), [knockOut({ coat: "core" })]);
    const b = coat("Core", flat("face"), [knockOut({ coat: "rim" })]);
    const coats = new Coats([a, b, front(1)], context());
    expect(coats.build(a).fault).toMatch(/“Rim”, “Core”, “Rim”/);
    expect(coats.build(b).fault).toMatch(/“Core”, “Rim”, “Core”/);
    const sound = coats.build(front(1));
    expect(sound.fault).toBeUndefined();
    expect(sound.layers[0].paths).toHaveLength(1);
  });
});

test("two coats of one id, as a file may hold them, are each drawn as they are", () => {
  const [one, two] = [coat("A", flat("face"), [grow(1)]), coat("A", flat("face"), [shift(5, 0)])];
  const coats = new Coats([one, two], context());
  expect([one, two].map((c) => coats.build(c).layers[0].bounds.minX)).toEqual([-10, 50].map((v) => expect.closeTo(v, 6)));
});

describe("items that are made of others", () => {
  const panel = (coats: Coat[], extra: object = {}): Item =>
    newShapeItem({
      id: "panel",
      name: "Panel",
      x: 400,
      y: 200,
      size: 100,
      width: 8000,
      height: 4000,
      shape: newShape("rectangle"),
      styleId: null,
      ownStyle: { ...styleOf(coats), id: "panel-style" },
      ...extra,
    });
  const windowed = (what: "letters" | "painted", gap = 0): Coat =>
    coat("Panel", flat("face"), [knockOut({ of: "item", item: { id: "word", what }, gap, join: "round" })]);
  const made = (style: Style, ...items: Item[]): Compiled => compile(board(...items), new Map([[style.id, style]]), engine);
  const inkOf = ({ scene }: Compiled, id: string) => {
    const { layers, matrix } = scene.items.find((i) => i.id === id)!;
    // Areas on the board, in square pixels.
    const k = Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]);
    return layers.flatMap((l) => l.paths).reduce((sum, p) => sum + area(p.path) * k, 0);
  };

  test("words are cut out of a shape where they are seen, before or behind it, turned and sized as they are", () => {
    const style = styleOf();
    for (const extra of [{}, { turn: 20, x: 300 }, { size: 140, across: 0.7, slant: 12 }]) {
      const lettering = word("Fell", { x: 220, y: 260, ...extra });
      const whole = made(style, lettering, panel([coat("Panel", flat("face"))]));
      for (const items of [
        [lettering, panel([windowed("letters")])],
        [panel([windowed("letters")]), lettering],
      ])
        // To a ten-thousandth of the panel: outlines are mapped and crossed in between.
        expect(inkOf(made(style, ...items), "panel")).toBeCloseTo(inkOf(whole, "panel") - inkOf(whole, "word"), -1);
    }
  });

  test("all that is painted is more than the letters, and what is bound to it moves with it", () => {
    const style = styleOf([coat("Edge", flat("edge"), [grow(4), weld()]), coat("Letters", flat("face"))]);
    const lettering = word("Fell", { x: 220, y: 260 });
    const [letters, painted] = (["letters", "painted"] as const).map((what) =>
      inkOf(made(style, lettering, panel([windowed(what)])), "panel"),
    );
    const [grownBy4] = [inkOf(made(style, lettering, panel([windowed("letters", 4)])), "panel")];
    expect(painted).toBeLessThan(letters - 100);
    expect(painted).toBeCloseTo(grownBy4, -1);
    const away = { ...lettering, x: 5000 };
    expect(inkOf(made(style, away, panel([windowed("painted")])), "panel")).toBeCloseTo(800 * 400, 3);
  });

  test("a hidden item still cuts, one that is gone does not", () => {
    const style = styleOf();
    const hidden = word("Fell", { x: 220, y: 260, hidden: true });
    expect(inkOf(made(style, hidden, panel([windowed("letters")])), "panel")).toBeLessThan(800 * 400 - 1000);
    expect(inkOf(made(style, panel([windowed("letters")])), "panel")).toBeCloseTo(800 * 400, 3);
  });

  test("a view in perspective is cut as it is seen", () => {
    const view = [
      { x: 0, y: 0 },
      { x: 1, y: 0.2 },
      { x: 1, y: 0.8 },
      { x: 0, y: 1 },
    ] as [Point, Point, Point, Point];
    const style = styleOf();
    const lettering = word("Fell", { x: 220, y: 260, view });
    const whole = made(style, lettering, panel([coat("Panel", flat("face"))]));
    const cut = made(style, lettering, panel([windowed("letters")]));
    expect(inkOf(cut, "panel")).toBeCloseTo(inkOf(whole, "panel") - inkOf(whole, "word"), -1);
    // In a panel that is seen so itself, the hole is where the word is seen: nothing of the word's middle is left in the panel.
    const seen = made(style, lettering, panel([windowed("letters")], { view }));
    const plainSeen = made(style, lettering, panel([coat("Panel", flat("face"))], { view }));
    expect(inkOf(seen, "panel")).toBeCloseTo(inkOf(plainSeen, "panel") - inkOf(whole, "word"), -1);
  });

  test("items that are each made of the next say so by name, and all else is drawn", () => {
    const round = (id: string): Coat[] => [coat("Cut", flat("face"), [knockOut({ of: "item", item: { id, what: "painted" } })])];
    const a = word("Fell", { ownStyle: styleOf(round("panel")) });
    const { faults, scene } = made(styleOf(), a, panel(round("word")), word("Tarn", { id: "third" }));
    expect(faults.map((f) => f.item)).toEqual(["word", "panel"]);
    for (const f of faults) expect(f.message).toMatch(/“Fell”.*“Panel”|“Panel”.*“Fell”/);
    expect(scene.items[2].layers[0].paths).toHaveLength(4);
  });
});

describe("a fault stays in its coat", () => {
  test("its neighbours are drawn, it says what is wrong, and is not tried again until something changes", () => {
    // Short dashes round a long word: more work than these steps.
    const dear = coat("Dashes", flat("face"), [], { lay: stroke(3, { dashes: [0.2, 0.3] }) });
    const style = styleOf([coat("Below", flat("edge")), dear, coat("Above", flat("face"))]);
    const drawn = (text: string, steps: number) => compile(board(word(text)), new Map([[style.id, style]]), { ...engine, steps });
    const { scene, faults } = drawn("Railways", 60_000);
    const [below, dashes, above] = scene.items[0].layers;
    expect([below.paths.length, dashes.paths.length, above.paths.length]).toEqual([8, 0, 8]);
    expect(faults).toEqual([{ item: "word", coat: "dashes", message: expect.stringMatching(/more work than/) }]);
    const band = jest.spyOn(engine.kernel, "band");
    expect(drawn("Railways", 60_000).faults).toEqual(faults);
    expect(band).not.toHaveBeenCalled();
    band.mockRestore();
    // What is less work is drawn.
    expect(drawn("Ra", 1e8).faults).toEqual([]);
  });
});
