import { beforeAll, describe, expect, test } from "@jest/globals";
import { engineWith } from "../../tests/engine";
import { coatsContext } from "../../tests/coats";
import { area, circle, rectangle } from "../../tests/paths";
import { coat, flat, gradient, grow, plug, shift, shrink, stroke, weld } from "../../demo/build";
import type { CurveKernel } from "../curves/kernel";
import { identity } from "../curves/matrix";
import { Path } from "../curves/path";
import type { SceneFill, SceneLayer } from "../scene/scene";
import { Coats, type CoatsContext } from "./evaluate";
import { finishKinds } from "./finishes";
import { formStepKinds } from "./forms";
import { layKinds } from "./lays";
import { paintKinds } from "./paints";
import { newStep } from "../params";
import { coatSchema, newFinish, type Coat } from "./schema";
import { boundsOf, type Part, type Shape } from "./shape";

let kernel: CurveKernel;
beforeAll(async () => {
  kernel = (await engineWith()).kernel;
});

/** Two touching squares of 100, a third one apart on a second line. */
const part = (path: Path, x: number, y = 0, line = 0): Part => ({ path, x, y, line });
const square = rectangle(0, 0, 100, 100);
const letters: Shape = { parts: [part(square, 0), part(square, 90), part(square, 0, 300, 1)] };
const context = (more: Partial<CoatsContext> = {}) => coatsContext(kernel, letters, more);
const shapeOf = (c: Coat, more: Partial<CoatsContext> = {}): Shape => new Coats([c], context(more)).form(c.id)!;
const layerOf = (c: Coat, more: Partial<CoatsContext> = {}): SceneLayer => new Coats([c], context(more)).build(c).layers.at(-1)!;
const total = (shape: Shape) => shape.parts.reduce((sum, p) => sum + area(p.path), 0);

describe("a coat of which nothing is seen", () => {
  const nothing = (form: Parameters<typeof coat>[2], more: Partial<CoatsContext> = {}) => {
    const c = coat("A", flat("face"), form);
    return new Coats([c], context(more)).build(c).nothing;
  };
  test("says which step leaves nothing, and says nothing while there is something to see", () => {
    expect(nothing([shrink(20)])).toMatch(/^“Shrink” leaves nothing/);
    // The first that takes it all is named, whatever comes after it.
    expect(nothing([grow(2), shrink(20), weld()])).toMatch(/^“Shrink”/);
    expect(nothing([shrink(1)])).toBeUndefined();
    // Where nothing is written nothing is missing.
    expect(nothing([shrink(20)], { letters: { parts: [] } })).toBeUndefined();
  });
});

describe("every kind", () => {
  const kinds = { form: formStepKinds, paint: paintKinds, lay: layKinds };
  test("has a label, a hint, and defaults that its own schema takes", () => {
    for (const k of [...formStepKinds, ...paintKinds, ...layKinds, ...finishKinds]) {
      expect(k.label).toBeTruthy();
      expect(k.hint).toBeTruthy();
      for (const p of Object.values(k.params)) expect(p.hint.length).toBeGreaterThan(5);
    }
    for (const step of kinds.form)
      for (const paint of kinds.paint)
        for (const lay of kinds.lay) {
          const made = {
            id: "c",
            name: "C",
            on: true,
            form: [{ ...newStep(step), id: "s", on: true }],
            paint: newStep(paint),
            passes: {},
            lay: newStep(lay),
            finish: newFinish(),
            order: [],
          };
          expect(coatSchema.parse(made)).toEqual(made);
        }
  });

  test("fills in what a file leaves out", () => {
    const sparse = {
      id: "c",
      name: "C",
      form: [
        { kind: "letters", id: "a" },
        { kind: "grow", id: "b" },
      ],
      paint: { kind: "flat" },
      lay: { kind: "fill" },
      finish: {},
    };
    const read = coatSchema.parse(sparse);
    expect(read.form[1]).toMatchObject({ amount: 3, join: "miter", miterLimit: 4, on: true });
    expect(read.finish).toEqual(newFinish());
  });

  test.each([
    ["an unknown step", { form: [{ kind: "melt", id: "a" }] }],
    ["no step at all", { form: [] }],
    ["a length that is no number", { form: [{ kind: "grow", id: "a", amount: "wide" }] }],
    ["an infinite length", { form: [{ kind: "grow", id: "a", amount: Infinity }] }],
    ["a miter limit under 1", { form: [{ kind: "grow", id: "a", miterLimit: 0.5 }] }],
    ["one stop", { paint: { kind: "gradient", stops: [{ at: 0, ink: "face" }] } }],
    ["an opacity over 100", { finish: { opacity: { amount: 101 } } }],
    ["a blend mode of its own making", { finish: { blend: { mode: "sparkle" } } }],
  ])("refuses %s", (_, wrong) => {
    const right = { id: "c", name: "C", form: [{ kind: "letters", id: "a" }], paint: { kind: "flat" }, lay: { kind: "fill" }, finish: {} };
    expect(coatSchema.safeParse(right).success).toBe(true);
    expect(coatSchema.safeParse({ ...right, ...wrong }).success).toBe(false);
  });
});

