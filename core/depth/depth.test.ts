import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, step } from "../../demo/build";
import { coatsContext } from "../../tests/coats";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { compile } from "../piece/compile";
import { area, around, circle, rectangle } from "../../tests/paths";
import { wordOf, words } from "../../tests/words";
import { Coats } from "../coat/evaluate";
import { flatten } from "../curves/flatten";
import type { Path } from "../curves/path";
import type { Way } from "../curves/sweep";
import { chance } from "../grain/noise";
import type { LoadedEngine } from "../piece/engine";
import { litTones, twoTones } from "./tones";
import { visibleSides } from "./visible-sides";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...words.map(([face]) => face));
});

/** A way by chance: along a vector, towards a point outside or inside the word, or away from one. */
function wayFor({ minX, minY, maxX, maxY }: Path["bounds"], seed: number): Way {
  const c = (k: number) => chance(seed, k, 77);
  const place = { x: minX + (maxX - minX) * (2 * c(0) - 0.5), y: minY + (maxY - minY) * (5 * c(1) - 2) };
  if (seed % 3 === 0) {
    const [angle, length] = [2 * Math.PI * c(2), 20 + 400 * c(3)];
    return { kind: "vector", x: length * Math.cos(angle), y: length * Math.sin(angle) };
  }
  return { kind: "point", ...place, by: seed % 3 === 1 ? 0.05 + 0.7 * c(2) : -(0.05 + 0.5 * c(2)) };
}

type Edges = readonly Float64Array[];

/** By crossings to the right (even-odd on a shape that does not cross itself). */
function inside(polygons: Edges, x: number, y: number): boolean {
  let odd = false;
  for (const p of polygons)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
      if (p[i + 1] > y !== p[j + 1] > y && x < p[i] + ((y - p[i + 1]) / (p[j + 1] - p[i + 1])) * (p[j] - p[i])) odd = !odd;
  return odd;
}

/**
 * What is seen at a place, by walking from there back to where the way comes from: the first edge that is met, as its outward normal.
 * Written apart from what draws the sides: no order and no booleans.
 */
function sideAt(polygons: Edges, way: Way, x: number, y: number): { x: number; y: number; tight: boolean } | undefined {
  // Back along the way: for a point away from it, or towards it where the body grows away.
  const [bx, by] = way.kind === "vector" ? [-way.x, -way.y] : [(x - way.x) * (1 / (1 - way.by) - 1), (y - way.y) * (1 / (1 - way.by) - 1)];
  let [first, second] = [Infinity, Infinity];
  let found: { x: number; y: number } | undefined;
  for (const p of polygons)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
      const [ex, ey] = [p[i] - p[j], p[i + 1] - p[j + 1]];
      const det = bx * ey - by * ex;
      if (Math.abs(det) < 1e-12) continue;
      const s = ((p[j] - x) * ey - (p[j + 1] - y) * ex) / det;
      const t = ((p[j] - x) * by - (p[j + 1] - y) * bx) / det;
      if (t < 0 || t > 1 || s < 0 || s > 1) continue;
      if (s < first) {
        [second, first] = [first, s];
        const l = Math.hypot(ex, ey);
        // Outers run so that their outside is to the right of travel (y down).
        found = { x: ey / l, y: -ex / l };
      } else if (s < second) second = s;
    }
  return found && { ...found, tight: second - first < 0.02 };
}

