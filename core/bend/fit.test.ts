import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { engineWith } from "../../tests/engine";
import { circle, rectangle } from "../../tests/paths";
import { isEmpty } from "../curves/bounds";
import { contoursOf } from "../curves/contour";
import { parseSvgPath } from "../curves/parse-svg-path";
import type { Kernel } from "../curves/kernel";
import { Path } from "../curves/path";
import { Track } from "../curves/track";
import { settingSchema } from "../lettering/options";
import { set, type Setting } from "../lettering/setting";
import type { LoadedEngine } from "../piece/engine";
import { shapeKind } from "../shape/kinds";
import { bend } from "./bend";
import type { Fitted } from "./fit";
import { fromPerspective, isView, perspective } from "./perspective";
import { edgesOf, findCorners, outerTrack } from "./shape-edges";
import { newGuideLine } from "./schema";
import { newShape } from "../piece/schema";

let engine: LoadedEngine;
let setting: Setting;
beforeAll(async () => {
  engine = await engineWith("anton");
  setting = set(
    engine.hb,
    engine.face("anton")!,
    settingSchema.parse({ text: "HIGH\nPASS", face: "anton", size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre" }),
  );
});
const fill = (outline: Path | undefined, extra: Record<string, unknown> = {}): Fitted =>
  bend(setting, { kind: "fit", shape: "s", corners: null, inset: 0, gap: 60, ...extra } as never, {
    kernel: engine.kernel,
    capHeight: 860,
    outline: () => outline,
  });
const shield = () => shapeKind("shield").draw(newShape("shield"), { width: 4000, height: 4600 });

test("carets stand among the letters of their own line, also where lines lie close and the shape is bent", () => {
  /** Whether a point lies in a polygon, by crossings. */
  const within = (polygon: readonly { x: number; y: number }[], x: number, y: number) =>
    polygon.filter((p, i) => {
      const q = polygon[(i + 1) % polygon.length];
      return p.y > y !== q.y > y && x < ((q.x - p.x) * (y - p.y)) / (q.y - p.y) + p.x;
    }).length %
      2 ===
    1;
  for (const outline of [shield(), circle(0, 0, 2000), rectangle(-2000, -700, 4000, 1400)])
    for (const gap of [0, 60]) {
      const { letters, carets } = fill(outline, { gap });
      for (const l of letters) {
        const middle = [0, 1].map((k) => l.quad.reduce((sum, p) => sum + (k ? p.y : p.x), 0) / 4) as [number, number];
        const marks = setting.lines.flatMap((_, line) => {
          const stops = carets.filter((c) => c.line === line);
          return stops.slice(1).map((c, i) => ({ from: stops[i].index, polygon: [stops[i].foot, stops[i].head, c.head, c.foot] }));
        });
        // What is marked when a letter is, is that letter: no other's middle, nor its own heads and feet outside of it.
        expect(marks.filter((m) => within(m.polygon, ...middle)).map((m) => m.from)).toEqual([l.from]);
        for (const p of l.quad.map((q) => [0.9 * q.x + 0.1 * middle[0], 0.9 * q.y + 0.1 * middle[1]] as const))
          expect(
            marks.filter((m) => within(m.polygon, ...p)).every((m) => setting.letters.find((k) => k.from === m.from)?.line === l.line),
          ).toBe(true);
      }
    }
});

describe("the corners of a shape", () => {
  test("that were moved stay where they are at another inset, and while a handle is dragged", () => {
    const corners = [0.06, 0.24, 0.42, 0.8];
    const at = (kernel: Kernel, inset: number) =>
      (bend(setting, { kind: "fit", shape: "s", corners, inset, gap: 60 } as never, { kernel, capHeight: 860, outline: shield }) as Fitted)
        .corners!;
    const plain = at(engine.kernel, 0);
    for (const inset of [0, 1, 40, 41, 120, 121])
      for (const kernel of [engine.kernel, engine.draft])
        // An inset moves an outline by itself, and its shares by little.
        at(kernel, inset).forEach((c, i) => expect(Math.hypot(c.x - plain[i].x, c.y - plain[i].y)).toBeLessThan(10 + 3 * inset));
    expect(at(engine.draft, 120)).toEqual(at(engine.kernel, 120));
  });

  test("do not depend on where the outline starts", () => {
    const shares = [
      [10, 20],
      [310, 20],
      [310, 120],
      [10, 120],
    ].map((_, first, all) => {
      const [m, ...l] = [...all.slice(first), ...all.slice(0, first)];
      return findCorners(outerTrack(parseSvgPath(`M${m}L${l.join("L")}Z`))!).map((s) => s.toFixed(3));
    });
    for (const s of shares) expect(s).toEqual(shares[0]);
  });

  const cornersOf = (path: Path) => {
    const track = outerTrack(path)!;
    const p = new Float64Array(6);
    return findCorners(track).map((s) => (track.at(s * track.length, p), { x: p[0], y: p[1] }));
  };

  test("of a rectangle are its own, whichever way it runs and wherever it starts", () => {
    for (const path of [rectangle(10, 20, 300, 100), parseSvgPath("M310 120H10V20H310Z"), parseSvgPath("M160 20H310V120H10V20Z")]) {
      const found = cornersOf(path);
      const want = [
        [10, 20],
        [310, 20],
        [310, 120],
        [10, 120],
      ];
      found.forEach((c, i) => expect(Math.hypot(c.x - want[i][0], c.y - want[i][1])).toBeLessThan(0.5));
    }
  });

  test("of a circle lie on its diagonals", () => {
    const found = cornersOf(circle(0, 0, 1000));
    const d = 1000 / Math.SQRT2;
    const want = [
      [-d, -d],
      [d, -d],
      [d, d],
      [-d, d],
    ];
    // Found among 720 places: to a degree of the circle, which is 17 units here.
    found.forEach((c, i) => expect(Math.hypot(c.x - want[i][0], c.y - want[i][1])).toBeLessThan(18));
  });

  test("of a triangle are apart, though it has but three", () => {
    const track = outerTrack(parseSvgPath("M0 0L400 700H-400Z"))!;
    const shares = findCorners(track);
    shares.forEach((s, i) => expect((shares[(i + 1) % 4] - s + 1) % 1).toBeGreaterThan(0.05));
  });

  test("part the outline into four edges that meet", () => {
    const track = outerTrack(shield())!;
    const { top, right, bottom, left } = edgesOf(track, findCorners(track));
    const [a, b] = [new Float64Array(4), new Float64Array(4)];
    for (const [one, s, two, t] of [
      [top, 1, right, 0],
      [right, 1, bottom, 1],
      [bottom, 0, left, 1],
      [left, 0, top, 0],
    ] as const) {
      one(s, a);
      two(t, b);
      expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1e-6);
    }
  });

  test("the outer contour is taken, clockwise, and nothing of what encloses nothing", () => {
    const ring = parseSvgPath("M0 0V100H100V0Z M20 20H80V80H20Z");
    expect(outerTrack(ring)!.length).toBeCloseTo(400, 6);
    expect(outerTrack(parseSvgPath("M0 0L100 0"))).toBeUndefined();
  });
});

describe("words that fill a shape", () => {
  test("reach its edges and stay inside", () => {
    const outline = shield();
    const { letters, ink } = fill(outline);
    const all = engine.kernel.union(letters.map((l) => l.outline));
    const beyond = engine.kernel.subtract(all, [engine.kernel.grow(outline, 1, { kind: "round" })]);
    // What sticks out by more than a unit: nothing that could be seen.
    expect(engine.kernel.area(beyond)).toBeLessThan(engine.kernel.area(all) * 1e-4);
    expect(ink.maxX - ink.minX).toBeGreaterThan(3900);
    expect(engine.kernel.area(all)).toBeGreaterThan(engine.kernel.area(outline) * 0.4);
  });

  test("keep the inset from its edge, and follow when a letter is corrected", () => {
    const outline = shield();
    const { letters } = fill(outline, { inset: 200 });
    const all = engine.kernel.union(letters.map((l) => l.outline));
    const inside = engine.kernel.grow(outline, -199, { kind: "miter", limit: 4 });
    expect(engine.kernel.area(engine.kernel.subtract(all, [inside]))).toBeLessThan(engine.kernel.area(all) * 1e-4);
    const corrected = set(
      engine.hb,
      engine.face("anton")!,
      settingSchema.parse({ text: "HUGH\nPASS", face: "anton", size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre" }),
    );
    const again = bend(
      corrected,
      { kind: "fit", shape: "s", corners: null, inset: 200, gap: 60 },
      { kernel: engine.kernel, capHeight: 860, outline: () => outline },
    );
    expect(again.letters).toHaveLength(8);
    expect(again.ink.maxX).toBeCloseTo(fill(outline, { inset: 200 }).ink.maxX, 0);
  });

  test("fall back to standing straight, with a message, where there is no shape or nothing of it is left", () => {
    for (const [outline, extra, why] of [
      [undefined, {}, /gone/],
      [rectangle(0, 0, 100, 100), { inset: 500 }, /Nothing is left/],
      [parseSvgPath("M0 0L100 0"), {}, /encloses nothing/],
    ] as const) {
      const bent = fill(outline, extra);
      expect(bent.messages[0]).toMatch(why);
      expect(bent.letters[0].quad[0].y).toBe(setting.letters[0].y + setting.letters[0].outline.bounds.minY);
    }
  });

  test("where no shape was chosen yet, a message asks for one and does not speak of one that is gone", () => {
    expect(fill(undefined, { shape: "" }).messages[0]).toMatch(/^Choose a shape/);
    const along = bend(
      setting,
      { kind: "guide", line: newGuideLine("outline"), letters: "turn", shift: 0, distance: 0, spread: false },
      { kernel: engine.kernel, capHeight: 860, outline: () => undefined },
    );
    expect(along.messages[0]).toMatch(/^Choose a shape/);
  });

  test("a shape that crosses itself is filled by its largest part", () => {
    const eight = parseSvgPath("M-2000 -1000L2000 1000V-1000L-2000 1000Z");
    const bent = fill(eight);
    expect(bent.messages).toEqual([]);
    expect(isEmpty(bent.ink)).toBe(false);
  });
});

// Hartley and Zisserman, Multiple View Geometry, chapter 2: a projective map keeps lines straight and cross-ratios as they are.
describe("perspective by four corners", () => {
  const box = { minX: -100, minY: -50, maxX: 300, maxY: 250 };
  const corners = [
    { x: -80, y: -20 },
    { x: 260, y: -60 },
    { x: 330, y: 280 },
    { x: -140, y: 220 },
  ];
  const map = perspective(box, corners);
  const out = new Float64Array(6);
  const image = (x: number, y: number) => (map(x, y, out), { x: out[0], y: out[1] });

  test("takes the corners of the box to the four", () => {
    [
      [-100, -50],
      [300, -50],
      [300, 250],
      [-100, 250],
    ].forEach(([x, y], i) => expect(image(x, y)).toEqual({ x: expect.closeTo(corners[i].x, 9), y: expect.closeTo(corners[i].y, 9) }));
  });

  test("keeps lines straight and cross-ratios", () => {
    const unit = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(unit, unit, unit, unit, (a, b, c, d) => {
        const from = { x: -100 + 400 * a, y: -50 + 300 * b };
        const to = { x: -100 + 400 * c, y: -50 + 300 * d };
        fc.pre(Math.hypot(to.x - from.x, to.y - from.y) > 20);
        const p = [0, 0.25, 0.6, 1].map((t) => image(from.x + (to.x - from.x) * t, from.y + (to.y - from.y) * t));
        const length = Math.hypot(p[3].x - p[0].x, p[3].y - p[0].y);
        for (const q of [p[1], p[2]])
          expect(Math.abs((q.x - p[0].x) * (p[3].y - p[0].y) - (q.y - p[0].y) * (p[3].x - p[0].x)) / length).toBeLessThan(
            1e-9 * Math.max(1, length),
          );
        const along = p.map((q) => Math.hypot(q.x - p[0].x, q.y - p[0].y));
        const ratio = ((along[2] - along[0]) * (along[3] - along[1])) / ((along[2] - along[1]) * (along[3] - along[0]));
        expect(ratio).toBeCloseTo(((0.6 - 0) * (1 - 0.25)) / ((0.6 - 0.25) * (1 - 0)), 5);
      }),
    );
  });

  test("is found back by its inverse", () => {
    const back = fromPerspective(box, corners);
    for (const [x, y] of [
      [-100, -50],
      [0, 0],
      [299, 249],
      [100, 100],
    ])
      expect(back(image(x, y))).toEqual({ x: expect.closeTo(x, 4), y: expect.closeTo(y, 4) });
  });

  test("asks for corners that a flat sheet can be seen by", () => {
    expect(isView(corners)).toBe(true);
    expect(isView([corners[1], corners[0], corners[2], corners[3]])).toBe(false);
    expect(isView([corners[0], corners[1], { x: 0, y: 0 }, corners[3]])).toBe(false);
  });
});

test("a track is walked at unit speed, closed ones round and round, open ones straight on", () => {
  const [c] = contoursOf(circle(0, 0, 500), true);
  const track = new Track(c);
  const p = new Float64Array(6);
  // Four cubics for a circle are within 2.7e-4 of its radius (Goldapp 1991).
  expect(track.length).toBeCloseTo(2 * Math.PI * 500, 0);
  for (const s of [0, 10, 1234.5, 3000]) {
    track.at(s, p);
    const [x, y] = [p[0], p[1]];
    expect(Math.hypot(x, y)).toBeCloseTo(500, 0);
    expect(Math.abs(p[4])).toBeCloseTo(1 / 500, 4);
    track.at(s + track.length, p);
    expect(Math.hypot(p[0] - x, p[1] - y)).toBeLessThan(1e-6);
    track.at(s + 0.01, p);
    expect(Math.hypot(p[0] - x, p[1] - y)).toBeCloseTo(0.01, 5);
  }
  const [line] = contoursOf(parseSvgPath("M0 0C0 100 100 100 100 0"), false);
  const open = new Track(line);
  open.at(open.length + 50, p);
  expect([p[0], p[1]]).toEqual([expect.closeTo(100, 6), expect.closeTo(-50, 6)]);
});

test("a tabulated edge is the edge within a thousandth of a unit, corners and slopes too", () => {
  const track = outerTrack(shield())!;
  const p = new Float64Array(6);
  const edges = edgesOf(track, findCorners(track));
  for (const e of Object.values(edges)) {
    let [length, before] = [0, new Float64Array(4)];
    const o = new Float64Array(4);
    e(0, before);
    before = before.slice();
    for (let i = 1; i <= 2000; i++) {
      e(i / 2000, o);
      length += Math.hypot(o[0] - before[0], o[1] - before[1]);
      before = o.slice();
      // On the outline itself: the nearest of many places of the track, whose distance is that of the chord at most.
      if (i % 97) continue;
      let least = Infinity;
      for (let s = 0; s < track.length; s += track.length / 20_000) {
        track.at(s, p);
        least = Math.min(least, Math.hypot(p[0] - o[0], p[1] - o[1]));
      }
      expect(least).toBeLessThan(track.length / 40_000 + 0.001);
    }
    expect(length).toBeGreaterThan(0);
  }
});
