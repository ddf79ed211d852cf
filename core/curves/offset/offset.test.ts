import { beforeAll, describe, expect, test } from "@jest/globals";
import { area, polygonPath } from "../../../tests/paths";
import { loadClipper, type Clipper } from "../../../tests/kernel/clipper";
import { glyphCount, openFace, outlines } from "../../../tests/kernel/letters";
import { Random, startedAt } from "../../../tests/kernel/random";
import { distances, joins, stripWidth, widestStrip, type Outlining } from "../../../tests/kernel/strip-width";
import { shippedFaces } from "../../../server/faces/shipped";
import { contoursOf, pathOf } from "../contour";
import { CurveKernel } from "../kernel";
import { parseSvgPath } from "../parse-svg-path";
import type { Path } from "../path";

let m: Clipper;
beforeAll(async () => void (m = await loadClipper()));

describe("a contour started at each of its nodes", () => {
  /** Contours whose corners open beside curves that bend more tightly than the distance. */
  const tight = [
    "M0 0Q10 10 40 10L0 40Z",
    "M0 0Q10 10 40 10V80H0Z",
    "M0 0C0 20 5 30 60 30L60 -40Z",
    "M0 0Q3 60 60 60Q3 70 0 120L-60 60Z",
  ].map((d) => parseSvgPath(d));
  let letters: Path[];
  beforeAll(async () => {
    const some = [
      ["fredoka", "n"],
      ["rye", "6"],
      ["unifrakturcook", "r"],
      ["archivo-black", "5"],
      ["pacifico", "k"],
    ];
    letters = (await Promise.all(some.map(async ([face, text]) => outlines(await openFace(face), text)))).flat();
  });

  test.each(joins)(
    "is grown and shrunk to the same area, joins: %p",
    (join) => {
      const kernel = new CurveKernel();
      const contours = [...tight, ...letters.flatMap((l) => contoursOf(kernel.weld(l), true).map((c) => pathOf([c])))].map((c) =>
        area(c) > 0 ? c : c.transform([-1, 0, 0, 1, 0, 0]),
      );
      for (const c of contours)
        for (const d of [-60, 30]) {
          const areas = Array.from({ length: contoursOf(c, true)[0].size }, (_, k) =>
            kernel.area(
              kernel.grow(
                startedAt(c, () => k),
                d,
                join,
              ),
            ),
          );
          // Curves are fitted anew from each start, and merged from there: within a few hundredths of a unit along the outline.
          const around = 0.02 * contoursOf(c, true)[0].size + 2;
          expect(Math.max(...areas) - Math.min(...areas)).toBeLessThan(around);
        }
    },
    60_000,
  );
});

describe("corners beside curves that bend more tightly than the distance", () => {
  test.each(joins)("at the start of a contour are grown as anywhere else, joins: %p", (join) => {
    const shape = parseSvgPath("M0 0Q10 10 40 10V80H0Z");
    expect(stripWidth(m, new CurveKernel(), shape, { what: "grow", d: 30, join })).toBeLessThan(widestStrip);
  });

  test.each(joins)(
    "lie within a fiftieth of a unit of the true outline, joins: %p",
    (join) => {
      const kernel = new CurveKernel();
      const r = new Random(7);
      for (let i = 0; i < 40; i++) {
        // A corner of any angle between two curves of any tightness.
        const at = () => [r.between(-60, 60), r.between(-60, 60)];
        const [a, b] = [at(), at()];
        const shape = parseSvgPath(
          `M0 0Q${a} ${r.between(40, 140)} ${r.between(-20, 40)}L${r.between(60, 140)} 160L${r.between(-140, -60)} 150L-100 ${r.between(0, 80)}Q${b} 0 0Z`,
        );
        const width = stripWidth(m, kernel, shape, { what: "grow", d: r.pick([-25, -8, 12, 40]), join });
        expect(width).toBeLessThan(widestStrip);
      }
    },
    60_000,
  );
});

describe("every shipped face", () => {
  test.each([1, 2, 3, 4, 5])(
    "has its letters grown, shrunk and banded within a fiftieth of a unit (hundred %i of 500)",
    async (hundred) => {
      const r = new Random(hundred);
      const kernel = new CurveKernel();
      const widths: [string, number][] = [];
      while (widths.length < 100) {
        const face = await openFace(r.pick(shippedFaces).id);
        const glyph = r.whole(0, glyphCount(face) - 1);
        const source = startedAt(face.outline(glyph), (_, size) => r.whole(0, size - 1));
        if (source.isEmpty) continue;
        const how: Outlining = { what: r.pick(["grow", "band"]), d: r.pick(distances), join: r.pick(joins) };
        widths.push([`${face.info.id} ${glyph} ${JSON.stringify(how)}`, stripWidth(m, kernel, source, how)]);
      }
      expect(widths.filter(([, width]) => !(width <= widestStrip))).toEqual([]);
    },
    120_000,
  );
});

test("a straight way back has no corner to open, whichever way it started", () => {
  const kernel = new CurveKernel();
  const needle = polygonPath([
    [0, 0],
    [100, 0],
    [100, 10],
    [50, 5],
  ]);
  for (const join of joins)
    for (const d of [-2, 5]) expect(stripWidth(m, kernel, needle, { what: "grow", d, join })).toBeLessThan(widestStrip);
});

test.each(joins)("a shape beside another is shrunk as if it were alone, joins: %p", async (join) => {
  const kernel = new CurveKernel();
  // The miter of the notch on the left reaches far into the block on the right.
  const [a, b] = ["M0 0H100V100H0L95 50Z", "M104 0H200V100H104Z"];
  const [notched, block, both] = [a, b, a + b].map((d) => parseSvgPath(d));
  const apart = area(kernel.grow(notched, -15, join)) + area(kernel.grow(block, -15, join));
  expect(area(kernel.grow(both, -15, join))).toBeCloseTo(apart, 6);
  const face = await openFace("marhey");
  expect(stripWidth(m, kernel, face.outline(271), { what: "band", d: -80, join })).toBeLessThan(widestStrip);
});
