import { beforeAll, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { engineWith } from "../../tests/engine";
import { rectangle } from "../../tests/paths";
import { directionAt, valueAt } from "../curves/bezier";
import { contoursOf, stride } from "../curves/contour";
import { flatten } from "../curves/flatten";
import { nearest } from "../curves/measure";
import { settingSchema } from "../lettering/options";
import { set, type Setting } from "../lettering/setting";
import type { LoadedEngine } from "../piece/engine";
import { bendTolerance, lineBox } from "./bent";
import { bend } from "./bend";
import { coonsMap, type Edge } from "./coons";
import { coarsened, flatMesh, meshOf, refined, Sheet, sheetWarp, type Mesh } from "./mesh";
import type { EnvelopeBend } from "./schema";
import { startingForms } from "./starting-forms";

const out = new Float64Array(6);
const edge =
  (of: (t: number) => [number, number, number, number]): Edge =>
  (t, o) =>
    o.set(of(t));
const between = (a: [number, number], b: [number, number]) =>
  edge((t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, b[0] - a[0], b[1] - a[1]]);

// S. A. Coons, Surfaces for Computer-Aided Design of Space Forms, MIT Project MAC TR-41 (1967); G. Farin, Curves and Surfaces for CAGD.
describe("a Coons patch", () => {
  const top = edge((t) => [t * 10, -3 * Math.sin(Math.PI * t), 10, -3 * Math.PI * Math.cos(Math.PI * t)]);
  const bottom = edge((t) => [t * 10 + t * (1 - t), 8 + t * t - t, 10 + 1 - 2 * t, 2 * t - 1]);
  const left = between([0, 0], [0, 8]);
  const right = edge((t) => [10 + 2 * t * (1 - t), 8 * t, 2 - 4 * t, 8]);
  const map = coonsMap({ top, right, bottom, left });

  test("has its four edges exactly", () => {
    const want = new Float64Array(4);
    for (let i = 0; i <= 20; i++) {
      const t = i / 20;
      for (const [e, u, v] of [
        [top, t, 0],
        [bottom, t, 1],
        [left, 0, t],
        [right, 1, t],
      ] as const) {
        e(t, want);
        map(u, v, out);
        expect(out[0]).toBeCloseTo(want[0], 12);
        expect(out[1]).toBeCloseTo(want[1], 12);
      }
    }
  });

  test("gives the derivatives of what it maps", () => {
    const h = 1e-6;
    const [a, b] = [new Float64Array(6), new Float64Array(6)];
    for (const [u, v] of [
      [0.2, 0.3],
      [0.5, 0.9],
      [0.77, 0.1],
    ]) {
      map(u, v, out);
      for (const [k, du, dv] of [
        [2, h, 0],
        [4, 0, h],
      ]) {
        map(u + du, v + dv, a);
        map(u - du, v - dv, b);
        // Central differences with a step of 1e-6 are good to about 1e-8 here.
        expect(out[k]).toBeCloseTo((a[0] - b[0]) / (2 * h), 5);
        expect(out[k + 1]).toBeCloseTo((a[1] - b[1]) / (2 * h), 5);
      }
    }
  });

  test("of four straight edges of a parallelogram is an affine map", () => {
    const flat = coonsMap({
      top: between([1, 2], [5, 3]),
      bottom: between([2, 8], [6, 9]),
      left: between([1, 2], [2, 8]),
      right: between([5, 3], [6, 9]),
    });
    for (const [u, v] of [
      [0, 0],
      [0.3, 0.8],
      [1, 0.5],
    ]) {
      flat(u, v, out);
      expect([...out]).toEqual([1 + 4 * u + v, 2 + u + 6 * v, 4, 1, 1, 6].map((n) => expect.closeTo(n, 12)));
    }
  });
});

describe("a mesh", () => {
  const curved = (u: number, v: number): [number, number] => [u + 0.1 * v * v * u, v - 0.4 * u * (1 - u) + 0.1 * u * v];

  test("of one patch is the Coons patch of its four edges", () => {
    const mesh = meshOf(curved);
    const sheet = new Sheet(mesh);
    const side =
      (fixed: "u" | "v", at: number): Edge =>
      (t, o) => {
        const p = new Float64Array(6);
        if (fixed === "v") sheet.at(t, at, p);
        else sheet.at(at, t, p);
        o.set(fixed === "v" ? [p[0], p[1], p[2], p[3]] : [p[0], p[1], p[4], p[5]]);
      };
    const coons = coonsMap({ top: side("v", 0), bottom: side("v", 1), left: side("u", 0), right: side("u", 1) });
    const want = new Float64Array(6);
    for (let u = 0; u <= 1; u += 0.125)
      for (let v = 0; v <= 1; v += 0.125) {
        sheet.at(u, v, out);
        coons(u, v, want);
        expect([...out]).toEqual([...want].map((n) => expect.closeTo(n, 9)));
      }
  });

  test("that is flat changes nothing, and an affine frame gives an affine map", () => {
    const box = { minX: 100, minY: -700, maxX: 900, maxY: 0 };
    const flat = sheetWarp(new Sheet(flatMesh()), box, box);
    const sheared = sheetWarp(new Sheet(meshOf((u, v) => [u + 0.3 * v, 0.2 * u + 0.9 * v], [0, 0.4, 1], [0, 0.5, 1])), box, box);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1000, noNaN: true }), fc.double({ min: -800, max: 100, noNaN: true }), (x, y) => {
        flat(x, y, out);
        expect([...out]).toEqual([x, y, 1, 0, 0, 1].map((n) => expect.closeTo(n, 8)));
        sheared(x, y, out);
        const [u, v] = [(x - 100) / 800, (y + 700) / 700];
        // Nodes are rounded to a millionth of the box.
        expect(out[0]).toBeCloseTo(100 + 800 * (u + 0.3 * v), 2);
        expect(out[1]).toBeCloseTo(-700 + 700 * (0.2 * u + 0.9 * v), 2);
      }),
    );
  });

  test("goes through its nodes, smoothly from patch to patch", () => {
    const mesh = meshOf((u, v) => [u + 0.05 * Math.sin(6 * v), v + 0.1 * Math.sin(6 * u)], [0, 0.3, 0.7, 1], [0, 0.5, 1]);
    const sheet = new Sheet(mesh);
    mesh.nodes.forEach((n, i) => {
      sheet.at(mesh.across[i % 4], mesh.down[Math.floor(i / 4)], out);
      expect([...out]).toEqual([n.x, n.y, n.acrossX, n.acrossY, n.downX, n.downY].map((v) => expect.closeTo(v, 9)));
    });
    const before = new Float64Array(6);
    for (const v of [0.1, 0.45, 0.8]) {
      sheet.at(0.3 - 1e-9, v, before);
      sheet.at(0.3 + 1e-9, v, out);
      for (let k = 0; k < 6; k++) expect(out[k]).toBeCloseTo(before[k], 6);
    }
  });

  test("refined keeps its sheet nearly as it is, and coarsened takes the column out again", () => {
    const mesh = meshOf(curved);
    const finer = refined(refined(mesh, "across", 0.5), "down", 0.25);
    expect([finer.across, finer.down, finer.nodes.length]).toEqual([[0, 0.5, 1], [0, 0.25, 1], 9]);
    const [a, b] = [new Sheet(mesh), new Sheet(finer)];
    const want = new Float64Array(6);
    for (let u = 0; u <= 1; u += 0.1)
      for (let v = 0; v <= 1; v += 0.1) {
        a.at(u, v, want);
        b.at(u, v, out);
        // The twist of the finer mesh is estimated anew: within a hundredth of the box.
        expect(Math.hypot(out[0] - want[0], out[1] - want[1])).toBeLessThan(0.01);
      }
    expect(coarsened(finer, "across", 1).across).toEqual([0, 1]);
    expect(coarsened(finer, "across", 0)).toBe(finer);
    expect(refined(mesh, "across", 0)).toBe(mesh);
  });
});

