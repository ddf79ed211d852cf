import { beforeAll, describe, expect, test } from "@jest/globals";
import { circle, contours, polygonPath, rectangle } from "../../tests/paths";
import { openFace, outlines } from "../../tests/kernel/letters";
import { Random, together } from "../../tests/kernel/random";
import { bySubtraction, randomStack, solidOf, wrongPlaces, type Item } from "../../tests/kernel/stacks";
import { DraftKernel } from "./draft/draft-kernel";
import { CurveKernel } from "./kernel";
import { perimeterOf } from "./measure";
import type { Path } from "./path";

const areas = (kernel: CurveKernel, paths: readonly Path[]) => paths.map((p) => kernel.area(p));

describe("a stack", () => {
  test("shows of each shape what no nearer one covers", () => {
    const kernel = new CurveKernel();
    const [near, far] = kernel.stack([{ path: circle(0, 0, 50) }, { path: rectangle(-100, -100, 200, 200) }]);
    expect(kernel.area(near.path)).toBe(kernel.area(circle(0, 0, 50)));
    expect(kernel.area(far.path)).toBeCloseTo(40_000 - kernel.area(near.path), 6);
    expect(contours(far.path)).toBe(2);
  });

  test("makes one part of what has one label, wherever it lies", () => {
    const kernel = new CurveKernel();
    const parts = kernel.stack([
      { path: rectangle(0, 0, 50, 100), label: "a" },
      { path: rectangle(25, 25, 50, 50), label: "b" },
      { path: rectangle(50, 0, 50, 100), label: "a" },
    ]);
    expect(parts.map((p) => p.label)).toEqual(["a", "b"]);
    // The seam at 50 is gone but for where b is seen; b is seen from 50 to 75.
    expect(
      areas(
        kernel,
        parts.map((p) => p.path),
      ),
    ).toEqual([10_000 - 25 * 50, 25 * 50]);
    expect(contours(parts[0].path)).toBe(2);
  });

  test("leaves out what winds negatively: it is seen from behind", () => {
    const kernel = new CurveKernel();
    const behind = polygonPath([
      [0, 0],
      [0, 100],
      [100, 100],
      [100, 0],
    ]);
    const [a, b] = kernel.stack([{ path: behind }, { path: rectangle(0, 0, 100, 50) }]);
    expect(a.path.isEmpty).toBe(true);
    expect(kernel.area(b.path)).toBe(5000);
  });

  test("of two labels is what the booleans give", () => {
    const kernel = new CurveKernel();
    const [a, b] = [circle(0, 0, 100), circle(120, 30, 80)];
    const [whole] = kernel.stack([
      { path: a, label: 1 },
      { path: b, label: 1 },
    ]);
    expect(kernel.area(kernel.exclude([whole.path, kernel.union([a, b])]))).toBe(0);
    const [, rest] = kernel.stack([{ path: b }, { path: a }]);
    expect(kernel.area(kernel.exclude([rest.path, kernel.subtract(a, [b])]))).toBe(0);
  });

  test("of nothing is nothing, and of one shape that shape, welded", () => {
    const kernel = new CurveKernel();
    expect(kernel.stack([])).toEqual([]);
    const [only] = kernel.stack([{ path: together(rectangle(0, 0, 10, 10), rectangle(5, 5, 10, 10)) }]);
    expect(kernel.area(only.path)).toBe(175);
  });

  test("is the same while a handle is dragged", () => {
    const kernel = new CurveKernel();
    const items = [
      { path: circle(0, 0, 50), label: "a" },
      { path: rectangle(0, 0, 90, 90), label: "b" },
    ];
    const draft = new DraftKernel(kernel).stack(items);
    expect(draft.map((p) => p.label)).toEqual(["a", "b"]);
    expect(
      areas(
        kernel,
        draft.map((p) => p.path),
      ),
    ).toEqual(
      areas(
        kernel,
        kernel.stack(items).map((p) => p.path),
      ),
    );
  });
});

describe("parts", () => {
  let letters: Path[];
  beforeAll(async () => {
    letters = outlines(await openFace("alfa-slab"), "Brge&");
  });

  /** @param items clean shapes */
  function check(kernel: CurveKernel, items: readonly Item[], r: Random): void {
    const parts = kernel.stack(items).map((p) => p.path);
    const one = areas(kernel, parts);
    const whole = kernel.area(kernel.union(items.map((i) => i.path)));
    const around = items.reduce((sum, i) => sum + perimeterOf(i.path), 0);
    // Where curves run along one another they are known to a few thousandths of a unit; elsewhere all is exact.
    const known = 1e-6 * whole + 1e-4 * around + 1e-9;
    expect(Math.abs(one.reduce((a, b) => a + b, 0) - whole)).toBeLessThan(known);
    bySubtraction(kernel, items).forEach((p, i) => expect(Math.abs(kernel.area(p) - one[i])).toBeLessThan(known));
    for (let i = 0; i < parts.length; i++)
      for (let j = 0; j < i; j++) expect(kernel.area(kernel.intersect([parts[i], parts[j]]))).toBeLessThan(known);
    const places = Array.from({ length: 40 }, () => [r.between(-100, 800), r.between(-100, 700)] as const);
    expect(wrongPlaces(items, parts, places, 0.1)).toBe(0);
  }

  test.each([1, 31, 61])(
    "of random stacks are those of subtractions, make up the union and lie apart (seeds from %i on)",
    (first) => {
      for (let seed = first; seed < first + 30; seed++) {
        const r = new Random(seed);
        const kernel = new CurveKernel();
        check(kernel, randomStack(r, kernel, letters), r);
      }
    },
    60_000,
  );

  test("of a solid's sides share their borders", () => {
    const kernel = new CurveKernel();
    const word = letters.map((l, i) => l.transform([1, 0, 0, 1, i * 620, 0]));
    for (const way of [
      { x: 60, y: 40 },
      { x: -30, y: 90 },
    ])
      check(kernel, solidOf(kernel, word, way), new Random(5));
  }, 60_000);
});
