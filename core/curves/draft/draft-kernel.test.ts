import { beforeAll, describe, expect, test } from "@jest/globals";
import { circle, rectangle } from "../../../tests/paths";
import { benchFaces, openFace, outlines } from "../../../tests/kernel/letters";
import { DraftKernel } from "./draft-kernel";
import { flatten } from "../flatten";
import { CurveKernel, type Kernel } from "../kernel";
import { nearest } from "../measure";
import { Verb, type Path } from "../path";
import { parseSvgPath } from "../parse-svg-path";

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
    for (const d of [30, -30])
      expect(Math.abs(exact.area(draft.grow(c, d, round)) / exact.area(circle(0, 0, 100 + d)) - 1)).toBeLessThan(0.003);
  });

  test("shrunk, plugged, banded and united looks alike", () => {
    const panel = rectangle(0, 0, 400, 300);
    expect(apart(exact.grow(panel, -40, round), draft.grow(panel, -40, round))).toBeLessThan(1e-6);
    const [r] = letters;
    expect(apart(exact.plug(r), draft.plug(r))).toBeLessThan(1e-6);
    const band = { width: 12, side: "outside", join: round, cap: "butt", dashes: [] } as const;
    expect(apart(exact.band(r, band), draft.band(r, band))).toBeLessThan(0.03);
    expect(apart(exact.union([r, panel]), draft.union([r, panel]))).toBeLessThan(1e-6);
    for (const side of ["inside", "centre", "outside"] as const) {
      const dashed = { ...band, side, dashes: [40, 25] };
      // Dashes fall a little elsewhere, and overlap at corners.
      expect(Math.abs(exact.area(draft.band(r, dashed)) / exact.area(exact.band(r, dashed)) - 1)).toBeLessThan(0.1);
    }
    const taper = {
      ...band,
      taper: [
        { at: 0, width: 4 },
        { at: 1, width: 20 },
      ],
    };
    expect(exact.area(exact.exclude([draft.band(r, taper), exact.band(r, taper)]))).toBeLessThan(1);
  });

  test("cut by another, and less another, covers the same within 1 %: half a unit along its edges", () => {
    for (const l of letters) {
      const { minX, maxX, minY, maxY } = l.bounds;
      const disc = circle((minX + maxX) / 2, (minY + maxY) / 2, 0.35 * (maxY - minY));
      expect(apart(exact.intersect([l, disc]), draft.intersect([l, disc]))).toBeLessThan(0.01);
      expect(apart(exact.subtract(disc, [l]), draft.subtract(disc, [l]))).toBeLessThan(0.01);
    }
  });

  test("draws dashes with their ends: round, square and cut off", () => {
    for (const [cap, beyond] of [
      ["butt", 0],
      ["square", 10],
      ["round", 5 * Math.SQRT2],
    ] as const) {
      const dashed = draft.band(rectangle(0, 0, 1000, 1000), {
        ...{ width: 10, side: "centre", join: round, cap, dashes: [40, 60] },
      });
      // Forty dashes of 40 by 10, each as much longer as its ends reach: round ones are half octagons.
      const want = 40 * 10 * (40 + beyond);
      expect(exact.area(dashed) / want).toBeGreaterThan(0.9999);
      expect(exact.area(dashed) / want).toBeLessThan(1.0001);
    }
  });

  test("runs round a corner whose bend is tighter than it lies within, as a corner without loops", () => {
    // Quarter circles of 20 at the corners of a square, and a line 60 within.
    const k = 20 * (1 - 0.5523);
    const rounded = parseSvgPath(
      `M20 0H380C${400 - k} 0 400 ${k} 400 20V380C400 ${400 - k} ${400 - k} 400 380 400H20C${k} 400 0 ${400 - k} 0 380V20C0 ${k} ${k} 0 20 0Z`,
    );
    const inner = draft.grow(rounded, -60, round);
    const line = { width: 4, side: "centre", join: { kind: "miter", limit: 4 }, cap: "butt", dashes: [] } as const;
    const wanted = exact.band(exact.grow(rounded, -60, round), line);
    expect(apart(wanted, draft.band(inner, line))).toBeLessThan(0.01);
    expect(apart(exact.grow(rounded, -60, round), inner)).toBeLessThan(0.001);
  });

  test("follows a bend, and one that turns the plane over", () => {
    const [r] = letters;
    for (const flip of [1, -1]) {
      const warp = (x: number, y: number, o: Float64Array) => void o.set([flip * x, y + 0.0002 * x * x, flip, 0.0004 * x, 0, 1]);
      const [want, got] = [exact.warp(r, warp, 0.04), draft.warp(r, warp)];
      expect(apart(want, got)).toBeLessThan(0.005);
      for (const [poly] of [flatten(got, 0.5)])
        for (let i = 0; i < poly.length; i += 8) expect(nearest(want, poly[i], poly[i + 1])!.distance).toBeLessThan(1.5);
      expect(exact.area(draft.grow(draft.warp(r, warp), 20, round))).toBeGreaterThan(exact.area(draft.warp(r, warp)));
    }
  });

  test("reaches no farther than its distance where a handle has nearly no length", () => {
    for (const handle of [0, 1e-9, 1e-6, 1e-3, 0.1]) {
      const drop = parseSvgPath(`M0 0C${handle} ${handle} 60 -80 120 0C180 80 ${handle} ${2 * handle} 0 0Z`);
      const [want, got] = [exact.grow(drop, 40, round).bounds, draft.grow(drop, 40, round).bounds];
      for (const side of ["minX", "minY", "maxX", "maxY"] as const) expect(Math.abs(got[side] - want[side])).toBeLessThan(60);
    }
  });

  test("stays a drawing where a bend gathers the letters in a point, or folds them over", () => {
    const [r] = letters;
    const gathered = (x: number, y: number, o: Float64Array) => void o.set([0, y, 0, 0, 0, 1]);
    const folded = (x: number, y: number, o: Float64Array) => void o.set([(x - 300) ** 2 / 300, y, (x - 300) / 150, 0, 0, 1]);
    for (const warp of [gathered, folded]) {
      const bent = draft.warp(r, warp);
      for (const path of [
        bent,
        draft.grow(bent, 20, round),
        draft.grow(bent, -5, round),
        draft.band(bent, { width: 10, side: "centre", join: round, cap: "butt", dashes: [] }),
      ])
        expect(path.coords.every(Number.isFinite)).toBe(true);
    }
  });

  test("keeps its middle within half a unit of a bend that lettering uses, and lines that stay straight as lines", () => {
    const panel = rectangle(0, 0, 1000, 700);
    const domed = (x: number, y: number, o: Float64Array) => void o.set([x, y + 0.0004 * x * (1000 - x), 1, 0.0004 * (1000 - 2 * x), 0, 1]);
    const bent = draft.warp(panel, domed);
    for (const poly of flatten(bent, 0.1))
      for (let i = 0; i < poly.length; i += 2)
        expect(nearest(exact.warp(panel, domed, 0.01), poly[i], poly[i + 1])!.distance).toBeLessThan(0.5);
    // The two sides, which the bend only moves.
    expect([...bent.verbs].filter((v) => v === Verb.Line)).toHaveLength(2);
  });

  test("turned and moved is the same as moved exactly", () => {
    const m = [0.8, 0.6, -0.6, 0.8, 30, -20] as const;
    for (const l of letters.slice(0, 4)) expect(apart(exact.placed(l, m), draft.placed(l, m))).toBeLessThan(1e-6);
  });
});