describe("the sides of a swept shape", () => {
  test.each(words)("are the sweep less the front, and meet without overlap: %s, %s", (face, text) => {
    const front = wordOf(engine, face, text);
    for (let seed = 1; seed <= 9; seed++) {
      const way = wayFor(front.bounds, seed * 31 + text.length);
      const seen = visibleSides(front, way, engine.kernel, (side) => twoTones.of(side.normal), twoTones.cutsAt);
      const parts = [...seen.values()];
      const { silhouette } = engine.kernel.sweep(front, way);
      const whole = engine.kernel.area(engine.kernel.subtract(silhouette, [front]));
      const sum = parts.reduce((total, p) => total + engine.kernel.area(p), 0);
      // A millionth of the area.
      expect([face, seed, Math.abs(sum / whole - 1) < 1e-6]).toEqual([face, seed, true]);
      if (parts.length === 2) {
        // No wider than a hundredth of a unit along the border.
        expect(engine.kernel.area(engine.kernel.intersect(parts))).toBeLessThan(0.01 * around(parts[0]));
      }
    }
  });

  test.each(words)("are told right at every place, by walking back along the way: %s, %s", (face, text) => {
    const front = wordOf(engine, face, text);
    const polygons = flatten(front, 0.05);
    let [asked, wrong] = [0, 0];
    for (let seed = 1; seed <= 9; seed++) {
      const way = wayFor(front.bounds, seed * 17 + text.length);
      const seen = visibleSides(front, way, engine.kernel, (side) => twoTones.of(side.normal), twoTones.cutsAt);
      const shapes = [...seen].map(([tone, path]) => ({ tone, polygons: flatten(path, 0.05) }));
      const b = engine.kernel.sweep(front, way).silhouette.bounds;
      for (let i = 0; i < 500; i++) {
        const [x, y] = [b.minX + (b.maxX - b.minX) * chance(i, seed, 1), b.minY + (b.maxY - b.minY) * chance(i, seed, 2)];
        if (inside(polygons, x, y)) continue;
        const side = sideAt(polygons, way, x, y);
        const told = shapes.filter((s) => inside(s.polygons, x, y)).map((s) => s.tone);
        if (!side) {
          wrong += told.length;
          continue;
        }
        // At a corner of the outline, or where a curve changes its tone, a chord is no judge.
        if (side.tight || Math.abs(1.15 * Math.abs(side.x) - Math.abs(side.y)) < 0.05) continue;
        asked++;
        if (told.length !== 1 || told[0] !== twoTones.of(side)) wrong++;
      }
    }
    expect(asked).toBeGreaterThan(400);
    // Places within a chord's error of an edge of the body: one in a thousand.
    expect(wrong).toBeLessThanOrEqual(Math.ceil(asked / 1000));
  });

  test("of a disc have the area of what it sweeps: its width times the way (handbook)", () => {
    const disc = circle(0, 0, 100);
    const seen = visibleSides(disc, { kind: "vector", x: 30, y: 40 }, engine.kernel, () => "all");
    // A circle of four cubics is off by 2.7e-4 of its radius.
    expect(Math.abs(area(seen.get("all")!) / (200 * 50) - 1)).toBeLessThan(1e-3);
  });
});

describe("tones", () => {
  const lamp = { x: 1, y: 0 };

  test("of two are uprights and flats", () => {
    expect(
      [
        [1, 0],
        [-0.8, 0.6],
        [0, 1],
        [0.6, -0.8],
      ].map(([x, y]) => twoTones.of({ x, y })),
    ).toEqual([0, 0, 1, 1]);
  });

  test("follow the lamp by Lambert's cosine, in even steps between the darkest and the lightest", () => {
    const normals = Array.from({ length: 73 }, (_, i) => ({ x: Math.cos((i * Math.PI) / 36), y: Math.sin((i * Math.PI) / 36) }));
    const { of } = litTones(lamp, 5, normals);
    // The cosine runs from -1 to 1: a fifth of that is 0.4.
    for (const n of normals) expect(of(n)).toBeCloseTo(Math.min(4, Math.floor((n.x + 1) / 0.4 + 1e-9)) / 4, 9);
    expect(litTones(lamp, 5, [normals[3]]).of(normals[3])).toBe(0.5);
  });

  test("cut curves where they change, so that each side is of one tone", () => {
    const disc = circle(0, 0, 100);
    const normals = Array.from({ length: 360 }, (_, i) => ({ x: Math.cos((i * Math.PI) / 180), y: Math.sin((i * Math.PI) / 180) }));
    const tones = litTones(lamp, 4, normals);
    const seen = visibleSides(disc, { kind: "vector", x: 0, y: 100 }, engine.kernel, (s) => tones.of(s.normal), tones.cutsAt);
    // The lower half of the disc: the cosine is even along the diameter, and so each tone is a quarter of the width, 50 by 100.
    expect([...seen.keys()].sort()).toEqual([0, 1 / 3, 2 / 3, 1]);
    for (const path of seen.values()) expect(Math.abs(area(path) / 5000 - 1)).toBeLessThan(2e-3);
  });
});

