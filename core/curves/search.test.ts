import { expect, test } from "@jest/globals";
import { lowestOf, rootOf } from "./search";

test("a root is found between places of two signs, whichever way a function falls", () => {
  // cos x = x at 0.739085 (Dottie's number, OEIS A003957), and x^3 = 2 at its cube root, from both sides.
  const f = (x: number) => Math.cos(x) - x;
  expect(rootOf(f, 0, 1, f(0), f(1), 1e-9)).toBeCloseTo(0.7390851332, 8);
  const g = (x: number) => x ** 3 - 2;
  expect(rootOf(g, 0, 2, g(0), g(2), 1e-9)).toBeCloseTo(Math.cbrt(2), 8);
  expect(rootOf(g, 2, 0, g(2), g(0), 1e-9)).toBeCloseTo(Math.cbrt(2), 8);
});

test("the lowest place of a function that falls and rises, at an end too", () => {
  const [at, least] = lowestOf((x) => (x - 0.3) ** 2 - 1, -1, 2, 1e-7);
  expect([at, least]).toEqual([expect.closeTo(0.3, 5), expect.closeTo(-1, 9)]);
  expect(lowestOf((x) => x, 1, 4, 1e-7)[0]).toBeCloseTo(1, 5);
});
