import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, step } from "../../../demo/build";
import { coatsContext } from "../../../tests/coats";
import { engineWith } from "../../../tests/engine";
import { area, circle, inside, rectangle } from "../../../tests/paths";
import { wordOf } from "../../../tests/words";
import { Coats } from "../../coat/evaluate";
import { contoursOf } from "../../curves/contour";
import { flatten } from "../../curves/flatten";
import { nearest } from "../../curves/measure";
import type { Path } from "../../curves/path";
import { parseSvgPath } from "../../curves/parse-svg-path";
import { chance } from "../../grain/noise";
import type { LoadedEngine } from "../../piece/engine";
import { draftFacetsOf, facetsOf, type Facet } from "./facets";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "alfa-slab", "pacifico", "abril-fatface", "marhey", "baloo-2", "comfortaa");
});

const facets = (path: Path, inset = Infinity) => facetsOf(contoursOf(engine.kernel.weld(path), true), inset);

/** The volume under slopes of 45 degrees: over each place its distance from the outline, by the trapezia of thin strips. */
function volume(path: Path, steps: number): number {
  const { minX, maxX, minY, maxY } = path.bounds;
  let sum = 0;
  for (let i = 0; i < steps; i++)
    for (let k = 0; k < steps; k++)
      sum += nearest(path, minX + ((i + 0.5) * (maxX - minX)) / steps, minY + ((k + 0.5) * (maxY - minY)) / steps)!.distance;
  return (sum * (maxX - minX) * (maxY - minY)) / steps ** 2;
}

/** Where slopes meet in the middle of the strokes: inner points of their borders. */
const ridges = (all: readonly Facet[]) => all.flatMap((f) => f.borders[f.borders.length - 1]);

describe("the slopes of a square", () => {
  test("are a pyramid of a third of base times height: a^3 / 6 at 45 degrees, all meeting in one place (handbook)", () => {
    const square = rectangle(0, 0, 600, 600);
    const four = facets(square);
    expect(four).toHaveLength(4);
    for (const f of four) {
      expect(area(f.path)).toBeCloseTo(600 ** 2 / 4, 3);
      const top = f.borders[0].reduce((a, b) => (Math.hypot(b.x - 300, b.y - 300) < Math.hypot(a.x - 300, a.y - 300) ? b : a));
      // A millionth of the em.
      expect(Math.hypot(top.x - 300, top.y - 300)).toBeLessThan(1e-3);
    }
    // A quarter of the base each, under the mean height of a triangle: a third of a half.
    const sum = four.reduce((v, f) => v + (area(f.path) * 300) / 3, 0);
    expect(sum).toBeCloseTo(600 ** 3 / 6, 3);
    expect(volume(square, 120) / (600 ** 3 / 6)).toBeCloseTo(1, 3);
  });
});

describe("the slopes of a disc", () => {
  test("run to its middle, and to the edge of a flat top", () => {
    const disc = circle(0, 0, 200);
    // Four cubics bend a little unevenly: their centres of curvature lie up to a hundredth of the radius off.
    for (const p of ridges(facets(disc))) expect(Math.hypot(p.x, p.y)).toBeLessThan(2);
    for (const p of ridges(facets(disc, 50))) expect(Math.abs(Math.hypot(p.x, p.y) - 150)).toBeLessThan(0.5);
  });
});

describe("the slopes at a corner that points inwards", () => {
  test("meet in the line that halves it, and the flat top has its corner there", () => {
    const el = parseSvgPath("M0 0H100V200H300V300H0Z");
    for (const f of facets(el)) expect(f.width).toBeGreaterThan(20);
    const sum = facets(el).reduce((s, f) => s + area(f.path), 0);
    // A parabola as chords within 0.12, over some 160 units.
    expect(Math.abs(sum - 50_000)).toBeLessThan(0.12 * 160);
    const [line] = facets(el, 20)[1].borders;
    expect(line).toEqual([
      { x: 100, y: 200 },
      { x: expect.closeTo(80, 6), y: expect.closeTo(220, 6) },
    ]);
    // As mitred as the shrunk outline: nothing is left between them.
    const top = engine.kernel.grow(el, -20, { kind: "miter", limit: 4 });
    expect(facets(el, 20).reduce((s, f) => s + area(f.path), 0) + area(top) - 50_000).toBeLessThan(0.12 * 160);
  });
});

const words = [
  ["archivo-black", "Rgk8&"],
  ["alfa-slab", "Bates"],
  ["pacifico", "Ferry"],
  ["abril-fatface", "Qu&y"],
  ["comfortaa", "Sx4"],
  ["marhey", "سلام"],
  ["baloo-2", "नमस्ते"],
] as const;

