import { beforeAll, describe, expect, test } from "@jest/globals";
import { coatsContext } from "../../tests/coats";
import { board as wholeBoard, engineWith, styleOf, word } from "../../tests/engine";
import { area, rectangle } from "../../tests/paths";
import { coat, flat, grow, step } from "../../demo/build";
import { parseSvgPath } from "../curves/parse-svg-path";
import { identity } from "../curves/matrix";
import { daylight, lampSeen } from "../piece/lamp";
import { compile } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import { Coats, type CoatsContext } from "./evaluate";
import { needsOf } from "./needs";
import { boundsOf, boundsOfPart, type Shape } from "./shape";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const two: Shape = {
  parts: [
    { path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0 },
    { path: rectangle(0, 0, 100, 100), x: 200, y: 0, line: 0 },
  ],
};
const formOf = (shape: Shape, kind: string, values: object, more: Partial<CoatsContext> = {}) => {
  const c = coat("A", flat("face"), [step(kind, { ...values })]);
  return new Coats([c], coatsContext(engine.kernel, shape, more)).form("a")!;
};
const total = ({ parts }: Shape) => parts.reduce((sum, p) => sum + Math.abs(area(p.path)), 0);
const boxes = ({ parts }: Shape) => parts.map((p) => Object.values(boundsOfPart(p)).map((v) => Math.round(1e6 * v) / 1e6 + 0));

describe("scale", () => {
  test("sizes all of it about its middle, or each letter about its own", () => {
    expect(boxes(formOf(two, "scale", { width: 200, height: 50 }))).toEqual([
      [-150, 25, 50, 75],
      [250, 25, 450, 75],
    ]);
    expect(boxes(formOf(two, "scale", { width: 200, height: 50, each: true }))).toEqual([
      [-50, 25, 150, 75],
      [150, 25, 350, 75],
    ]);
  });

  test("leaves the side where it is that it is told to", () => {
    expect(boundsOf(formOf(two, "scale", { width: 50, across: "left", height: 300, down: "foot" }).parts)).toEqual({
      minX: 0,
      maxX: 150,
      minY: -200,
      maxY: 100,
    });
    expect(boundsOf(formOf(two, "scale", { width: 50, across: "right", height: 300, down: "top" }).parts)).toEqual({
      minX: 150,
      maxX: 300,
      minY: 0,
      maxY: 300,
    });
  });

  test("turns and slants without a change of area; a slant is a shear by its tangent, to the right", () => {
    expect(total(formOf(two, "scale", { turn: 33, slant: -20 }))).toBeCloseTo(20_000, 6);
    const [letter] = formOf({ parts: [two.parts[0]] }, "scale", { slant: 45, down: "foot" }).parts;
    // The upper left corner, 100 over the foot, goes 100 to the right.
    expect(boundsOfPart(letter)).toEqual({ minX: expect.closeTo(0, 9), maxX: expect.closeTo(200, 9), minY: 0, maxY: 100 });
    expect(letter.path.coords[0] + letter.x).toBeCloseTo(100, 9);
  });

  test("mirrors where it is below nothing, and what comes after takes that as it is", () => {
    const flag: Shape = { parts: [{ path: parseSvgPath("M0 0H100L0 100Z"), x: 0, y: 0, line: 0 }] };
    const turned = formOf(flag, "scale", { width: -100 });
    expect(boundsOf(turned.parts)).toEqual({ minX: 0, maxX: 100, minY: 0, maxY: 100 });
    const c = coat("A", flat("face"), [step("scale", { width: -100 }), grow(1)]);
    const grown = new Coats([c], coatsContext(engine.kernel, flag)).form("a")!;
    const straight = coat("A", flat("face"), [grow(1)]);
    expect(total(grown)).toBeCloseTo(total(new Coats([straight], coatsContext(engine.kernel, flag)).form("a")!), 1);
    expect(formOf(two, "scale", { height: 0 }).parts).toEqual([]);
  });
});

