import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, step } from "../../demo/build";
import { PDFiumLibrary } from "@hyzyla/pdfium";
import { PNG } from "pngjs";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { coatsContext } from "../../tests/coats";
import { picture, pngOf, request, svgOf } from "../../tests/exported";
import { area, circle, rectangle } from "../../tests/paths";
import { Rays } from "../../tests/rays";
import { looked, sightOf } from "../../tests/solids";
import { wordOf, words } from "../../tests/words";
import { Coats } from "../coat/evaluate";
import { newPaint } from "../coat/schema";
import { apply, identity, invert } from "../curves/matrix";
import type { Path } from "../curves/path";
import { newOutput } from "../output/outputs";
import type { LoadedEngine } from "../piece/engine";
import { drawPng } from "../../server/raster/draw";
import { writeFileHere } from "../../server/render";
import { cameraOf, type Point3, type Sight } from "./camera";
import { lightOn } from "./light";
import { solidParts, solidSides } from "./solid";
import { solidStrips } from "./strips";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...words.map(([face]) => face));
});

const light: Point3 = { x: -0.5, y: -0.5, z: 0.7 };
const sight = (values: Partial<Sight> = {}): Sight => ({
  ...{ swing: -25, tilt: 20, roll: 5, depth: 60, eye: 0, pivot: { x: 100, y: 100 } },
  ...values,
});
const stripsOf = (front: Path, seen: Sight, kind: "smooth" | "ways" = "smooth") =>
  solidStrips(front, cameraOf(seen), engine.kernel, light, { kind })!;

/** Places along an outline, and the way that it runs there. */
type Outline = (s: number) => { x: number; y: number; nx: number; ny: number };
const ring: Outline = (s) => {
  const a = s / 100;
  return { x: 100 + 100 * Math.cos(a), y: 100 + 100 * Math.sin(a), nx: Math.cos(a), ny: Math.sin(a) };
};
const box: Outline = (s) =>
  s < 200
    ? { x: s, y: 0, nx: 0, ny: -1 }
    : s < 400
      ? { x: 200, y: s - 200, nx: 1, ny: 0 }
      : s < 600
        ? { x: 600 - s, y: 200, nx: 0, ny: 1 }
        : { x: 0, y: 800 - s, nx: -1, ny: 0 };

/** How far a place of a body's side lies from where the nearest of the planes has it: along the outline, and into the depth. */
function off(front: Path, outline: Outline, seen: Sight, s: number, depth: number, least = 0.2): number | undefined {
  const rays = new Rays(front, seen);
  const { x, y, nx, ny } = outline(s);
  const facing = cameraOf(seen).turned({ x: nx, y: ny, z: 0 });
  // Seen well, and not edge-on.
  if (facing.z < least) return undefined;
  const at = rays.project(x, y, -depth);
  const found = stripsOf(front, seen).sides.flatMap(({ skin }) => {
    if (!skin) return [];
    const p = apply(invert(skin.matrix), at);
    return Math.hypot(p.x - s, p.y - depth);
  });
  return Math.min(...found);
}

describe("the planes that materials lie in", () => {
  test("have each place of flat sides where it is along the outline and in the depth, as three.js projects it", () => {
    const front = rectangle(0, 0, 200, 200);
    const offs = [10, 150, 230, 390, 410, 590, 650, 799].flatMap((s) => [0, 7, 60].map((d) => off(front, box, sight(), s, d) ?? -1));
    // Two of the four sides are seen.
    expect(offs.filter((o) => o >= 0)).toHaveLength(12);
    expect(Math.max(...offs)).toBeLessThan(1e-3);
  });

  test("have those of round ones within what an arc of 15 degrees lies from its chord", () => {
    const front = circle(100, 100, 100);
    const offs = Array.from({ length: 40 }, (_, k) => off(front, ring, sight(), 1 + 15.6 * k, 20) ?? -1);
    expect(offs.filter((o) => o >= 0).length).toBeGreaterThan(10);
    // r (1 - cos 7.5 deg) = 0.86 out of the plane, which is the more along it the more it is seen from the side.
    expect(Math.max(...offs)).toBeLessThan(0.9 / 0.2);
  });

  test("are right in the middle of the depth in perspective", () => {
    const front = circle(100, 100, 100);
    const seen = sight({ eye: 900 });
    const offs = Array.from({ length: 40 }, (_, k) => off(front, ring, seen, 1 + 15.6 * k, 30, 0.35) ?? -1);
    expect(offs.filter((o) => o >= 0).length).toBeGreaterThan(5);
    // Besides, half of the depth is seen 1 unit beyond the middle of the side.
    expect(Math.max(...offs)).toBeLessThan((0.9 + 1) / 0.35);
  });

  test("say which way they look: three directions upright to one another, as the body is turned", () => {
    const turned = sight({ roll: 30 });
    for (const { skin, facing } of stripsOf(rectangle(0, 0, 200, 200), turned).sides) {
      const dot = (a: Point3, b: Point3) => a.x * b.x + a.y * b.y + a.z * b.z;
      const { along, away, out } = skin!;
      for (const [a, b] of [
        [along, away],
        [along, out],
        [away, out],
      ])
        expect(dot(a, b)).toBeCloseTo(0, 9);
      expect(dot(out, facing!)).toBeCloseTo(1, 9);
      expect(skin!.matrix[0]).toBeCloseTo(along.x, 9);
      expect(skin!.matrix[3]).toBeCloseTo(away.y, 9);
    }
  });
});

