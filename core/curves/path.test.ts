import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { area, around, circle, rectangle } from "../../tests/paths";
import { flatten } from "./flatten";
import { Path, PathBuilder } from "./path";
import { signedArea, spansAt, winding } from "./polygon";
import { toSvgPath } from "./svg-path";

const coordinate = fc.double({ min: -500, max: 500, noNaN: true });
const cubic = fc.array(coordinate, { minLength: 8, maxLength: 8 });

const pointOf = (p: number[], t: number, axis: 0 | 1) => {
  const u = 1 - t;
  return u ** 3 * p[axis] + 3 * u * u * t * p[2 + axis] + 3 * u * t * t * p[4 + axis] + t ** 3 * p[6 + axis];
};
const pathOf = (p: number[]) => new PathBuilder().move(p[0], p[1]).cubic(p[2], p[3], p[4], p[5], p[6], p[7]).build();

describe("a path's box", () => {
  test("holds every point of a cubic and is no larger than they need", () => {
    fc.assert(
      fc.property(cubic, (p) => {
        const b = pathOf(p).bounds;
        for (const axis of [0, 1] as const) {
          const values = Array.from({ length: 2001 }, (_, i) => pointOf(p, i / 2000, axis));
          const [min, max] = axis === 0 ? [b.minX, b.maxX] : [b.minY, b.maxY];
          // 2,000 samples miss an extreme by at most the curve's second derivative times (1/4000)^2 / 2, under 0.001 here.
          expect(Math.min(...values)).toBeGreaterThanOrEqual(min - 1e-9);
          expect(Math.max(...values)).toBeLessThanOrEqual(max + 1e-9);
          expect(Math.min(...values) - min).toBeLessThan(1e-3);
          expect(max - Math.max(...values)).toBeLessThan(1e-3);
        }
      }),
      { numRuns: 200 },
    );
  });

  test("is right for a cubic that is almost a quadratic", () => {
    // The cubic term is 1e-12: the textbook formula for the extreme loses every digit. The true lowest point is a quarter of 500.
    const nearly = pathOf([0, 499.9999999943539, 0, 0, 0, 0, 0, 499.999999994355]);
    expect(nearly.bounds.minY).toBeCloseTo(125, 6);
  });

  test("of a quadratic ends at its extreme, not at its handle", () => {
    const path = new PathBuilder().move(0, 0).quad(50, 100, 100, 0).build();
    expect(path.bounds).toEqual({ minX: 0, minY: 0, maxX: 100, maxY: 50 });
  });

  test("of nothing is empty", () => {
    expect(Path.empty.bounds.minX).toBe(Infinity);
    expect(Path.empty.nodes).toBe(0);
    expect(new PathBuilder().build()).toBe(Path.empty);
  });
});

describe("flattening", () => {
  test("gives the circle of four cubics its known radial error, 2.7e-4 of the radius", () => {
    // M. Goldapp, Approximation of circular arcs by cubic polynomials, CAGD 8 (1991): +2.7253e-4.
    const [p] = flatten(circle(0, 0, 1000), 1e-4);
    let most = 0;
    for (let i = 0; i < p.length; i += 2) most = Math.max(most, Math.hypot(p[i], p[i + 1]) / 1000 - 1);
    expect(most).toBeGreaterThan(2.71e-4);
    expect(most).toBeLessThan(2.74e-4);
  });

  test("keeps its chords within the tolerance of the curve", () => {
    fc.assert(
      fc.property(cubic, fc.constantFrom(0.05, 0.5, 5), (p, tolerance) => {
        const [polygon] = flatten(new PathBuilder().add(pathOf(p)).line(9999, 9999).close().build(), tolerance);
        const chords = polygon.length / 2 - 2;
        // The flattening steps evenly in t: the curve's middle of each step against the chord's middle.
        for (let i = 0; i < chords; i++) {
          const t = (i + 0.5) / chords;
          const [mx, my] = [(polygon[2 * i] + polygon[2 * i + 2]) / 2, (polygon[2 * i + 1] + polygon[2 * i + 3]) / 2];
          expect(Math.hypot(pointOf(p, t, 0) - mx, pointOf(p, t, 1) - my)).toBeLessThanOrEqual(tolerance * 1.0001);
        }
      }),
      { numRuns: 100 },
    );
  });

  test("finds the area and the length of shapes that are known", () => {
    expect(area(rectangle(3, 4, 20, 10))).toBe(200);
    expect(around(rectangle(3, 4, 20, 10))).toBe(60);
    // Within the radial error of the four cubics, 2.7e-4.
    expect(area(circle(0, 0, 100)) / (Math.PI * 1e4)).toBeCloseTo(1, 3);
    expect(around(circle(0, 0, 100)) / (200 * Math.PI)).toBeCloseTo(1, 3);
  });

  test("drops what has no area: points, single lines, repeated points", () => {
    expect(flatten(new PathBuilder().move(1, 1).close().build(), 0.1)).toHaveLength(0);
    expect(flatten(new PathBuilder().move(1, 1).line(5, 5).close().build(), 0.1)).toHaveLength(0);
    const [p] = flatten(new PathBuilder().move(0, 0).line(0, 0).line(5, 0).line(5, 5).line(0, 0).close().build(), 0.1);
    expect([...p]).toEqual([0, 0, 5, 0, 5, 5]);
  });
});

