import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { engineWith } from "../../tests/engine";
import { rectangle } from "../../tests/paths";
import { depth, lookedOverRim } from "../../tests/rims";
import { wordOf } from "../../tests/words";
import { Coats } from "../coat/evaluate";
import { chance } from "../grain/noise";
import type { LoadedEngine } from "../piece/engine";
import { drawnProfile, edgeProfiles, profileOf, upAt } from "./profile";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "alfa-slab", "pacifico", "abril-fatface");
});

describe("a profile", () => {
  test.each(edgeProfiles)("runs from the sides to the face, never back: %s", (kind) => {
    const places = profileOf(kind);
    expect(places[0]).toEqual({ inwards: expect.closeTo(0, 12), up: expect.closeTo(0, 12) });
    expect(places.at(-1)).toEqual({ inwards: expect.closeTo(1, 12), up: expect.closeTo(1, 12) });
    for (let i = 1; i < places.length; i++) {
      expect(places[i].inwards).toBeGreaterThanOrEqual(places[i - 1].inwards - 1e-12);
      expect(places[i].up).toBeGreaterThanOrEqual(places[i - 1].up - 1e-12);
    }
  });

  test("is a slope, a quarter of a circle out or in, or a ledge", () => {
    expect(upAt(profileOf("bevel"), 0.3)).toBeCloseTo(0.3, 12);
    for (const p of profileOf("round")) expect((1 - p.inwards) ** 2 + p.up ** 2).toBeCloseTo(1, 12);
    for (const p of profileOf("cove")) expect(p.inwards ** 2 + (1 - p.up) ** 2).toBeCloseTo(1, 12);
    expect([upAt(profileOf("step"), 0.5), upAt(profileOf("step"), 1)]).toEqual([0, 0]);
  });
});

describe("a drawn profile", () => {
  const places = [
    { at: 10, value: 40 },
    { at: 60, value: 50 },
    { at: 60, value: 90 },
  ];

  test("runs straight or softly through its places, from the outline to the face", () => {
    expect(drawnProfile(places, false)).toEqual([
      { inwards: 0, up: 0 },
      { inwards: 0.1, up: 0.4 },
      { inwards: 0.6, up: 0.5 },
      { inwards: 0.6, up: 0.9 },
      { inwards: 1, up: 1 },
    ]);
    const soft = drawnProfile(places, true);
    for (const { at, value } of places) {
      const nearest = Math.min(...soft.map((p) => Math.hypot(p.inwards - at / 100, p.up - value / 100)));
      expect([at, nearest < 0.03]).toEqual([at, true]);
    }
    expect(soft.length).toBeGreaterThan(10);
  });

  test("never runs back, whatever is drawn", () => {
    for (let n = 0; n < 200; n++) {
      const drawn = Array.from({ length: 2 + (n % 8) }, (_, i) => ({ at: 100 * chance(n, i, 1), value: 140 * chance(n, i, 2) - 20 }));
      for (const soft of [false, true]) {
        const run = drawnProfile(drawn, soft);
        expect(run.at(-1)).toEqual({ inwards: 1, up: 1 });
        for (let i = 1; i < run.length; i++) {
          expect(run[i].inwards).toBeGreaterThanOrEqual(run[i - 1].inwards);
          expect(run[i].up).toBeGreaterThanOrEqual(run[i - 1].up);
        }
      }
    }
  });
});

describe("the edge of a body's face", () => {
  test.each([
    ["archivo-black", "Rg8", "bevel", "before"],
    ["alfa-slab", "Be", "round", "before"],
    ["pacifico", "Fy", "bevel", "before"],
    ["abril-fatface", "Q&", "cove", "before"],
    ["archivo-black", "S4", "drawn", "before"],
    ["archivo-black", "Rg8", "bevel", "behind"],
    ["abril-fatface", "Q&", "round", "behind"],
    ["alfa-slab", "Be", "drawn", "behind"],
  ] as const)("is seen where a ray that marches through it meets it: %s, %s, %s, %s", (face, text, rim, from) => {
    const front = wordOf(engine, face, text);
    let [asked, wrong] = [0, 0];
    const met = new Set<string>();
    for (let seed = 1; seed <= (from === "behind" ? 12 : 6); seed++) {
      const seen = lookedOverRim(engine.kernel, front, rim, from, 44, seed);
      asked += seen.asked;
      wrong += seen.wrong;
      for (const m of seen.met) met.add(m);
    }
    expect(asked).toBeGreaterThan(60);
    expect([wrong, asked]).toEqual([0, asked]);
    expect([...met]).toEqual(expect.arrayContaining([from === "behind" ? "back" : "face", "rim", "side", "nothing"]));
  });

  test("of a square is four slopes that are lit apart, round a face that is as much smaller; from straight behind none of them is seen", () => {
    const square = { parts: [{ path: rectangle(0, 0, 300, 300), x: 0, y: 0, line: 0 }] };
    const parts = (values: Record<string, unknown>) =>
      new Coats(
        [coat("T", flat("face"), [step("solid", { tilt: 0, swing: 0, depth, rimWidth: 3, rimHeight: 3, ...values })])],
        coatsContext(engine.kernel, square),
      ).form("t")!.parts;
    const rim = parts({ rim: "bevel" }).filter((p) => p.pass === "rim");
    expect(rim).toHaveLength(4);
    expect(new Set(rim.map((p) => p.along!.toFixed(6))).size).toBe(2);
    expect(parts({ rim: "bevel" }).find((p) => p.pass === "face")!.path.bounds).toEqual({
      minX: expect.closeTo(30, 6),
      minY: expect.closeTo(30, 6),
      maxX: expect.closeTo(270, 6),
      maxY: expect.closeTo(270, 6),
    });
    // A face that is narrower than its edge is gone, and the slopes meet in a ridge.
    expect(parts({ rim: "bevel", rimWidth: 40 }).map((p) => p.pass)).not.toContain("face");
    expect(parts({ rim: "bevel", swing: 170 }).map((p) => p.pass)).not.toContain("rim");
  });
});