describe("a block shade", () => {
  const square = { parts: [{ path: rectangle(0, 0, 100, 100), x: 50, y: 20, line: 0 }] };
  const formOf = (values: Record<string, unknown>, kernel = engine.kernel) =>
    new Coats([coat("T", flat("face"), [step("block-shade", values)])], coatsContext(kernel, square)).form("t")!.parts;

  test("covers the letters and their way as one outline, or their sides in two tones over the body", () => {
    // Ten units to a length: 100 to the right.
    const way = { angle: 0, distance: 10 };
    const [one, ...others] = formOf({ sides: "one", way });
    expect(others).toEqual([]);
    expect(area(one.path)).toBeCloseTo(20_000, 6);
    expect(one.path.bounds).toEqual({ minX: 50, minY: 20, maxX: 250, maxY: 120 });
    const two = formOf({ sides: "two", way: { angle: 45, distance: 10 } });
    expect(two.map((p) => p.along)).toEqual([0.5, 0, 1]);
    const k = 100 * Math.SQRT1_2;
    for (const p of two.slice(1)) expect(area(p.path)).toBeCloseTo(100 * k, 3);
  });

  test("leaves a gap to the letters, and has no depth where it is told none", () => {
    const [gapped] = formOf({ sides: "one", way: { angle: 0, distance: 10 }, gap: 1 });
    // What is left right of 10 units beyond the square: 90 by 100, for the sweep is as high as the square.
    expect(area(gapped.path)).toBeCloseTo(90 * 100, 3);
    expect(formOf({ way: { angle: 0, distance: 0 } })).toEqual([]);
    expect(formOf({ to: "point", depth: 0 })).toEqual([]);
  });

  test("is as it is exactly while something is dragged, where it leaves a gap: also of letters that have grown into each other", () => {
    const parts = [0, 150].map((x, i) => ({ path: circle(0, 0, 80), x, y: 0, line: 0, letter: i }));
    const areas = [engine.kernel, engine.draft].map((kernel) => {
      const own = coat("T", flat("face"), [step("grow", { amount: 3 }), step("block-shade", { gap: 1, way: { angle: 60, distance: 12 } })]);
      return new Coats([own], coatsContext(kernel, { parts })).form("t")!.parts.map((p) => engine.kernel.area(p.path));
    });
    expect(areas[1]).toHaveLength(areas[0].length);
    // Grown roughly in a draft: within a hundredth.
    areas[0].forEach((a, i) => expect(Math.abs(areas[1][i] / a - 1)).toBeLessThan(0.01));
  });

  test("leaves the faces free of what lies behind it in its group, but for the unit that it laps over their edge", () => {
    const others = { parts: [{ path: rectangle(0, 0, 60, 60), x: 180, y: 40, line: 0 }] };
    const formed = (values: Record<string, unknown>) =>
      new Coats(
        [coat("T", flat("face"), [step("block-shade", { sides: "one", way: { angle: 0, distance: 20 }, ...values })])],
        coatsContext(engine.kernel, square, { others }),
      ).form("t")!.parts;
    expect(area(formed({})[0].path)).toBeCloseTo(300 * 100 - 58 * 58, 3);
    expect(area(formed({ clear: false })[0].path)).toBeCloseTo(300 * 100, 3);
  });

  test("of a line in a group does not lie over the line behind it, wherever the two stand", () => {
    const shaded = styleOf(
      [coat("Shade", flat("face"), [step("block-shade", { sides: "one", way: { angle: -90, distance: 120 } })])],
      "em",
    );
    const line = (id: string, y: number, groups: string[]) => word("H", { id, x: 100, y, size: 100, groups });
    const shadeOver = (groups: string[]) => {
      const piece = board(line("upper", 150, groups), line("lower", 240, groups));
      const { scene } = compile(piece, new Map([[shaded.id, shaded]]), engine);
      const [upper, lower] = scene.items;
      const face = engine.kernel.weld(compile(piece, new Map([[shaded.id, styleOf()]]), engine).scene.items[0].layers[0].paths[0].path);
      const toUpper = (lower.matrix[5] - upper.matrix[5]) / upper.matrix[3];
      return area(engine.kernel.intersect([face, lower.layers[0].paths[0].path.transform([1, 0, 0, 1, 0, toUpper])])) / area(face);
    };
    expect(shadeOver([])).toBeGreaterThan(0.5);
    // The unit along its edge.
    expect(shadeOver(["sign"])).toBeLessThan(0.03);
  });

  test("runs towards a point that lies at its share of the letters' box, and away from it", () => {
    const at = (depth: number) => formOf({ to: "point", point: { x: 0.5, y: 2.5 }, depth, sides: "one" })[0].path;
    // The point is at 100, 270: half-way there the far end is half as large, between 75 and 125 at 145 to 195.
    expect(at(50).bounds).toEqual({ minX: 50, minY: 20, maxX: 150, maxY: expect.closeTo(195, 6) });
    expect(at(-100).bounds).toEqual({ minX: 0, minY: expect.closeTo(-230, 6), maxX: 200, maxY: 120 });
    const facts = new Coats([coat("T", flat("face"), [step("block-shade", { to: "point" })])], coatsContext(engine.kernel, square)).facts(
      "t",
    );
    expect(Object.values(facts)[0]).toEqual({ places: [{ param: "point", box: { minX: 50, minY: 20, maxX: 150, maxY: 120 } }] });
  });
});

