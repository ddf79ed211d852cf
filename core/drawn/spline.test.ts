import { expect, test } from "@jest/globals";
import { Spline } from "./spline";
import { wander, wanderWithSlope } from "./wander";

test("a cubic is its own spline, between knots as at them", () => {
  const f = (x: number) => 2 - x + 0.5 * x ** 2 - 0.1 * x ** 3;
  const slope = (x: number) => -1 + x - 0.3 * x ** 2;
  const xs = [-2, 0, 0.5, 4];
  const spline = new Spline(xs, xs.map(f), xs.map(slope));
  for (const x of [-2, -1.3, 0, 0.2, 0.5, 3.1, 4]) {
    expect(spline.at(x)).toBeCloseTo(f(x), 12);
    expect(spline.slopeAt(x)).toBeCloseTo(slope(x), 12);
  }
  // Beyond its ends it keeps their height.
  expect([spline.at(-5), spline.at(9)]).toEqual([f(-2), f(4)].map((y) => expect.closeTo(y, 12)));
});

test("the slope of a wandering hand is that of its way", () => {
  // Against the difference over a ten-thousandth to both sides, whose error goes with its square.
  for (let i = 0; i < 40; i++) {
    const u = 0.37 * i - 3;
    const [value, slope] = wanderWithSlope(u, i, 5);
    expect(value).toBe(wander(u, i, 5));
    expect(slope).toBeCloseTo((wander(u + 1e-4, i, 5) - wander(u - 1e-4, i, 5)) / 2e-4, 5);
  }
});
