import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { around, area, circle, contours, polygonPath, rectangle } from "../../tests/paths";
import { benchFaces, openFace, outlines } from "../../tests/kernel/letters";
import { together } from "../../tests/kernel/random";
import { flatten } from "./flatten";
import { CurveKernel, type Band } from "./kernel";
import { nearest } from "./measure";
import { type Path, PathBuilder } from "./path";

const kernel = new CurveKernel();
const round = { kind: "round" } as const;
const band: Band = { width: 10, side: "centre", join: { kind: "miter", limit: 4 }, cap: "butt", dashes: [] };
const line = (...points: [number, number][]): Path => {
  const b = new PathBuilder().move(...points[0]);
  for (const p of points.slice(1)) b.line(...p);
  return b.build();
};

/** A rounded rectangle with true quarter circles, to the four-cubic circle's 2.7e-4. */
function rounded(w: number, h: number, r: number): Path {
  const k = r * (1 - (4 / 3) * (Math.SQRT2 - 1));
  return new PathBuilder()
    .move(r, 0)
    .line(w - r, 0)
    .cubic(w - k, 0, w, k, w, r)
    .line(w, h - r)
    .cubic(w, h - k, w - k, h, w - r, h)
    .line(r, h)
    .cubic(k, h, 0, h - k, 0, h - r)
    .line(0, r)
    .cubic(0, k, k, 0, r, 0)
    .close()
    .build();
}

describe("grown outlines", () => {
  test("of circles, ellipses and rounded rectangles have the areas of any handbook", () => {
    for (const d of [1, 20, -20, 300]) {
      const r = 100 + d;
      // The circle itself is off by 2.7e-4 of its radius; the outline may be by 0.03.
      expect(Math.abs(kernel.area(kernel.grow(circle(0, 0, 100), d, round)) - Math.PI * r * r)).toBeLessThan(
        2 * Math.PI * Math.abs(r) * (0.03 + 100 * 2.8e-4),
      );
    }
    // Steiner: A + P d + pi d^2, with the ellipse's perimeter by Ramanujan's second formula (1914), good to 1e-6 here.
    const [a, b] = [200, 120];
    const h = ((a - b) / (a + b)) ** 2;
    const p = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
    const ellipse = circle(0, 0, 1).transform([a, 0, 0, b, 0, 0]);
    for (const d of [5, 30, 90])
      expect(Math.abs(kernel.area(kernel.grow(ellipse, d, round)) - (Math.PI * a * b + p * d + Math.PI * d * d))).toBeLessThan(
        p * 0.03 + Math.PI * a * b * 6e-4,
      );
    for (const d of [10, -10]) {
      const [w, q, r] = [300 + 2 * d, 200 + 2 * d, 40 + d];
      expect(Math.abs(kernel.area(kernel.grow(rounded(300, 200, 40), d, round)) - (w * q - (4 - Math.PI) * r * r))).toBeLessThan(15);
    }
  });

  test("in two steps are those of one, with round joins", () => {
    const l = polygonPath([
      [0, 0],
      [200, 0],
      [200, 60],
      [60, 60],
      [60, 200],
      [0, 200],
    ]);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 1, max: 60, noNaN: true }), (a, b) => {
        const once = kernel.grow(l, a + b, round);
        const twice = kernel.grow(kernel.grow(l, a, round), b, round);
        expect(kernel.area(kernel.exclude([once, twice]))).toBeLessThan(0.03 * around(once, 0.1));
      }),
      { numRuns: 30 },
    );
  });

  test("cross what is thin and vanish where they should, at any distance", () => {
    const c = circle(0, 0, 100);
    for (const d of [-99, -100.5, -1000, -1e6]) expect(kernel.grow(c, d, round).isEmpty).toBe(d < -100);
    const far = kernel.grow(c, 10_000, round);
    expect(Math.abs(kernel.area(far) / (Math.PI * 10_100 ** 2) - 1)).toBeLessThan(1e-4);
    expect(contours(far)).toBe(1);
  });
});

