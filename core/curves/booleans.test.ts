import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { clip, loadClipper, type Clipper } from "../../tests/kernel/clipper";
import { backwards, Random, randomShape, together } from "../../tests/kernel/random";
import { totalArea, welded } from "../../tests/kernel/reference";
import { circle, contours, polygonPath, rectangle } from "../../tests/paths";
import { BudgetError, Budget } from "./budget";
import { CurveError } from "./errors";
import { CurveKernel } from "./kernel";
import { translation } from "./matrix";
import { Path, PathBuilder, Verb } from "./path";

const kernel = new CurveKernel();
let m: Clipper;
beforeAll(async () => void (m = await loadClipper()));

/** Solid curved shapes: hairs have areas of the size of rounding. */
const shape = fc.integer({ min: 1, max: 1e6 }).map((seed) => {
  const r = new Random(seed);
  for (;;) {
    const p = randomShape(r, []);
    if (!p.isEmpty && kernel.area(p) > 2000) return p;
  }
});

describe("areas of booleans", () => {
  test("are Clipper2's, on fine polygons", () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        const [pa, pb] = [welded(m, a, 0.005), welded(m, b, 0.005)];
        const pairs: [Path, number][] = [
          [kernel.union([a, b]), totalArea(clip(m, "Union", "NonZero", pa, pb))],
          [kernel.intersect([a, b]), totalArea(clip(m, "Intersection", "NonZero", pa, pb))],
          [kernel.subtract(a, [b]), totalArea(clip(m, "Difference", "NonZero", pa, pb))],
          [kernel.exclude([a, b]), totalArea(clip(m, "Xor", "NonZero", pa, pb))],
        ];
        // Chords within 0.005, some 0.003 on the average, along some 4,000 units of outline.
        for (const [path, area] of pairs) expect(Math.abs(kernel.area(path) - area)).toBeLessThan(15 + 1e-5 * area);
      }),
      { numRuns: 30 },
    );
  });

  test("are the same where one alone is not known yet, whatever it winds", () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        const pb = welded(m, b, 0.005);
        for (const own of [a, backwards(a), together(a, backwards(a)), together(a, a)]) {
          const other = new CurveKernel();
          other.weld(b);
          const wanted = totalArea(clip(m, "Intersection", "NonZero", welded(m, own, 0.005), pb));
          // As above.
          expect(Math.abs(other.area(other.intersect([own, b])) - wanted)).toBeLessThan(15 + 1e-5 * wanted);
        }
      }),
      { numRuns: 30 },
    );
  });

  test("obey inclusion and exclusion, whichever comes first", () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        const both = kernel.area(kernel.intersect([a, b]));
        const either = kernel.area(kernel.union([a, b]));
        // Exact but for shallow crossings, which are found to some thousandths of a unit.
        expect(Math.abs(kernel.area(a) + kernel.area(b) - both - either)).toBeLessThan(1);
        expect(Math.abs(kernel.area(kernel.intersect([b, a])) - both)).toBeLessThan(1);
        expect(Math.abs(kernel.area(kernel.exclude([a, b])) - (either - both))).toBeLessThan(1);
        expect(Math.abs(kernel.area(kernel.subtract(a, [b])) - (kernel.area(a) - both))).toBeLessThan(1);
      }),
      { numRuns: 60 },
    );
  });

  test("do not change when asked again of their own result", () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        const union = kernel.union([a, b]);
        expect(kernel.weld(union)).toBe(union);
        // Read anew, without what is remembered of it.
        const fresh = new Path(union.verbs, union.coords);
        expect(Math.abs(kernel.area(kernel.union([fresh, a])) - kernel.area(union))).toBeLessThan(1);
        expect(kernel.area(kernel.subtract(a, [fresh]))).toBeLessThan(1);
      }),
      { numRuns: 40 },
    );
  });
});

