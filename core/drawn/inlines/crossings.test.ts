import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { Crossings } from "./crossings";

/** Whole numbers, of which both ways to tell are exact. */
const whole = fc.integer({ min: -200, max: 200 });
const place = fc.record({ x: whole, y: whole });
type Place = { x: number; y: number };

/** Whether two lines cross, by where the one meets the line through the other: on both, and at no end. */
function cross(a: Place, b: Place, c: Place, d: Place): boolean {
  const det = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  const s = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / det;
  const t = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / det;
  return s > 0 && s < 1 && t > 0 && t < 1;
}

test("finds what a way crosses wherever it lies, and no line of its own", () => {
  fc.assert(
    fc.property(fc.array(fc.array(place, { minLength: 2, maxLength: 8 }), { maxLength: 6 }), place, place, (lines, a, b) => {
      const all = new Crossings();
      lines.forEach((line, own) => all.add(line, own));
      const crossed = lines.map((line) => line.some((p, i) => i > 0 && cross(a, b, line[i - 1], p)));
      expect(all.has(a, b, -1)).toBe(crossed.includes(true));
      lines.forEach((_, own) => expect(all.has(a, b, own)).toBe(crossed.some((is, other) => is && other !== own)));
    }),
  );
});

test("lets a line end on another", () => {
  const all = new Crossings();
  all.add(
    [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
    ],
    0,
  );
  expect(all.has({ x: 5, y: 0 }, { x: 5, y: 8 }, 1)).toBe(false);
  expect(all.has({ x: 5, y: -1 }, { x: 5, y: 8 }, 1)).toBe(true);
});