describe("grown letters", () => {
  let letters: Path[];
  beforeAll(async () => void (letters = (await Promise.all(benchFaces.map(async (f) => outlines(await openFace(f), "Bge&")))).flat()));

  test("lie within 0.03 of the true parallel nearly everywhere, and never over 0.2 from it", () => {
    let off = 0;
    let all = 0;
    for (const letter of letters)
      for (const d of [20, -8]) {
        const grown = kernel.grow(letter, d, round);
        const source = kernel.weld(letter);
        for (const p of flatten(grown, 0.05))
          for (let i = 0; i < p.length; i += 8) {
            // The distance of a point of the outline from the letter is d, by definition.
            const error = Math.abs(nearest(source, p[i], p[i + 1])!.distance - Math.abs(d));
            expect(error).toBeLessThan(0.2);
            all++;
            if (error > 0.03) off++;
          }
      }
    expect(all).toBeGreaterThan(2000);
    expect(off / all).toBeLessThan(0.02);
  });

  test("have about as many nodes as they had before", () => {
    const before = letters.reduce((n, l) => n + l.nodes, 0);
    const after = letters.reduce((n, l) => n + kernel.grow(l, 20, round).nodes, 0);
    expect(after).toBeLessThan(1.6 * before);
  });

  test("are kept: the same letter is not grown twice", () => {
    const [letter] = letters;
    expect(kernel.grow(letter, 7, round)).toBe(kernel.grow(letter, 7, round));
    expect(kernel.weld(letter)).toBe(kernel.weld(letter));
  });
});

describe("bands along lines", () => {
  test("end as SVG 2 says: cut off, by half a circle, or longer by half the width", () => {
    const l = line([0, 0], [100, 0]);
    expect(kernel.area(kernel.band(l, band))).toBeCloseTo(1000, 6);
    expect(kernel.area(kernel.band(l, { ...band, cap: "square" }))).toBeCloseTo(1100, 6);
    expect(Math.abs(kernel.area(kernel.band(l, { ...band, cap: "round" })) - (1000 + Math.PI * 25))).toBeLessThan(0.05);
  });

  test("turn corners as asked", () => {
    const corner = line([0, 0], [100, 0], [100, 100]);
    // Two arms of 95 x 10 and the square of the corner, whole, less half of its outer quarter, or rounded there.
    const arms = 2 * 95 * 10 + 75;
    expect(kernel.area(kernel.band(corner, band))).toBeCloseTo(arms + 25, 4);
    expect(kernel.area(kernel.band(corner, { ...band, join: { kind: "bevel" } }))).toBeCloseTo(arms + 12.5, 4);
    expect(Math.abs(kernel.area(kernel.band(corner, { ...band, join: round })) - (arms + (Math.PI * 25) / 4))).toBeLessThan(0.02);
  });

  test("of curves have the width times the length, where they do not fold", () => {
    // Pappus: the band in the middle of a gentle curve has exactly that area.
    const wave = new PathBuilder().move(0, 0).cubic(100, 80, 200, -80, 300, 0).build();
    const length = around(new PathBuilder().add(wave).build(), 0.0001) - 300;
    expect(Math.abs(kernel.area(kernel.band(wave, { ...band, width: 8 })) / (8 * length) - 1)).toBeLessThan(1e-3);
  });

  test("break into dashes on curves", () => {
    const c = circle(0, 0, 100);
    const dashed = kernel.band(c, { ...band, width: 6, dashes: [20, 11.4159] });
    expect(contours(dashed)).toBe(20);
    expect(Math.abs(kernel.area(dashed) / (20 * 20 * 6) - 1)).toBeLessThan(2e-3);
    const inside = kernel.band(c, { ...band, width: 6, side: "inside", dashes: [20, 11.4159] });
    // On the inside each dash narrows from 20 to 20 x 94 / 100.
    expect(Math.abs(kernel.area(inside) / (20 * 20 * 0.97 * 6) - 1)).toBeLessThan(3e-3);
    // An odd list is run through twice (SVG 2, section 13.5.6): 30 on, 30 off.
    expect(kernel.area(kernel.band(line([0, 0], [150, 0]), { ...band, dashes: [30] }))).toBeCloseTo(900, 6);
    expect(() => kernel.band(line([0, 0], [1e6, 0]), { ...band, dashes: [1, 1] })).toThrow(/more than 20000/);
  });

  test("swell and taper along their way", () => {
    const l = line([0, 0], [100, 0]);
    const taper = (...stops: [number, number][]) => ({ ...band, taper: stops.map(([at, width]) => ({ at, width })) });
    // A trapezoid; two that meet in the middle; a spear that ends in nothing.
    expect(kernel.area(kernel.band(l, taper([0, 4], [1, 16])))).toBeCloseTo(1000, 5);
    expect(kernel.area(kernel.band(l, taper([0, 0], [0.25, 20], [1, 0])))).toBeCloseTo(1000, 5);
    const quarter = new PathBuilder().move(100, 0).cubic(100, 55.22847, 55.22847, 100, 0, 100).build();
    // Along an arc the band between r - w(s)/2 and r + w(s)/2 has the area of the widths times the lengths.
    expect(Math.abs(kernel.area(kernel.band(quarter, taper([0, 0], [1, 20]))) / (10 * 50 * Math.PI) - 1)).toBeLessThan(2e-3);
    const ring = kernel.band(circle(0, 0, 100), taper([0, 10], [0.5, 30], [1, 10]));
    expect(contours(ring)).toBe(2);
    expect(Math.abs(kernel.area(ring) / (20 * 200 * Math.PI) - 1)).toBeLessThan(2e-3);
  });

  test("leave lines and outlines of one path as what they are", () => {
    const both = new PathBuilder()
      .add(rectangle(0, 0, 100, 100))
      .move(200, 0)
      .line(200, 100)
      .build();
    expect(kernel.area(kernel.band(both, band))).toBeCloseTo(110 ** 2 - 90 ** 2 + 1000, 4);
  });
});

