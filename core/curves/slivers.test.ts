import { expect, test } from "@jest/globals";
import { area, rectangle } from "../../tests/paths";
import { PathBuilder } from "./path";
import { CurveKernel } from "./kernel";
import { withoutSlivers } from "./slivers";

const kernel = new CurveKernel();

test("a piece thinner than half a unit goes, and what is as thick stays", () => {
  const both = new PathBuilder();
  both.add(rectangle(0, 0, 100, 100));
  // Twice 40 over 200.8: 0.398 units wide; and 0.796.
  both.add(rectangle(200, 0, 0.4, 100));
  both.add(rectangle(300, 0, 0.8, 100));
  expect(area(withoutSlivers(kernel.weld(both.build())))).toBeCloseTo(10_000 + 80, 6);
});

test("a thin frame is no sliver, and where there is none it is the same object", () => {
  const frame = kernel.subtract(rectangle(0, 0, 100, 100), [rectangle(0.3, 0.3, 99.4, 99.4)]);
  expect(withoutSlivers(frame)).toBe(frame);
});
