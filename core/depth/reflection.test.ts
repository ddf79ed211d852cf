import { beforeAll, describe, expect, test } from "@jest/globals";
import { PDFiumLibrary } from "@hyzyla/pdfium";
import { PNG } from "pngjs";
import { coat, flat, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { engineWith, styleOf } from "../../tests/engine";
import { picture, pngOf, request } from "../../tests/exported";
import { area, rectangle } from "../../tests/paths";
import { Coats } from "../coat/evaluate";
import type { Coat } from "../coat/schema";
import { apply, multiply } from "../curves/matrix";
import { newOutput } from "../output/outputs";
import type { LoadedEngine } from "../piece/engine";
import { layersIn } from "../scene/walk";
import { writeFileHere } from "../../server/render";
import { depthOf, reflectionOf, type Mirror } from "./reflection";

let engine: LoadedEngine;
let pdfium: PDFiumLibrary;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
  pdfium = await PDFiumLibrary.init();
});

const plain: Mirror = {
  ...{ at: { x: 300, y: 200 }, slope: 0, below: true, gap: 0, tall: 1, height: 150, lean: 0, spread: 0 },
  wave: { height: 0, length: 0 },
};
const places = [
  { x: 300, y: 200 },
  { x: 120, y: 80 },
  { x: 480, y: 190 },
];

describe("a reflection", () => {
  test("is an affine involution: done twice it changes nothing, and what lies in the ground line stays (handbook)", () => {
    for (const slope of [0, -12, 30])
      for (const below of [true, false]) {
        const { matrix } = reflectionOf({ ...plain, slope, below });
        expect(multiply(matrix!, matrix!)).toEqual([1, 0, 0, 1, 0, 0].map((v) => expect.closeTo(v, 9)));
        // Areas stay, and are wound the other way.
        expect(matrix![0] * matrix![3] - matrix![1] * matrix![2]).toBeCloseTo(-1, 12);
        const turn = (slope * Math.PI) / 180;
        const on = { x: 300 + 70 * Math.cos(turn), y: 200 + 70 * Math.sin(turn) };
        expect(apply(matrix!, on)).toEqual({ x: expect.closeTo(on.x, 9), y: expect.closeTo(on.y, 9) });
      }
  });

  test("maps as its matrix does, and its derivatives are those of differences", () => {
    const out = new Float64Array(6);
    const near = new Float64Array(6);
    for (const own of [
      { ...plain, gap: 8, tall: 0.6, lean: 20 },
      { ...plain, slope: 10, spread: 0.4, lean: -15 },
      { ...plain, below: false, slope: -5, spread: -0.3, wave: { height: 6, length: 40 } },
    ]) {
      const { matrix, map } = reflectionOf(own);
      for (const p of places) {
        map.warp(p.x, p.y, out);
        if (matrix) expect(apply(matrix, p)).toEqual({ x: expect.closeTo(out[0], 9), y: expect.closeTo(out[1], 9) });
        const e = 1e-4;
        map.warp(p.x + e, p.y, near);
        expect([(near[0] - out[0]) / e, (near[1] - out[1]) / e]).toEqual([expect.closeTo(out[2], 3), expect.closeTo(out[3], 3)]);
        map.warp(p.x, p.y + e, near);
        expect([(near[0] - out[0]) / e, (near[1] - out[1]) / e]).toEqual([expect.closeTo(out[4], 3), expect.closeTo(out[5], 3)]);
      }
    }
  });

  test("in perspective keeps lines straight, is as much wider at its end as it is told, and fades where the picture is", () => {
    const own = { ...plain, spread: 0.5 };
    const { map } = reflectionOf(own);
    const out = new Float64Array(6);
    const at = (x: number, y: number) => (map.warp(x, y, out), { x: out[0], y: out[1] });
    const [foot, middle, head] = [200, 140, 50].map((y) => at(400, y));
    const turn = (head.x - foot.x) * (middle.y - foot.y) - (head.y - foot.y) * (middle.x - foot.x);
    expect(turn).toBeCloseTo(0, 6);
    expect((head.x - 300) / (400 - 300)).toBeCloseTo(1.5, 9);
    for (const share of [0, 0.3, 1]) expect(at(300, 200 - 150 * share).y - 200).toBeCloseTo(depthOf(own, share), 9);
  });
});