describe("forms", () => {
  test("letters are the letters, the same object", () => expect(shapeOf(coat("A", flat("face")))).toBe(letters));

  test("grow and shrink go by the style's length", () => {
    expect(boundsOf(shapeOf(coat("A", flat("face"), [grow(2, "miter")])).parts)).toEqual({ minX: -20, minY: -20, maxX: 210, maxY: 420 });
    expect(total(shapeOf(coat("A", flat("face"), [shrink(2)])))).toBeCloseTo(3 * 60 * 60, 1);
    expect(shapeOf(coat("A", flat("face"), [shrink(5.1)])).parts).toHaveLength(0);
  });

  test("weld joins what touches and leaves the rest alone", () => {
    const { parts } = shapeOf(coat("A", flat("face"), [weld()]));
    expect(parts).toHaveLength(2);
    expect(area(parts[0].path)).toBeCloseTo(190 * 100, 3);
    expect(parts[1]).toBe(letters.parts[2]);
  });

  test("weld leaves letters whose boxes meet but which do not", () => {
    const near: Shape = { parts: [part(circle(0, 0, 50), 0), part(circle(0, 0, 50), 80, 80)] };
    const welded = shapeOf(coat("A", flat("face"), [weld()]), { letters: near });
    expect(welded.parts).toEqual(near.parts);
  });

  test("plug, shift and their order", () => {
    const ring = kernel.subtract(square, [rectangle(30, 30, 40, 40)]);
    const plugged = shapeOf(coat("A", flat("face"), [plug(), shift(1, -2)]), { letters: { parts: [part(ring, 0)] } });
    expect(area(plugged.parts[0].path)).toBeCloseTo(10_000, 3);
    expect(plugged.parts[0]).toMatchObject({ x: 10, y: -20 });
    // Shrinking before welding parts the squares; after it they stay one.
    expect(shapeOf(coat("A", flat("face"), [shrink(1), weld()])).parts).toHaveLength(3);
    expect(shapeOf(coat("A", flat("face"), [weld(), shrink(1)])).parts).toHaveLength(2);
  });

  test("a step that is off is left out", () => {
    const c = coat("A", flat("face"), [grow(2)]);
    c.form[1].on = false;
    expect(shapeOf(c)).toBe(letters);
  });

  test("a stroke becomes a shape on the side asked for", () => {
    const outside = coat("A", flat("face"), [], { lay: stroke(1, { side: "outside" }) });
    expect(total(shapeOf(outside))).toBeCloseTo(3 * (120 ** 2 - 100 ** 2), 0);
  });

  test("results are kept while nothing changed, step by step", () => {
    const c = coat("A", flat("face"), [grow(2), weld()]);
    expect(shapeOf(c)).toBe(shapeOf(structuredClone(c)));
    const shifted = shapeOf(coat("A", flat("face"), [grow(2), weld(), shift(1, 1)]));
    expect(shifted.parts[0].path).toBe(shapeOf(c).parts[0].path);
  });
});

