import { beforeAll, describe, expect, test } from "@jest/globals";
import { circle, rectangle } from "../../tests/paths";
import { benchFaces, openFace, outlines } from "../../tests/kernel/letters";
import { DraftKernel } from "./draft-kernel";
import { flatten } from "./flatten";
import { CurveKernel } from "./kernel";
import { nearest } from "./measure";
import type { Path } from "./path";

const exact = new CurveKernel();
const draft = new DraftKernel(exact);
const round = { kind: "round" } as const;
/** What either covers and the other does not, as a share of the first. */
const apart = (a: Path, b: Path): number => exact.area(exact.exclude([a, b])) / exact.area(a);

let letters: Path[];
beforeAll(async () => {
  letters = (await Promise.all(benchFaces.map(async (f) => outlines(await openFace(f), "Rg&")))).flat();
});

describe("a draft, against the exact outline", () => {
  test("covers the same when grown, within 1 % of the area", () => {
    for (const l of letters) for (const d of [10, 40]) expect(apart(exact.grow(l, d, round), draft.grow(l, d, round))).toBeLessThan(0.01);
  });

  test("is right of circles within 0.3 %: the cubics of a quarter curve a little more at their ends than it does", () => {
    const c = circle(0, 0, 100);
    for (const d of [30, -30]) expect(Math.abs(exact.area(draft.grow(c, d, round)) / exact.area(circle(0, 0, 100 + d)) - 1)).toBeLessThan(0.003);
  });

  test("shrunk, plugged, banded and united looks alike", () => {
    const panel = rectangle(0, 0, 400, 300);
    expect(apart(exact.grow(panel, -40, round), draft.grow(panel, -40, round))).toBeLessThan(1e-6);
    const [r] = letters;
    expect(apart(exact.plug(r), draft.plug(r))).toBeLessThan(1e-6);
    const band = { width: 12, side: "outside", join: round, cap: "butt", dashes: [] } as const;
    expect(apart(exact.band(r, band), draft.band(r, band))).toBeLessThan(0.03);
    expect(apart(exact.union([r, panel]), draft.union([r, panel]))).toBeLessThan(1e-6);
    expect(draft.band(r, { ...band, dashes: [20, 10] })).toBe(exact.band(r, { ...band, dashes: [20, 10] }));
  });

  test("follows a bend, and one that turns the plane over", () => {
    const [r] = letters;
    for (const flip of [1, -1]) {
      const warp = (x: number, y: number, o: Float64Array) => void o.set([flip * x, y + 0.0002 * x * x, flip, 0.0004 * x, 0, 1]);
      const [want, got] = [exact.warp(r, warp, 0.04), draft.warp(r, warp)];
      expect(apart(want, got)).toBeLessThan(0.005);
      for (const [poly] of [flatten(got, 0.5)]) for (let i = 0; i < poly.length; i += 8) expect(nearest(want, poly[i], poly[i + 1])!.distance).toBeLessThan(1.5);
      expect(exact.area(draft.grow(draft.warp(r, warp), 20, round))).toBeGreaterThan(exact.area(draft.warp(r, warp)));
    }
  });
});
