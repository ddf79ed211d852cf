import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { engineWith } from "../../tests/engine";
import { area, circle, contours, rectangle } from "../../tests/paths";
import { contoursOf, pathOf } from "../curves/contour";
import type { Path } from "../curves/path";
import type { LoadedEngine } from "../piece/engine";
import { sidesOf } from "./flanks";
import { hatched, middlesOf, type Hatch } from "./hatch";
import { hatchInk, looseInk, type HatchPen } from "./hatch-ink";
import { fallingOf } from "./rows";

const more = ["alfa-slab", "special-gothic-expanded", "anton"];
let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "abril-fatface", "pacifico", "rye", "marhey", "baloo-2", ...more);
});

const hand: Hatch = { angle: -35, spacing: 24, loose: 0.6, ends: 0.3, joined: false, seed: 3, letter: 2 };
const taper = [
  { at: 0, width: 0.15 },
  { at: 0.2, width: 1 },
  { at: 0.75, width: 1 },
  { at: 1, width: 0.1 },
];

/** Where two areas differ, against the kernel's own booleans, in square units. */
function differenceOf(form: Path, hatch: Hatch, pen: HatchPen): { off: number; whole: number; cut: number; all: number } {
  const { kernel } = engine;
  const strokes = hatched(form, hatch);
  const { ink, uncut } = hatchInk(strokes, pen);
  const found = kernel.union([kernel.weld(ink), kernel.intersect([uncut, form])]);
  const wanted = kernel.intersect([looseInk(strokes, pen), form]);
  return { off: area(kernel.exclude([found, wanted])), whole: area(wanted), cut: contours(uncut), all: strokes.rows.strokes.flat().length };
}

describe("strokes that a letter cuts off", () => {
  // By the kernel's booleans, which are held against Clipper2. A side ends within two thousandths of a unit of the outline, which is itself
  // taken as it is: slivers as wide, at two ends of some hundred strokes, are under a hundred-thousandth of the area.
  test.each([
    ["archivo-black", "RSag8&", {}, {}],
    ["archivo-black", "BKm", { angle: 55, ends: 0 }, {}],
    ["archivo-black", "oe", { angle: 0, loose: 0 }, {}],
    ["archivo-black", "Gx", { loose: 2, ends: 1.2, spacing: 15 }, {}],
    ["abril-fatface", "Eg&", { angle: 90 }, {}],
    ["pacifico", "Hfa", { angle: 12 }, { taper }],
    ["rye", "RMs", { angle: -80, ends: 0.1 }, { taper }],
    ["marhey", "سعم", {}, {}],
    ["baloo-2", "कमन", { spacing: 40 }, {}],
    // Edges that run level within strokes, corners that stand out of round ends, and turns within a stroke.
    ["alfa-slab", "wEz", { angle: 0, loose: 0 }, { taper }],
    ["special-gothic-expanded", "2Ez", { angle: 90, loose: 0.4, ends: 0 }, {}],
    ["anton", "rAx", { angle: -45, loose: 0.4, ends: 0.8, spacing: 50 }, {}],
    ["abril-fatface", "Gtv", { angle: 109, loose: 1.6, ends: 1, spacing: 33 }, {}],
  ])("of %s are what is left of whole strokes within it: %s %p", (face, text, change, pen) => {
    const opened = engine.face(face)!;
    let [cut, all] = [0, 0];
    for (const sign of text) {
      const letter = engine.kernel.weld(opened.outline(opened.glyphOf(sign)!));
      const hatch = { ...hand, ...change };
      const found = differenceOf(letter, hatch, { weight: 0.45 * hatch.spacing, ...pen });
      expect([sign, found.off / found.whole < 1e-5, found.whole > 1000]).toEqual([sign, true, true]);
      cut += found.cut;
      all += found.all;
    }
    // Most are drawn without the kernel.
    expect(cut / all).toBeLessThan(0.2);
  });

  test("of any letter, at any angle, by any pen", () => {
    const faces = ["archivo-black", "abril-fatface", "pacifico", "rye", "alfa-slab", "anton"];
    fc.assert(
      fc.property(
        fc.constantFrom(...faces),
        fc.constantFrom(..."ABDEGKMNQRSWXYZabeghkmqrswyz24578&"),
        fc.record({
          angle: fc.oneof(fc.constantFrom(0, 90, 45, -45), fc.integer({ min: -180, max: 180 })),
          spacing: fc.integer({ min: 15, max: 50 }),
          loose: fc.constantFrom(0, 0.4, 1, 1.8),
          ends: fc.constantFrom(0, 0.3, 1),
          seed: fc.nat(1000),
        }),
        fc.record({ weight: fc.constantFrom(0.25, 0.5, 0.8), taper: fc.constantFrom(undefined, taper) }),
        (face, sign, hatch, pen) => {
          const opened = engine.face(face)!;
          const letter = engine.kernel.weld(opened.outline(opened.glyphOf(sign)!));
          const { off, whole } = differenceOf(letter, { ...hand, ...hatch }, { ...pen, weight: pen.weight * hatch.spacing });
          // Round ends are cubics of a right angle at most. Where one is cut they are others, some ten thousandths of its radius off: of
          // strokes as thick as these that is more than above.
          expect(off / whole).toBeLessThan(5e-5);
        },
      ),
      { numRuns: 24, seed: 7 },
    );
  });

  test("end where a level outline does, flat in a bar and round before its end", () => {
    const bar = rectangle(0, 0, 1000, 120);
    const flat = hatchInk(hatched(bar, { ...hand, angle: 0, loose: 0, ends: 0, spacing: 40 }), { weight: 16 });
    expect(flat.ink.bounds).toMatchObject({ minX: 0, maxX: 1000 });
    expect(area(flat.ink)).toBeCloseTo(3 * 16 * 1000, 3);
    const round = hatchInk(hatched(bar, { ...hand, angle: 0, loose: 0, ends: 1, spacing: 40 }), { weight: 16 });
    expect(round.ink.bounds.minX).toBeGreaterThan(0);
    expect(contours(round.uncut)).toBe(0);
  });
});

