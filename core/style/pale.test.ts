import { describe, expect, test } from "@jest/globals";
import { isPale } from "./pale";

const inks = (...colours: string[]) => colours.map((colour, i) => ({ id: `i${i}`, name: `Ink ${i}`, colour }));

describe("a style that hardly shows on the middle grey", () => {
  // Contrast ratios by WCAG 2 against #b5b4b0, whose luminance is 0.456: white 1.05 / 0.506 = 2.08, black 0.506 / 0.05 = 10.1.
  test.each([
    ["chalk", ["#f3efe2", "#9fb0a6"], true],
    ["white", ["#ffffff"], true],
    ["chalk with a shade", ["#f3efe2", "#3b342c"], false],
    ["black", ["#000000"], false],
    ["no ink at all", [], false],
  ])("%s", (_, colours, pale) => {
    expect(isPale(inks(...colours))).toBe(pale);
  });
});