describe("the mirror", () => {
  // Two letters of 100 on the line at 120, the second with a tail of 30.
  const letters = {
    parts: [
      { path: rectangle(0, 0, 100, 100), x: 0, y: 20, line: 0 },
      { path: rectangle(0, 0, 100, 100), x: 150, y: 20, line: 0 },
      { path: rectangle(0, 0, 100, 130), x: 300, y: 20, line: 0 },
    ],
  };
  const word: readonly Coat[] = [
    coat("Back", flat("edge"), [step("letters"), step("grow", { amount: 1 })].slice(1)),
    coat("Face", flat("face")),
  ];
  const layerOf = (values: Record<string, unknown>, form = [step("mirror", values)]) => {
    const own = coat("Mirror", flat("face"), form);
    const [layer] = new Coats([own, ...word], coatsContext(engine.kernel, letters)).build(own).layers;
    return layer;
  };

  test("shows all that the word wears, and nothing of what lies in the ground", () => {
    const layer = layerOf({});
    expect(layer.layers!.map((l) => l.label)).toEqual(["Back", "Face"]);
    const [, face] = layer.layers!;
    // All three of 100 by 100, between the ground and 100 below it.
    expect(face.paths.map((p) => Math.round(area(p.path)))).toEqual([10_000, 10_000, 10_000]);
    expect(face.bounds).toEqual({ minX: 0, maxX: 400, minY: expect.closeTo(120, 9), maxY: expect.closeTo(220, 9) });
    expect(layer.fade!.stops.map((s) => s.opacity)[0]).toBeCloseTo(0.55, 9);
    expect(layer.fade!.stops.at(-1)!.opacity).toBe(0);
  });

  test("stands off by its gap, and above the letters hangs from their heads", () => {
    expect(layerOf({ gap: 2 }).layers![1].bounds.minY).toBeCloseTo(140, 9);
    const above = layerOf({ side: "above", height: 50 }).layers![1].bounds;
    expect([above.minY, above.maxY]).toEqual([expect.closeTo(20 - 65, 9), expect.closeTo(20, 9)]);
  });

  test("blurs more with distance, each picture seen before the sharper one goes", () => {
    const layers = layerOf({ blur: 2 }).layers!;
    expect(layers.map((l) => l.effects![0].deviation)).toEqual([20, 10, expect.closeTo(2.4, 9)]);
    for (let share = 0; share <= 1; share += 0.05) {
      const seen = layers.map((l) => {
        const { stops } = l.fade!;
        const i = Math.max(
          1,
          stops.findIndex((s) => s.offset >= share - 1e-9),
        );
        const [a, b] = [stops[i - 1], stops[i]];
        return a.opacity + ((b.opacity - a.opacity) * (share - a.offset)) / (b.offset - a.offset);
      });
      // One at least is whole, within what two stops of a ramp leave.
      expect(Math.max(...seen)).toBeGreaterThan(0.9);
    }
  });

  test("turns the light on edges over with the letters, in perspective and on water as on a plain mirror", () => {
    const riseIn = (values: Record<string, unknown>) => {
      const own = coat("Mirror", flat("face"), [step("mirror", { strength: 55, height: 100, ...values })]);
      const worn = word.map((c) => ({ ...c, finish: { ...c.finish, relief: { ...c.finish.relief, on: true } } }));
      const [layer] = new Coats([own, ...worn], coatsContext(engine.kernel, letters)).build(own).layers;
      const { over = [] } = layer.layers!.at(-1)!;
      return over.flatMap((o) => (o.kind === "slope" ? [o.rise] : []));
    };
    const flatOnes = riseIn({});
    expect(flatOnes.length).toBeGreaterThan(0);
    // Seen a little in perspective, and on low water, they rise as much within a fifth.
    for (const values of [{ spread: 5 }, { wave: 0.2, length: 30 }])
      riseIn(values).forEach(({ x, y }, i) =>
        expect(Math.hypot(x - flatOnes[i].x, y - flatOnes[i].y)).toBeLessThan(0.2 * Math.hypot(flatOnes[i].x, flatOnes[i].y)),
      );
  });

  test("of a coat that is more than the letters is of that coat alone, and follows what is changed in others else", () => {
    const own = layerOf({}, [step("grow", { amount: 3 }), step("mirror")]);
    expect(own.layers!.map((l) => l.label)).toEqual(["Mirror"]);
    const build = (coats: readonly Coat[]) => new Coats(coats, coatsContext(engine.kernel, letters)).build(coats[0]).layers[0];
    const mirror = coat("Mirror", flat("face"), [step("mirror")]);
    const [one, same, other] = [build([mirror, ...word]), build([mirror, ...word]), build([mirror, word[1]])];
    expect(layersIn(one).length).toBe(layersIn(same).length);
    expect(other.layers!.map((l) => l.label)).toEqual(["Face"]);
  });

  test("mixes as one picture: what lies below in it is not seen through what lies above, in PNG and PDF alike", async () => {
    const white = {
      ...styleOf([
        coat("Mirror", flat("face"), [step("mirror", { strength: 50, reach: 400, curve: "even" })]),
        coat("Red", flat("edge"), [step("grow", { amount: 2 })]),
        coat("Blue", flat("face")),
      ]),
    };
    const style = {
      ...white,
      inks: [
        { id: "face", name: "Face", colour: "#0000ff" },
        { id: "edge", name: "Edge", colour: "#ff0000" },
      ],
    };
    const { file } = request();
    const asked = request({
      file: { ...file, piece: { ...file.piece, board: { ...file.piece.board, ground: "#ffffff", height: 800 } }, styles: [style] },
    });
    const png = PNG.sync.read(Buffer.from(await pngOf({ ...asked, output: picture({ kind: "width", width: 800 }) })));
    const pdf = await writeFileHere({ ...asked, output: newOutput("pdf", {}) }, {});
    const document = await pdfium.loadDocument(Buffer.from(pdf as Uint8Array));
    const drawn = await document.getPage(0).render({ width: 800, height: 800, render: "bitmap" });
    document.destroy();
    let blue = 0;
    for (let y = 360; y < 420; y += 5)
      for (let x = 300; x < 500; x += 5) {
        const o = 4 * (y * 800 + x);
        const [r, g, b] = [png.data[o], png.data[o + 1], png.data[o + 2]];
        expect(Math.max(...[drawn.data[o] - r, drawn.data[o + 1] - g, drawn.data[o + 2] - b].map(Math.abs))).toBeLessThan(
          6 + 250 * Number(edgy(png, x, y)),
        );
        if (b > 250 && r < 200) {
          blue++;
          // Blue over white alone: red and green are let through alike.
          expect(Math.abs(r - g)).toBeLessThan(3);
        }
      }
    expect(blue).toBeGreaterThan(20);
  });
});

/** Whether a pixel lies by an edge, where two programs smooth in two ways. */
function edgy({ data, width }: PNG, x: number, y: number): boolean {
  const at = (dx: number, dy: number) => data.subarray(4 * ((y + dy) * width + x + dx), 4 * ((y + dy) * width + x + dx) + 3);
  const here = at(0, 0);
  return [at(2, 0), at(-2, 0), at(0, 2), at(0, -2)].some((p) => p.some((v, i) => Math.abs(v - here[i]) > 8));
}