describe("the sides of a solid in strips", () => {
  test("cover what its sides cover, with no overlap, on words of all kinds, near and far, from before and behind", () => {
    words.forEach(([face, text], i) => {
      const front = engine.kernel.weld(wordOf(engine, face, text));
      const seen = sightOf(front, 3 * i + 1);
      const camera = cameraOf(seen);
      const strips = solidStrips(front, camera, engine.kernel, lightOn(camera, light), { kind: "smooth" })!;
      const sides = solidSides(front, camera, engine.kernel, lightOn(camera, light), { kind: "smooth" });
      const ways = solidStrips(front, camera, engine.kernel, light, { kind: "ways" })!.sides;
      const sum = (of: readonly { readonly path: Path }[]) => of.reduce((a, s) => a + area(s.path), 0);
      // Cuts move by the grid that what is hidden is found on: a hair for each.
      expect([i, Math.abs(sum(strips.sides) / sum(sides) - 1) < 1e-4]).toEqual([i, true]);
      expect(looked(front, seen, ways, false, 150, i).wrong).toBe(0);
    });
  });

  test("lie under themselves whole where a curve is cut into several", () => {
    const { sides: strips, beneath } = stripsOf(circle(100, 100, 100), sight());
    expect(beneath).toHaveLength(1);
    expect([...beneath[0].of].sort((a, b) => a - b)).toEqual(strips.map((_, i) => i));
    expect(stripsOf(rectangle(0, 0, 200, 200), sight()).beneath).toEqual([]);
  });

  test("and so do the wedges that light is laid on in perspective, with no line between them in a picture", async () => {
    const { sides, beneath } = solidParts(circle(100, 100, 100), cameraOf(sight({ eye: 300 })), engine.kernel, light, { kind: "smooth" });
    expect(sides.length).toBeGreaterThan(3);
    const letters = { parts: [{ path: circle(250, 100, 90), x: 0, y: 0, line: 0 }] };
    const body = coat(
      "Body",
      gradient(
        [
          [0, "shadow"],
          [100, "face"],
        ],
        { shape: "copies" },
      ),
      [step("solid", { tilt: 20, swing: -40, depth: 20, perspective: 60 })],
      { passes: { face: flat("edge") } },
    );
    const { layers } = new Coats([body], coatsContext(engine.kernel, letters)).build(body);
    const items = [{ id: "i", label: "I", matrix: identity, layers }];
    const shown = (size: number) => PNG.sync.read(Buffer.from(drawPng(svgOf({ width: 500, height: 200, ground: null, items }), size)));
    const { width, height, data } = shown(2000);
    // Along rows no pixel inside of the body differs from both its neighbours the same way by more than 5 of 255: a line would.
    let lines = 0;
    for (let y = 0; y < height; y += 8)
      for (let x = 2; x < width - 2; x++) {
        const at = (dx: number) => 4 * (y * width + x + dx);
        if ([-2, -1, 0, 1, 2].some((dx) => data[at(dx) + 3] < 255 || data[at(dx) + 2] > 60)) continue;
        for (const c of [0, 1, 2]) {
          const [before, here, after] = [-1, 0, 1].map((dx) => data[at(dx) + c]);
          if (Math.min(Math.abs(here - before), Math.abs(here - after)) > 5 && here - before > 0 === here - after > 0) lines++;
        }
      }
    expect(lines).toBe(0);
    expect(beneath).toHaveLength(1);
  });
});

