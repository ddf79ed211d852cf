import { PNG } from "pngjs";
import { beforeAll, describe, expect, test } from "@jest/globals";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { coatsContext } from "../../tests/coats";
import { area, rectangle } from "../../tests/paths";
import { coat, flat, gradient, grow, shift, trail, weld } from "../../demo/build";
import { mixOklab, mixSrgb } from "../colour";
import { apply } from "../curves/matrix";
import { pngOf, request, svgOf } from "../../tests/exported";
import { daylight, type Lamp } from "../piece/lamp";
import { compile } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import type { SceneLayer } from "../scene/scene";
import { Coats, type CoatsContext } from "./evaluate";
import type { Coat } from "./schema";
import { boundsOf, boundsOfPart, type Shape } from "./shape";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const square = rectangle(0, 0, 100, 100);
const letters: Shape = {
  parts: [
    { path: square, x: 0, y: 0, line: 0 },
    { path: square, x: 200, y: 0, line: 0 },
  ],
};
const context = (more: Partial<CoatsContext> = {}) => coatsContext(engine.kernel, letters, more);
const formOf = (c: Coat, more: Partial<CoatsContext> = {}) => new Coats([c], context(more)).form(c.id)!;
const layersOf = (c: Coat): readonly SceneLayer[] => new Coats([c], context()).build(c).layers;

describe("a trail", () => {
  // From (0, 0) to (300, 400) in lettering units: 50 of the style's, at the angle of 3-4-5.
  const angle = (Math.atan2(400, 300) * 180) / Math.PI;

  test("steps evenly from the last copy to the letters, which come last", () => {
    const { parts } = formOf(coat("T", flat("face"), [trail(5, angle, 50)]));
    expect(parts.map((p) => p.along)).toEqual([1, 0.75, 0.5, 0.25, 0]);
    const boxes = parts.map(boundsOfPart);
    for (const [i, t] of [1, 0.75, 0.5, 0.25, 0].entries()) {
      expect(boxes[i].minX).toBeCloseTo(300 * t, 9);
      expect(boxes[i].minY).toBeCloseTo(400 * t, 9);
      expect(boxes[i].maxX - boxes[i].minX).toBeCloseTo(300, 9);
    }
  });

  test("sizes and turns about the middle of the letters", () => {
    const [last] = formOf(coat("T", flat("face"), [trail(2, 0, 0, { size: 50, turn: 90 })])).parts;
    // 300 by 100 about (150, 50), half as large and upright.
    const b = boundsOfPart(last);
    expect([b.minX, b.minY, b.maxX, b.maxY]).toEqual([125, -25, 175, 125].map((v) => expect.closeTo(v, 9)));
  });

  test("repeats one path, and is grown and welded as what it shows", () => {
    const { parts } = formOf(coat("T", flat("face"), [trail(40, 0, 20)]));
    expect(new Set(parts.map((p) => p.path)).size).toBe(1);
    const grown = formOf(coat("T", flat("face"), [trail(2, 0, 30, { size: 50 }), grow(1)]));
    // The last copy is of two squares of 50, each grown by 10 with round corners, which lose (4 - pi) r^2.
    const lost = (4 - Math.PI) * 10 ** 2;
    expect(grown.parts.map((p) => area(p.path))).toEqual([70, 120].map((side) => expect.closeTo(2 * (side ** 2 - lost), 0)));
  });

  test("takes a colour for each copy along the way, plain or even", () => {
    const stops: [number, string][] = [
      [0, "face"],
      [100, "edge"],
    ];
    for (const [mix, between] of [
      ["srgb", mixSrgb],
      ["oklab", mixOklab],
    ] as const) {
      const [layer] = layersOf(coat("T", gradient(stops, { shape: "copies", mix }), [trail(5, 0, 30)]));
      const colours = layer.paths.map((p) => layer.fills[p.fill]).map((f) => f.kind === "flat" && f.colour);
      expect(colours).toEqual([1, 0.75, 0.5, 0.25, 0].map((t) => between("#ff0000", "#0000ff", t)));
    }
  });

  test("stays small when it is written, and in a draft", () => {
    const svg = (copies: number) => {
      const style = styleOf([
        coat(
          "T",
          gradient(
            [
              [0, "face"],
              [100, "edge"],
            ],
            { shape: "copies" },
          ),
          [weld(), trail(copies, 45, 30)],
        ),
      ]);
      const { scene } = compile(board(word("Brindlemoor")), new Map([[style.id, style]]), engine);
      return svgOf(scene);
    };
    // Two hundred copies of eleven letters: some 100 bytes a copy.
    expect(svg(200).length).toBeLessThan(40_000);
    expect(svg(200).match(/<path/g)).toHaveLength(1);
    expect(svg(200).match(/<use xlink:href="#l1c1p0"/g)).toHaveLength(200);
    expect(formOf(coat("T", flat("face"), [trail(500, 0, 30)]), { kernel: engine.draft }).parts.length).toBeLessThan(30);
  });
});

