import { beforeAll, describe, expect, test } from "@jest/globals";
import { engineWith } from "../../tests/engine";
import { flatten } from "../curves/flatten";
import { trackPoint } from "../curves/track";
import { settingSchema } from "../lettering/options";
import { set, type Setting } from "../lettering/setting";
import type { LoadedEngine } from "../piece/engine";
import { bend } from "./bend";
import type { Bent } from "./bent";
import { alongParallel, circleGuide, reversedGuide, straightGuide } from "./guide";
import { guideKind, guideKinds } from "./guides";
import { angleOfRise, steepest } from "./guides/arc";
import { newGuideLine, type GuideBend } from "./schema";

const p = trackPoint();
const at = (g: { at: (s: number, out: Float64Array) => void }, s: number) => (
  g.at(s, p),
  { x: p[0], y: p[1], dx: p[2], dy: p[3], k: p[4], turned: p[5] }
);
const make = (kind: string, values: Record<string, unknown> = {}, left = -600, width = 1200) =>
  guideKind(kind).make(newGuideLine(kind, values), { left, width, capHeight: 700, outline: () => undefined });

// Formulas of the circular segment: Bronshtein and Semendyayev, Handbook of Mathematics, "The circle": arc b = r a, chord s = 2 r sin(a/2),
// sagitta h = r (1 - cos(a/2)).
describe("an arc", () => {
  test.each([10, 60, 90, 180, 270, 350])(
    "of %d degrees has the chord and the sagitta of its angle, and the length of the words",
    (degrees) => {
      const { guide, anchor } = make("arc", { angle: degrees });
      const a = (degrees * Math.PI) / 180;
      const r = 1200 / a;
      const [start, middle, end] = [0, 600, 1200].map((s) => at(guide, s));
      expect(Math.hypot(end.x - start.x, end.y - start.y)).toBeCloseTo(2 * r * Math.sin(a / 2), 6);
      expect(start.y - middle.y).toBeCloseTo(r * (1 - Math.cos(a / 2)), 6);
      expect(guide.length).toBe(1200);
      // The middle of the words stays where it is, and x = 0 is where the straight words have it.
      expect(middle).toMatchObject({ x: expect.closeTo(0, 9), y: expect.closeTo(0, 9) });
      expect(anchor).toBe(600);
      // An arc length from the integral of the speed: unit speed throughout.
      const h = 1e-4;
      for (const s of [10, 500, 1100])
        expect(Math.hypot(at(guide, s + h).x - at(guide, s).x, at(guide, s + h).y - at(guide, s).y) / h).toBeCloseTo(1, 4);
    },
  );

  test("below 0 hangs: it is the mirror image", () => {
    const [up, down] = [make("arc", { angle: 80 }).guide, make("arc", { angle: -80 }).guide];
    for (const s of [0, 300, 900])
      expect(at(down, s)).toMatchObject({ x: expect.closeTo(at(up, s).x, 6), y: expect.closeTo(-at(up, s).y, 6) });
  });

  test.each([2, 12, 30, 36])("given by a rise of %d %% of its length rises by that", (rise) => {
    const { guide } = make("arc", { by: "rise", rise });
    expect(at(guide, 0).y - at(guide, 600).y).toBeCloseTo((1200 * rise) / 100, 3);
  });

  test("cannot rise more than an arc of its length can, and says where that is", () => {
    // From setting the derivative of (1 - cos(a/2)) / a to nothing: tan(a/4) = a/2.
    expect(Math.tan(steepest / 4)).toBeCloseTo(steepest / 2, 6);
    expect(angleOfRise(0.5)).toBeCloseTo(steepest, 6);
    expect(angleOfRise(0)).toBeCloseTo(0, 9);
  });

  test("of no angle, or of no width, is a straight line", () => {
    expect(at(make("arc", { angle: 0 }).guide, 700)).toMatchObject({ x: 100, y: 0 });
    expect(make("arc", { angle: 60 }, 0, 0).guide.length).toBe(0);
  });
});

