import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { createRequire } from "node:module";
import path from "node:path";
import { area, circle, polygonPath, rectangle } from "../../tests/paths";
import { Random, randomShape } from "../../tests/kernel/random";
import { valueAt } from "./bezier";
import { contoursOf, stride } from "./contour";
import { flatten } from "./flatten";
import { CurveKernel, type Warp } from "./kernel";
import { Course } from "./length";
import { contains, nearest, perimeterOf, shapeAt } from "./measure";
import { parseSvgPath } from "./parse-svg-path";
import { type Path, PathBuilder } from "./path";
import { winding } from "./polygon";
import { writeSvgPath } from "./write-svg-path";

const kernel = new CurveKernel();
const shape = fc.integer({ min: 1, max: 1e6 }).map((seed) => randomShape(new Random(seed), []));

describe("measures", () => {
  test("of a circle are those of the four-cubic circle", () => {
    const c = circle(10, 20, 100);
    // Within 2.8e-4 of the true circle's (Goldapp 1991).
    expect(Math.abs(perimeterOf(c) / (200 * Math.PI) - 1)).toBeLessThan(2.8e-4);
    expect(Math.abs(kernel.area(c) / (1e4 * Math.PI) - 1)).toBeLessThan(5.6e-4);
    expect(Math.abs(shapeAt(c, 0, 2, 0.3).curvature * 100 - 1)).toBeLessThan(0.01);
    expect(() => shapeAt(c, 0, 9, 0)).toThrow(RangeError);
  });

  test("tell inside from outside as the winding of fine polygons does", () => {
    fc.assert(
      fc.property(shape, fc.double({ min: -100, max: 700, noNaN: true }), fc.double({ min: -100, max: 700, noNaN: true }), (p, x, y) => {
        fc.pre(!p.isEmpty && (nearest(p, x, y)?.distance ?? 1) > 0.01);
        expect(contains(p, x, y)).toBe(flatten(p, 0.001).reduce((n, q) => n + winding(q, x, y), 0) !== 0);
      }),
      { numRuns: 300 },
    );
  });

  test("find the nearest point as dense sampling does", () => {
    fc.assert(
      fc.property(shape, fc.double({ min: -200, max: 800, noNaN: true }), fc.double({ min: -200, max: 800, noNaN: true }), (p, x, y) => {
        const found = nearest(p, x, y);
        fc.pre(found !== undefined);
        let best = Infinity;
        for (const c of contoursOf(p, false))
          for (let k = 0; k < c.size; k++)
            for (let i = 0; i <= 400; i++)
              best = Math.min(
                best,
                Math.hypot(
                  valueAt(c.points, k * stride, c.degrees[k], i / 400) - x,
                  valueAt(c.points, k * stride + 1, c.degrees[k], i / 400) - y,
                ),
              );
        expect(found!.distance).toBeLessThan(best + 1e-6);
        expect(best - found!.distance).toBeLessThan(4);
      }),
      { numRuns: 100 },
    );
  });

  test("go along a path by its length", () => {
    const course = new Course(contoursOf(rectangle(0, 0, 100, 50), false)[0]);
    expect(course.length).toBe(300);
    expect(course.at(120, 3)).toMatchObject({ x: 103, dx: 0, dy: 1 });
    expect(course.at(320)).toMatchObject({ x: 20, y: 0 });
    const round = new Course(contoursOf(circle(0, 0, 100), false)[0]);
    const part = round.part(round.length * 0.9, round.length * 1.1)!;
    expect(new Course(part).length).toBeCloseTo(round.length * 0.2, 5);
    expect(round.part(50, 50)).toBeUndefined();
  });
});

