import { expect, test } from "@jest/globals";
import { area, circle, rectangle } from "../../tests/paths";
import { CurveKernel } from "../curves/kernel";
import { cutOrPainted, paintedLines } from "./cut-or-painted";

const kernel = new CurveKernel();

test("sides are cut where that is little work, and painted where it is too much", () => {
  const cut = () => kernel.intersect([circle(0, 0, 100), circle(50, 0, 100)]);
  const painted = () => rectangle(0, 0, 1, 1);
  expect(area(cutOrPainted(kernel, cut, painted))).toBeGreaterThan(1000);
  expect(area(cutOrPainted(kernel, cut, painted, 10))).toBe(1);
  // What comes after has work of its own.
  expect(area(kernel.intersect([circle(0, 0, 100), circle(60, 0, 100)]))).toBeGreaterThan(1000);
});

test("what cannot be cut for another reason says so", () => {
  const fails = () => {
    throw new RangeError("Not at all.");
  };
  expect(() => cutOrPainted(kernel, fails, () => rectangle(0, 0, 1, 1))).toThrow("Not at all.");
});

test("lines along a painted side are as wide as they are said to be", () => {
  // Of a square of 100: what lies within 2 units of its edge, with corners cut off.
  const lines = kernel.weld(paintedLines(rectangle(0, 0, 100, 100), 4));
  expect(Math.abs(area(lines) - (104 ** 2 - 96 ** 2))).toBeLessThan(4 * 4 * 4);
});