describe("letters that overlap", () => {
  const domed = {
    key: "domed",
    warp: (x: number, y: number, o: Float64Array) => void o.set([x, y + 0.0004 * x * (1000 - x), 1, 0.0004 * (1000 - 2 * x), 0, 1]),
  };
  const [left, right] = [circle(0, 0, 300), circle(400, 0, 300)];
  const far = circle(2000, 0, 100);
  const home = { x: 0, y: 0 };
  const bent = (kernel: Kernel, ...paths: Path[]) => paths.map((p) => kernel.bent(p, home, domed, 0.04));
  const band = { width: 20, side: "outside", join: round, cap: "butt", dashes: [] } as const;

  test("are one outline without lines inside, also when they have grown", () => {
    for (const change of [(_: Kernel, p: Path) => p, (k: Kernel, p: Path) => k.grow(p, 30, round)]) {
      const of = (kernel: Kernel) => kernel.band(kernel.joined(bent(kernel, left, right).map((p) => change(kernel, p)))!, band);
      // A stroke along the inside would make it half as long again.
      expect(Math.abs(exact.area(of(draft)) / exact.area(of(exact)) - 1)).toBeLessThan(0.02);
    }
  });

  test("are dashed round their common outline when they have grown into each other", () => {
    const near = [circle(0, 0, 100), circle(220, 0, 100)];
    const of = (kernel: Kernel) =>
      kernel.band(kernel.joined(near.map((p) => kernel.grow(p, 30, round)))!, { ...band, side: "centre", dashes: [30, 15] });
    // Dashes within would make it longer by an eighth.
    expect(Math.abs(exact.area(of(draft)) / exact.area(of(exact)) - 1)).toBeLessThan(0.05);
  });

  test("are told from letters that only come near each other", () => {
    for (const kernel of [exact, draft]) {
      expect(kernel.joined(bent(kernel, left, far))).toBeNull();
      expect(kernel.joined([left, far].map((p) => kernel.weld(p)))).toBeNull();
      // A square whose box meets the circle's, in the corner that it leaves free.
      expect(kernel.joined([left, rectangle(250, 250, 300, 300)])).toBeNull();
      expect(kernel.joined([left, rectangle(150, 150, 300, 300)])).not.toBeNull();
      // One within the other.
      expect(kernel.joined([left, circle(0, 0, 50)])).not.toBeNull();
    }
    const grown = (kernel: Kernel, d: number) =>
      kernel.joined([circle(0, 0, 100), circle(220, 0, 100)].map((p) => kernel.grow(p, d, round)));
    for (const kernel of [exact, draft]) expect([grown(kernel, 5) === null, grown(kernel, 15) === null]).toEqual([true, false]);
  });

  test("cover what their union covers", () => {
    const of = (kernel: Kernel) => kernel.joined([left, right], [home, { x: 50, y: 20 }])!;
    expect(apart(of(exact), of(draft))).toBeLessThan(1e-6);
  });
});

