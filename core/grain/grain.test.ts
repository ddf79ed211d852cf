import { describe, expect, test } from "@jest/globals";
import { createHash } from "node:crypto";
import fc from "fast-check";
import { drawing, drawn } from "./draw";
import { grainPicture, type Grain, type GrainPicture } from "./grain";
import { materials } from "./materials";
import { chance, noise, octaves, scattered, type Near } from "./noise";

const plain: Grain = {
  material: "wood",
  size: 500,
  angle: 0,
  inks: ["#e0b376", "#9a5f2c", "#54301a"],
  contrast: 1,
  relief: 0.7,
  light: { x: -0.5, y: -0.5, z: Math.SQRT1_2, strength: 1, colour: "#ffffff" },
  seed: 4,
};
const area = { minX: 0, minY: -300, maxX: 600, maxY: 0 };
const picture = (values: Partial<Grain> = {}, width = 60, over = area): GrainPicture => ({
  grain: { ...plain, ...values },
  area: over,
  width,
  height: Math.round((width * (over.maxY - over.minY)) / (over.maxX - over.minX)),
});
const mean = (all: ArrayLike<number>) => Array.from(all).reduce((a, b) => a + b, 0) / all.length;

describe("noise", () => {
  test("is nothing at whole places, and lies about nothing (gradient noise: Perlin 2002)", () => {
    for (let i = -5; i < 5; i++) for (let j = -5; j < 5; j++) expect(noise(i, j, 3)).toBeCloseTo(0, 12);
    const all = Array.from({ length: 20_000 }, (_, i) => noise(i * 0.37, i * 0.73, 3));
    expect(Math.abs(mean(all))).toBeLessThan(0.02);
    expect(Math.max(...all.map(Math.abs))).toBeLessThan(1.6);
  });

  test("leaves octaves out that are finer than two pixels", () => {
    expect(octaves(0.3, 0.7, 1, 6, 0.3)).toBe(octaves(0.3, 0.7, 1, 1, 0));
    expect(octaves(0.3, 0.7, 1, 6, 0.001)).not.toBe(octaves(0.3, 0.7, 1, 3, 0));
  });

  test("chances are even: each tenth has its share of many (chi-squared with 9 degrees, 0.1 %: 27.9, from tables)", () => {
    const tenths = new Array<number>(10).fill(0);
    for (let i = 0; i < 100; i++) for (let j = 0; j < 100; j++) tenths[Math.floor(10 * chance(i, j, 9))]++;
    expect(tenths.reduce((sum, n) => sum + (n - 1000) ** 2 / 1000, 0)).toBeLessThan(27.9);
  });

  test("scattered points: no neighbour that is left out is nearer (against all cells about)", () => {
    const near: Near = { first: 0, second: 0, id: 0 };
    const at = (ix: number, iy: number, seed: number): [number, number] => {
      // Where a cell's point lies: a place at distance 0 from it.
      let best: [number, number, number] = [0, 0, 9];
      for (let i = 0; i <= 40; i++)
        for (let j = 0; j <= 40; j++) {
          const [x, y] = [ix + i / 40.001, iy + j / 40.001];
          scattered(x, y, seed, near);
          if (near.first < best[2]) best = [x, y, near.first];
        }
      return [best[0], best[1]];
    };
    const points = [-1, 0, 1].flatMap((i) => [-1, 0, 1].map((j) => at(i, j, 5)));
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.8, noNaN: true }), fc.double({ min: 0.2, max: 0.8, noNaN: true }), (x, y) => {
        scattered(x, y, 5, near);
        const truly = Math.min(...points.map(([px, py]) => Math.hypot(px - x, py - y)));
        // The points were looked for on a lattice of a fortieth.
        expect(Math.abs(near.first - truly)).toBeLessThan(0.04);
        expect(near.second).toBeGreaterThanOrEqual(near.first);
      }),
      { seed: 1, numRuns: 200 },
    );
  });
});