describe("curves", () => {
  /** Every segment as text, its ends and handles in full, so that equal means bit for bit. */
  const segmentsOf = (path: Path) => {
    const out = new Set<string>();
    let at = 0;
    let from = "";
    for (const verb of path.verbs) {
      const n = [2, 2, 4, 6, 0][verb];
      const to = path.coords.slice(at, at + n).join();
      if (n > 2) out.add(`${from} ${to}`);
      from = path.coords.slice(at + n - 2, at + n).join();
      at += n;
      if (verb === Verb.Close) from = "";
    }
    return out;
  };

  test("that nothing crosses come through bit for bit", () => {
    const a = circle(0, 0, 100.123456789);
    const b = circle(150.987654321, 0, 100);
    const union = segmentsOf(kernel.union([a, b]));
    // Each circle keeps its two quarters on the far side and half of none of the others.
    const kept = [...segmentsOf(a), ...segmentsOf(b)].filter((s) => union.has(s));
    expect(kept).toHaveLength(4);
    expect(union.size).toBe(8);
  });

  test("meet exactly on both outlines", () => {
    // Two circles of radius 100, 120 apart, cross at (60, +-80) but for the four-cubic circle's 2.7e-4.
    const lens = kernel.intersect([circle(0, 0, 100), circle(120, 0, 100)]);
    const { minX, maxX, minY, maxY } = lens.bounds;
    expect(minX).toBeCloseTo(20, 9);
    expect(maxX).toBeCloseTo(100, 9);
    for (const y of [minY, maxY]) expect(Math.abs(Math.abs(y) - 80)).toBeLessThan(0.04);
    // The part of the circle's area in the lens: 2 r^2 acos(d / 2r) - d / 2 sqrt(4 r^2 - d^2) (any handbook of geometry).
    const exact = 2 * 1e4 * Math.acos(0.6) - 60 * Math.sqrt(4e4 - 14400);
    expect(Math.abs(kernel.area(lens) / exact - 1)).toBeLessThan(6e-4);
  });

  test("of a letter's overlapping parts become one outline, with counters", () => {
    const bar = rectangle(-150, -10, 300, 20);
    const ring = together(circle(0, 0, 100), backwards(circle(300, 0, 80)).transform([1, 0, 0, 1, -300, 0]));
    expect(contours(kernel.weld(ring))).toBe(2);
    const crossed = kernel.weld(together(ring, bar));
    expect(contours(crossed)).toBe(3);
  });

  test("that lie on one another leave no slivers", () => {
    const a = circle(0, 0, 100);
    expect(kernel.subtract(a, [new Path(a.verbs, a.coords)])).toBe(Path.empty);
    expect(kernel.exclude([a, backwards(a).transform([1, 0, 0, 1, -600, 0])]).isEmpty).toBe(true);
    const twice = kernel.union([a, a.transform([1, 0, 0, 1, 1e-7, 0])]);
    expect(contours(twice)).toBe(1);
    expect(twice.nodes).toBe(4);
  });

  test("that bulge from one another by a hair between two common nodes keep what is between them", () => {
    // The area of a lens of two parabolas is 2/3 of its length times its width (Archimedes); the square beside it makes the chords those of
    // letters.
    for (const [length, width] of [
      [4, 0.02],
      [4, 0.05],
      [20, 0.03],
      [300, 0.04],
    ]) {
      const lens = new PathBuilder()
        .move(0, 0)
        .quad(length / 2, -width, length, 0)
        .quad(length / 2, width, 0, 0)
        .close()
        .build();
      const both = kernel.exclude([together(lens, rectangle(0, 100, 600, 600)), rectangle(300, 50, 600, 600)]);
      const square = kernel.area(kernel.exclude([rectangle(0, 100, 600, 600), rectangle(300, 50, 600, 600)]));
      expect((kernel.area(both) - square) / ((2 / 3) * length * width)).toBeCloseTo(1, 2);
    }
  });

  test.each([0.2, 0.09, 0.044, 0.02, 0.01])("whose tips overlap by %d unit have that in common, wherever their chords end", (depth) => {
    // Two parabolas of 10 in 100 units that face each other meet where 20 s^2 is the depth, s in halves of 100 (Archimedes as above).
    const length = 100 * Math.sqrt(depth / 20);
    for (const x of [0, 0.7, 1.9, 3.3, 5.1]) {
      const below = new PathBuilder().move(0, 0).quad(50, 20, 100, 0).line(100, -400).line(0, -400).close().build();
      const above = new PathBuilder()
        .move(x, 20 - depth)
        .line(x, 420)
        .line(x + 100, 420)
        .line(x + 100, 20 - depth)
        .quad(x + 50, -depth, x, 20 - depth)
        .close()
        .build();
      // Moved along, they meet aslant, as much lower as both have fallen at half the way.
      const apart = 20 * (x / 100) ** 2;
      const lens = kernel.intersect([below, above.transform(translation(0, -apart))]);
      expect(kernel.area(lens) / ((2 / 3) * length * depth)).toBeCloseTo(1, 2);
      expect(contours(kernel.union([below, above.transform(translation(0, -apart))]))).toBe(1);
    }
  });

  test("that come back through their own end are cut where they come back, wherever they lie on the grid", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const r = new Random(seed);
      const at = () => ({ x: r.between(-120, 120), y: r.between(-120, 120) });
      // A cubic is at its own start again at t where its last point is this: Bernstein's form, solved for it.
      const t = r.between(0.3, 0.7);
      const [a, b, s] = [at(), at(), 1 - t];
      const last = (k: "x" | "y") => -(3 * s * s * t * a[k] + 3 * s * t * t * b[k]) / t ** 3;
      const [before, after] = [at(), at()];
      const path = new PathBuilder()
        .move(before.x, before.y)
        .line(0, 0)
        .cubic(a.x, a.y, b.x, b.y, last("x"), last("y"))
        .line(after.x, after.y)
        .close()
        .build();
      const moved = path.transform(translation(r.between(-1, 1), r.between(-1, 1)));
      const reference = totalArea(welded(m, moved, 0.0005));
      // Chords within 0.0005 along some thousands of units.
      expect(Math.abs(kernel.area(kernel.weld(moved)) - reference)).toBeLessThan(1 + 1e-5 * reference);
    }
  });

  test("that share an edge join over it", () => {
    const joined = kernel.union([rectangle(0, 0, 50, 100), rectangle(50, 0, 50, 100)]);
    expect(joined.nodes).toBe(4);
    expect(kernel.area(joined)).toBe(10_000);
    // Corner to corner they stay two.
    expect(contours(kernel.union([rectangle(0, 0, 50, 50), rectangle(50, 50, 50, 50)]))).toBe(2);
  });

  test("split into the shapes that they draw, each with its counters", () => {
    const ring = kernel.subtract(circle(0, 0, 100), [circle(0, 0, 50)]);
    const pieces = kernel.split(together(ring, circle(0, 0, 20), rectangle(200, 0, 10, 10)));
    expect(pieces.map(contours).sort()).toEqual([1, 1, 2]);
  });
});

