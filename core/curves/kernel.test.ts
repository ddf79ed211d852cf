import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { area, around, circle, contours, polygonPath, rectangle } from "../../tests/paths";
import { CurveKernel } from "./kernel";
import { Path, PathBuilder } from "./path";

const kernel = new CurveKernel();

const round = { kind: "round" } as const;
const miter = (limit: number) => ({ kind: "miter", limit }) as const;
const bevel = { kind: "bevel" } as const;

/** A convex polygon: points on a circle at sorted angles. */
const convex = fc
  .tuple(fc.double({ min: 50, max: 400, noNaN: true }), fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 12 }))
  .map(([r, angles]) =>
    polygonPath(angles.sort((a, b) => a - b).map((a) => [r * Math.cos((a * Math.PI) / 180), r * Math.sin((a * Math.PI) / 180)] as const)),
  )
  .filter((p) => area(p) > 500);

describe("grow", () => {
  test("adds P d + pi d^2 to a convex outline with round joins (Steiner's formula)", () => {
    fc.assert(
      fc.property(convex, fc.double({ min: 1, max: 80, noNaN: true }), (shape, d) => {
        const grown = area(kernel.grow(shape, d, round));
        const expected = area(shape) + around(shape) * d + Math.PI * d * d;
        // The arcs are cubics, within 0.015 outside of the circle; the helper's chords lie within 0.001 inside of them.
        expect(grown).toBeLessThan(expected + 0.015 * 2 * Math.PI * d + 0.01);
        expect(grown).toBeGreaterThan(expected - (around(shape) + 2 * Math.PI * d) * 0.001);
      }),
      { numRuns: 60 },
    );
  });

  test("keeps a circle a circle, both ways", () => {
    for (const d of [40, 5, -5, -60]) expect(area(kernel.grow(circle(0, 0, 100), d, round)) / (Math.PI * (100 + d) ** 2)).toBeCloseTo(1, 2);
  });

  test("turns a square into a square with miters, an octagon with bevels", () => {
    const square = rectangle(0, 0, 100, 100);
    expect(area(kernel.grow(square, 10, miter(2)))).toBeCloseTo(120 * 120, 1);
    // Four corner squares of 10 x 10 lose half each.
    expect(area(kernel.grow(square, 10, bevel))).toBeCloseTo(120 * 120 - 200, 1);
    expect(area(kernel.grow(square, -10, miter(2)))).toBeCloseTo(80 * 80, 1);
  });

  test("cuts a corner off just where SVG 2 does: at 1 / sin(theta / 2) over the limit", () => {
    // SVG 2, section 13.5.5. A corner of 60 degrees has the ratio 1 / sin(30) = 2.
    const triangle = polygonPath([
      [0, 0],
      [100, 0],
      [50, 50 * Math.sqrt(3)],
    ]);
    const side = 100 + 2 * 10 * Math.sqrt(3);
    const sharp = (Math.sqrt(3) / 4) * side ** 2;
    expect(area(kernel.grow(triangle, 10, miter(2.001)))).toBeCloseTo(sharp, 0);
    const cut = area(kernel.grow(triangle, 10, miter(1.999)));
    expect(cut).toBeCloseTo(area(kernel.grow(triangle, 10, bevel)), 3);
    expect(sharp - cut).toBeGreaterThan(100);
  });

  test("in two steps is grow in one, with round joins", () => {
    const l = polygonPath([
      [0, 0],
      [200, 0],
      [200, 60],
      [60, 60],
      [60, 200],
      [0, 200],
    ]);
    const once = kernel.grow(l, 25, round);
    const twice = kernel.grow(kernel.grow(l, 10, round), 15, round);
    expect(area(twice) / area(once)).toBeCloseTo(1, 3);
  });

  test("shrinks what is too thin to nothing, and leaves no slivers", () => {
    const dumbbell = kernel.union([rectangle(0, 0, 100, 100), rectangle(90, 45, 120, 10), rectangle(200, 0, 100, 100)]);
    const thin = kernel.grow(dumbbell, -10, miter(4));
    expect(contours(thin)).toBe(2);
    expect(area(thin)).toBeCloseTo(2 * 80 * 80, 0);
    expect(kernel.grow(rectangle(0, 0, 10, 100), -5.01, round)).toEqual(Path.empty);
    expect(kernel.grow(rectangle(0, 0, 100, 100), -1000, round).isEmpty).toBe(true);
  });

  test("closes counters and far outgrows the letter", () => {
    const ring = kernel.subtract(rectangle(0, 0, 100, 100), [rectangle(40, 40, 20, 20)]);
    expect(contours(ring)).toBe(2);
    expect(contours(kernel.grow(ring, 10.5, round))).toBe(1);
    expect(area(kernel.grow(ring, 10_000, round)) / (Math.PI * 1e8 + 400 * 1e4)).toBeCloseTo(1, 2);
  });

  test("does not depend on the direction that the contour runs in", () => {
    const there = polygonPath([
      [0, 0],
      [80, 0],
      [80, 50],
      [0, 50],
    ]);
    const back = polygonPath([
      [0, 50],
      [80, 50],
      [80, 0],
      [0, 0],
    ]);
    expect(area(kernel.grow(back, 7, round))).toBeCloseTo(area(kernel.grow(there, 7, round)), 6);
  });

  test("gives the same object for the same question", () => {
    const shape = circle(0, 0, 50);
    expect(kernel.grow(shape, 3, round)).toBe(kernel.grow(shape, 3, round));
    expect(kernel.grow(shape, 3, round)).not.toBe(kernel.grow(shape, 3, bevel));
  });
});

