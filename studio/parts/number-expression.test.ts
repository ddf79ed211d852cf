import { describe, expect, test } from "@jest/globals";
import { unitFactors } from "../drawer/units";
import { readExpression } from "./number-expression";

describe("what can be typed into a number field", () => {
  test.each<[string, number | undefined]>([
    ["12", 12],
    ["-3.5", -3.5],
    [".5", 0.5],
    ["1,5", 1.5],
    [" 7 ", 7],
    ["2+3*4", 14],
    ["(2+3)×4", 20],
    ["10/4", 2.5],
    ["12−5", 7],
    ["abc", undefined],
    ["", undefined],
    ["1/0", undefined],
    ["3 elephants", undefined],
    ["alert(1)", undefined],
    ["2**", undefined],
  ])("%p is %p", async (text, value) => expect(await readExpression(text)).toBe(value));

  test.each<[string, number]>([
    // CSS Values 4: 1 in = 96 px = 72 pt = 25.4 mm.
    ["25.4mm", 96],
    ["1 in", 96],
    ['1"', 96],
    ["72pt", 96],
    ["2.54 cm", 96],
    ["1in + 72pt", 192],
    ["3mm*2", (6 / 25.4) * 96],
    ["10px", 10],
  ])("%p in pixels is %p", async (text, px) => expect(await readExpression(text, unitFactors("px"))).toBeCloseTo(px, 9));

  test("a field in millimetres takes inches", async () => expect(await readExpression("2in", unitFactors("mm"))).toBeCloseTo(50.8, 9));
});
