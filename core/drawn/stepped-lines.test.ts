import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { engineWith } from "../../tests/engine";
import { area, circle, rectangle } from "../../tests/paths";
import { Coats } from "../coat/evaluate";
import { contoursOf } from "../curves/contour";
import type { Kernel } from "../curves/kernel";
import { Course } from "../curves/length";
import { parseSvgPath } from "../curves/parse-svg-path";
import type { LoadedEngine } from "../piece/engine";
import { steppedLines, weightAt } from "./stepped-lines";

const calm = { length: 100, height: 0, drift: 0, uneven: 0, seed: 1 };
const lines = (...d: string[]) => d.flatMap((path) => contoursOf(parseSvgPath(path), false));
const level = lines("M0 0H1000", "M0 300H1000", "M0 400H1000");

describe("lines stepped between key lines", () => {
  test("lie at even steps between each pair, and the key lines are among them", () => {
    const all = steppedLines(level, 2, calm);
    expect(all.map(({ line }) => new Course(line).at(500).y)).toEqual(
      [0, 100, 200, 300, 300 + 100 / 3, 300 + 200 / 3, 400].map((y) => expect.closeTo(y, 3)),
    );
    expect(all.map((l) => l.along)).toEqual([0, 1, 2, 3, 4, 5, 6].map((i) => expect.closeTo(i / 6, 9)));
    expect(all.map((l) => [l.key, Number(l.share.toFixed(3))])).toEqual([
      [0, 0],
      [0, 0.333],
      [0, 0.667],
      [1, 0],
      [1, 0.333],
      [1, 0.667],
      [1, 1],
    ]);
  });

  test("go from one form to another: half-way between a line and an arc each place is the mean of both", () => {
    const [a, , b] = steppedLines(lines("M0 0H1000", "M0 0C0 -400 1000 -400 1000 0"), 1, calm).map((l) => new Course(l.line));
    const [, half] = steppedLines(lines("M0 0H1000", "M0 0C0 -400 1000 -400 1000 0"), 1, calm).map((l) => new Course(l.line));
    // The middle of the arc stands at -300.
    expect(b.at(b.length / 2).y).toBeCloseTo(-300, 0);
    expect(half.at(half.length / 2).y).toBeCloseTo(-150, 0);
    expect(half.at(0).x).toBeCloseTo(a.at(0).x, 6);
  });

  test("carry waves whose crests can be counted, as high as they are told; a closed line a whole number of them", () => {
    const [wave] = steppedLines(lines("M0 0H1000", "M0 9H1000"), 0, { ...calm, length: 100, height: 20 });
    const course = new Course(wave.line);
    const heights = Array.from({ length: 2001 }, (_, i) => course.at((course.length * i) / 2000).y);
    const crests = heights.filter((y, i) => i > 0 && i < 2000 && y > heights[i - 1] && y >= heights[i + 1]);
    expect(crests).toHaveLength(10);
    for (const y of crests) expect(Math.abs(y - 20)).toBeLessThan(0.5);
    const rings = [100, 60].flatMap((r) => contoursOf(circle(0, 0, r), true));
    const [ring] = steppedLines(rings, 0, { ...calm, length: 95, height: 6 });
    expect(ring.line.closed).toBe(true);
    const round = new Course(ring.line);
    const radii = Array.from({ length: 3000 }, (_, i) => {
      const { x, y } = round.at((round.length * i) / 3000);
      return Math.hypot(x, y);
    });
    const tops = radii.filter((r, i) => r > radii[(i + 2999) % 3000] && r >= radii[(i + 1) % 3000]);
    expect(tops).toHaveLength(Math.round((2 * Math.PI * 100) / 95));
  });

  test("mix the weights of their key lines; the last that is said is for all further ones", () => {
    expect([weightAt([2, 1, 4], 0, 0.25), weightAt([2, 1, 4], 1, 0.5), weightAt([2], 3, 0.5), weightAt([], 0, 0)]).toEqual([
      1.75, 2.5, 2, 0,
    ]);
  });
});

describe("the form step", () => {
  let engine: LoadedEngine;
  beforeAll(async () => {
    engine = await engineWith();
  });
  const straight = (y: number) => ({
    closed: false,
    nodes: [0, 1000].map((x) => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false })),
  });
  const parts = [rectangle(0, 0, 1000, 1000), rectangle(0, 0, 500, 1000)].map((path, i) => ({
    path,
    x: 1200 * i,
    y: 0,
    line: 0,
    letter: i,
  }));
  const formOf = (values: Record<string, unknown>, kernel: Kernel = engine.kernel) =>
    new Coats(
      [coat("T", flat("face"), [step("stepped-lines", { keys: [straight(200), straight(800)], between: 1, ...values })])],
      coatsContext(engine.kernel, { parts }, { kernel }),
    );

  test("draws lines of their own weight inside the letters, one set across all or one for each", () => {
    const all = formOf({ weights: [2, 4] }).form("t")!.parts;
    // Of 20, 30 and 40 units, across both letters.
    expect(all.map((p) => [p.letter, p.along, Math.round(area(p.path))])).toEqual([
      [0, 0, 20_000],
      [1, 0, 10_000],
      [0, 0.5, 30_000],
      [1, 0.5, 15_000],
      [0, 1, 40_000],
      [1, 1, 20_000],
    ]);
    const facts = Object.values(formOf({}).facts("t"))[0];
    expect(facts.strands).toEqual({ param: "keys", box: { minX: 0, minY: 0, maxX: 1700, maxY: 1000 } });
    expect(Object.values(formOf({ over: "letter" }).facts("t"))[0].strands!.box.maxX).toBe(1000);
  });

  test("draws areas from each line to the last, so that the next covers it", () => {
    const bands = formOf({ as: "bands" })
      .form("t")!
      .parts.filter((p) => p.letter === 0);
    expect(bands.map((p) => [p.along, Math.round(area(p.path))])).toEqual([
      [0, 600_000],
      [1, 300_000],
    ]);
  });

  test("draws fewer lines while something is dragged", () => {
    const many = { between: 30, weights: [1] };
    expect(formOf(many).form("t")!.parts).toHaveLength(64);
    expect(formOf(many, engine.draft).form("t")!.parts.length).toBeLessThan(16);
  });
});