describe("what cannot be worked on", () => {
  test.each([NaN, Infinity, -Infinity, 1e12])("a coordinate of %p is refused by name", (v) => {
    const bad = polygonPath([
      [0, 0],
      [100, v],
      [50, 50],
    ]);
    expect(() => kernel.weld(bad)).toThrow(CurveError);
    expect(() => kernel.grow(bad, 5, { kind: "round" })).toThrow(/not a number|reaches/);
    expect(() => kernel.grow(rectangle(0, 0, 9, 9), v, { kind: "round" })).toThrow(/distance/);
  });

  test("empty paths, points and lines have no area, and say so", () => {
    const point = new PathBuilder().move(5, 5).close().build();
    const line = new PathBuilder().move(0, 0).line(100, 0).close().build();
    for (const p of [Path.empty, point, line]) {
      expect(kernel.weld(p).isEmpty || kernel.area(p) === 0).toBe(true);
      expect(kernel.union([p, p]).isEmpty).toBe(true);
      expect(kernel.grow(p, -5, { kind: "round" }).isEmpty).toBe(true);
      expect(kernel.sweep(p, { kind: "vector", x: 5, y: 5 }).silhouette.isEmpty).toBe(true);
      expect(kernel.split(p)).toEqual([]);
    }
  });

  test("a hundred thousand segments are worked out, or the budget says that they are not", () => {
    const n = 100_000;
    const b = new PathBuilder().move(1000, 0);
    for (let i = 1; i < n; i++) {
      const a = (2 * Math.PI * i) / n;
      const r = 1000 + (i % 2 ? 5 : 0);
      b.line(r * Math.cos(a), r * Math.sin(a));
    }
    const cog = b.close().build();
    const cut = kernel.subtract(cog, [rectangle(-2000, -2000, 4000, 2000)]);
    expect(kernel.area(cut) / (kernel.area(cog) / 2)).toBeCloseTo(1, 3);
    expect(() => kernel.union([cog, circle(50, 0, 1000)], undefined, new Budget(10_000))).toThrow(BudgetError);
    expect(() => kernel.grow(circle(0, 0, 100), 5, { kind: "round" }, new Budget(3))).toThrow(/more than the 3 steps/);
  });
});