describe("a drop shade", () => {
  const formOf = (values: Record<string, unknown>, xs = [0]) => {
    const parts = xs.map((x, i) => ({ path: rectangle(0, 0, 100, 100), x, y: 0, line: 0, letter: i }));
    return new Coats([coat("T", flat("face"), [step("drop-shade", values)])], coatsContext(engine.kernel, { parts })).form("t")!.parts;
  };

  test("is what of a copy lies beside the letters and their gap", () => {
    // Sixty units to the right, ten left open: fifty are left.
    const [one] = formOf({ way: { angle: 0, distance: 6 }, gap: 1 });
    expect(area(one.path)).toBeCloseTo(50 * 100, 3);
    expect(area(formOf({ way: { angle: 0, distance: 6 }, gap: 0 })[0].path)).toBeCloseTo(60 * 100, 3);
    // Farther than the letter is wide it stands free.
    expect(area(formOf({ way: { angle: 0, distance: 20 }, gap: 1 })[0].path)).toBeCloseTo(100 * 100, 3);
  });

  test("never comes nearer to a neighbour's face than its gap", () => {
    const parts = formOf({ way: { angle: 0, distance: 6 }, gap: 1 }, [0, 130]);
    // Between the letters lie 30 units; ten of them beside each are left open.
    expect(parts.map((p) => Math.round(area(p.path)))).toEqual([10 * 100, 50 * 100]);
  });
});

describe("a cast shade", () => {
  const square = rectangle(0, -100, 100, 100);
  const formOf = (values: Record<string, unknown>, paths = [square]) => {
    const parts = paths.map((path, i) => ({ path, x: 40, y: 300, line: 0, letter: i }));
    return new Coats([coat("T", flat("face"), [step("cast-shade", values)])], coatsContext(engine.kernel, { parts })).form("t")!.parts;
  };

  test("is the letter laid on the ground by an affine map: as wide, and as long as it is told; leaning changes no area", () => {
    for (const lean of [0, 45, -60])
      for (const length of [50, -50, 120]) {
        const [one] = formOf({ length, lean });
        expect(area(one.path)).toBeCloseTo(100 * Math.abs(length), 6);
        // The foot stays where the letter stands; the head lies length away, and leans by the tangent.
        const { bounds } = one.path;
        expect(length > 0 ? bounds.minY : bounds.maxY).toBeCloseTo(0, 9);
        expect(length > 0 ? bounds.maxY : bounds.minY).toBeCloseTo(length, 9);
        const off = Math.tan((lean * Math.PI) / 180) * Math.abs(length);
        expect([bounds.minX, bounds.maxX]).toEqual([Math.min(0, off), 100 + Math.max(0, off)].map((v) => expect.closeTo(v, 9)));
      }
  });

  test("is wider at its end under a near light: a trapezium", () => {
    const [one] = formOf({ length: 100, lean: 0, spread: 60 });
    expect(one.path.bounds).toEqual({
      minX: expect.closeTo(-30, 6),
      maxX: expect.closeTo(130, 6),
      minY: expect.closeTo(0, 9),
      maxY: expect.closeTo(100, 9),
    });
    expect(area(one.path)).toBeCloseTo(((100 + 160) / 2) * 100, 3);
  });

  test("begins at the ground: what hangs below casts none", () => {
    const tailed = rectangle(0, -100, 100, 150);
    const parts = formOf({ length: 100, lean: 0 }, [square, square, tailed]);
    for (const p of parts) expect(area(p.path)).toBeCloseTo(100 * 100, 6);
    // Ten units lower the ground is that much farther from the foot.
    expect(formOf({ length: 100, lean: 0, floor: 1 })[0].path.bounds).toMatchObject({ minY: 20, maxY: 120 });
  });

  test("grows softer towards its end, from where it begins, on each line by itself", () => {
    const parts = [0, 1].map((line) => ({ path: square, x: 40, y: 300 + 400 * line, line, letter: line }));
    for (const length of [50, -50]) {
      const own = coat("T", flat("face"), [step("cast-shade", { length, lean: 0, soft: 2 })]);
      const [layer] = new Coats([own], coatsContext(engine.kernel, { parts })).build(own).layers;
      expect(layer.layers!.map((l) => l.effects![0].deviation)).toEqual([20, 10, 2.4, 20, 10, 2.4].map((v) => expect.closeTo(v, 9)));
      expect(layer.layers!.map((l) => [l.fade!.from.y, l.fade!.to.y])).toEqual(
        [300, 300, 300, 700, 700, 700].map((foot) => [expect.closeTo(foot, 6), expect.closeTo(foot + length, 6)]),
      );
    }
  });
});