describe("the slopes of letters", () => {
  test.each(words)("cover them, and hardly each other: %s, %s", (face, text) => {
    for (const inset of [Infinity, 18]) {
      const word = wordOf(engine, face, text);
      const all = facets(word, inset);
      for (const f of all) for (const v of f.path.coords) expect(Number.isFinite(v)).toBe(true);
      const top = inset === Infinity ? 0 : area(engine.kernel.grow(word, -inset, { kind: "miter", limit: 4 }));
      const sum = all.reduce((s, f) => s + Math.abs(area(f.path)), 0) + top;
      // Each goes on under its neighbour by 1.2 units where no corner parts them.
      expect([inset, Math.abs(sum / area(word) - 1) < 0.03]).toEqual([inset, true]);
    }
  });

  test.each(words)("own what lies nearest to their stretch of the outline: %s, %s", (face, text) => {
    const word = wordOf(engine, face, text);
    const all = facets(word).map((f) => flatten(f.path, 0.1));
    const { minX, minY, maxX, maxY } = word.bounds;
    const whole = flatten(word, 0.1);
    let [asked, wrong] = [0, 0];
    for (let i = 0; i < 500; i++) {
      const [x, y] = [minX + (maxX - minX) * chance(i, 1, 7), minY + (maxY - minY) * chance(i, 2, 7)];
      if (!inside(whole, x, y)) continue;
      const near = nearest(word, x, y)!;
      if (near.distance < 4) continue;
      const owner = all.filter((f) => inside(f, x, y));
      // From there straight to the outline the same slope goes on.
      const step = (share: number) => [x + (near.x - x) * share, y + (near.y - y) * share] as const;
      asked++;
      if (!owner.some((f) => [0.3, 0.6, 0.9].every((s) => inside(f, ...step(s))))) wrong++;
    }
    expect(asked).toBeGreaterThan(50);
    // Places right on a ridge, and where kinks of less than 12 degrees are taken for smooth.
    expect([wrong, asked, wrong <= asked / 60]).toEqual([wrong, asked, true]);
  });

  test.each(words)("end where others end: each place of a ridge is one of another slope's, too: %s, %s", (face, text) => {
    const word = wordOf(engine, face, text);
    const all = facets(word);
    let [asked, apart] = [0, 0];
    all.forEach((f, i) => {
      for (const p of f.borders[f.borders.length - 1].slice(1, -1)) {
        if (nearest(word, p.x, p.y)!.distance < 3) continue;
        asked++;
        const others = all.filter((o, k) => k !== i && meets(o.path.bounds, p));
        if (!others.some((o) => nearest(o.path, p.x, p.y)!.distance < 0.8)) apart++;
      }
    });
    expect(asked).toBeGreaterThan(20);
    // Tips of branches that end within a slope, where a curve is at its tightest, belong to it alone.
    expect([apart, asked, apart <= asked / 200]).toEqual([apart, asked, true]);
  });
});

const meets = (b: Path["bounds"], { x, y }: { x: number; y: number }) =>
  x > b.minX - 1 && x < b.maxX + 1 && y > b.minY - 1 && y < b.maxY + 1;

describe("the step", () => {
  const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 50, y: 20, line: 0, letter: 3 }] };
  const built = (values: Record<string, unknown>) => {
    const own = coat(
      "T",
      gradient(
        [
          [0, "edge"],
          [100, "face"],
        ],
        { shape: "copies" },
      ),
      [step("chisel", values)],
      { passes: { face: flat("face") } },
    );
    return new Coats([own], coatsContext(engine.kernel, square));
  };
  const parts = (values: Record<string, unknown>) => built(values).form("t")!.parts;

  test("is lit by the lamp by Lambert's cosine, the other way round where it is cut in", () => {
    // From the upper left at 45 degrees: towards it -1/2, -1/2, sqrt(1/2).
    const tone = (nx: number, ny: number) => (Math.SQRT1_2 * (-nx / 2 - ny / 2) + Math.SQRT1_2 * Math.SQRT1_2 + 0.15) / 1.15;
    const [, ...four] = parts({});
    expect(four.map((p) => p.along)).toEqual([tone(0, -1), tone(1, 0), tone(0, 1), tone(-1, 0)].map((v) => expect.closeTo(v, 6)));
    const [, ...sunk] = parts({ cut: "sunk" });
    expect(sunk.map((p) => p.along)).toEqual([tone(0, 1), tone(-1, 0), tone(0, -1), tone(1, 0)].map((v) => expect.closeTo(v, 6)));
    for (const p of four) expect(Math.hypot(p.facing!.x, p.facing!.y, p.facing!.z)).toBeCloseTo(1, 12);
  });

  test("is steeper where all ridges are equally high and the stroke is narrow", () => {
    const [, first] = parts({ by: "height", height: 2.5 });
    // Half the square's side is 50, its slopes on average half as wide.
    expect(Math.atan2(Math.hypot(first.facing!.x, first.facing!.y), first.facing!.z)).toBeCloseTo(Math.atan2(25, 25), 1);
  });

  test("has a flat top and lines in passes of their own, keeps the letters' numbers, and joins slopes of one tone", () => {
    expect(parts({ to: "top", width: 1, line: 1 }).map((p) => p.pass)).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
      "face",
      "lines",
    ]);
    const top = parts({ to: "top", width: 1 }).find((p) => p.pass === "face")!;
    expect(area(top.path)).toBeCloseTo(80 * 80, 3);
    expect(new Set(parts({}).map((p) => p.letter))).toEqual(new Set([3]));
    // Two sides look towards the lamp, two away.
    expect(parts({ tones: 2 })).toHaveLength(3);
  });
});

describe("slopes in a draft", () => {
  test.each([12, 40, Infinity])("cover what the exact ones cover, within 2 %%, %s units wide: walked once for all widths", (inset) => {
    for (const face of ["archivo-black", "abril-fatface", "comfortaa"])
      for (const letter of ["R", "S", "a"]) {
        const path = engine.kernel.weld(wordOf(engine, face, letter));
        const covered = (all: readonly Facet[]) => all.reduce((sum, f) => sum + area(f.path), 0);
        const [exact, draft] = [covered(facets(path, inset)), covered(draftFacetsOf(path, inset))];
        // Beside what goes on under neighbours, which is more where there are more of them.
        expect(Math.abs(draft / exact - 1)).toBeLessThan(0.02);
        expect(draftFacetsOf(path, inset).length).toBeLessThanOrEqual(facets(path, inset).length);
      }
  });
});