describe("whole strokes", () => {
  test("are as wide as their pen and end in half circles", () => {
    const form = circle(500, 500, 400);
    const strokes = hatched(form, { ...hand, ends: -0.4 });
    const wanted = middlesOf(strokes).reduce((sum, c) => sum + area(engine.kernel.band(pathOf([c]), band), 0.001), 0);
    // Against a band of the kernel's around the middle: upright over the middle a stroke is thinner by the cosine of its slope, which is
    // a hundredth at most where a hand is this loose.
    expect(Math.abs(area(looseInk(strokes, { weight: 10 })) / wanted - 1)).toBeLessThan(0.01);
  });

  test("that taper cover the integral of their width, and their ends", () => {
    const form = rectangle(0, 0, 1000, 40);
    const strokes = hatched(form, { ...hand, angle: 0, loose: 0, ends: 0, spacing: 40 });
    const ends = (Math.PI / 8) * ((0.15 * 20) ** 2 + (0.1 * 20) ** 2);
    // Trapezoids: 0.15 to 1 over a fifth, 1 as far as three quarters, 1 to 0.1 over the last.
    const inside = 20 * 1000 * (0.2 * 0.575 + 0.55 + 0.25 * 0.55);
    expect(area(looseInk(strokes, { weight: 20, taper }))).toBeCloseTo(inside + ends, 0);
  });
});

describe("the sides of an outline", () => {
  test("run from one of its turns to the next, whatever place it begins at", () => {
    // A circle of four cubics has two, a square stood on its corner too, a ring twice as many.
    const sides = (path: Path, turn = 0) => sidesOf(fallingOf(contoursOf(path, true), turn)).flanks;
    expect(sides(circle(0, 0, 100))).toHaveLength(2);
    expect(sides(rectangle(0, 0, 100, 100), Math.PI / 4)).toHaveLength(2);
    expect(sides(engine.kernel.subtract(circle(0, 0, 100), [circle(0, 0, 50)]), 0.3)).toHaveLength(4);
    const [left] = [...sides(circle(0, 0, 100))].sort((a, b) => a.left - b.left);
    // A thousandth: a circle of cubics is no nearer to one.
    expect([left.at(0), left.at(60)]).toEqual([expect.closeTo(-100, 0), expect.closeTo(-80, 0)]);
    // By its handles, which lie a little outside.
    const [from, to] = left.reach(-60, 60)!;
    expect([from <= -99.9 && from > -110, to]).toEqual([true, expect.closeTo(-80, 0)]);
  });
});

const band = { side: "centre", width: 10, join: { kind: "round" }, cap: "round", dashes: [] } as const;
