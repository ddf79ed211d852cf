import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { polygonPath, rectangle } from "../../tests/paths";
import { together } from "../../tests/kernel/random";
import { involved } from "./apart";
import { contoursOf } from "./contour";
import { CurveKernel } from "./kernel";
import { windingAbout } from "./measure";
import { Path } from "./path";

/** Rectangles in one another, each turned the other way round: an outer, its counter, an island, ... */
const nest = (x: number, y: number, depth: number, size = 100, step = 15): Path =>
  together(
    ...Array.from({ length: depth }, (_, i) => {
      const [a, b, c, d] = [x + i * step, y + i * step, x + size - i * step, y + size - i * step];
      return i % 2 === 0
        ? polygonPath([
            [a, b],
            [c, b],
            [c, d],
            [a, d],
          ])
        : polygonPath([
            [a, b],
            [a, d],
            [c, d],
            [c, b],
          ]);
    }),
  );
/** An L that wraps round a square from 0, 0 to 100, 100 without touching it. */
const wrap = 40 * 140 + 100 * 40;
const ell = polygonPath([
  [110, 10],
  [150, 10],
  [150, 150],
  [10, 150],
  [10, 110],
  [110, 110],
]);

describe("a union of shapes that wrap round each other without touching", () => {
  test.each([
    [2, 100 * 100 - 70 * 70],
    [3, 100 * 100 - 70 * 70 + 40 * 40],
    [4, 100 * 100 - 70 * 70 + 40 * 40 - 10 * 10],
  ])("keeps the counters and islands of %i nested contours", (depth, own) => {
    // 40 x 140 upright and 100 x 40 across: what is covered is counted by hand.
    const whole = own + wrap;
    for (const shapes of [
      [nest(0, 0, depth), ell],
      [ell, nest(0, 0, depth)],
    ]) {
      const kernel = new CurveKernel();
      const union = kernel.union(shapes);
      expect(kernel.area(union)).toBe(whole);
      expect(contoursOf(union, true)).toHaveLength(depth + 1);
    }
  });

  test("keeps a counter that touches its outer", () => {
    const kernel = new CurveKernel();
    const ring = kernel.subtract(rectangle(0, 0, 100, 100), [
      polygonPath([
        [0, 50],
        [30, 80],
        [60, 50],
        [30, 20],
      ]),
    ]);
    const wrapping = polygonPath([
      [110, -5],
      [150, -5],
      [150, 150],
      [-5, 150],
      [-5, 110],
      [110, 110],
    ]);
    expect(kernel.area(kernel.union([ring, wrapping]))).toBeCloseTo(10_000 - 1800 + 40 * 155 + 115 * 40, 9);
  });
});

describe("what a union leaves out of its arrangement", () => {
  /** Shapes of nested rectangles and frames, apart from each other or not. */
  const shape = fc
    .record({
      x: fc.integer({ min: 0, max: 12 }),
      y: fc.integer({ min: 0, max: 12 }),
      depth: fc.integer({ min: 2, max: 4 }),
      size: fc.integer({ min: 8, max: 30 }),
    })
    .map(({ x, y, depth, size }) => nest(x * 5, y * 5, depth, size * 5, size / 2));
  /**
   * A nest, and an L that wraps round it at some distance, turned any way; as likely as not its box holds the counter and not the outer.
   */
  const wrapped = fc
    .record({
      depth: fc.integer({ min: 2, max: 4 }),
      size: fc.integer({ min: 40, max: 200 }),
      gap: fc.integer({ min: 1, max: 20 }),
      thick: fc.integer({ min: 1, max: 40 }),
      start: fc.integer({ min: -10, max: 20 }),
      turn: fc.integer({ min: 0, max: 3 }),
    })
    .map(({ depth, size, gap, thick, start, turn }) => {
      const [near, far] = [size + gap, size + gap + thick];
      const l = polygonPath([
        [near, start],
        [far, start],
        [far, far],
        [start, far],
        [start, near],
        [near, near],
      ]);
      const [c, d] = [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ][turn];
      return [nest(0, 0, depth, size, size / 8), l].map((p) => p.transform([c, d, -d, c, 0, 0]));
    });
  const several = fc.tuple(wrapped, fc.array(shape, { maxLength: 3 })).map(([pair, more]) => [...more, ...pair]);

  test("winds nothing about what is kept, and lies outside of all other shapes", () => {
    const kernel = new CurveKernel();
    fc.assert(
      fc.property(several, (shapes) => {
        const each = shapes.map((s) => contoursOf(kernel.weld(s), true));
        const contours = each.flat();
        const owner = each.flatMap((e, i) => e.map(() => i));
        const marks = involved(contours, owner);
        const out = contours.filter((_, i) => !marks[i]);
        for (const [i, c] of contours.entries()) {
          const [x, y] = c.points;
          if (marks[i])
            expect(
              windingAbout(
                out.filter((o) => o !== c),
                x + 1e-3,
                y + 2e-3,
              ),
            ).toBe(0);
          else for (const [k, others] of each.entries()) if (k !== owner[i]) expect(windingAbout(others, x, y)).toBe(0);
        }
      }),
      { numRuns: 400 },
    );
  });

  test("gives the union that one arrangement of all gives", () => {
    fc.assert(
      fc.property(several, (shapes) => {
        const kernel = new CurveKernel();
        // Welded one by one and put into one path, all of it is arranged together.
        const all = kernel.weld(together(...shapes.map((s) => kernel.weld(s))));
        // Whole and half units: exact but for crossings on the grid of 1/8192.
        expect(kernel.area(kernel.union(shapes))).toBeCloseTo(kernel.area(all), 3);
      }),
      { numRuns: 400 },
    );
  });
});