describe("forms to start from", () => {
  test("are a dozen or more, each with a name of its own, flat at no strength and without a fold at any", () => {
    expect(startingForms.length).toBeGreaterThanOrEqual(12);
    expect(new Set(startingForms.map((f) => f.label)).size).toBe(startingForms.length);
    for (const f of startingForms) {
      const still = new Sheet(f.mesh(0));
      for (const [u, v] of [
        [0, 0],
        [0.5, 0.5],
        [1, 0.3],
      ]) {
        still.at(u, v, out);
        expect(Math.hypot(out[0] - u, out[1] - v)).toBeLessThan(1e-3);
      }
      for (const strength of [-1, -0.5, 0.3, 1]) {
        const sheet = new Sheet(f.mesh(strength));
        for (let u = 0.02; u < 1; u += 0.06)
          for (let v = 0.02; v < 1; v += 0.06) {
            sheet.at(u, v, out);
            expect(out[2] * out[5] - out[3] * out[4]).toBeGreaterThan(0);
          }
      }
    }
  });
});

describe("words in an envelope", () => {
  let engine: LoadedEngine;
  let setting: Setting;
  beforeAll(async () => {
    engine = await engineWith("alfa-slab", "pacifico");
    setting = setIn("Sw&ell\nbelow", "alfa-slab");
  });
  const setIn = (text: string, face: string) =>
    set(engine.hb, engine.face(face)!, settingSchema.parse({ text, face, size: 100, letterSpacing: 0, lineSpacing: 1, align: "centre" }));
  const inside = (s: Setting, extra: Partial<EnvelopeBend>) =>
    bend(
      s,
      { kind: "envelope", scope: "block", meshes: [flatMesh()], gap: 0, ...extra },
      { kernel: engine.kernel, capHeight: 700, outline: () => undefined },
    );
  const gentle = () => startingForms.find((f) => f.id === "bowed")!.mesh(0.3);

  test("warped outlines lie within 0.05 unit of a dense sampling of the true map", () => {
    const mesh = startingForms.find((f) => f.id === "twisted")!.mesh(0.8);
    const warp = sheetWarp(new Sheet(mesh), setting.ink, setting.ink);
    const bent = inside(setting, { meshes: [mesh] });
    expect(bendTolerance).toBeLessThanOrEqual(0.05);
    let most = 0;
    bent.letters.forEach((l, i) => {
      const { outline, x, y } = setting.letters[i];
      for (const c of contoursOf(engine.kernel.weld(outline), true))
        for (let k = 0; k < c.size; k++)
          for (let t = 0; t <= 1; t += 1 / 16) {
            warp(valueAt(c.points, k * stride, c.degrees[k], t) + x, valueAt(c.points, k * stride + 1, c.degrees[k], t) + y, out);
            most = Math.max(most, nearest(l.outline, out[0], out[1])!.distance);
          }
    });
    expect(most).toBeLessThan(0.05);
    expect(most).toBeGreaterThan(0);
  });

  test("nodes are at most twice those of the straight letters for a gentle bend", () => {
    for (const face of ["alfa-slab", "pacifico"]) {
      const s = setIn("Brindlemoor", face);
      const nodes = (all: readonly { outline: { nodes: number } }[]) => all.reduce((n, l) => n + l.outline.nodes, 0);
      expect(nodes(inside(s, { meshes: [gentle()] }).letters)).toBeLessThanOrEqual(2 * nodes(s.letters));
    }
  });

  test("what was smooth stays smooth", () => {
    const s = setIn("O", "pacifico");
    const before = kinks(s.letters[0].outline);
    const after = kinks(inside(s, { meshes: [startingForms.find((f) => f.id === "billowing")!.mesh(0.9)] }).letters[0].outline);
    expect(after).toBeLessThanOrEqual(before);
  });

  /** Corners of more than two degrees. */
  function kinks(path: Parameters<typeof contoursOf>[0]): number {
    const [a, b] = [new Float64Array(2), new Float64Array(2)];
    let n = 0;
    for (const c of contoursOf(engine.kernel.weld(path), true))
      for (let k = 0; k < c.size; k++) {
        const next = (k + 1) % c.size;
        directionAt(c.points, k * stride, c.degrees[k], 1, a);
        directionAt(c.points, next * stride, c.degrees[next], 0, b);
        if (a[0] * b[0] + a[1] * b[1] < Math.cos((2 * Math.PI) / 180)) n++;
      }
    return n;
  }

  test("a line of its own bends alone, the others stay", () => {
    const bent = inside(setting, { scope: "lines", meshes: [flatMesh(), gentle()] });
    const straight = inside(setting, {});
    bent.letters.forEach((l, i) => {
      const same = l.quad.every((q, k) => Math.hypot(q.x - straight.letters[i].quad[k].x, q.y - straight.letters[i].quad[k].y) < 1e-6);
      expect(same).toBe(l.line === 0);
    });
  });

  test("nested lines keep an even gap along the edge that they share", () => {
    const square = setIn("HHHH\nHHHH", "alfa-slab");
    const mesh: Mesh = meshOf((u, v) => [u, v - 0.35 * 4 * u * (1 - u) * v * (1 - v) * 4]);
    const bent = inside(square, { scope: "nested", meshes: [mesh], gap: 80 });
    const feet = flattened(bent, 0, "down");
    const heads = flattened(bent, 1, "up");
    const [block, line] = [square.ink, lineBox(square, 0)];
    expect(block.maxX - block.minX).toBeCloseTo(line.maxX - line.minX, 6);
    // The least distance from points of the lower feet to the heads below, at several places: within a tenth of the gap. Serifs are
    // straight chords of a curved edge, so it is not exact.
    const gaps = feet.filter((_, i) => i % 9 === 0).map((p) => Math.min(...heads.map((q) => Math.hypot(q.x - p.x, q.y - p.y))));
    expect(Math.min(...gaps)).toBeGreaterThan(72);
    expect(Math.max(...gaps.slice(2, -2))).toBeLessThan(92);
  });

  /** Points of the upper or lower edge of a line: those whose straight place lies on the edge of its box. */
  function flattened(bent: ReturnType<typeof inside>, line: number, which: "up" | "down") {
    return bent.letters
      .filter((l) => l.line === line)
      .flatMap((l) => {
        const [a, b] = which === "down" ? [l.quad[3], l.quad[2]] : [l.quad[0], l.quad[1]];
        const points = flatten(l.outline, 0.05).flatMap((c) =>
          Array.from({ length: c.length / 2 }, (_, i) => ({ x: c[2 * i], y: c[2 * i + 1] })),
        );
        const off = (p: { x: number; y: number }) =>
          Math.abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) / Math.hypot(b.x - a.x, b.y - a.y);
        return points.filter((p) => off(p) < 1.5);
      });
  }

  test("folded over itself gives letters all the same, and coats can be built on them", () => {
    const folded = meshOf((u, v) => [u < 0.5 ? u : 1 - u, v]);
    const bent = inside(setting, { meshes: [folded] });
    expect(bent.letters).toHaveLength(setting.letters.length);
    for (const l of bent.letters) {
      const grown = engine.kernel.grow(l.outline, 20, { kind: "round" });
      expect(grown.coords.every(Number.isFinite)).toBe(true);
    }
    expect(engine.kernel.area(rectangle(0, 0, 10, 10))).toBe(100);
  });
});
