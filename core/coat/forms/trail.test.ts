import { describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, inks, step, style } from "../../../demo/build";
import { coatsContext } from "../../../tests/coats";
import { area, rectangle } from "../../../tests/paths";
import { differenceEuclidean, formatHex, interpolate } from "culori";
import { CurveKernel } from "../../curves/kernel";
import { weakBorders } from "../../style/harmony";
import { copiesOf } from "../copies-of";
import { Coats } from "../evaluate";
import { coloursOfCopies } from "../paints/copies";
import { boundsOfPart } from "../shape";
import { eased } from "./trail";

const kernel = new CurveKernel();
// A square of 100 about 100, 100; ten units to a length.
const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 50, y: 50, line: 0 }] };
const formOf = (values: Record<string, unknown>) =>
  new Coats([coat("T", flat("face"), [step("trail", values)])], coatsContext(kernel, square)).form("t")!.parts;
const middleOf = (part: Parameters<typeof boundsOfPart>[0]) => {
  const b = boundsOfPart(part);
  return { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2, width: b.maxX - b.minX };
};

describe("a trail to a point", () => {
  test("moves every place straight to it, and by as much as it becomes smaller: a homothety (handbook)", () => {
    // The point lies at 100, 350; a last copy of 40 % stands 60 % of the way there.
    const parts = formOf({ to: "point", point: { x: 0.5, y: 3 }, size: 40, copies: 5 });
    for (const part of parts) {
      const k = 1 - 0.6 * part.along!;
      const b = boundsOfPart(part);
      for (const [got, want] of [
        [b.minX, 100 - 50 * k],
        [b.minY, 350 - 300 * k],
        [b.maxY, 350 - 200 * k],
      ])
        expect(got).toBeCloseTo(want, 9);
    }
  });
});

describe("a trail along a curve", () => {
  const line = (x: number, y: number) => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });

  test("steps evenly along a drawn line, from where the letters stand", () => {
    // An L in thousandths of the box: 200 to the right and 100 down, of 100 units.
    const curve = [{ closed: false, nodes: [line(0, 0), line(2000, 0), line(2000, 1000)] }];
    const parts = formOf({ to: "curve", curve, copies: 4 });
    expect(parts.map(middleOf).map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
      [300, 200],
      [300, 100],
      [200, 100],
      [100, 100],
    ]);
    // Turned as the line is: the last ones stand on their side, which a square shows by its matrix.
    const [last] = formOf({ to: "curve", curve, copies: 4, follow: true });
    expect(last.matrix!.slice(0, 4)).toEqual([0, 1, -1, 0].map((v) => expect.closeTo(v, 9)));
  });
});

describe("a trail", () => {
  test("has steps that are closer by the letters or by the last copy, its ends where they are", () => {
    for (const spacing of [-100, -40, 0, 40, 100]) expect([eased(0, spacing), eased(1, spacing)]).toEqual([0, 1]);
    expect(eased(0.5, 0)).toBe(0.5);
    expect(eased(0.1, 100)).toBeLessThan(0.01);
    expect(eased(0.9, -100)).toBeGreaterThan(0.99);
    const xs = formOf({ copies: 5, way: { angle: 0, distance: 10 }, spacing: 50 }).map((p) => middleOf(p).x - 100);
    expect(xs).toEqual([1, 0.75, 0.5, 0.25, 0].map((t) => expect.closeTo(100 * t ** 2, 9)));
  });

  test("leans and turns to its last copy", () => {
    const [last] = formOf({ copies: 2, way: { angle: 0, distance: 0 }, slant: 45 });
    expect(middleOf(last).width).toBeCloseTo(200, 9);
  });

  test("draws a line round each copy, of the same one outline, in a pass of its own", () => {
    const parts = formOf({ copies: 3, line: 1 });
    expect(parts.map((p) => p.pass)).toEqual([undefined, "outline", undefined, "outline", undefined, "outline"]);
    const rings = parts.filter((p) => p.pass === "outline");
    expect(new Set(rings.map((p) => p.path)).size).toBe(1);
    // Ten wide, half of it inside; its corners outside are quarter discs of a radius of 5.
    expect(Math.abs(area(rings[0].path) - (100 * 10 * 4 - 4 * 25 + Math.PI * 25 - 0))).toBeLessThan(1);
  });

  test("of 500 copies of 2000 letters is one outline a copy", () => {
    const many = { parts: Array.from({ length: 2000 }, (_, i) => ({ ...square.parts[0], x: 120 * i })) };
    const own = coat("T", flat("face"), [step("trail", { copies: 500 })]);
    expect(new Coats([own], coatsContext(kernel, many)).form("t")!.parts).toHaveLength(500);
  });
});

describe("the colours of its copies", () => {
  const stops = [
    { at: 0, ink: "#ff0000", opacity: 100 },
    { at: 40, ink: "#ffff00", opacity: 100 },
    { at: 100, ink: "#0000ff", opacity: 100 },
  ];

  test("are those that culori mixes in OKLab", () => {
    const want = interpolate(["#ff0000", ["#ffff00", 0.4], "#0000ff"], "oklab");
    const far = differenceEuclidean("rgb");
    coloursOfCopies(11, stops, "oklab", (id) => id).forEach((c, i) => expect(far(c, formatHex(want(i / 10))!)).toBeLessThan(0.004));
  });

  test("are those that are painted", () => {
    const own = coat(
      "T",
      gradient(
        [
          [0, "a"],
          [100, "b"],
        ],
        { shape: "copies", mix: "oklab" },
      ),
      [step("trail", { copies: 7 })],
    );
    const [layer] = new Coats(
      [own],
      coatsContext(kernel, square, { inks: { key: "", colour: (id) => (id === "a" ? "#ff0000" : "#0000ff"), name: (id) => id } }),
    ).build(own).layers;
    const painted = layer.paths.map((p) => layer.fills[p.fill]).map((f) => (f.kind === "flat" ? f.colour : ""));
    const told = coloursOfCopies(
      copiesOf(own)!,
      [
        { at: 0, ink: "#ff0000", opacity: 100 },
        { at: 100, ink: "#0000ff", opacity: 100 },
      ],
      "oklab",
      (id) => id,
    );
    expect(painted.toReversed()).toEqual(told);
  });

  test("say where a face apart is lost before them: under 1.5 to 1 (WCAG 2)", () => {
    const faced = (face: string) =>
      weakBorders(
        style("S", "archivo-black", "em", { near: "#777777", far: "#111111", face }, [
          coat(
            "T",
            gradient(
              [
                [0, "near"],
                [100, "far"],
              ],
              { shape: "copies" },
            ),
            [step("trail", { face: true })],
            { passes: { face: flat("face") } },
          ),
        ]),
      );
    expect(inks({ a: "#000000" })).toHaveLength(1);
    expect(faced("#888888")).toEqual([{ front: "T, face", behind: "T, first copy", ratio: expect.closeTo(1.27, 1) }]);
    expect(faced("#ffffff")).toEqual([]);
  });
});