describe("a ring", () => {
  test("is a circle of its radius, walked once round", () => {
    const { guide } = make("ring", { radius: 1500, start: 30 });
    expect(guide).toMatchObject({ closed: true, length: 2 * Math.PI * 1500 });
    const start = at(guide, 0);
    expect(start).toMatchObject({ x: expect.closeTo(750, 6), y: expect.closeTo(-1500 * Math.cos(Math.PI / 6), 6) });
    for (const s of [100, 5000, 9000]) expect(Math.hypot(at(guide, s).x, at(guide, s).y)).toBeCloseTo(1500, 6);
    expect(at(guide, guide.length).turned).toBeCloseTo(2 * Math.PI, 9);
  });

  test.each([
    ["clockwise", "outside", 0],
    ["clockwise", "inside", -700],
    ["counter", "inside", 0],
    ["counter", "outside", -700],
  ])("%s, %s: the letters stand on it or hang from it", (way, side, lift) => {
    expect(make("ring", { way, side }).lift ?? 0).toBe(lift);
  });
});

describe("other lines", () => {
  test("a wave keeps to its sine within 0.01 of its height", () => {
    const { guide, anchor } = make("wave", { height: 200, length: 900, phase: 40 });
    const sine = (x: number) => -200 * Math.sin((2 * Math.PI * x) / 900 + (40 * Math.PI) / 180);
    expect(at(guide, anchor).x).toBeCloseTo(0, 6);
    for (let s = anchor - 900; s < anchor + 900; s += 7) expect(Math.abs(at(guide, s).y - sine(at(guide, s).x))).toBeLessThan(2);
  });

  test("a climb turns the line about the middle of the words", () => {
    const { guide } = make("straight", { climb: 30 }, 0, 1000);
    const [a, b] = [at(guide, 0), at(guide, 1000)];
    expect(Math.atan2(a.y - b.y, b.x - a.x)).toBeCloseTo(Math.PI / 6, 9);
    expect((a.x + b.x) / 2).toBeCloseTo(500, 9);
  });

  test("a drawn line without length is said, and the words stand straight", () => {
    const { guide, message } = make("drawn", {
      line: { closed: false, nodes: [{ x: 5, y: 5, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false }] },
    });
    expect(message).toMatch(/no length/);
    expect(at(guide, 100).y).toBe(0);
  });

  test("words on a line that was drawn from right to left stand upright, unless they are told otherwise", () => {
    const node = (x: number, y: number) => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });
    const line = { closed: false, nodes: [node(500, 0), node(-500, 100)] };
    const way = (w: string) => {
      const { guide, anchor } = make("drawn", { line, way: w });
      return Math.sign(at(guide, anchor).dx);
    };
    expect([way("upright"), way("along"), way("back")]).toEqual([1, -1, 1]);
    expect(make("drawn", { line, way: "upright" }).anchor).toBeCloseTo(make("drawn", { line, way: "along" }).guide.length / 2, 6);
  });

  test("a line walked backwards has its letters on the other side", () => {
    const g = circleGuide(0, 0, 100, 0, 200, false);
    const back = reversedGuide(g);
    expect(at(back, 0)).toMatchObject({ x: at(g, 200).x, y: at(g, 200).y, dx: -at(g, 200).dx });
    expect(at(back, 0).k).toBe(-at(g, 200).k);
  });

  test("every kind says what it is, and its settings have hints", () => {
    for (const k of guideKinds) {
      expect(k.hint).not.toBe("");
      for (const v of Object.values(k.params)) expect(v.hint).not.toBe("");
    }
  });
});

describe("a parallel of a line", () => {
  test("is longer by its distance times the angle turned", () => {
    // do Carmo, Differential Geometry of Curves and Surfaces, section 1-7: L(parallel) = L + d (angle turned). On a circle of radius 1000
    // walked clockwise, the parallel 200 above has the radius 1200: x = 1200 there is one radian.
    const g = circleGuide(0, 0, 1000, 0, 5000, false);
    expect(alongParallel(g, 0, 200, 1200)).toBeCloseTo(1000, 6);
    expect(alongParallel(g, 0, -200, 800)).toBeCloseTo(1000, 6);
    expect(alongParallel(straightGuide(0, 0, 10), 3, 99, 4)).toBeCloseTo(7, 9);
  });
});

