import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { corners, empty, isEmpty, joinAll, mapped, meet } from "./bounds";
import { apply, identity, invert, multiply, rotation, scaling, translation, type Matrix } from "./matrix";

const number = fc.double({ min: -100, max: 100, noNaN: true });
const matrix = fc
  .tuple(number, number, number, number, number, number)
  .filter(([a, b, c, d]) => Math.abs(a * d - b * c) > 1)
  .map((m) => m as unknown as Matrix);

describe("affine maps", () => {
  test("are written in SVG's order: matrix(a b c d e f) maps (1, 0) to (a + e, b + f)", () => {
    // SVG 2, section 8.5, "The transform property".
    expect(apply([2, 3, 5, 7, 11, 13], { x: 1, y: 0 })).toEqual({ x: 13, y: 16 });
    expect(apply([2, 3, 5, 7, 11, 13], { x: 0, y: 1 })).toEqual({ x: 16, y: 20 });
  });

  test("turn clockwise on a screen whose y runs down", () => {
    const p = apply(rotation(90), { x: 1, y: 0 });
    expect(p.x).toBeCloseTo(0, 12);
    expect(p.y).toBeCloseTo(1, 12);
  });

  test("compose inner first", () => {
    const m = multiply(translation(10, 0), scaling(2, 3));
    expect(apply(m, { x: 1, y: 1 })).toEqual({ x: 12, y: 3 });
  });

  test("undo themselves", () => {
    fc.assert(
      fc.property(matrix, number, number, (m, x, y) => {
        const back = apply(multiply(invert(m), m), { x, y });
        // The determinant is over 1 and entries under 100, so errors stay far below 1e-6.
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      }),
    );
  });

  test("say so where they cannot be undone", () => {
    expect(() => invert([1, 2, 2, 4, 0, 0])).toThrow(RangeError);
    expect(() => invert(scaling(0))).toThrow(RangeError);
  });
});

describe("boxes", () => {
  const box = { minX: 0, minY: 0, maxX: 4, maxY: 2 };

  test("an empty one joins to nothing", () => {
    expect(isEmpty(empty)).toBe(true);
    expect(joinAll([])).toEqual(empty);
    expect(joinAll([empty, box])).toEqual(box);
    expect(mapped(rotation(30), empty)).toEqual(empty);
  });

  test("meet where they touch", () => {
    expect(meet(box, { minX: 4, minY: 2, maxX: 5, maxY: 3 })).toBe(true);
    expect(meet(box, { minX: 4.001, minY: 0, maxX: 5, maxY: 3 })).toBe(false);
    expect(meet(box, empty)).toBe(false);
  });

  test("turned by a quarter they swap their sides", () => {
    const turned = mapped(rotation(90), box);
    expect(turned.maxX - turned.minX).toBeCloseTo(2, 12);
    expect(turned.maxY - turned.minY).toBeCloseTo(4, 12);
    expect(corners(box)).toHaveLength(4);
    expect(mapped(identity, box)).toEqual(box);
  });
});