describe("warps", () => {
  const arc =
    (radius: number): Warp =>
    (x, y, out) => {
      const [s, c, reach] = [Math.sin(x / radius), Math.cos(x / radius), radius - y];
      out.set([reach * s, radius - reach * c, (reach * c) / radius, (reach * s) / radius, -s, c]);
    };

  test("lie within the tolerance of the true image, densely sampled", () => {
    const letter = new PathBuilder()
      .add(circle(150, -150, 150))
      .add(rectangle(320, -300, 80, 300))
      .build();
    for (const tolerance of [0.05, 0.5]) {
      const bent = kernel.warp(letter, arc(500), tolerance);
      const out = new Float64Array(6);
      for (const c of contoursOf(letter, true))
        for (let k = 0; k < c.size; k++)
          for (let i = 0; i <= 50; i++) {
            arc(500)(valueAt(c.points, k * stride, c.degrees[k], i / 50), valueAt(c.points, k * stride + 1, c.degrees[k], i / 50), out);
            expect(nearest(bent, out[0], out[1])!.distance).toBeLessThan(tolerance * 1.2);
          }
      expect(bent.nodes).toBeLessThanOrEqual(2 * letter.nodes);
    }
  });

  test("keep smooth joins smooth", () => {
    const bent = contoursOf(kernel.warp(circle(100, -100, 100), arc(300), 0.05), true)[0];
    for (let k = 0; k < bent.size; k++) {
      const next = (k + 1) % bent.size;
      const [o, q] = [k * stride, next * stride];
      const [ux, uy] = [bent.points[o + 6] - bent.points[o + 4], bent.points[o + 7] - bent.points[o + 5]];
      const [vx, vy] = [bent.points[q + 2] - bent.points[q], bent.points[q + 3] - bent.points[q + 1]];
      expect(Math.abs(ux * vy - uy * vx)).toBeLessThan(1e-6 * Math.hypot(ux, uy) * Math.hypot(vx, vy));
    }
  });

  test("that are affine give the affine image, and straight lines stay lines", () => {
    const affine: Warp = (x, y, out) => out.set([2 * x + y + 5, y - 3, 2, 0, 1, 1]);
    const c = circle(0, 0, 100);
    const [warped, mapped] = [kernel.warp(c, affine, 0.01), c.transform([2, 0, 1, 1, 5, -3])];
    expect(kernel.area(kernel.exclude([warped, mapped]))).toBeLessThan(1);
    expect(warped.nodes).toBe(4);
    const box = kernel.warp(rectangle(0, 0, 100, 50), affine, 0.01);
    expect([...box.verbs]).toEqual([...rectangle(0, 0, 1, 1).verbs]);
    expect(() => kernel.warp(c, (x, y, out) => out.set([x / 0, y, 1, 0, 0, 1]), 0.1)).toThrow(/no value/);
  });
});

describe("simplifying", () => {
  test("draws points of a curve anew with few nodes, within the tolerance", () => {
    const c = circle(0, 0, 300);
    const [p] = flatten(c, 0.01);
    const points = polygonPath(Array.from({ length: p.length / 2 }, (_, i) => [p[2 * i], p[2 * i + 1]] as const));
    const few = kernel.simplify(points, 0.1);
    expect(few.nodes).toBeLessThanOrEqual(8);
    for (let i = 0; i < p.length; i += 2) expect(nearest(few, p[i], p[i + 1])!.distance).toBeLessThan(0.15);
  });

  test("keeps corners, joins straight steps and leaves alone what is simple", () => {
    const steps = polygonPath([
      [0, 0],
      [50, 0],
      [100, 0.01],
      [100, 100],
      [60, 100],
      [0, 100],
    ]);
    const simple = kernel.simplify(steps, 0.1);
    expect(simple.nodes).toBe(4);
    expect(area(simple)).toBeCloseTo(10_000, -1);
    expect(kernel.simplify(simple, 0.1)).toBe(simple);
    const open = kernel.simplify(new PathBuilder().move(0, 0).line(10, 0).line(20, 0).line(20, 20).build(), 0.1);
    expect(open.nodes).toBe(3);
    expect(contoursOf(open, false)[0].closed).toBe(false);
  });
});