describe("polygons", () => {
  const ring = flatten(
    new PathBuilder()
      .add(rectangle(0, 0, 10, 10))
      .add(rectangle(2, 2, 6, 6))
      .build(),
    1,
  );

  test("wind round the points inside them", () => {
    expect(winding(ring[0], 5, 5)).toBe(1);
    expect(winding(ring[0], 15, 5)).toBe(0);
    expect(signedArea(ring[0])).toBe(100);
    expect(signedArea(Float64Array.from([0, 10, 10, 10, 10, 0, 0, 0]))).toBe(-100);
  });

  test("are spanned by a line as nonzero filling sees them", () => {
    expect(spansAt(ring, 5)).toEqual([[0, 10]]);
    const hole = [ring[0], Float64Array.from([2, 2, 2, 8, 8, 8, 8, 2])];
    expect(spansAt(hole, 5)).toEqual([
      [0, 2],
      [8, 10],
    ]);
  });
});

/** A reader of the path data that `toSvgPath` writes, by the grammar of SVG 2, section 9.3.9. */
function read(d: string): number[][] {
  const points: number[][] = [];
  let [x, y, sx, sy] = [0, 0, 0, 0];
  for (const [, verb, text] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const n = (text.match(/[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?/g) ?? []).map(Number);
    const size = { M: 2, m: 2, l: 2, h: 1, v: 1, q: 4, c: 6, z: 0 }[verb]!;
    if (verb === "z") [x, y] = [sx, sy];
    for (let i = 0; size && i < n.length; i += size) {
      if (verb === "h") x += n[i];
      else if (verb === "v") y += n[i];
      else {
        const [bx, by] = verb === "M" ? [0, 0] : [x, y];
        for (let k = 0; k < size; k += 2) {
          [x, y] = [bx + n[i + k], by + n[i + k + 1]];
          if (k < size - 2) points.push([x, y]);
        }
        if (verb === "M" || verb === "m") [sx, sy] = [x, y];
      }
      points.push([x, y]);
    }
  }
  return points;
}

describe("SVG path data", () => {
  test("keeps every point within half of the last decimal, however long the path", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate, coordinate, coordinate), { minLength: 3, maxLength: 80 }), (quads) => {
        const b = new PathBuilder().move(0, 0);
        for (const [a, c, x, y] of quads) b.quad(a, c, x, y);
        const path = b.close().build();
        const points = read(toSvgPath(path));
        expect(points).toHaveLength(path.coords.length / 2);
        points.forEach(([x, y], i) => {
          // 0.005 by rounding; 1e-6 for sums of decimal fractions in the reader.
          expect(Math.abs(x - path.coords[2 * i])).toBeLessThan(0.005001);
          expect(Math.abs(y - path.coords[2 * i + 1])).toBeLessThan(0.005001);
        });
      }),
    );
  });

  test("is short: no needless letters, spaces or zeros", () => {
    expect(toSvgPath(rectangle(0, 0, 10, 5))).toBe("M0 0h10v5h-10z");
    expect(toSvgPath(rectangle(0, 0, 10, 5), 100, -3)).toBe("M100-3h10v5h-10z");
    expect(toSvgPath(Path.empty)).toBe("");
    expect(toSvgPath(rectangle(0.05, -0.5, 1.25, 0.3))).toBe("M.05-.5h1.25v.3h-1.25z");
  });

  test("moves as a whole by a whole number of hundredths", () => {
    const c = circle(3.3333, 7.7777, 50);
    const still = read(toSvgPath(c));
    read(toSvgPath(c, 12.345, -6.789)).forEach(([x, y], i) => {
      expect(x - still[i][0]).toBeCloseTo(12.35, 6);
      expect(y - still[i][1]).toBeCloseTo(-6.79, 6);
    });
  });

  test("returns to the start of the contour before it goes on", () => {
    const two = new PathBuilder()
      .add(rectangle(0, 0, 1, 1))
      .add(rectangle(5, 5, 1, 1))
      .build();
    expect(read(toSvgPath(two))[4]).toEqual([5, 5]);
  });
});