describe("rings", () => {
  const nested = together(circle(0, 0, 100), circle(0, 0, 70), circle(40, 0, 12));

  test("are lines that go round, each in the middle of its own, also within one another", () => {
    const found = kernel.band(nested, { ...band, width: 6, rings: true });
    // The circles are cubics, and their parallels within a three-hundredth of the width of the true ones.
    const wanted = 6 * around(nested);
    expect(Math.abs(area(found) / wanted - 1)).toBeLessThan(1e-3);
    expect(contours(found)).toBe(6);
    const each = kernel.union([circle(0, 0, 100), circle(0, 0, 70), circle(40, 0, 12)].map((c) => kernel.band(c, { ...band, width: 6 })));
    expect(area(kernel.exclude([found, each]))).toBeLessThan(wanted / 300);
  });

  test("are kept within a shape with other lines", () => {
    const half = rectangle(0, -200, 200, 400);
    const all = together(nested, line([-50, 0], [150, 0]));
    const kept = kernel.band(all, { ...band, width: 6, rings: true, within: half });
    const after = kernel.intersect([kernel.band(all, { ...band, width: 6, rings: true }), half]);
    expect(area(kernel.exclude([kept, after]))).toBeLessThan(around(nested) * (6 / 300));
    expect(kept.bounds.minX).toBeCloseTo(0, 6);
  });
});

describe("bands kept within a shape", () => {
  const disc = circle(0, 0, 100);

  test("are what their intersection is, of lines that cross each other and of outlines", () => {
    const lines = new PathBuilder();
    for (const at of [-60, -20, 0, 45]) {
      lines.move(-150, at).line(150, at + 30);
      lines.move(at, -150).line(at - 25, 150);
    }
    for (const path of [lines.build(), rectangle(-90, -90, 180, 180)])
      for (const b of [
        band,
        {
          ...band,
          taper: [
            { at: 0, width: 2 },
            { at: 1, width: 14 },
          ],
        },
      ]) {
        const [kept, after] = [kernel.band(path, { ...b, within: disc }), kernel.intersect([kernel.band(path, b), disc])];
        // Both are within a three-hundredth of the width of the true edge, which is some 3,000 units long.
        expect(area(kernel.exclude([kept, after]))).toBeLessThan(3000 * (14 / 300));
        expect(area(after)).toBeGreaterThan(2000);
        expect(kernel.weld(kept)).toBe(kept);
      }
  });

  test("are nothing where they lie beside it", () => {
    expect(kernel.band(line([200, 0], [300, 50]), { ...band, within: disc }).isEmpty).toBe(true);
  });
});

