import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../../demo/build";
import { coatsContext } from "../../../tests/coats";
import { engineWith } from "../../../tests/engine";
import { judge } from "../../../tests/inlines";
import { area, circle, polygonPath, rectangle } from "../../../tests/paths";
import { Coats } from "../../coat/evaluate";
import { contoursOf } from "../../curves/contour";
import { flatten } from "../../curves/flatten";
import { Course } from "../../curves/length";
import type { Path } from "../../curves/path";
import type { LoadedEngine } from "../../piece/engine";
import { inlinesOf, type Inlines } from "./inlines";
import { shares } from "./line";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "fredoka", "pacifico", "alfa-slab", "marhey", "baloo-2");
});

const open: Inlines = { count: 3, margin: 1, closed: false, endGap: 0 };
const ends = (path: Path, options: Partial<Inlines> = {}) =>
  inlinesOf(path, { ...open, ...options }).map(({ line, depth }) => {
    const course = new Course(line);
    return { line, depth, length: course.length, from: course.at(0), to: course.at(course.length) };
  });
const bar = rectangle(0, 0, 1000, 200);

describe("lines in a bar", () => {
  test.each([1, 2, 3, 5, 9])("%d lie evenly between its sides and run out of both ends", (count) => {
    const lines = ends(bar, { count });
    expect(lines).toHaveLength(count);
    const heights = lines.map((l) => l.from.y).sort((a, b) => a - b);
    heights.forEach((y, i) => expect(y).toBeCloseTo((200 * (i + 1)) / (count + 1), 1));
    for (const l of lines) {
      expect(l.length).toBeCloseTo(1000, 0);
      expect(l.line.size).toBe(1);
      expect(Math.abs(l.from.y - l.to.y)).toBeLessThan(0.2);
    }
    // From the edge inwards, both sides alike.
    expect(lines.map((l) => l.depth).sort()).toEqual(heights.map((_, i) => Math.min(i, count - 1 - i)).sort());
  });

  test("stop before the end by a share of the space between them", () => {
    for (const l of ends(bar, { count: 3, endGap: 1 })) expect(l.length).toBeCloseTo(1000 - 2 * 50, 0);
  });

  test("keep a margin of their own", () => {
    expect(shares(3, 0.5)).toEqual([1 / 6, 1 / 2, 5 / 6].map((v) => expect.closeTo(v, 12)));
    const heights = ends(bar, { count: 2, margin: 2 }).map((l) => l.from.y);
    expect(heights.sort((a, b) => a - b)).toEqual([80, 120].map((v) => expect.closeTo(v, 1)));
  });

  test("go round where the ends are closed, with corners where the bar has them", () => {
    const [ring, ...others] = ends(bar, { count: 2, closed: true });
    expect(others).toEqual([]);
    expect(ring.line.closed).toBe(true);
    // A third of the width inside on all sides.
    expect(ring.length).toBeCloseTo(2 * (1000 - 2 * 200 * (1 / 3)) + 2 * (200 / 3), -1.5);
  });

  test("are left out where the bar is too thin for them", () => {
    expect(ends(rectangle(0, 0, 1000, 30), { count: 3 })).toEqual([]);
    expect(ends(rectangle(0, 0, 1000, 30), { count: 1 })).toHaveLength(1);
  });
});

describe("lines round corners and through joins", () => {
  test("turn a right angle in mitres, at even distances", () => {
    // An L: a stem of 200 and a foot of 200.
    const l = polygonPath([
      [0, 0],
      [200, 0],
      [200, 800],
      [900, 800],
      [900, 1000],
      [0, 1000],
    ]);
    const lines = ends(l, { count: 3 });
    expect(lines).toHaveLength(3);
    const lengths = lines.map((x) => x.length).sort((a, b) => a - b);
    // Each next one is longer by twice the space between two.
    expect(lengths[1] - lengths[0]).toBeCloseTo(100, 0);
    expect(lengths[2] - lengths[1]).toBeCloseTo(100, 0);
    for (const x of lines) expect(x.line.size).toBe(2);
  });

  test("run straight on past a join", () => {
    const t = engine.kernel.union([rectangle(0, 0, 1000, 160), rectangle(420, 100, 160, 800)]);
    const lines = ends(t, { count: 1 });
    const beam = lines.find((l) => l.length > 900)!;
    for (const polygon of flatten(t, 1)) expect(polygon.length).toBeGreaterThan(0);
    for (let s = 0; s <= beam.length; s += 20) expect(Math.abs(new Course(beam.line).at(s).y - 80)).toBeLessThan(2);
    expect(lines).toHaveLength(2);
  });

  test("close around a ring, as circles between its sides", () => {
    const ring = engine.kernel.subtract(circle(0, 0, 400), [circle(0, 0, 200)]);
    const lines = ends(ring, { count: 3 });
    expect(lines.map((l) => l.line.closed)).toEqual([true, true, true]);
    const radii = lines.map((l) => l.length / (2 * Math.PI)).sort((a, b) => a - b);
    expect(radii).toEqual([250, 300, 350].map((v) => expect.closeTo(v, -0.5)));
  });
});

describe("lines in letters", () => {
  // A sample of `npm run fuzz -- inlines`, which takes every face, sign and number of lines.
  test.each([
    ["archivo-black", "RSag8&K"],
    ["fredoka", "RaBx4t"],
    ["pacifico", "Tagk"],
    ["alfa-slab", "HOSu"],
    ["marhey", "سعم"],
    ["baloo-2", "कमन"],
  ])("of %s do not cross, lie inside and fill the strokes: %s", (face, text) => {
    const opened = engine.face(face)!;
    for (const c of text)
      for (const count of [1, 3, 4]) {
        const glyph = opened.glyphOf(c);
        expect([c, glyph !== undefined]).toEqual([c, true]);
        const judged = judge(engine.kernel.weld(opened.outline(glyph!)), count);
        expect([face, c, count, judged.crossings, judged.outside]).toEqual([face, c, count, 0, 0]);
        expect(judged.lines).toBeGreaterThan(0);
        expect(judged.reach).toBeGreaterThan(0.75);
      }
  });
});

describe("the form step", () => {
  const formOf = (values: Record<string, unknown>, path = bar) =>
    new Coats(
      [coat("T", flat("face"), [step("inlines", values)])],
      coatsContext(engine.kernel, { parts: [{ path, x: 0, y: 0, line: 0 }] }),
    ).form("t")!;

  test("covers the weight of its lines, each depth by itself from the edge inwards", () => {
    const { parts } = formOf({ count: 3, weight: 1 });
    expect(parts.map((p) => [p.along, Math.round(area(p.path))])).toEqual([
      [0, 2 * 10 * 1000],
      [1, 10 * 1000],
    ]);
    // Rings within one another are rings still.
    const ring = engine.kernel.subtract(circle(0, 0, 400), [circle(0, 0, 200)]);
    const rings = formOf({ count: 4, weight: 1 }, ring).parts.map((p) => area(p.path) / (10 * 2 * Math.PI));
    expect(rings).toEqual([360 + 240, 320 + 280].map((r) => expect.closeTo(r, -1)));
    // Tapered: the integral of its width; 0.2 to 1 over three tenths at both ends.
    const tapered = formOf({ count: 1, weight: 1, taper: "ends" });
    expect(area(tapered.parts[0].path) / (10 * 1000 * (0.4 + 0.6 * 0.6))).toBeCloseTo(1, 2);
    expect(contoursOf(formOf({ count: 2, ends: "closed" }).parts[0].path, true)).toHaveLength(2);
  });
});