describe("booleans", () => {
  const box = fc.tuple(
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: -50, max: 50 }),
    fc.integer({ min: 1, max: 80 }),
    fc.integer({ min: 1, max: 80 }),
  );

  test("obey inclusion and exclusion", () => {
    fc.assert(
      fc.property(box, box, (p, q) => {
        const [a, b] = [rectangle(...p), rectangle(...q)];
        const w = Math.max(0, Math.min(p[0] + p[2], q[0] + q[2]) - Math.max(p[0], q[0]));
        const h = Math.max(0, Math.min(p[1] + p[3], q[1] + q[3]) - Math.max(p[1], q[1]));
        expect(area(kernel.intersect([a, b]))).toBeCloseTo(w * h, 6);
        expect(area(kernel.union([a, b]))).toBeCloseTo(p[2] * p[3] + q[2] * q[3] - w * h, 6);
        expect(area(kernel.subtract(a, [b]))).toBeCloseTo(p[2] * p[3] - w * h, 6);
      }),
    );
  });

  test("are at peace with a shape and itself, and with nothing", () => {
    const c = circle(0, 0, 80);
    const a = kernel.area(c);
    expect(kernel.area(kernel.union([c, c]))).toBeCloseTo(a, 6);
    expect(kernel.area(kernel.intersect([c, c]))).toBeCloseTo(a, 6);
    expect(kernel.subtract(c, [c]).isEmpty).toBe(true);
    expect(kernel.union([])).toBe(Path.empty);
    expect(kernel.union([c, Path.empty])).toBe(c);
    expect(kernel.subtract(c, [Path.empty])).toBe(c);
    expect(kernel.intersect([c, Path.empty]).isEmpty).toBe(true);
  });

  test("let what stands apart through untouched, curves and all", () => {
    const [a, b] = [circle(0, 0, 10), circle(100, 0, 10)];
    expect(kernel.union([a, b]).nodes).toBe(a.nodes + b.nodes);
  });
});

