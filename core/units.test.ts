import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { mixOklab, tinted, tintOf, toHex } from "./colour";
import { memoByIdentity, memoByKey } from "./memo";
import { fromPx, pixelsAt, toPx, units } from "./units";

describe("units (CSS Values and Units 4, section 6.2)", () => {
  test("1 in = 96 px = 72 pt = 25.4 mm", () => {
    expect(toPx(1, "in")).toBe(96);
    expect(toPx(72, "pt")).toBe(96);
    expect(toPx(25.4, "mm")).toBeCloseTo(96, 12);
    expect(fromPx(96, "pt")).toBe(72);
  });

  test("there and back is where one was", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 1e4, noNaN: true }), fc.constantFrom(...units), (v, unit) =>
        expect(fromPx(toPx(v, unit), unit) / v).toBeCloseTo(1, 12),
      ),
    );
  });

  test("12 in at 300 dpi are 3600 pixels; 210 mm are 2480", () => {
    expect(pixelsAt(toPx(12, "in"), 300)).toBe(3600);
    // The well-known A4 width at 300 dpi (common practice).
    expect(pixelsAt(toPx(210, "mm"), 300)).toBe(2480);
    expect(pixelsAt(0.001, 72)).toBe(1);
  });
});

describe("colours", () => {
  test("are read as CSS writes them", () => {
    expect(toHex("rebeccapurple")).toBe("#663399");
    expect(toHex(" rgb(255 0 0) ")).toBe("#ff0000");
    expect(toHex("#abc")).toBe("#aabbcc");
    expect(toHex("reddish")).toBeUndefined();
  });

  test("mix in OKLab: the middle of white and black is #636363, not #808080", () => {
    // OKLab lightness 0.5 is linear light 0.125 (B. Ottosson, 2020): sRGB 0.3885, 99 of 255.
    expect(mixOklab("#ffffff", "#000000", 0.5)).toBe("#636363");
    expect(mixOklab("#123456", "#fedcba", 0)).toBe("#123456");
  });

  test("are multiplied by the light on them (W3C Compositing 1), which is white in common daylight", () => {
    expect(tintOf("#fff6e5")).toBeUndefined();
    // What daylight has less of is no tint of a lamp that has as little.
    expect(tintOf("#807b73")).toBeUndefined();
    const blue = tintOf("#80a0ff")!;
    expect(blue.slice(5)).toBe("ff");
    // 0.5 x 0.5 of 1 is 0.25: 64 of 255; half of it under half the light.
    expect(tinted("#808080", "#80ffff", 1)).toBe("#408080");
    expect(tinted("#808080", "#80ffff", 0)).toBe("#808080");
    expect(tinted("#808080", "#00ffff", 0.5)).toBe("#408080");
  });
});

describe("memory", () => {
  test("keeps the newest results of each object and computes none twice", () => {
    const memo = memoByIdentity<object, number>(2);
    const key = {};
    let made = 0;
    const ask = (k: string) => memo(key, k, () => ++made);
    ask("a");
    ask("b");
    ask("a");
    expect(made).toBe(2);
    ask("c");
    ask("a");
    expect(made).toBe(3);
    ask("b");
    expect(made).toBe(4);
  });

  test("by key keeps what was used last", () => {
    const memo = memoByKey<number>(1);
    expect(memo("a", () => 1)).toBe(1);
    expect(memo("a", () => 2)).toBe(1);
    memo("b", () => 3);
    expect(memo("a", () => 4)).toBe(4);
  });
});