describe("paints", () => {
  test("flat gives every part one fill", () => {
    const { fills, paths } = layerOf(coat("A", flat("face", 40)));
    expect(fills).toEqual([{ kind: "flat", colour: "#ff0000", ink: "Face", opacity: 0.4 }]);
    expect(paths.map((p) => p.fill)).toEqual([0, 0, 0]);
  });

  test("an unmixed colour says which ink it is, a mixed one does not", () => {
    const [fill] = layerOf(
      coat(
        "A",
        gradient(
          [
            [0, "face"],
            [100, "edge"],
          ],
          { mix: "oklab" },
        ),
      ),
    ).fills;
    if (!("stops" in fill)) throw new Error("A gradient has stops.");
    const { stops } = fill;
    expect(stops.map((s) => s.ink).filter(Boolean)).toEqual(["Face", "Edge"]);
    expect(stops.length).toBeGreaterThan(4);
    expect(layerOf(coat("A", flat("nonesuch"))).fills[0]).toEqual({ kind: "flat", colour: "#808080", ink: undefined, opacity: 1 });
  });

  const ends = (fill: SceneFill) => "from" in fill && [fill.from.y, fill.to.y];
  const spanned = (span: string) =>
    layerOf(
      coat(
        "A",
        gradient(
          [
            [0, "face"],
            [100, "edge"],
          ],
          { span },
        ),
      ),
    );

  test("a gradient starts again in each letter, each line, or runs over all, or over the board", () => {
    expect(spanned("letter").fills.map(ends)).toEqual([
      [0, 100],
      [0, 100],
      [300, 400],
    ]);
    expect(spanned("line").fills.map(ends)).toEqual([
      [0, 100],
      [300, 400],
    ]);
    expect(spanned("line").paths.map((p) => p.fill)).toEqual([0, 0, 1]);
    expect(spanned("lettering").fills.map(ends)).toEqual([[0, 400]]);
    const [board] = spanned("board").fills;
    expect(ends(board)).toEqual([0, 200]);
    expect(board).toMatchObject({ matrix: identity });
  });

  test("stops are sorted, with the ink's colour and their own opacity", () => {
    const [fill] = layerOf(
      coat(
        "A",
        gradient([
          [100, "edge", 50],
          [0, "face"],
          [30, "gone"],
        ]),
      ),
    ).fills;
    expect(fill).toMatchObject({
      stops: [
        { offset: 0, colour: "#ff0000", opacity: 1 },
        { offset: 0.3, colour: "#808080", opacity: 1 },
        { offset: 1, colour: "#0000ff", opacity: 0.5 },
      ],
    });
  });

  test("an even mix adds stops between, and none where a colour jumps", () => {
    const stopsOf = (c: ReturnType<typeof coat>) => (layerOf(c).fills[0] as Extract<SceneFill, { kind: "linear" | "radial" }>).stops;
    const even = stopsOf(
      coat(
        "A",
        gradient(
          [
            [0, "face", 0],
            [50, "edge"],
            [50, "face"],
            [100, "face"],
          ],
          { mix: "oklab" },
        ),
      ),
    );
    expect(even).toHaveLength(4 + 8);
    expect(even[4].opacity).toBeCloseTo(4 / 9, 9);
    for (let i = 1; i < even.length; i++) expect(even[i].offset).toBeGreaterThanOrEqual(even[i - 1].offset);
  });
});

describe("finishes", () => {
  test("set opacity and blend mode of the layer", () => {
    expect(layerOf(coat("A", flat("face"), [], { opacity: 25, blend: "multiply" }))).toMatchObject({ opacity: 0.25, blend: "multiply" });
    expect(layerOf(coat("A", flat("face")))).toMatchObject({ opacity: 1, blend: "normal" });
  });

  test("a layer stays the same object until something it shows changes", () => {
    const c = coat(
      "A",
      gradient(
        [
          [0, "face"],
          [100, "edge"],
        ],
        { span: "lettering" },
      ),
    );
    const one = layerOf(c);
    const moved = { ...context().board, width: 999 };
    expect(layerOf(structuredClone(c), { board: moved })).toBe(one);
    expect(layerOf(c, { inks: { ...context().inks, key: "other inks" } })).not.toBe(one);
    const board = coat(
      "A",
      gradient(
        [
          [0, "face"],
          [100, "edge"],
        ],
        { span: "board" },
      ),
    );
    expect(layerOf(board, { board: moved })).not.toBe(layerOf(board));
  });
});