describe("weld and plug", () => {
  test("weld keeps an outline that does not overlap itself, and turns it where it winds backwards", () => {
    const c = circle(0, 0, 100);
    expect(kernel.weld(c)).toBe(c);
    const back = polygonPath([
      [0, 0],
      [0, 10],
      [10, 10],
      [10, 0],
    ]);
    expect(area(back)).toBe(-100);
    expect(area(kernel.weld(back))).toBe(100);
  });

  test("weld joins overlapping contours of one outline", () => {
    const cross = new PathBuilder()
      .add(rectangle(0, 40, 100, 20))
      .add(rectangle(40, 0, 20, 100))
      .build();
    const welded = kernel.weld(cross);
    expect(contours(welded)).toBe(1);
    expect(area(welded)).toBeCloseTo(2 * 2000 - 400, 6);
  });

  test("plug fills a counter and keeps the curve around it", () => {
    const o = new PathBuilder()
      .add(circle(0, 0, 100))
      .add(circle(0, 0, 50).transform([1, 0, 0, -1, 0, 0]))
      .build();
    expect(contours(kernel.weld(o))).toBe(2);
    const plugged = kernel.plug(o);
    expect(contours(plugged)).toBe(1);
    expect(plugged.nodes).toBe(circle(0, 0, 100).nodes);
    expect(kernel.area(plugged) / (Math.PI * 1e4)).toBeCloseTo(1, 2);
    const solid = rectangle(0, 0, 5, 5);
    expect(kernel.plug(solid)).toBe(solid);
  });

  test("plug fills a counter that only welding shows", () => {
    const frame = [rectangle(0, 0, 100, 20), rectangle(0, 80, 100, 20), rectangle(0, 0, 20, 100), rectangle(80, 0, 20, 100)];
    const b = new PathBuilder();
    for (const f of frame) b.add(f);
    expect(area(kernel.plug(b.build()))).toBeCloseTo(100 * 100, 6);
  });
});

describe("bands", () => {
  const square = rectangle(0, 0, 100, 100);
  const band = { width: 10, join: miter(4), cap: "butt", dashes: [] } as const;

  test("lie inside, about or outside the outline", () => {
    expect(area(kernel.band(square, { ...band, side: "outside" }))).toBeCloseTo(120 ** 2 - 100 ** 2, 1);
    expect(area(kernel.band(square, { ...band, side: "centre" }))).toBeCloseTo(110 ** 2 - 90 ** 2, 1);
    expect(area(kernel.band(square, { ...band, side: "inside" }))).toBeCloseTo(100 ** 2 - 80 ** 2, 1);
  });

  test("fill a shape that they are wider than", () => {
    expect(area(kernel.band(square, { ...band, side: "inside", width: 60 }))).toBeCloseTo(100 ** 2, 1);
    expect(kernel.band(square, { ...band, side: "inside", width: 0 }).isEmpty).toBe(true);
  });

  test("follow counters too", () => {
    const ring = kernel.subtract(square, [rectangle(30, 30, 40, 40)]);
    expect(area(kernel.band(ring, { ...band, side: "outside" }))).toBeCloseTo(120 ** 2 - 100 ** 2 + (40 ** 2 - 20 ** 2), 1);
  });

  test("break into dashes of the right length, with the caps asked for", () => {
    // Dashes of 10 with gaps of 15 along each side of 100: four a side, 16 in all.
    const dashed = { ...band, side: "centre", dashes: [10, 15], width: 4 } as const;
    const butt = kernel.band(square, dashed);
    expect(contours(butt)).toBe(16);
    expect(area(butt)).toBeCloseTo(16 * 10 * 4, 0);
    expect(area(kernel.band(square, { ...dashed, cap: "square" }))).toBeCloseTo(16 * (10 + 4) * 4, -1);
    const roundCaps = area(kernel.band(square, { ...dashed, cap: "round" }));
    // Half a circle at each end; where two sides meet at a corner, a quarter of a disc of radius 2 is shared.
    expect(Math.abs(roundCaps - 16 * (10 * 4 + Math.PI * 4))).toBeLessThan(16);
    expect(area(kernel.band(square, { ...dashed, side: "inside" }))).toBeCloseTo(16 * 10 * 4 - 4 * 2, -2);
  });
});
