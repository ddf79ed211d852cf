import { expect, test } from "@jest/globals";
import { circle, rectangle } from "../../tests/paths";
import { contoursOf } from "../curves/contour";
import { Track } from "../curves/track";
import { softened } from "./softened";

test("a line that is far shorter than what is let go of it is drawn within its own box, and every place of it is a number", () => {
  for (const path of [rectangle(0, 0, 2, 3), circle(1, 1, 1), rectangle(0, 0, 900, 0.5)])
    for (const half of [0.001, 1, 10, 1e3, 1e6]) {
      const track = new Track(contoursOf(path, true)[0]);
      const at = softened(track, half);
      const { minX, minY, maxX, maxY } = path.bounds;
      const out = new Float64Array(4);
      for (let i = -7; i < 40; i++) {
        at((i / 20) * track.length, out);
        expect(out.every(Number.isFinite)).toBe(true);
        // A mean lies within what it is the mean of, but for rounding.
        expect(out[0]).toBeGreaterThan(minX - 1e-6);
        expect(out[0]).toBeLessThan(maxX + 1e-6);
        expect(out[1]).toBeGreaterThan(minY - 1e-6);
        expect(out[1]).toBeLessThan(maxY + 1e-6);
      }
    }
});
