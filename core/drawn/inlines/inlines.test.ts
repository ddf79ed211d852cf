import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../../demo/build";
import { coatsContext } from "../../../tests/coats";
import { engineWith } from "../../../tests/engine";
import { judge } from "../../../tests/inlines";
import { area, circle, polygonPath, rectangle } from "../../../tests/paths";
import { Coats } from "../../coat/evaluate";
import { toggledMark } from "../../coat/marks";
import { contoursOf, type Contour } from "../../curves/contour";
import { flatten } from "../../curves/flatten";
import { Course } from "../../curves/length";
import type { Path } from "../../curves/path";
import type { LoadedEngine } from "../../piece/engine";
import { inlinesOf, mostInlines, strokeTips, type Inlines } from "./inlines";
import { shares } from "./line";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(
    "archivo-black",
    "fredoka",
    "pacifico",
    "alfa-slab",
    "abril-fatface",
    "fraunces",
    "kalnia",
    "marhey",
    "baloo-2",
  );
});

const open: Inlines = { count: 3, margin: 1, closed: false, endGap: 0 };
const ends = (path: Path, options: Partial<Inlines> = {}) =>
  inlinesOf(path, { ...open, ...options }, engine.kernel).map(({ line, depth }) => {
    const course = new Course(line);
    return { line, depth, length: course.length, from: course.at(0), to: course.at(course.length) };
  });
/** Where contours cross a level, from the left. */
const crossings = (contours: readonly Contour[], y: number): number[] =>
  contours
    .flatMap((c) => {
      const course = new Course(c);
      const steps = Math.ceil(course.length / 2);
      const places = Array.from({ length: steps + 1 }, (_, i) => course.at((i * course.length) / steps));
      return places.slice(1).flatMap((q, i) => {
        const p = places[i];
        return p.y <= y !== q.y <= y ? [p.x + ((q.x - p.x) * (y - p.y)) / (q.y - p.y)] : [];
      });
    })
    .sort((a, b) => a - b);
const bar = rectangle(0, 0, 1000, 200);

describe("lines in a stem", () => {
  test("end evenly where a notch in one side draws some of them aside", () => {
    // A stem 120 wide, 100 where a notch is cut, near one end and near the other.
    for (const [top, bottom] of [
      [80, 240],
      [360, 520],
      [200, 400],
    ]) {
      const stem = polygonPath([
        [0, 0],
        [120, 0],
        [120, top],
        [100, top + 60],
        [100, bottom - 60],
        [120, bottom],
        [120, 600],
        [0, 600],
      ]);
      const lines = ends(stem, { count: 5 });
      for (const y of [0, 600]) {
        const at = lines.flatMap((l) => [l.from, l.to].filter((p) => Math.abs(p.y - y) < 1)).map((p) => p.x);
        const gaps = [0, ...at.sort((a, b) => a - b), 120].map((x, i, all) => x - (all[i - 1] ?? x)).slice(1);
        // A fifth off even at most, as the lines that run straight may be.
        expect(gaps).toHaveLength(6);
        for (const gap of gaps) expect(Math.abs(gap - 20)).toBeLessThan(4.01);
      }
    }
  });

  test("that run straight out of both ends go no farther aside on their way than they end", () => {
    // Wider at both ends, as by a bracket.
    const stem = polygonPath([
      [0, 0],
      [120, 0],
      [120, 40],
      [112, 120],
      [112, 880],
      [120, 960],
      [120, 1000],
      [0, 1000],
    ]);
    for (const { line, length, from, to } of ends(stem)) {
      const course = new Course(line);
      const xs = Array.from({ length: 201 }, (_, i) => course.at((i * length) / 200).x);
      expect(Math.max(...xs)).toBeLessThan(Math.max(from.x, to.x) + 0.1);
    }
  });
});

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