describe("a rim", () => {
  const square: Shape = { parts: [two.parts[0]] };
  const own = (angle: number, distance: number) => ({ side: "own", way: { angle, distance } });

  test("is the form less itself moved away from what lights it", () => {
    // Values are hundredths of the measure, here ten units.
    const left = formOf(square, "rim", own(180, 1));
    expect(boxes(left)).toEqual([[0, 0, 10, 100]]);
    expect(total(left)).toBeCloseTo(1000, 6);
    // From the upper left: two edges, ten over the root of two wide.
    const k = 100 - 10 / Math.SQRT2;
    expect(total(formOf(square, "rim", own(225, 1)))).toBeCloseTo(10_000 - k * k, 3);
    expect(formOf(square, "rim", own(0, 0)).parts).toEqual([]);
  });

  test("of a disc is a lune (area: the disc less the lens of two circles, handbook formula)", () => {
    const r = 50;
    const a = (4 / 3) * (Math.SQRT2 - 1) * r;
    const disc = parseSvgPath(`M${r} 0C${r} ${a} ${a} ${r} 0 ${r}S${-r} ${a} ${-r} 0S${-a} ${-r} 0 ${-r}S${r} ${-a} ${r} 0Z`);
    const d = 20;
    const lens = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);
    const lune = formOf({ parts: [{ path: disc, x: 0, y: 0, line: 0 }] }, "rim", own(70, 2));
    // A circle of four cubics is off by 2.7e-4 of its radius at most.
    expect(Math.abs(total(lune) - (Math.PI * r * r - lens))).toBeLessThan(2 * Math.PI * r * 0.0003 * r);
  });

  test("of one width lies along all of the edge that faces its side", () => {
    expect(boxes(formOf(square, "rim", { ...own(180, 1), runs: "even" }))).toEqual([[0, 0, 10, 100]]);
    // Two edges of 100, ten wide, that share a corner.
    expect(total(formOf(square, "rim", { ...own(225, 1), runs: "even" }))).toBeCloseTo(1900, 3);
    // Half a ring: that of a disc of 50 between radii of 40 and 50. A circle of four cubics is off by 2.7e-4 of its radius.
    const a = (4 / 3) * (Math.SQRT2 - 1) * 50;
    const disc = parseSvgPath(`M50 0C50 ${a} ${a} 50 0 50S-50 ${a} -50 0S${-a} -50 0 -50S50 ${-a} 50 0Z`);
    const half = formOf({ parts: [{ path: disc, x: 0, y: 0, line: 0 }] }, "rim", { ...own(70, 1), runs: "even" });
    expect(Math.abs(total(half) / ((Math.PI * (2500 - 1600)) / 2) - 1)).toBeLessThan(1e-3);
    // A counter is lit on its far side: the frame of 100 around a hole of 60 has 10 of each.
    const frame = parseSvgPath("M0 0H100V100H0Z M20 20V80H80V20Z");
    const lit = formOf({ parts: [{ path: frame, x: 0, y: 0, line: 0 }] }, "rim", { ...own(180, 1), runs: "even" });
    expect(total(lit)).toBeCloseTo(1000 + 600, 3);
  });

  test("follows the lamp, on the lit side or in the shade, and asks for it only then", () => {
    const lamp = (angle: number) => ({ lamp: lampSeen({ ...daylight, angle }, identity) });
    const at = (side: string, angle: number) => boxes(formOf(square, "rim", { side, width: 1 }, lamp(angle)))[0];
    expect(at("lit", 180)).toEqual([0, 0, 10, 100]);
    expect(at("shade", 180)).toEqual([90, 0, 100, 100]);
    expect(at("lit", 270)).toEqual([0, 0, 100, 10]);
    expect(needsOf(coat("A", flat("face"), [step("rim", {})])).has("lamp")).toBe(true);
    expect(needsOf(coat("A", flat("face"), [step("rim", own(0, 1))])).has("lamp")).toBe(false);
  });
});

describe("a coat that starts from the board", () => {
  test("covers all of it, wherever its item lies and however that is turned and sized", () => {
    const style = styleOf([coat("Wash", flat("face"), []), coat("Face", flat("edge"))]);
    style.coats[0] = { ...style.coats[0], form: [step("board")] };
    for (const extra of [{}, { x: 20, y: 300, turn: 33, size: 70 }]) {
      const piece = wholeBoard(word("Tea", extra));
      const { items } = compile(piece, new Map([[style.id, style]]), engine).scene;
      const [item] = items;
      const corners = item.layers[0].paths[0].path.transform(item.matrix).coords;
      [0, 0, 800, 0, 800, 400, 0, 400].forEach((v, i) => expect(corners[i]).toBeCloseTo(v, 6));
    }
    expect(needsOf(style.coats[0]).has("board")).toBe(true);
  });
});