describe("a body of wood", () => {
  const wood = newPaint("grain", { span: "lettering", relief: 0, contrast: 0 });

  test("is as light on each side as the lamp makes it, with black for the light that is missing (W3C Compositing 1, source over)", async () => {
    const body = coat("Body", wood, [step("solid", { tilt: 25, swing: -30, depth: 30 })]);
    const letters = { parts: [{ path: rectangle(0, 0, 300, 300), x: 0, y: 0, line: 0 }] };
    const [layer] = new Coats([body], coatsContext(engine.kernel, letters)).build(body).layers;
    const kinds = layer.paths.map((p) => layer.fills[p.fill].kind);
    // The face and two sides, each with the grain in its own plane; light over the sides, and over what lies under them.
    expect(kinds.filter((k) => k === "picture")).toHaveLength(3);
    const matrices = layer.fills.flatMap((f) => (f.kind === "picture" ? [JSON.stringify(f.matrix)] : []));
    expect(new Set(matrices).size).toBe(3);
    // What is black at 0.66 leaves 0.34 of the material; the lightest side is lighter than the face by white.
    const veils = layer.fills.flatMap((f) => (f.kind === "flat" && ["#000000", "#ffffff"].includes(f.colour) ? [f] : []));
    expect(veils.map((f) => [f.colour, f.opacity])).toEqual(
      expect.arrayContaining([
        ["#000000", expect.closeTo(0.66, 6)],
        ["#ffffff", expect.closeTo(0.22, 6)],
      ]),
    );
  });

  test("with an edge has its grain no longer in the depth than without", () => {
    const letters = { parts: [{ path: rectangle(0, 0, 300, 300), x: 0, y: 0, line: 0 }] };
    const depths = (values: Record<string, unknown>) => {
      const body = coat("Body", wood, [step("solid", { tilt: 25, swing: -30, depth: 30, ...values })]);
      const { parts } = new Coats([body], coatsContext(engine.kernel, letters)).form("body")!;
      return parts.flatMap(({ pass, surface }) => (surface?.plane && pass === undefined ? [surface.plane.matrix.slice(2, 4)] : []));
    };
    const edged = depths({ rim: "bevel", rimWidth: 3, rimHeight: 20 });
    expect(edged).toHaveLength(2);
    for (const [i, way] of depths({}).entries()) expect(edged[i]).toEqual(way.map((v) => expect.closeTo(v, 9)));
  });

  test("is in a picture as light on each side as that says", async () => {
    const style = styleOf([coat("Body", wood, [step("solid", { tilt: 30, swing: -35, depth: 40 })])]);
    const piece = board(word("I", { size: 400, x: 300, y: 350 }));
    const png = PNG.sync.read(Buffer.from(await pngOf(request({ file: { format: "vextal.file", version: 1, piece, styles: [style] } }))));
    const shades = new Map<number, number>();
    for (let i = 0; i < png.data.length; i += 4) {
      const key = (png.data[i] << 16) | (png.data[i + 1] << 8) | png.data[i + 2];
      shades.set(key, (shades.get(key) ?? 0) + 1);
    }
    const even = [...shades].filter(([, n]) => n > 150).map(([key]) => [key >> 16, (key >> 8) & 255, key & 255]);
    // Of one even colour, since it has no contrast: the face, and the sides of it under their light.
    const face = even.sort((a, b) => b[1] - a[1]).find(([r]) => r < 255)!;
    const dark = even.filter(([r]) => r < 0.9 * face[0]);
    expect(dark.length).toBeGreaterThan(0);
    for (const side of dark) expect(side.map((c, i) => c / face[i])).toEqual([0, 1, 2].map(() => expect.closeTo(side[0] / face[0], 1)));
  });

  test("is the same in a picture and in a PDF, as PDFium draws it", async () => {
    const body = coat("Body", newPaint("grain", { size: 40 }), [step("solid", { tilt: 25, swing: -30, depth: 30, rim: "bevel" })]);
    const piece = board(word("S", { size: 400, x: 250, y: 340 }));
    const asked = request({ file: { format: "vextal.file", version: 1, piece, styles: [styleOf([body])] } });
    const png = PNG.sync.read(Buffer.from(await pngOf({ ...asked, output: picture({ kind: "width", width: 800 }) })));
    const pdf = (await writeFileHere({ ...asked, output: newOutput("pdf", {}) }, {})) as Uint8Array;
    const pdfium = await PDFiumLibrary.init();
    const file = await pdfium.loadDocument(Buffer.from(pdf));
    const drawn = await file.getPage(0).render({ width: 800, height: 400, render: "bitmap" });
    file.destroy();
    let [off, ink] = [0, 0];
    for (let i = 0; i < png.data.length; i += 4) {
      const apart = [0, 1, 2].map((k) => Math.abs(png.data[i + k] - drawn.data[i + k]));
      if (Math.min(png.data[i], png.data[i + 1], png.data[i + 2]) > 250) continue;
      ink++;
      off += apart.reduce((a, b) => a + b, 0) / 3;
    }
    expect(ink).toBeGreaterThan(20_000);
    // Of 255: two programs scale pixels of wood, and smooth edges, in two ways.
    expect(off / ink).toBeLessThan(6);
  });
});
