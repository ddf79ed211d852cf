import { beforeAll, describe, expect, test } from "@jest/globals";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { area } from "../../tests/paths";
import { coat, flat, gradient, grow, shrink, weld } from "../../demo/build";
import { demoPieces } from "../../demo/pieces";
import { demoStyles } from "../../demo/styles";
import { shippedFaces } from "../../server/faces/shipped";
import { isEmpty, mapped } from "../curves/bounds";
import { apply } from "../curves/matrix";
import { svgOf } from "../../tests/exported";
import { inksOf } from "../style/inks";
import { layersIn } from "../scene/walk";
import type { Style } from "../style/schema";
import { newLetterChange } from "../lettering/options";
import { compile, type PlacedLettering } from "./compile";
import type { LoadedEngine } from "./engine";
import { itemMatrix, type Piece } from "./schema";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...shippedFaces.map((f) => f.id));
});

const sceneOf = (piece: Piece, ...styles: Style[]) => compile(piece, new Map(styles.map((s) => [s.id, s])), engine).scene;
const stack = styleOf([
  coat("Shade", flat("edge"), [grow(6), weld()]),
  coat(
    "Edge",
    gradient([
      [0, "edge"],
      [100, "face"],
    ]),
    [grow(3)],
  ),
  coat("Face", flat("face")),
]);

describe("from a piece to its scene", () => {
  test("layers stand back to front, each with a path a letter", () => {
    const { items } = sceneOf(board(word("Tea")), stack);
    expect(items[0].layers.map((l) => l.label)).toEqual(["Shade", "Edge", "Face"]);
    expect(items[0].layers[2].paths).toHaveLength(3);
  });

  test("a lettering lies where its matrix says: 1000 units are its size, turned clockwise", () => {
    const m = itemMatrix(word("x", { x: 10, y: 20, size: 50, turn: 90 }));
    const p = apply(m, { x: 1000, y: 0 });
    expect(p.x).toBeCloseTo(10, 9);
    expect(p.y).toBeCloseTo(70, 9);
  });

  test("the same piece gives the same layers, object for object", () => {
    const piece = board(word("Ferry"));
    const [a, b] = [sceneOf(piece, stack), sceneOf(structuredClone(piece), structuredClone(stack))];
    b.items[0].layers.forEach((layer, i) => expect(layer).toBe(a.items[0].layers[i]));
  });

  test("a colour recomputes no geometry, a move no layer", () => {
    const before = sceneOf(board(word("Ferry")), stack).items[0];
    const recoloured = { ...stack, inks: stack.inks.map((i) => ({ ...i, colour: "#00ff00" })) };
    const after = sceneOf(board(word("Ferry")), recoloured).items[0];
    after.layers.forEach((layer, i) => {
      expect(layer).not.toBe(before.layers[i]);
      layer.paths.forEach((p, k) => expect(p.path).toBe(before.layers[i].paths[k].path));
    });
    const moved = sceneOf(board(word("Ferry", { x: 300, turn: 20 })), stack).items[0];
    moved.layers.forEach((layer, i) => expect(layer).toBe(before.layers[i]));
  });

  describe("letters that touch", () => {
    const pathsOf = (text: string, face: string, extra = {}) =>
      sceneOf(board(word(text, { face, ...extra })), styleOf([coat("Face", flat("face"))])).items[0].layers[0].paths;
    const joining = [
      ["pacifico", "Lantern Hill"],
      ["yellowtail", "Lantern Hill"],
      ["marhey", "قطار الجبل"],
      ["baloo-2", "पहाड़ी रेल"],
    ];

    test.each(joining)("are one outline in a joined face (%s): nothing overlaps, and nothing is lost", (face, text) => {
      const { kernel } = engine;
      const apart = pathsOf(text, face, { joined: false });
      const joined = pathsOf(text, face);
      expect(joined.length).toBeLessThan(apart.length);
      // The kernel's grid of 1/8192 unit along some 20,000 units of outline.
      const close = 10;
      const placed = (paths: typeof joined) => paths.map((p) => p.path.transform([1, 0, 0, 1, p.x, p.y]));
      const whole = kernel.area(kernel.union(placed(apart)));
      expect(Math.abs(kernel.area(kernel.union(placed(joined))) - whole)).toBeLessThan(close);
      // The sum of the parts is the whole: they have nothing in common. Apart, they overlap.
      expect(Math.abs(joined.reduce((sum, p) => sum + area(p.path), 0) - whole)).toBeLessThan(close);
      expect(apart.reduce((sum, p) => sum + area(p.path), 0)).toBeGreaterThan(whole + 100);
    });

    test("that stand free stay as they are, the same objects, beside some that touch", () => {
      const free = pathsOf("Tea", "archivo-black");
      expect(free).toHaveLength(3);
      const close = pathsOf("TTTo oTTT", "archivo-black", { letterSpacing: 0, letters: [{ ...newLetterChange(1), right: -200 }] });
      expect(close).toHaveLength(7);
      expect(close.at(-1)!.path).toBe(pathsOf("T", "archivo-black")[0].path);
    });

    test("in inks of their own keep them, and lie on the one before", () => {
      expect(pathsOf("Lantern", "pacifico")).toHaveLength(1);
      const letters = [{ ...newLetterChange(3), inks: { face: "edge" } }];
      expect(pathsOf("Lantern", "pacifico", { letters })).toHaveLength(3);
    });
  });

  test("one more letter leaves the outlines of the others as they were", () => {
    const before = sceneOf(board(word("Ferr")), stack).items[0].layers[1];
    const after = sceneOf(board(word("Ferry")), stack).items[0].layers[1];
    expect(after.paths).toHaveLength(5);
    before.paths.forEach((p, i) => expect(after.paths[i].path).toBe(p.path));
  });

  test("lengths follow the letters, or stay fixed on the board", () => {
    const outline = (measure: "em" | "fixed", size: number) => {
      const style = styleOf([coat("Edge", flat("edge"), [grow(6, "miter")])], measure);
      const { items } = sceneOf(board(word("I", { size })), style);
      const [item] = items;
      const inked = mapped(item.matrix, item.layers[0].bounds);
      const bare = sceneOf(board(word("I", { size })), styleOf()).items[0];
      return mapped(bare.matrix, bare.layers[0].bounds).minX - inked.minX;
    };
    expect(outline("em", 100)).toBeCloseTo(6, 2);
    expect(outline("em", 200)).toBeCloseTo(12, 2);
    expect(outline("fixed", 100)).toBeCloseTo(8, 2);
    expect(outline("fixed", 200)).toBeCloseTo(8, 2);
  });

  test("own changes come before the linked style; a style that is gone leaves no paint and no error", () => {
    const own = { ...stack, coats: stack.coats.slice(2) };
    expect(sceneOf(board(word("Tea", { ownStyle: own })), stack).items[0].layers).toHaveLength(1);
    expect(sceneOf(board(word("Tea"))).items[0].layers).toHaveLength(0);
    expect(sceneOf(board(word("Tea", { styleId: null, ownStyle: own }))).items[0].layers).toHaveLength(1);
  });

  test("a coat that is off is not in the scene; one that vanishes is empty", () => {
    const off = { ...stack, coats: stack.coats.map((c, i) => ({ ...c, on: i !== 1 })) };
    expect(sceneOf(board(word("Tea")), off).items[0].layers.map((l) => l.label)).toEqual(["Shade", "Face"]);
    const [gone] = sceneOf(board(word("Tea")), styleOf([coat("Thin", flat("face"), [shrink(90)])])).items[0].layers;
    expect([gone.label, gone.paths, isEmpty(gone.bounds)]).toEqual(["Thin", [], true]);
  });

  test("a face that is not here is stood in for", () => {
    const { placed } = compile(board(word("Tea", { face: "lost-face" })), new Map(), engine);
    expect((placed[0] as PlacedLettering).face).toBe(engine.standIn);
  });

  test("empty text, one space and emoji make scenes like any other", () => {
    for (const text of ["", " ", "\n\n", "🚂", "a\u0000b"]) {
      const scene = sceneOf(board(word(text)), stack);
      expect(scene.items.map((i) => i.layers.map((l) => l.label))).toEqual([["Shade", "Edge", "Face"]]);
      expect(svgOf(scene)).not.toMatch(/NaN|Infinity|undefined/);
    }
  });

  test("2,000 characters with three coats are set, each a path of its own", () => {
    const text = "Brindlemoor Railway\n".repeat(100).slice(0, 2000);
    const { items } = sceneOf(board(word(text, { size: 10 })), stack);
    expect(items[0].layers[2].paths.length).toBeGreaterThan(1700);
  });
});