describe("a plugged draft", () => {
  /** A hook that closes up when it has grown by 40, by its opening of 60 units. */
  const hook = parseSvgPath("M0 0H400V300H230V240H340V60H60V240H170V300H0Z");

  test("covers what its grown outline has closed in, as the exact one does", () => {
    for (const d of [20, 40]) {
      const of = (kernel: Kernel) => kernel.plug(kernel.grow(hook, d, round));
      expect(apart(of(exact), of(draft))).toBeLessThan(0.002);
    }
  });

  test("shows no lines of what fills it, and grows and shrinks with it", () => {
    const of = (kernel: Kernel) => kernel.plug(kernel.grow(hook, 40, round));
    const outside = { width: 12, side: "outside", join: round, cap: "butt", dashes: [] } as const;
    // The outline of what has closed stays in the draft; bars of the filling would make it more than ten times as long.
    for (const dashes of [[], [30, 10]])
      expect(
        exact.area(draft.band(of(draft), { ...outside, dashes })) / exact.area(exact.band(of(exact), { ...outside, dashes })),
      ).toBeLessThan(2.2);
    expect(apart(exact.grow(of(exact), 15, round), draft.grow(of(draft), 15, round))).toBeLessThan(0.01);
    // Shrunk, the mouth of the hook opens again in the draft.
    expect(apart(exact.grow(of(exact), -15, round), draft.grow(of(draft), -15, round))).toBeLessThan(0.05);
  });

  test("is the same where there is nothing to fill", () => {
    const [panel] = [draft.weld(rectangle(0, 0, 400, 300))];
    expect(draft.plug(panel)).toBe(panel);
  });
});

describe("an exact path that is placed", () => {
  test("is clean as it was: welding it finds what welding it anew finds", () => {
    for (const l of letters) {
      const m = [0.6, -0.8, 0.8, 0.6, 12, 34] as const;
      const [known, anew] = [exact.weld(exact.placed(l, m)), new CurveKernel().weld(l.transform(m))];
      expect(apart(known, anew)).toBeLessThan(1e-6);
      expect(exact.area(known)).toBeCloseTo(exact.area(l), 3);
    }
  });

  test("is turned round where it is mirrored", () => {
    const [r] = letters;
    expect(exact.area(exact.placed(r, [-1, 0, 0, 1, 0, 0]))).toBeCloseTo(exact.area(r), 3);
  });
});