describe("a soft shadow", () => {
  const thrown = (shadow: object, form = [shift(0, 0)]) =>
    layersOf(coat("A", flat("face"), form, { shadow: { way: { angle: 0, distance: 0 }, spread: 0, blur: 0, ...shadow } }));

  test("lies behind the coat as a layer of its own, in its own ink, strength and blend", () => {
    const [shadow, body] = thrown({ opacity: 40, blend: "multiply", blur: 2 });
    expect(shadow).toMatchObject({ group: "a", opacity: 0.4, blend: "multiply", fills: [{ colour: "#221d33", opacity: 1 }] });
    expect(body).toMatchObject({ id: "a", group: "a", opacity: 1, blend: "normal" });
    expect(layersOf(coat("A", flat("face")))).toHaveLength(1);
  });

  test("falls as far and where it is told, larger by its spread", () => {
    const [shadow] = thrown({ way: { angle: 90, distance: 3 }, spread: 1 });
    expect(shadow.bounds).toEqual({
      minX: expect.closeTo(-10, 6),
      maxX: expect.closeTo(310, 6),
      minY: expect.closeTo(20, 6),
      maxY: expect.closeTo(140, 6),
    });
    expect(shadow.effects).toBeUndefined();
  });

  test("blurs by half its radius, as CSS does, and reaches three deviations farther", () => {
    const [shadow] = thrown({ blur: 6 });
    expect(shadow.effects).toEqual([{ kind: "blur", deviation: 30 }]);
    expect(shadow.bounds).toEqual({ minX: -90, maxX: 390, minY: -90, maxY: 190 });
  });

  test("has a hard core and a rim that is as much softer as is left", () => {
    const [shadow] = thrown({ blur: 6, hardness: 50 });
    expect(shadow.effects).toEqual([{ kind: "blur", deviation: 15 }]);
    // Grown by half of the hard share of the radius: 15.
    const box = boundsOf(shadow.paths.map((p) => ({ ...p, line: 0 })));
    expect([box.minX, box.maxX]).toEqual([-15, 315].map((v) => expect.closeTo(v, 6)));
    expect(thrown({ blur: 6, hardness: 100 })[0].effects).toBeUndefined();
  });

  test("falls away from the lamp, farther and harder as that is set, however the words are turned, and only while it is lit by it", () => {
    const style = styleOf([coat("A", flat("face"), [], { shadow: { blur: 0, distance: 10 } })]);
    const at = (lamp: Partial<Lamp>, turn = 0) => {
      const piece = { ...board(word("Tea", { size: 100, turn })), lamp: { ...daylight, ...lamp } };
      const [item] = compile(piece, new Map([[style.id, style]]), engine).scene.items;
      const [shadow, body] = item.layers;
      const [s, b] = [shadow, body].map((l) => apply(item.matrix, { x: l.paths[0].x, y: l.paths[0].y }));
      return { x: s.x - b.x, y: s.y - b.y, opacity: shadow.opacity, body };
    };
    // From the upper left at 45 degrees: a tenth of the em to the lower right, whose sides are equal.
    const k = 10 / Math.SQRT2;
    for (const turn of [0, 30, 200])
      expect(at({}, turn)).toMatchObject({ x: expect.closeTo(k, 6), y: expect.closeTo(k, 6), opacity: 0.55 });
    // A shadow's length is the cotangent of the sun's height.
    expect(at({ height: 30 }).x).toBeCloseTo(k * Math.sqrt(3), 6);
    expect(at({ angle: 0 })).toMatchObject({ x: expect.closeTo(-10, 6), y: expect.closeTo(0, 6) });
    expect(at({ strength: 50 }).opacity).toBeCloseTo(0.275, 9);
    expect(at({ strength: 200 }).opacity).toBe(1);
    const plain = styleOf([coat("A", flat("face"))]);
    const bodyOf = (angle: number) =>
      compile({ ...board(word("Tea")), lamp: { ...daylight, angle } }, new Map([[plain.id, plain]]), engine).scene.items[0].layers[0];
    expect(bodyOf(10)).toBe(bodyOf(100));
  });

  test("is sized with the letters, and written as a filter in sRGB over a region that holds it", () => {
    const style = styleOf([coat("A", flat("face"), [], { shadow: { blur: 10, way: { angle: 0, distance: 0 } } })]);
    const { scene } = compile(board(word("Tea", { size: 200 })), new Map([[style.id, style]]), engine);
    const written = (pixels?: { width: number; height: number }) => svgOf(scene, {}, pixels);
    expect(written()).toMatch(
      /<filter id="l1c1e" filterUnits="userSpaceOnUse" primitiveUnits="userSpaceOnUse" color-interpolation-filters="sRGB"/,
    );
    // 10 hundredths of the em are 100 units, half of that the deviation; the transform sizes it.
    expect(written()).toContain('<feGaussianBlur stdDeviation="50"/>');
    // A picture of exact pixels: 50 units of 200 px are 10 pixels, where the renderer blurs by more than browsers do.
    expect(written({ width: 800, height: 400 })).toContain('<feGaussianBlur stdDeviation="48"/>');
    // Under three quarters of a pixel nothing is blurred.
    expect(written({ width: 40, height: 20 })).not.toContain("feGaussianBlur");
  });
});