describe("single ends", () => {
  const tip = { x: 1000, y: 100 };

  test("are found at the tips of strokes", () => {
    const tips = strokeTips(bar, engine.kernel).sort((a, b) => a.x - b.x);
    expect(tips).toEqual([
      { x: expect.closeTo(0, 0), y: expect.closeTo(100, 0) },
      { x: expect.closeTo(1000, 0), y: expect.closeTo(100, 0) },
    ]);
    const h = engine.face("archivo-black")!;
    expect(strokeTips(engine.kernel.weld(h.outline(h.glyphOf("H")!)), engine.kernel)).toHaveLength(4);
    expect(strokeTips(engine.kernel.weld(h.outline(h.glyphOf("O")!)), engine.kernel)).toHaveLength(0);
  });

  test("close where the others are open, and open where they are closed", () => {
    // Two lines that go round one end are one line, whose ends are at the other.
    const [bent, ...others] = ends(bar, { count: 2, flipped: [tip] });
    expect(others).toEqual([]);
    expect([bent.from.x, bent.to.x]).toEqual([0, 0].map((x) => expect.closeTo(x, 0)));
    const [opened, ...more] = ends(bar, { count: 2, closed: true, flipped: [tip] });
    expect(more).toEqual([]);
    expect([opened.from.x, opened.to.x]).toEqual([1000, 1000].map((x) => expect.closeTo(x, 0)));
    expect(ends(bar, { count: 2, flipped: [{ x: 500, y: 900 }] })).toHaveLength(2);
  });
});

describe("how many lines strokes carry", () => {
  test("follows from their width: so many gaps as wide as a line needs", () => {
    // 200 units hold 22 gaps of 9, more than the nine that there may be; of 30 units three, and so two lines.
    expect(mostInlines(bar, 5, engine.kernel)).toBe(9);
    expect(mostInlines(rectangle(0, 0, 1000, 30), 5, engine.kernel)).toBe(2);
    expect(mostInlines(rectangle(0, 0, 1000, 12), 5, engine.kernel)).toBe(0);
    // A line of 40 wants 50: four gaps, three lines.
    expect(mostInlines(bar, 40, engine.kernel)).toBe(3);
  });

  test("what is carried is drawn, and told where it is not", () => {
    const c = coat("T", flat("face"), [step("inlines", { count: 5, weight: 1 })]);
    const thin = { path: rectangle(0, 0, 1000, 40), x: 0, y: 300, line: 0, letter: 1, text: "l" };
    const facts = new Coats(
      [c],
      coatsContext(engine.kernel, { parts: [{ path: bar, x: 50, y: 0, line: 0, letter: 0, text: "I" }, thin] }),
    ).facts("t");
    const { marks, remark } = Object.values(facts)[0];
    expect(remark).toEqual({
      message: "Too thin for 5 lines of this weight: l.",
      offer: { label: "Take 2 lines", values: { count: 2 } },
    });
    expect(marks!.map((m) => m.of)).toEqual(["I", "I", "l", "l"]);
    expect(marks![0].at.x).toBeGreaterThan(49);
    expect(marks!.every((m) => !m.on)).toBe(true);
  });

  test("a mark closes the end on every letter of its text, on any word, and a second click opens it", () => {
    const parts = ["I", "l", "I"].map((text, i) => ({ path: bar, x: 0, y: 400 * i, line: 0, letter: i, text }));
    const formOf = (flips: unknown) =>
      new Coats([coat("T", flat("face"), [step("inlines", { count: 2, weight: 1, flips })])], coatsContext(engine.kernel, { parts })).form(
        "t",
      )!;
    const flips = toggledMark([], { of: "I", x: 1, y: 0.5 });
    // Where the lines go round, the two of a letter are in one piece.
    expect(formOf(flips).parts.map((p) => engine.kernel.split(p.path).length)).toEqual([1, 2, 1]);
    expect(toggledMark(flips, { of: "I", x: 0.97, y: 0.52 })).toEqual([]);
    expect(toggledMark(flips, { of: "I", x: 0, y: 0.5 })).toHaveLength(2);
  });
});

