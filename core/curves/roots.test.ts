import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { at, derivative, signChanges, times } from "./roots";

/** The Bernstein coefficients of (t - r): -r and 1 - r. */
const factor = (r: number) => [-r, 1 - r];

describe("polynomials in the Bernstein basis", () => {
  test("change their sign at their simple roots", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 99 }), { minLength: 1, maxLength: 4 }), (hundredths) => {
        const roots = hundredths.map((h) => h / 100).sort((a, b) => a - b);
        const found = signChanges(roots.map(factor).reduce(times));
        expect(found).toHaveLength(roots.length);
        // Roots a hundredth apart, of degree 4: known to about 1e-8 in doubles.
        found.forEach((t, i) => expect(Math.abs(t - roots[i])).toBeLessThan(1e-7));
      }),
      { numRuns: 200 },
    );
  });

  test("do not where they only touch zero, or have their roots outside", () => {
    expect(signChanges(times(factor(0.25), factor(0.25)))).toEqual([]);
    expect(signChanges(times(factor(-0.2), factor(1.5)))).toEqual([]);
    expect(signChanges(times(factor(0.5), factor(0.5)))).toEqual([]);
    expect(signChanges(factor(0.5))).toEqual([0.5]);
    expect(signChanges([0, 0, 0])).toEqual([]);
  });

  test("multiply and differentiate as functions do", () => {
    const [p, q] = [
      [1, -2, 3],
      [0.5, 4],
    ];
    const t = 0.37;
    expect(at(times(p, q), t)).toBeCloseTo(at(p, t) * at(q, t), 12);
    expect(at(derivative(p), t)).toBeCloseTo((at(p, t + 1e-6) - at(p, t - 1e-6)) / 2e-6, 6);
  });
});