describe("the demo", () => {
  const styles = demoStyles();

  test("has five pieces or more and eight styles or more, each drawn by the core without a gap", () => {
    const pieces = demoPieces();
    expect(pieces.length).toBeGreaterThanOrEqual(5);
    expect(styles.length).toBeGreaterThanOrEqual(8);
    for (const piece of pieces) {
      const { scene, placed } = compile(piece, new Map(styles.map((s) => [s.id, s])), engine);
      for (const p of placed) if (p.kind === "lettering") expect(p.setting.missing).toEqual([]);
      for (const item of scene.items) {
        expect(item.layers.length).toBeGreaterThan(0);
        for (const layer of item.layers) {
          const paths = layersIn(layer).flatMap((l) => l.paths);
          expect(paths.length).toBeGreaterThan(0);
          for (const p of paths) expect(Math.abs(area(p.path, 1))).toBeGreaterThan(0);
          // All that is inked lies on the board: nothing of a demo piece is cut off.
          const b = mapped(item.matrix, layer.bounds);
          expect(b.minX).toBeGreaterThanOrEqual(0);
          expect(b.minY).toBeGreaterThanOrEqual(0);
          expect(b.maxX).toBeLessThanOrEqual(scene.width);
          expect(b.maxY).toBeLessThanOrEqual(scene.height);
        }
      }
      const svg = svgOf(scene, { unit: piece.board.unit });
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
    }
  });

  test("has every ink that its looks are painted in", () => {
    const looks = [...styles, ...demoPieces().flatMap((p) => p.items.flatMap((i) => i.ownStyle ?? []))];
    for (const look of looks) {
      const named = new Set(look.coats.flatMap(inksOf));
      const known = new Set(look.inks.map((i) => i.id));
      expect([look.name, [...named].filter((id) => !known.has(id))]).toEqual([look.name, []]);
    }
  });

  test("uses every style in a piece", () => {
    const used = new Set(demoPieces().flatMap((p) => p.items.map((i) => i.styleId)));
    for (const s of styles) expect(used).toContain(s.id);
  });
});