describe("lines in letters", () => {
  test.each(["archivo-black", "fredoka", "alfa-slab", "anton", "comfortaa", "league-gothic"])(
    "lie evenly across the stems of %s: every gap within a twentieth of the others",
    async (face) => {
      await engine.load([face]);
      const opened = engine.face(face)!;
      const h = engine.kernel.weld(opened.outline(opened.glyphOf("H")!));
      // Half-way up the lower half of the stems, where nothing joins.
      const y = h.bounds.maxY - (h.bounds.maxY - h.bounds.minY) / 4;
      const stem = crossings(contoursOf(h, true), y).slice(0, 2);
      for (const count of [1, 2, 3, 4]) {
        const lines = crossings(
          inlinesOf(h, { ...open, count }, engine.kernel).map((l) => l.line),
          y,
        ).filter((x) => x < stem[1]);
        if (mostInlines(h, 1, engine.kernel) < count) continue;
        expect(lines).toHaveLength(count);
        const places = [stem[0], ...lines, stem[1]];
        const even = (stem[1] - stem[0]) / (count + 1);
        for (let i = 0; i + 1 < places.length; i++) expect(Math.abs((places[i + 1] - places[i]) / even - 1)).toBeLessThan(0.05);
      }
    },
  );

  test.each(["kalnia", "abril-fatface", "fraunces"])("run straight through the stem of %s, past the hairlines that join it", (face) => {
    const opened = engine.face(face)!;
    for (const sign of "ETI") {
      const letter = engine.kernel.weld(opened.outline(opened.glyphOf(sign)!));
      const { minY, maxY } = letter.bounds;
      const [first, ...rest] = inlinesOf(letter, { ...open, count: 1 }, engine.kernel)
        .map(({ line }) => new Course(line))
        .sort((a, b) => b.length - a.length);
      const [from, to] = [first.at(0), first.at(first.length)];
      // A unit: what the outlines are rounded to, and what lines may be off their course.
      expect([face, sign, Math.abs(from.x - to.x) < 1]).toEqual([face, sign, true]);
      // Beaks reach a little beyond the stem.
      expect((Math.max(from.y, to.y) - Math.min(from.y, to.y)) / (maxY - minY)).toBeGreaterThan(0.96);
      // What else there is lies in its beaks.
      for (const other of rest) expect(other.length).toBeLessThan(first.length / 2);
    }
  });

  test("go round in balls and stand upright in beaks, where hairlines hold those", () => {
    const ball = engine.kernel.weld(engine.kernel.union([rectangle(0, 0, 150, 700), rectangle(140, 20, 300, 20), circle(480, 60, 70)]));
    const rings = inlinesOf(ball, { ...open, count: 2 }, engine.kernel).filter(({ line }) => line.points[0] > 300);
    expect(rings).toHaveLength(1);
    const ring = new Course(rings[0].line);
    const [a, b] = [ring.at(0), ring.at(ring.length / 2)];
    expect([(a.x + b.x) / 2, (a.y + b.y) / 2].map(Math.round)).toEqual([expect.closeTo(480, -1), expect.closeTo(60, -1)]);
    const beak = engine.kernel.weld(
      engine.kernel.union([
        rectangle(0, 0, 150, 700),
        rectangle(140, 0, 300, 20),
        polygonPath([
          [400, 0],
          [560, 0],
          [560, 200],
        ]),
      ]),
    );
    const upright = inlinesOf(beak, { ...open, count: 2 }, engine.kernel).filter(({ line }) => line.points[0] > 300);
    expect(upright).toHaveLength(2);
    for (const { line } of upright) {
      const course = new Course(line);
      expect(Math.abs(course.at(0).x - course.at(course.length).x)).toBeLessThan(1e-6);
    }
  });

  // A sample of `npm run inlines`, which takes every face, sign and number of lines.
  test.each([
    ["archivo-black", "RSag8&K"],
    ["fredoka", "RaBx4t"],
    ["pacifico", "Tagk"],
    ["alfa-slab", "HOSu"],
    ["abril-fatface", "E4yRg"],
    ["fraunces", "EWrS5"],
    ["kalnia", "ETXZxy"],
    ["marhey", "سعم"],
    ["baloo-2", "कमन"],
  ])("of %s do not cross, lie inside and fill the strokes: %s", (face, text) => {
    const opened = engine.face(face)!;
    for (const c of text)
      for (const count of [1, 3, 4]) {
        const glyph = opened.glyphOf(c);
        expect([c, glyph !== undefined]).toEqual([c, true]);
        const judged = judge(engine.kernel.weld(opened.outline(glyph!)), count, engine.kernel);
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