describe("the picture of a grain", () => {
  test("is the same bytes everywhere", () => {
    // Drawn once by Node on x64: no function is used that engines may round differently.
    expect(createHash("sha256").update(drawn(picture())).digest("hex")).toBe(
      "a2b258789ccb345293b68d6e4cec3ef691ae092888a7a99be02bd93a259fd9f2",
    );
  });

  test("shows the same material at every resolution", () => {
    const [small, large] = [drawn(picture({ relief: 0 }, 240)), drawn(picture({ relief: 0 }, 960))];
    const shrunk = Array.from({ length: 240 * 120 * 3 }, (_, k) => {
      const [c, x, y] = [k % 3, Math.floor(k / 3) % 240, Math.floor(k / 720)];
      let sum = 0;
      for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) sum += large[3 * ((4 * y + j) * 960 + 4 * x + i) + c];
      return sum / 16;
    });
    // What is finer than a pixel is left out of the small one; the rest is the same, within the width of a ring's end.
    expect(mean(shrunk.map((v, i) => Math.abs(v - small[i])))).toBeLessThan(8);
    expect(Math.abs(mean(shrunk) - mean(small))).toBeLessThan(5);
  });

  test("runs on from one part into the next: they are cut from one piece", () => {
    const whole = drawn(picture({}, 60));
    const right = drawn(picture({}, 30, { ...area, minX: 300 }));
    for (let y = 0; y < 30; y++) expect([...right.subarray(90 * y, 90 * y + 90)]).toEqual([...whole.subarray(180 * y + 90, 180 * y + 180)]);
  });

  test("turns with its angle: a quarter turn of the square is the picture turned", () => {
    const square = { minX: -200, minY: -200, maxX: 200, maxY: 200 };
    const [flat, turned] = [0, 90].map((angle) => drawn(picture({ angle, relief: 0 }, 40, square)));
    for (let y = 0; y < 40; y++) for (let x = 0; x < 40; x++) expect(turned[3 * (x * 40 + 39 - y)]).toBe(flat[3 * (y * 40 + x)]);
  });

  test("stays between its inks where it is not lit, and is one even colour without contrast", () => {
    const rgb = drawn(picture({ relief: 0, inks: ["#404040", "#808080", "#808080"] }));
    expect(Math.min(...rgb)).toBeGreaterThanOrEqual(0x40);
    expect(Math.max(...rgb)).toBeLessThanOrEqual(0x81);
    expect(new Set(drawn(picture({ relief: 0, contrast: 0 }))).size).toBe(3);
  });

  test("is lit by the cosine of the angle to the lamp (Lambert): as bright as unlit in the mean, and inside out from the other side", () => {
    const grey: Partial<Grain> = { inks: ["#808080", "#808080", "#808080"], relief: 1 };
    const from = (x: number) => drawn(picture({ ...grey, light: { ...plain.light, x, y: 0, z: Math.sqrt(1 - x * x) } }, 200));
    const [left, right] = [from(-0.6), from(0.6)];
    expect(new Set(left).size).toBeGreaterThan(20);
    // What one side shades the other lights.
    const [a, b] = [mean(left), mean(right)];
    const together = left.reduce((sum, v, i) => sum + (v - a) * (right[i] - b), 0);
    expect(together).toBeLessThan(0);
    // From straight above every slope is as far from the lamp as it is steep, whichever way it looks.
    expect(Math.max(...drawn(picture({ ...grey, light: { ...plain.light, x: 0, y: 0, z: 1 } })))).toBeLessThanOrEqual(0x80);
    // A weak lamp shows less of it.
    const spread = (rgb: Uint8Array) => Math.max(...rgb) - Math.min(...rgb);
    const weak = drawn(picture({ ...grey, light: { ...plain.light, x: -0.6, y: 0, z: 0.8, strength: 0.3 } }, 200));
    expect(spread(weak)).toBeLessThan(0.6 * spread(left));
  });

  test("other pieces of the material are other pictures", () => {
    expect(drawn(picture({ seed: 5 }))).not.toEqual(drawn(picture()));
    for (const m of materials) expect(new Set(drawn(picture({ material: m.kind }))).size).toBeGreaterThan(20);
  });

  test("is drawn in rows, and never in more pixels than are allowed", () => {
    const rows = drawing(picture());
    let count = 0;
    while (!rows.next().done) count++;
    expect(count).toBe(30);
    const large = grainPicture(plain, area, 100, 10_000);
    expect(large.width * large.height).toBeLessThanOrEqual(10_300);
    expect(grainPicture(plain, area, 0.5, 1e9)).toMatchObject({ width: 300, height: 150 });
    expect(grainPicture(plain, { ...area, maxX: 0 }, 1, 1e6)).toMatchObject({ width: 1 });
  });
});
