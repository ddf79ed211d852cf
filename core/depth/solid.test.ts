import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { engineWith } from "../../tests/engine";
import { circle, rectangle } from "../../tests/paths";
import { Rays } from "../../tests/rays";
import { looked, sightOf } from "../../tests/solids";
import { wordOf, words } from "../../tests/words";
import { Coats } from "../coat/evaluate";
import { passesOf } from "../coat/passes";
import { chance } from "../grain/noise";
import type { LoadedEngine } from "../piece/engine";
import { cameraOf } from "./camera";
import { lightOf, lightOn } from "./light";
import { chordsOf } from "./painted-sides";
import { solidPainted, solidSides } from "./solid";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...words.map(([face]) => face));
});

describe("a camera", () => {
  test("sees a cube isometrically at 45 and 35.264 degrees: all edges at sqrt(2/3) (ISO 5456-3)", () => {
    const tilt = (Math.asin(Math.tan(Math.PI / 6)) * 180) / Math.PI;
    expect(tilt).toBeCloseTo(35.264, 3);
    const { project } = cameraOf({ swing: 45, tilt, roll: 0, depth: 100, eye: 0, pivot: { x: 0, y: 0 } });
    const at = (x: number, y: number, z: number) => project({ x, y, z });
    const o = at(0, 0, 0);
    for (const p of [at(100, 0, 0), at(0, 100, 0), at(0, 0, -100)])
      expect(Math.hypot(p.x - o.x, p.y - o.y) / 100).toBeCloseTo(Math.sqrt(2 / 3), 9);
  });

  test("sees two axes alike and the third at half of them in the engineer's dimetric view: 7.18 and 41.41 degrees (ISO 5456-3)", () => {
    const tilt = (Math.acos(Math.sqrt(8 / 9)) * 180) / Math.PI;
    const swing = (Math.asin(Math.sqrt(1 / 8)) * 180) / Math.PI;
    const { project } = cameraOf({ swing, tilt, roll: 0, depth: 100, eye: 0, pivot: { x: 0, y: 0 } });
    const o = project({ x: 0, y: 0, z: 0 });
    const seen = (x: number, y: number, z: number) => {
      const p = project({ x, y, z });
      return { length: Math.hypot(p.x - o.x, p.y - o.y), slope: (Math.atan(Math.abs((p.y - o.y) / (p.x - o.x))) * 180) / Math.PI };
    };
    const [width, height, depth] = [seen(1, 0, 0), seen(0, 1, 0), seen(0, 0, -1)];
    expect(width.length).toBeCloseTo(height.length, 9);
    expect(depth.length).toBeCloseTo(width.length / 2, 9);
    expect([width.slope, depth.slope]).toEqual([expect.closeTo(7.18, 2), expect.closeTo(41.41, 2)]);
  });

  test("projects as three.js does, within 0.01 units", () => {
    for (let seed = 1; seed <= 60; seed++) {
      const front = rectangle(0, 0, 900, 200);
      const sight = sightOf(front, seed);
      const camera = cameraOf(sight);
      const rays = new Rays(front, sight);
      const out = new Float64Array(6);
      for (const [x, y] of [
        [0, 0],
        [900, 200],
        [333, 77],
      ]) {
        const z = -sight.depth * chance(x + y, seed, 5);
        const [want, got] = [rays.project(x, y, z), camera.project({ x, y, z })];
        expect([seed, Math.hypot(want.x - got.x, want.y - got.y) < 0.01]).toEqual([seed, true]);
        // The map of the nearest face says the same.
        const plane = camera.behind ? -sight.depth : 0;
        camera.map(x, y, out);
        const face = camera.project({ x, y, z: plane });
        expect(Math.hypot(out[0] - face.x, out[1] - face.y)).toBeLessThan(1e-6);
        // And with the way: a place that lies deeper is seen where it has been swept to.
        const { way } = camera;
        const deep = camera.project({ x, y, z: camera.behind ? 0 : -sight.depth });
        if (way.kind === "vector") camera.map(x + way.x, y + way.y, out);
        else camera.map(x + (way.x - x) * way.by, y + (way.y - y) * way.by, out);
        expect(Math.hypot(out[0] - deep.x, out[1] - deep.y)).toBeLessThan(1e-6);
      }
    }
  });

  test("keeps cross-ratios of places on a line (Hartley and Zisserman, 2.5), and lets lines that run back meet in one point", () => {
    const camera = cameraOf({ swing: 35, tilt: 20, roll: 5, depth: 100, eye: 800, pivot: { x: 300, y: 100 } });
    const row = [0, 100, 250, 600].map((x) => camera.project({ x, y: 40, z: 0 }));
    const d = (i: number, k: number) => Math.hypot(row[i].x - row[k].x, row[i].y - row[k].y);
    expect((d(0, 2) * d(1, 3)) / (d(0, 3) * d(1, 2))).toBeCloseTo((250 * 500) / (600 * 150), 9);
    const line = (x: number, y: number) => [camera.project({ x, y, z: 0 }), camera.project({ x, y, z: -100 })];
    const lines = [line(0, 0), line(600, 0), line(300, 200)];
    const meet = ([a, b]: { x: number; y: number }[], [c, e]: { x: number; y: number }[]) => {
      const t = ((c.x - a.x) * (e.y - c.y) - (c.y - a.y) * (e.x - c.x)) / ((b.x - a.x) * (e.y - c.y) - (b.y - a.y) * (e.x - c.x));
      return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
    };
    const [one, two] = [meet(lines[0], lines[1]), meet(lines[0], lines[2])];
    expect(Math.hypot(one.x - two.x, one.y - two.y)).toBeLessThan(1e-6);
    const said = camera.vanish({ x: 0, y: 0, z: 1 })!;
    expect(Math.hypot(one.x - said.x, one.y - said.y)).toBeLessThan(1e-6);
  });

  test("has three vanishing points whose triangle's heights meet where the eye looks (Hartley and Zisserman, 8.8)", () => {
    const pivot = { x: 300, y: 100 };
    const camera = cameraOf({ swing: 35, tilt: 20, roll: 5, depth: 100, eye: 800, pivot });
    const axes = [
      { x: 1, y: 0, z: 0 },
      { x: 0, y: 1, z: 0 },
      { x: 0, y: 0, z: 1 },
    ];
    const points = axes.map((a) => camera.vanish(a)!);
    points.forEach((p, i) => {
      const [q, r] = [points[(i + 1) % 3], points[(i + 2) % 3]];
      const along = { x: r.x - q.x, y: r.y - q.y };
      const up = { x: p.x - pivot.x, y: p.y - pivot.y };
      expect(Math.abs(along.x * up.x + along.y * up.y) / (Math.hypot(along.x, along.y) * Math.hypot(up.x, up.y))).toBeLessThan(1e-9);
    });
    // Looked at straight, what runs across and up stays parallel; from far away all of it.
    const straight = cameraOf({ swing: 0, tilt: 0, roll: 0, depth: 100, eye: 800, pivot });
    expect(axes.map((a) => straight.vanish(a))).toEqual([undefined, undefined, { x: expect.closeTo(300, 9), y: expect.closeTo(100, 9) }]);
    expect(axes.map((a) => cameraOf({ swing: 35, tilt: 20, roll: 5, depth: 100, eye: 0, pivot }).vanish(a))).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  test("takes what is seen edge-on, or from within, as the nearest that can be drawn", () => {
    for (const sight of [
      { swing: 90, tilt: 0, roll: 0, depth: 50, eye: 0, pivot: { x: 0, y: 0 } },
      { swing: 90, tilt: 0, roll: 0, depth: 500, eye: 100, pivot: { x: 0, y: 0 } },
      { swing: -90, tilt: 90, roll: 0, depth: 5000, eye: 10, pivot: { x: 0, y: 0 } },
    ]) {
      const { way, map } = cameraOf(sight);
      for (const v of Object.values(way)) if (typeof v === "number") expect(Number.isFinite(v)).toBe(true);
      if (way.kind === "point") expect(way.by).toBeLessThan(1);
      const out = new Float64Array(6);
      map(10, 20, out);
      expect(out.every(Number.isFinite)).toBe(true);
    }
  });
});

describe("what is seen of a solid", () => {
  test.each(words)("is right at every place beyond a pixel of an edge, by rays cast at its walls: %s, %s", (face, text) => {
    const front = wordOf(engine, face, text);
    let all = 0;
    for (let seed = 1; seed <= 43; seed++) {
      const sight = sightOf(front, seed * 37 + text.length);
      const sides = solidSides(front, cameraOf(sight), engine.kernel, { x: 0, y: 0, z: 1 }, { kind: "ways" });
      const { asked, wrong } = looked(front, sight, sides, false, 26, seed);
      all += asked;
      expect([seed, wrong]).toEqual([seed, 0]);
    }
    expect(all).toBeGreaterThan(300);
  });

  test.each(words.slice(0, 4))("is painted right while it is turned: %s, %s", (face, text) => {
    const front = wordOf(engine, face, text);
    let [all, off] = [0, 0];
    for (let seed = 1; seed <= 12; seed++) {
      const sight = sightOf(front, seed * 53 + text.length);
      const sides = solidPainted(engine.draft.weld(front), cameraOf(sight), { x: 0, y: 0, z: 1 }, { kind: "ways" });
      const { asked, wrong } = looked(front, sight, sides, true, 100, seed);
      all += asked;
      off += wrong;
    }
    expect(all).toBeGreaterThan(300);
    // Chords lie a unit and a half off, which at a shallow view shows.
    expect(off).toBeLessThanOrEqual(all / 200);
  });
});

describe("sides that are painted over one another for good", () => {
  test.each(words.slice(0, 3))("are right wherever it is asked, with chords that no eye sees: %s, %s", (face, text) => {
    const front = wordOf(engine, face, text);
    let [all, off] = [0, 0];
    for (let seed = 1; seed <= 8; seed++) {
      const sight = sightOf(front, seed * 71 + text.length);
      const sides = solidPainted(front, cameraOf(sight), { x: 0, y: 0, z: 1 }, { kind: "ways" }, chordsOf.still);
      const { asked, wrong } = looked(front, sight, sides, true, 100, seed);
      all += asked;
      off += wrong;
    }
    expect(all).toBeGreaterThan(200);
    expect(off).toBe(0);
  });
});

describe("the light on a solid", () => {
  test("is Lambert's cosine exactly around a disc in a parallel view, and one tone on what is plane", () => {
    const disc = circle(0, 0, 100);
    const sight = { swing: 20, tilt: 25, roll: 0, depth: 60, eye: 0, pivot: { x: 0, y: 0 } };
    const camera = cameraOf(sight);
    const light = lightOn(camera, lightOf({ x: -Math.SQRT1_2, y: -Math.SQRT1_2, height: 45 }));
    const [side, ...others] = solidSides(disc, camera, engine.kernel, light, { kind: "smooth" });
    expect(others).toEqual([]);
    const { from, to, stops } = side.lit!;
    const toneAt = (x: number, y: number) => {
      const t = ((x - from.x) * (to.x - from.x) + (y - from.y) * (to.y - from.y)) / ((to.x - from.x) ** 2 + (to.y - from.y) ** 2);
      const i = Math.max(
        1,
        stops.findIndex((s) => s.at >= t - 1e-9),
      );
      const [a, b] = [stops[i - 1], stops[i]];
      return a.tone + ((b.tone - a.tone) * (t - a.at)) / (b.at - a.at);
    };
    // The half that faces the way; the lightest and the darkest of all of it are 1 and 0.
    const facing = Array.from({ length: 181 }, (_, i) => {
      const turn = ((i - 90) * Math.PI) / 180 + Math.atan2((camera.way as { y: number }).y, (camera.way as { x: number }).x);
      return { x: Math.cos(turn), y: Math.sin(turn) };
    });
    const cosines = facing.map((n) => n.x * light.x + n.y * light.y);
    const [low, high] = [Math.min(...cosines), Math.max(...cosines)];
    const out = new Float64Array(6);
    facing.forEach((n, i) => {
      camera.map(100 * n.x, 100 * n.y, out);
      // Stops are thinned to 0.008, and at its ends, where it turns from the eye, light changes ever faster.
      expect(Math.abs(toneAt(out[0], out[1]) - (cosines[i] - low) / (high - low))).toBeLessThan(0.012);
    });
    const box = solidSides(rectangle(0, 0, 300, 100), camera, engine.kernel, light, { kind: "smooth" });
    expect(box.map((s) => s.lit)).toEqual([undefined, undefined]);
    expect(box.map((s) => s.tone).sort()).toEqual([0, 1]);
  });
});

describe("the step", () => {
  const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 50, y: 20, line: 0 }] };
  const built = (values: Record<string, unknown>, kernel = engine.kernel) =>
    new Coats(
      [
        coat(
          "T",
          gradient(
            [
              [0, "edge"],
              [100, "face"],
            ],
            { shape: "copies" },
          ),
          [step("solid", values)],
          { passes: { face: flat("face") } },
        ),
      ],
      coatsContext(kernel, square),
    );

  test("puts its face into a pass, sides below it, and lines along every edge where they are asked for", () => {
    const { parts } = built({ edge: 1 }).form("t")!;
    expect(parts.map((p) => p.pass)).toEqual([undefined, undefined, undefined, "face", "edges"]);
    expect(
      built({ swing: 160 })
        .form("t")!
        .parts.some((p) => p.pass === "back"),
    ).toBe(true);
    expect(
      built({ sides: "ways" })
        .form("t")!
        .parts.flatMap((p) => p.pass ?? []),
    ).toEqual(expect.arrayContaining(["right", "lower", "face"]));
  });

  test("looks straight at it as it is where it is not turned, also without depth", () => {
    for (const depth of [0, 10]) {
      const { parts } = built({ tilt: 0, swing: 0, depth }).form("t")!;
      const face = parts.find((p) => p.pass === "face")!;
      expect(face.path.bounds).toEqual({ minX: 50, minY: 20, maxX: 150, maxY: 120 });
    }
    expect(
      built({ depth: 0 })
        .form("t")!
        .parts.map((p) => p.pass),
    ).toEqual(["face"]);
  });

  test("is painted with the light that runs over it, in the inks of the way", () => {
    const disc = { parts: [{ path: circle(0, 0, 100), x: 0, y: 0, line: 0 }] };
    const own = coat(
      "T",
      gradient(
        [
          [0, "edge"],
          [100, "face"],
        ],
        { shape: "copies" },
      ),
      [step("solid")],
    );
    const [layer] = new Coats([own], coatsContext(engine.kernel, disc)).build(own).layers;
    expect(layer.fills.map((f) => f.kind)).toEqual(["flat", "linear", "flat"]);
  });

  test("is painted in the plane of its face: what runs over the letters is turned with them", () => {
    const own = coat("T", flat("edge"), [step("solid", { tilt: 0, swing: 60, depth: 10 })], {
      passes: {
        face: gradient([
          [0, "edge"],
          [100, "face"],
        ]),
      },
    });
    const [layer] = new Coats([own], coatsContext(engine.kernel, square)).build(own).layers;
    const fill = layer.fills.find((f) => f.kind === "linear")!;
    // Half as wide, about the middle at 100, and shifted by half of what is seen of the depth; the gradient's box is the letters' own.
    expect(fill).toMatchObject({ box: { minX: 50, minY: 20, maxX: 150, maxY: 120 } });
    const [a, b, c, d] = (fill as { matrix: readonly number[] }).matrix;
    expect([a, b, c, d]).toEqual([0.5, 0, 0, 1].map((v) => expect.closeTo(v, 9)));
  });

  test("takes on the colour of the lamp where it turns towards it, and bands where it is of metal", () => {
    const disc = { parts: [{ path: circle(0, 0, 100), x: 0, y: 0, line: 0 }] };
    const toned = (surface: string, colour: string) => {
      const way = gradient(
        [
          [0, "edge"],
          [100, "face"],
        ],
        { shape: "copies" },
      );
      const own = coat("T", way, [step("solid", { surface })]);
      const context = coatsContext(engine.kernel, disc);
      return new Coats([own], { ...context, lamp: { ...context.lamp, colour } }).form("t")!.parts;
    };
    const run = (surface: string) =>
      toned(surface, "#fff6e5")
        .find((p) => p.lit)!
        .lit!.stops.map((s) => s.tone);
    // Where tones turn from rising to falling and back.
    const turns = (tones: number[]) =>
      tones.filter((t, i) => i > 0 && i + 1 < tones.length && (t - tones[i - 1]) * (tones[i + 1] - t) < 0).length;
    expect(turns(run("metal"))).toBeGreaterThan(turns(run("matt")) + 1);
    expect(toned("matt", "#fff6e5").map((p) => p.tint)).toEqual([undefined, undefined, undefined]);
    expect(toned("matt", "#80a0ff").map((p) => p.tint?.slice(5))).toEqual(["ff", "ff", undefined]);
  });

  test("says where it is turned by hand", () => {
    const [facts] = Object.values(built({}).facts("t"));
    expect(facts.ball).toMatchObject({ at: { x: 100, y: 70 }, tilt: "tilt", swing: "swing", roll: "roll" });
  });
});

describe("what is painted for itself", () => {
  test("is the back exactly where it is seen", () => {
    for (const eye of [0, 60])
      for (const [tilt, swing] of [
        [0, 0],
        [80, 40],
        [100, 0],
        [0, 170],
        [120, 130],
        [-95, 20],
      ]) {
        const values = { depth: 5, tilt, swing, roll: 0, perspective: eye };
        const solid = coat("S", flat("face"), [step("solid", values)]);
        const { parts } = new Coats(
          [solid],
          coatsContext(engine.kernel, { parts: [{ path: rectangle(0, 0, 300, 200), x: 0, y: 0, line: 0 }] }),
        ).form(solid.id)!;
        expect(passesOf(solid).some((p) => p.id === "back")).toBe(parts.some((p) => p.pass === "back"));
      }
  });
});