describe("SVG path data", () => {
  test("is read whole, relative and absolute, with every command", () => {
    const all = parseSvgPath("M10,10 h90v-5.5e1L50-50 30-30.5C0 0 10 0 10 10s20-10,20 0 Q5 5 0 0t10 10z m5 5 l1 1");
    expect([...all.verbs]).toEqual([0, 1, 1, 1, 1, 3, 3, 2, 2, 4, 0, 1]);
    expect(parseSvgPath("").isEmpty).toBe(true);
    // Flags need nothing between them (SVG 2, section 9.3.9).
    expect(parseSvgPath("M0 0a50 50 0 01100 0").coords.at(-2)).toBe(100);
  });

  test.each([
    ["M0 0 L10", /missing at character 9/],
    ["L0 0", /start with M/],
    ["M0 0 X5", /“X” is no command/],
    ["M0 0 a5 5 0 2 0 1 1", /arc flag/],
    ["M0 0z5", /follows a close/],
    ["M 1 two", /missing/],
  ])("%s is refused, saying where", (data, message) => {
    expect(() => parseSvgPath(data)).toThrow(message);
  });

  test("has arcs as an independent reader draws them", () => {
    const paper = createRequire(path.join(process.cwd(), "package.json"))("paper/dist/paper-core.js");
    paper.setup(new paper.Size(1, 1));
    for (const arc of ["M100 200a60 30 20 1 0 80 40z", "M0 0A50 50 0 0 1 100 0A50 50 0 0 1 0 0z", "M0 0a10 20 -30 1 1 200 10z"]) {
      const peer = paper.PathItem.create(arc);
      // Both draw arcs with cubics of a quarter at most, within 2.8e-4.
      expect(Math.abs(kernel.area(parseSvgPath(arc)) / Math.abs(peer.area) - 1)).toBeLessThan(1e-3);
    }
  });

  test("is written so that it reads back the same, in every form", () => {
    fc.assert(
      fc.property(shape, fc.constantFrom("absolute", "relative", "shortest"), fc.integer({ min: 0, max: 5 }), (p, commands, decimals) => {
        const text = writeSvgPath(p, { commands: commands as "shortest", decimals });
        const back = parseSvgPath(text);
        // Lines without length may be written as none.
        expect(Math.abs(area(back) - area(rounded(p, decimals)))).toBeLessThan(1e-3 + 1e-6 * Math.abs(area(p)));
        expect(Math.max(0, ...Array.from(back.coords, (v) => Math.abs(v * 10 ** decimals - Math.round(v * 10 ** decimals))))).toBeLessThan(
          1e-4,
        );
      }),
      { numRuns: 150 },
    );
  });

  test("in its shortest form is never longer than in another, and leaves out what it can", () => {
    fc.assert(
      fc.property(shape, (p) => {
        const length = (commands: "absolute" | "relative" | "shortest") => writeSvgPath(p, { commands, decimals: 2 }).length;
        expect(length("shortest")).toBeLessThanOrEqual(Math.min(length("absolute"), length("relative")));
      }),
      { numRuns: 100 },
    );
    expect(writeSvgPath(parseSvgPath("M 0.5 0.5 L 10.5 0.5 L 10.5 0.25 L -1 -1 Z"))).toBe("M.5.5h10V.25L-1-1z");
    expect(writeSvgPath(parseSvgPath("M0 0C0 10 10 10 10 0C10-10 20-10 20 0"))).toBe("M0 0c0 10 10 10 10 0s10-10 10 0");
  });
});

function rounded(p: Path, decimals: number): Path {
  const unit = 10 ** decimals;
  return parseSvgPath(writeSvgPath(p.transform([unit, 0, 0, unit, 0, 0]), { decimals: 0, commands: "absolute" })).transform([
    1 / unit,
    0,
    0,
    1 / unit,
    0,
    0,
  ]);
}
