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

describe("a counter narrower than twice the distance", () => {
  // In the middle two tips point at each other, too sharp for a miter: where they are cut off, what lies between them stays.
  const hole = "M300 100V480L380 500L300 520V900H528V520L448 500L528 480V100Z";
  const waisted = `M0 0H828V1000H0Z${hole}`;
  test.each(joins)("stays open where its tips are cut off, joins: %p", (join) => {
    const kernel = new CurveKernel();
    const shape = parseSvgPath(waisted);
    for (const what of ["grow", "band"] as const)
      for (const d of [90, 113, 120]) expect(stripWidth(m, kernel, shape, { what, d, join })).toBeLessThan(widestStrip);
    const open = kernel.grow(shape, 120, join).nodes > kernel.grow(parseSvgPath("M0 0H828V1000H0Z"), 120, join).nodes;
    expect(open).toBe(join.kind !== "round");
    // The same of a block that is shrunk: its tips point inwards where the way runs round it the other way.
    for (const d of [-90, -113, -120])
      expect(stripWidth(m, kernel, parseSvgPath(hole).transform([-1, 0, 0, 1, 0, 0]), { what: "grow", d, join })).toBeLessThan(widestStrip);
  });

  test("does not let a miter out through the ink on its far side", () => {
    const kernel = new CurveKernel();
    // The tip's miter is 4 x 60 long, and the ink under the counter 40 thick.
    const shape = parseSvgPath("M0 0H400V200H0Z M40 40V160H360V40H220L200 110L180 40Z");
    const miter = { kind: "miter", limit: 4 } as const;
    expect(kernel.grow(shape, 60, miter).bounds).toEqual({ minX: -60, minY: -60, maxX: 460, maxY: 260 });
    for (const what of ["grow", "band"] as const)
      for (const d of [15, 40, 60]) expect(stripWidth(m, kernel, shape, { what, d, join: miter })).toBeLessThan(widestStrip);
  });

  test.each([
    [58, { kind: "bevel" }],
    [69, { kind: "bevel" }],
    [93, { kind: "miter", limit: 4 }],
  ] as const)("is right in glyph %d of Rye", async (glyph, join) => {
    const outline = (await openFace("rye")).outline(glyph);
    expect(stripWidth(m, new CurveKernel(), outline, { what: "grow", d: 120, join })).toBeLessThan(widestStrip);
  });
});