describe("a blur", () => {
  test("softens all of the coat, by half its radius, and reaches three deviations farther", () => {
    const [{ effects, bounds }] = layersOf(coat("A", flat("face"), [], { blur: 4 }));
    expect(effects).toEqual([{ kind: "blur", deviation: 20 }]);
    expect(bounds).toEqual({ minX: -60, maxX: 360, minY: -60, maxY: 160 });
    expect(layersOf(coat("A", flat("face")))[0].effects).toBeUndefined();
    // Its shadow is thrown by the form, and blurs by itself.
    const both = layersOf(coat("A", flat("face"), [], { blur: 4, shadow: { blur: 6, way: { angle: 0, distance: 0 } } }));
    expect(both.map((l) => l.effects)).toEqual([[{ kind: "blur", deviation: 30 }], [{ kind: "blur", deviation: 20 }]]);
  });

  test("makes an edge the integral of the bell curve: 84.1 % a deviation inside, 15.9 % one outside (tables of the normal distribution)", async () => {
    // The stem of an I of 400 px, whose left edge is far from all else.
    const blurred = (blur: number) => {
      const asked = request();
      asked.file.styles = [
        { ...styleOf([coat("A", flat("face"), [], { blur })]), inks: [{ id: "face", name: "Face", colour: "#000000" }] },
      ];
      asked.file.piece.board.ground = "#ffffff";
      return pngOf(asked).then((png) => PNG.sync.read(Buffer.from(png)));
    };
    const row = (png: PNG) => Array.from({ length: png.width }, (_, x) => 1 - png.data[(250 * png.width + x) * 4] / 255);
    const sharp = row(await blurred(0));
    const edge = sharp.findIndex((v) => v > 0.5) + 0.5 - (sharp[sharp.findIndex((v) => v > 0)] - 0.5);
    // 4 hundredths of 400 px are 16, half of that the deviation. Three boxes, as renderers blur, are within 0.02 of the curve.
    const soft = row(await blurred(4));
    const at = (x: number) => {
      const i = Math.floor(edge + x - 0.5);
      return soft[i] + (soft[i + 1] - soft[i]) * (edge + x - 0.5 - i);
    };
    for (const [deviations, share] of [
      [-2, 0.0228],
      [-1, 0.1587],
      [-0.5, 0.3085],
      [0, 0.5],
      [0.5, 0.6915],
      [1, 0.8413],
      [2, 0.9772],
    ])
      expect(Math.abs(at(8 * deviations) - share)).toBeLessThan(0.025);
  });
});