describe("words on a line", () => {
  let engine: LoadedEngine;
  let setting: Setting;
  beforeAll(async () => {
    engine = await engineWith("anton", "marhey");
    setting = set(
      engine.hb,
      engine.face("anton")!,
      settingSchema.parse({ text: "Brindle\nmoor", face: "anton", size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre" }),
    );
  });
  const on = (line: { kind: string; [setting: string]: unknown }, extra: Partial<GuideBend> = {}): Bent =>
    bend(
      setting,
      {
        kind: "guide",
        line: newGuideLine(line.kind, line),
        letters: "turn",
        shift: 0,
        distance: 0,
        spread: false,
        ...extra,
      } as GuideBend,
      { kernel: engine.kernel, capHeight: 860, outline: () => undefined },
    );

  test("that turn stay as they are: only turned and moved", () => {
    const bent = on({ kind: "ring", radius: 1800 });
    bent.letters.forEach((l, i) => {
      const drawn = setting.letters[i].outline;
      expect(l.outline.nodes).toBe(drawn.nodes);
      expect(Math.abs(engine.kernel.area(l.outline))).toBeCloseTo(Math.abs(engine.kernel.area(drawn)), 0);
    });
    // Of the first line every foot lies on the circle: the carets stand there.
    for (const c of bent.carets.filter((k) => k.line === 0)) {
      const [fx, fy] = [c.foot.x, c.foot.y];
      expect(Math.hypot(fx, fy)).toBeCloseTo(1800 - 120, 3);
      expect(Math.hypot(c.head.x, c.head.y)).toBeGreaterThan(2600);
    }
  });

  test("that flow have their feet on the line itself", () => {
    const bent = on({ kind: "ring", radius: 1800 }, { letters: "flow" });
    const stem = bent.letters.find((l) => l.from === 5)!; // the l, which stands on its baseline
    const least = Math.min(
      ...flatten(stem.outline, 0.05).flatMap((c) => Array.from({ length: c.length / 2 }, (_, i) => Math.hypot(c[2 * i], c[2 * i + 1]))),
    );
    expect(least).toBeCloseTo(1800, 0);
  });

  test("lines of text run on parallel circles, the second within the first", () => {
    const bent = on({ kind: "ring", radius: 3000 });
    for (const c of bent.carets.filter((k) => k.line === 1)) expect(Math.hypot(c.foot.x, c.foot.y)).toBeCloseTo(3000 - 1000 - 120, 3);
  });

  test("shift moves them along by just so far, distance away from the line", () => {
    const [before, after] = [on({ kind: "ring", radius: 2000 }), on({ kind: "ring", radius: 2000 }, { shift: 500, distance: 300 })];
    const [a, b] = [before.carets[0], after.carets[0]];
    expect(Math.hypot(b.foot.x, b.foot.y) - Math.hypot(a.foot.x, a.foot.y)).toBeCloseTo(300, 3);
    const quarter = on({ kind: "ring", radius: 2000 }, { shift: (Math.PI / 2) * 2000 }).carets[0];
    // A quarter of the way round is a turn by 90 degrees.
    expect(quarter.foot).toMatchObject({ x: expect.closeTo(-a.foot.y, 3), y: expect.closeTo(a.foot.x, 3) });
  });

  test("spread round a ring stand at equal distances all the way", () => {
    const even = set(
      engine.hb,
      engine.face("anton")!,
      settingSchema.parse({ text: "OOOOOOOO", face: "anton", size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre" }),
    );
    const bent = bend(
      even,
      { kind: "guide", line: newGuideLine("ring", { radius: 2500 }), letters: "turn", shift: 0, distance: 0, spread: true },
      { kernel: engine.kernel, capHeight: 860, outline: () => undefined },
    );
    const angles = bent.letters.map((l) => {
      const [x, y] = [l.quad.reduce((n, q) => n + q.x, 0), l.quad.reduce((n, q) => n + q.y, 0)];
      return (Math.atan2(x, -y) * 180) / Math.PI;
    });
    const steps = angles.map((a, i) => (angles[(i + 1) % angles.length] - a + 720) % 360);
    for (const s of steps) expect(s).toBeCloseTo(45, 1);
  });

  test("equal input gives the same object, another line another", () => {
    expect(on({ kind: "arc", angle: 50 })).toBe(on({ kind: "arc", angle: 50 }));
    expect(on({ kind: "arc", angle: 50 })).not.toBe(on({ kind: "arc", angle: 51 }));
  });
});