describe("sweeps", () => {
  const convex = fc
    .uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 10 })
    .map((angles) =>
      angles.sort((a, b) => a - b).map((a) => [200 * Math.cos((a * Math.PI) / 180), 200 * Math.sin((a * Math.PI) / 180)] as const),
    )
    .map(polygonPath)
    .filter((p) => area(p) > 500);

  test("of convex shapes have the area A + |v| times the width across v", () => {
    fc.assert(
      fc.property(convex, fc.integer({ min: 0, max: 359 }), fc.double({ min: 5, max: 300, noNaN: true }), (shape, degrees, length) => {
        const [x, y] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
        const across = shape.transform([y, 0, -x, 0, 0, 0]).bounds;
        const { silhouette, sides } = kernel.sweep(shape, { kind: "vector", x: x * length, y: y * length });
        expect(Math.abs(kernel.area(silhouette) - (kernel.area(shape) + length * (across.maxX - across.minX)))).toBeLessThan(0.5);
        // The sides that face the way cover just what the sweep adds.
        expect(Math.abs(sides.reduce((sum, s) => sum + kernel.area(s.path), 0) - length * (across.maxX - across.minX))).toBeLessThan(0.5);
      }),
      { numRuns: 60 },
    );
  });

  test("of a circle keep its curves and add two lines", () => {
    const { silhouette, sides } = kernel.sweep(circle(0, 0, 100), { kind: "vector", x: 60, y: 80 });
    expect(Math.abs(kernel.area(silhouette) - (Math.PI * 1e4 + 100 * 200))).toBeLessThan(20);
    expect(silhouette.nodes).toBeLessThanOrEqual(8);
    for (const { segment, from, to } of sides) {
      expect(segment).toBeLessThan(4);
      expect(to).toBeGreaterThan(from);
    }
    // Half of the circle faces the way: two whole quarters' worth of it, in three parts.
    expect(sides.reduce((sum, s) => sum + s.to - s.from, 0)).toBeCloseTo(2, 2);
  });

  test("towards a point shrink to it", () => {
    const square = rectangle(-50, -50, 100, 100);
    // Half way: the frustum's outline. To the point itself: the square and the triangle up to it.
    const way = { kind: "point", x: 0, y: 450 } as const;
    expect(kernel.area(kernel.sweep(square, { ...way, by: 1 }).silhouette)).toBeCloseTo(10_000 + 50 * 400, 3);
    // The lower edge, 100 wide at 50, is 50 wide at 250.
    expect(kernel.area(kernel.sweep(square, { ...way, by: 0.5 }).silhouette)).toBeCloseTo(10_000 + 75 * 200, 3);
    expect(kernel.sweep(square, { ...way, by: 0 }).silhouette).toBe(kernel.weld(square));
    expect(() => kernel.sweep(square, { ...way, by: 1.5 })).toThrow(RangeError);
  });

  test("leave no holes where silhouette points lie on nodes", () => {
    const ring = kernel.subtract(circle(0, 0, 100), [circle(0, 0, 60)]);
    for (const [x, y] of [
      [200, 0],
      [0, 200],
      [-200, 0],
      [141.4, 141.4],
    ])
      expect(contours(kernel.sweep(ring, { kind: "vector", x, y }).silhouette)).toBeLessThanOrEqual(3);
    expect(contours(kernel.sweep(ring, { kind: "vector", x: 130, y: 0 }).silhouette)).toBe(1);
  });
});
