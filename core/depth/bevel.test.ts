import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { engineWith } from "../../tests/engine";
import { inside, rectangle } from "../../tests/paths";
import { Rays } from "../../tests/rays";
import { wordOf } from "../../tests/words";
import { Coats } from "../coat/evaluate";
import type { Part } from "../coat/shape";
import { flatten } from "../curves/flatten";
import { nearest } from "../curves/measure";
import type { Path } from "../curves/path";
import { chance } from "../grain/noise";
import type { LoadedEngine } from "../piece/engine";
import type { Sight } from "./camera";
import { drawnProfile, edgeProfiles, profileOf, upAt, type EdgeProfile } from "./profile";

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

/** Ten units of lettering space to a length of the style. */
const width = 2;
const height = 2.5;
const depth = 12;
const section = [
  { at: 0, value: 25 },
  { at: 40, value: 40 },
  { at: 55, value: 85 },
];

/**
 * What a ray meets, by marching down it through the edge of the face: at each step it is asked how far in from the outline it is, and
 * whether the body reaches up to it there. It knows of no slopes.
 */
function marched(front: Path, rays: Rays, rim: EdgeProfile | "drawn", x: number, y: number): string {
  const { from, way } = rays.ray(x, y);
  const at = (z: number) => {
    const t = (z - from[2]) / way[2];
    return [from[0] + t * way[0], from[1] + t * way[1]] as const;
  };
  const profile = rim === "drawn" ? drawnProfile(section, false) : profileOf(rim);
  const steps = 30;
  // From behind, the back comes first, then the sides, and the edge of the face last.
  if (way[2] > 0) {
    if (rays.inside(...at(-10 * depth))) return "back";
    for (let i = 0; i <= 80; i++) if (rays.inside(...at(-10 * depth + (10 * (depth - height) * i) / 80))) return "side";
    for (let i = 0; i <= steps; i++) {
      const z = -10 * height * (1 - i / steps);
      const [px, py] = at(z);
      if (rays.inside(px, py) && z <= (upAt(profile, nearest(front, px, py)!.distance / (10 * width)) - 1) * 10 * height + 1e-9)
        return "rim";
    }
    return "nothing";
  }
  for (let i = 0; i <= steps; i++) {
    const z = (-10 * height * i) / steps;
    const [px, py] = at(z);
    if (!rays.inside(px, py)) continue;
    const inwards = nearest(front, px, py)!.distance / (10 * width);
    if (i === 0 && inwards >= 1) return "face";
    if (inwards >= 1 || z <= (upAt(profile, inwards) - 1) * 10 * height + 1e-9) return "rim";
  }
  // Below the edge the body is as wide as its outline.
  for (let i = 0; i <= 80; i++) {
    const z = -10 * height - (10 * (depth - height) * i) / 80;
    const [px, py] = at(z);
    if (rays.inside(px, py)) return "side";
  }
  return "nothing";
}

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
    const b = front.bounds;
    const shape = { parts: [{ path: front, x: 0, y: 0, line: 0 }] };
    let [asked, wrong] = [0, 0];
    const met = new Set<string>();
    for (let seed = 1; seed <= (from === "behind" ? 12 : 6); seed++) {
      const c = (k: number) => chance(seed, k, 61);
      // From behind so far to a side that its slopes can be seen.
      const swing = from === "behind" ? (seed % 3 ? 1 : -1) * (95 + 35 * c(0)) : 90 * (c(0) - 0.5);
      const turn = { swing, tilt: 80 * (c(1) - 0.5), roll: 0 };
      const perspective = seed % 2 ? 0 : 20 + 60 * c(2);
      const own = coat("T", flat("face"), [
        step("solid", { ...turn, depth, perspective, rim, rimWidth: width, rimHeight: height, profile: section }),
      ]);
      const { parts } = new Coats([own], coatsContext(engine.kernel, shape)).form("t")!;
      const seen = parts.map((p: Part) => ({ pass: p.pass ?? "side", polygons: flatten(p.path, 0.2) }));
      const diagonal = Math.hypot(b.maxX - b.minX, b.maxY - b.minY);
      const sight: Sight = {
        ...turn,
        ...{ depth: 10 * depth, eye: perspective > 0 ? (80 * diagonal) / perspective : 0 },
        pivot: { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 },
      };
      const rays = new Rays(front, sight);
      for (let i = 0; i < 44; i++) {
        const [x, y] = [
          b.minX - 60 + (b.maxX - b.minX + 120) * chance(i, seed, 1),
          b.minY - 60 + (b.maxY - b.minY + 120) * chance(i, seed, 2),
        ];
        const want = marched(front, rays, rim, x, y);
        // Beyond a pixel of letters of 160 pixels from any edge.
        const near = [
          [6, 0],
          [-6, 0],
          [0, 6],
          [0, -6],
        ].map(([dx, dy]) => marched(front, rays, rim, x + dx, y + dy));
        if (near.some((n) => n !== want)) continue;
        asked++;
        met.add(want);
        const got = seen.findLast((s) => inside(s.polygons, x, y))?.pass ?? "nothing";
        if (got !== want) wrong++;
      }
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
