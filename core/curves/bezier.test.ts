import { describe, expect, test } from "@jest/globals";
import { Bezier } from "bezier-js";
import fc from "fast-check";
import { chords, curvatureAt, cut, directionAt, footNear, slopeAt, valueAt } from "./bezier";
import { lengthOf, parameterAt } from "./length";

const coordinate = fc.double({ min: -500, max: 500, noNaN: true });
const segment = fc
  .integer({ min: 1, max: 3 })
  .chain((degree) => fc.array(coordinate, { minLength: 2 * degree + 2, maxLength: 2 * degree + 2 }));
const curve = fc
  .integer({ min: 2, max: 3 })
  .chain((degree) => fc.array(coordinate, { minLength: 2 * degree + 2, maxLength: 2 * degree + 2 }));
const parameter = fc.double({ min: 0, max: 1, noNaN: true });
const degreeOf = (p: readonly number[]) => p.length / 2 - 1;

describe("a segment, against bezier-js", () => {
  test("has the same points, derivatives and curvature", () => {
    fc.assert(
      fc.property(curve, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (p, t) => {
        const peer = new Bezier(p);
        const d = degreeOf(p);
        const at = peer.get(t);
        // Both work in doubles on numbers up to 500: 1e-9 is a thousand roundings.
        expect(valueAt(p, 0, d, t)).toBeCloseTo(at.x, 9);
        expect(valueAt(p, 1, d, t)).toBeCloseTo(at.y, 9);
        const slope = peer.derivative(t);
        expect(slopeAt(p, 0, d, t)).toBeCloseTo(slope.x, 8);
        expect(slopeAt(p, 1, d, t)).toBeCloseTo(slope.y, 8);
        const speed = Math.hypot(slope.x, slope.y);
        fc.pre(speed > 1);
        // The published types leave this method out.
        const { k } = (peer as unknown as { curvature(t: number): { k: number } }).curvature(t);
        expect(Math.abs(curvatureAt(p, 0, d, t) - k)).toBeLessThan(1e-7 * (1 + Math.abs(k)));
      }),
      { numRuns: 200 },
    );
  });

  test("has the same length", () => {
    fc.assert(
      fc.property(curve, (p) => {
        // bezier-js takes one rule of order 24 over the whole curve, which near a cusp is good to some thousandths.
        const peer = new Bezier(p);
        const [first, second] = [peer.split(0, 0.5), peer.split(0.5, 1)];
        const length = lengthOf(p, 0, degreeOf(p));
        expect(Math.abs(length - first.length() - second.length())).toBeLessThan(0.003 * length + 1e-6);
      }),
      { numRuns: 200 },
    );
  });
});

describe("a segment", () => {
  test("is cut into parts that lie on it and end on it exactly", () => {
    fc.assert(
      fc.property(segment, parameter, parameter, parameter, (p, a, b, t) => {
        const d = degreeOf(p);
        const part = new Float64Array(8);
        cut(p, 0, d, a, b, part, 0);
        expect([part[0], part[1]]).toEqual([valueAt(p, 0, d, a), valueAt(p, 1, d, a)]);
        expect([part[2 * d], part[2 * d + 1]]).toEqual([valueAt(p, 0, d, b), valueAt(p, 1, d, b)]);
        for (const axis of [0, 1]) expect(valueAt(part, axis, d, t)).toBeCloseTo(valueAt(p, axis, d, a + (b - a) * t), 8);
      }),
      { numRuns: 300 },
    );
  });

  test("has a direction at its ends also where handles lie on them", () => {
    const out = new Float64Array(2);
    directionAt([0, 0, 0, 0, 30, 40, 30, 40], 0, 3, 0, out);
    expect([...out]).toEqual([0.6, 0.8]);
    directionAt([0, 0, 0, 0, 30, 40, 30, 40], 0, 3, 1, out);
    expect([...out]).toEqual([0.6, 0.8]);
    directionAt([5, 5, 5, 5], 0, 1, 0.5, out);
    expect([...out]).toEqual([0, 0]);
  });

  test("is flattened into as many chords as the tolerance asks for", () => {
    fc.assert(
      fc.property(curve, fc.constantFrom(0.01, 0.1, 1), (p, tolerance) => {
        const d = degreeOf(p);
        const n = chords(p, 0, d, tolerance);
        for (let i = 0; i < n; i++) {
          const [mx, my] = [0, 1].map((axis) => (valueAt(p, axis, d, i / n) + valueAt(p, axis, d, (i + 1) / n)) / 2);
          expect(Math.hypot(valueAt(p, 0, d, (i + 0.5) / n) - mx, valueAt(p, 1, d, (i + 0.5) / n) - my)).toBeLessThanOrEqual(
            tolerance * 1.0001,
          );
        }
      }),
      { numRuns: 100 },
    );
  });

  test("is followed by its length, to and fro", () => {
    fc.assert(
      fc.property(curve, parameter, (p, share) => {
        const d = degreeOf(p);
        const total = lengthOf(p, 0, d);
        fc.pre(total > 1);
        const t = parameterAt(p, 0, d, share * total, total);
        expect(lengthOf(p, 0, d, 0, t)).toBeCloseTo(share * total, 5);
      }),
      { numRuns: 150 },
    );
  });

  test("is met at right angles by the way to its foot", () => {
    const p = [0, 0, 40, 120, 160, -60, 200, 30];
    const t = footNear(p, 0, 3, 90, 60, 0.4);
    const [ex, ey] = [valueAt(p, 0, 3, t) - 90, valueAt(p, 1, 3, t) - 60];
    expect(ex * slopeAt(p, 0, 3, t) + ey * slopeAt(p, 1, 3, t)).toBeCloseTo(0, 6);
  });

  test("of a quarter circle has the known length and curvature", () => {
    // The four-cubic circle's radial error is within 2.7253e-4 (Goldapp 1991), so its length is pi / 2 to that.
    const k = (400 * (Math.SQRT2 - 1)) / 3;
    const quarter = [100, 0, 100, k, k, 100, 0, 100];
    expect(Math.abs(lengthOf(quarter, 0, 3) / (50 * Math.PI) - 1)).toBeLessThan(2.8e-4);
    for (const t of [0.1, 0.5, 0.8]) expect(Math.abs(curvatureAt(quarter, 0, 3, t) * 100 - 1)).toBeLessThan(0.01);
  });
});
