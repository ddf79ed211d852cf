import { beforeAll, describe, expect, test } from "@jest/globals";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { area } from "../../tests/paths";
import { coat, flat, form, gradient, grow, onLine, weld } from "../../demo/build";
import { startingForms } from "../bend/starting-forms";
import { mapped } from "../curves/bounds";
import { BudgetError } from "../curves/budget";
import { CurveKernel, type Warp } from "../curves/kernel";
import type { Path } from "../curves/path";
import { apply, type Point } from "../curves/matrix";
import { openPiece } from "../input/open";
import type { SceneFill } from "../scene/scene";
import { compile, type PlacedLettering } from "./compile";
import type { LoadedEngine } from "./engine";
import { poseMatrix } from "./pose";
import { itemMatrix, newShapeItem, pieceSchema, type Item, type Piece } from "./schema";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black", "anton");
});
const style = styleOf([coat("Edge", flat("edge"), [grow(3), weld()]), coat("Face", flat("face"))]);
const sceneOf = (piece: Piece, look = style) => compile(piece, new Map([[look.id, look]]), engine);
const shape = (extra: Record<string, unknown> = {}) =>
  newShapeItem({
    id: "panel",
    name: "Panel",
    x: 400,
    y: 200,
    size: 100,
    width: 3000,
    height: 1500,
    shape: form("rectangle") as never,
    styleId: style.id,
    ownStyle: null,
    ...extra,
  });
const items = (piece: Piece) => sceneOf(piece).scene.items;

describe("shapes on a board", () => {
  test("take coats as letterings do", () => {
    const [panel] = items(board(shape()));
    expect(panel.label).toBe("Panel");
    expect(panel.layers.map((l) => l.label)).toEqual(["Edge", "Face"]);
    // 3 hundredths of an em of 1000 units on every side.
    expect(panel.layers[0].bounds).toEqual({ minX: -1530, maxX: 1530, minY: -780, maxY: 780 });
    expect(mapped(panel.matrix, panel.layers[1].bounds)).toEqual({ minX: 250, maxX: 550, minY: 125, maxY: 275 });
  });

  test("that are hidden are not drawn, but words still fill them", () => {
    const filling = word("TEA", { bend: { kind: "fit", shape: "panel", corners: null, inset: 0, gap: 0 }, x: 0, y: 0 });
    const { scene, placed } = sceneOf(board(shape({ hidden: true }), filling));
    expect(scene.items.map((i) => i.id)).toEqual(["word"]);
    const ink = mapped(placed[1].matrix, placed[1].ink);
    // To a hundredth of a pixel: the bend is good to 0.05 unit, a twentieth of a tenth of a pixel here.
    for (const [k, v] of Object.entries({ minX: 250, maxX: 550, minY: 125, maxY: 275 })) expect(ink[k as "minX"]).toBeCloseTo(v, 1);
  });

  test("moved, take the words that fill them along; words moved alone stay in them", () => {
    const filling = (x: number) => word("TEA", { bend: { kind: "fit", shape: "panel", corners: null, inset: 0, gap: 0 }, x, y: 50 });
    const inkOf = (...all: Item[]) => {
      const at = sceneOf(board(...all)).placed[1];
      return mapped(at.matrix, at.ink);
    };
    const still = inkOf(shape(), filling(0));
    expect(inkOf(shape(), filling(333)).minX).toBeCloseTo(still.minX, 1);
    expect(inkOf(shape({ x: 480 }), filling(0)).minX).toBeCloseTo(still.minX + 80, 1);
  });

  test("can be a coat of the words that fill them", () => {
    const ground = styleOf([
      { ...coat("Ground", flat("edge")), form: [{ kind: "ground", id: "g", on: true }] },
      coat("Face", flat("face")),
    ]);
    const filling = word("TEA", { bend: { kind: "fit", shape: "panel", corners: null, inset: 100, gap: 0 } });
    const { scene } = sceneOf(board(shape(), filling), ground);
    const [back, face] = scene.items[1].layers;
    expect(Math.abs(area(back.paths[0].path))).toBeCloseTo(4_500_000, -1);
    expect(face.paths).toHaveLength(3);
    // Of words without a shape it is nothing.
    expect(sceneOf(board(word("TEA")), ground).scene.items[0].layers[0].paths).toHaveLength(0);
  });
});

describe("inks of single letters", () => {
  const letters = [{ at: 1, inks: { face: "edge" } }];

  test("recolour one letter and leave the geometry", () => {
    const [plain] = items(board(word("Tea")));
    const [one] = items(board(word("Tea", { letters })));
    const fills = one.layers[1].paths.map((p) => (one.layers[1].fills[p.fill] as { colour: string }).colour);
    expect(fills).toEqual(["#112233", "#cc4422", "#112233"]);
    expect(one.layers[1].paths.map((p) => p.path)).toEqual(plain.layers[1].paths.map((p) => p.path));
  });

  test("run through gradients that are shared as well", () => {
    const look = styleOf([
      coat(
        "Face",
        gradient([
          [0, "face"],
          [100, "face"],
        ]),
      ),
    ]);
    const [one] = sceneOf(board(word("Tea", { letters })), look).scene.items;
    const stops = (i: number) =>
      (one.layers[0].fills[one.layers[0].paths[i].fill] as Extract<SceneFill, { stops: unknown }>).stops.map((s) => s.colour);
    expect([stops(0), stops(1)]).toEqual([
      ["#112233", "#112233"],
      ["#cc4422", "#cc4422"],
    ]);
  });
});

describe("order and measure", () => {
  test("bends come before the coats: a grown outline keeps its width, wherever the bend stretches the letters", () => {
    const mesh = startingForms.find((f) => f.id === "swelling")!.mesh(0.9);
    const look = styleOf([coat("Face", flat("face")), coat("Edge", flat("edge"), [grow(3)])]);
    const [bent] = sceneOf(board(word("HHHHH", { bend: { kind: "envelope", scope: "block", meshes: [mesh], gap: 0 } })), look).scene.items;
    bent.layers[0].paths.forEach((p, i) => {
      const edge = bent.layers[1].paths[i].path.bounds;
      const face = p.path.bounds;
      // The box of what is grown by 30 with miters is at most some units more, where a corner leans.
      expect(face.minX - edge.minX).toBeGreaterThanOrEqual(29.9);
      expect(edge.maxY - face.maxY).toBeGreaterThanOrEqual(29.9);
      expect(edge.maxY - face.maxY).toBeLessThan(60);
    });
  });

  test("a pose comes after: the outline is stretched with the letters", () => {
    const posed = word("H", { across: 2, down: -0.5, slant: 0 });
    const [item] = items(board(posed));
    expect(item.layers[0].bounds).toEqual(items(board(word("H")))[0].layers[0].bounds);
    expect(item.matrix).toEqual([0.2, 0, -0, -0.05, 100, 300].map((v) => expect.closeTo(v, 9)));
  });

  test("a slant leans upright lines to the right by its angle", () => {
    const m = poseMatrix({ x: 0, y: 0, turn: 0, across: 1, down: 1, slant: 30, view: null }, 1000);
    const top = apply(m, { x: 0, y: -100 });
    expect(Math.atan2(top.x, -top.y)).toBeCloseTo(Math.PI / 6, 9);
  });

  test("a turn is clockwise", () => {
    const m = poseMatrix({ x: 5, y: 6, turn: 90, across: 1, down: 1, slant: 0, view: null }, 1000);
    expect(apply(m, { x: 10, y: 0 })).toEqual({ x: expect.closeTo(5, 9), y: expect.closeTo(16, 9) });
  });
});

describe("a view in perspective", () => {
  const view: [Point, Point, Point, Point] = [
    { x: 0.2, y: 0 },
    { x: 0.8, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ];

  test("is narrow at the heads, coats and all, and follows a changed word", () => {
    for (const text of ["HHHH", "HHHHHHH"]) {
      const { scene, placed } = sceneOf(board(word(text, { view })));
      const ink = placed[0].ink;
      const face = scene.items[0].layers[1];
      const all = face.paths.flatMap((p) =>
        Array.from({ length: p.path.coords.length / 2 }, (_, i) => ({ x: p.path.coords[2 * i], y: p.path.coords[2 * i + 1] })),
      );
      const heads = all.filter((p) => p.y < ink.minY + 1).map((p) => p.x);
      const feet = all.filter((p) => p.y > ink.maxY - 1).map((p) => p.x);
      const width = ink.maxX - ink.minX;
      expect((Math.max(...heads) - Math.min(...heads)) / width).toBeCloseTo(0.6, 2);
      expect((Math.max(...feet) - Math.min(...feet)) / width).toBeCloseTo(1, 2);
    }
  });

  test("gives the same layers while nothing changes", () => {
    const piece = board(word("Tea", { view }));
    expect(sceneOf(piece).scene.items[0].layers[0]).toBe(sceneOf(piece).scene.items[0].layers[0]);
  });

  test("that cannot be drawn of one coat takes that coat alone", () => {
    const piece = board(word("Moor", { view, letterSpacing: -60 }), word("Fell", { id: "other", y: 320 }));
    // A kernel that cannot see a path of many nodes in perspective: the letters that are welded together are one.
    class Weary extends CurveKernel {
      override warp(path: Path, warp: Warp, tolerance: number): Path {
        if (path.nodes > 40) throw new BudgetError("Too much.");
        return super.warp(path, warp, tolerance);
      }
    }
    const kernel = new Weary();
    const { scene, faults } = compile(piece, new Map([[style.id, style]]), { ...engine, kernel });
    expect(faults).toEqual([{ item: "word", coat: "edge", message: expect.stringMatching(/more work/) }]);
    expect(scene.items.map((i) => i.layers.map((l) => l.paths.length))).toEqual([
      [0, 4],
      [4, 4],
    ]);
  });

  test("that folds over is refused by the format", () => {
    const folded = { ...board(word("Tea")), items: [{ ...word("Tea"), view: [view[1], view[0], view[2], view[3]] }] };
    expect(pieceSchema.safeParse(folded).success).toBe(false);
  });
});

describe("what did not change is not made again", () => {
  test("moving bent words makes no geometry, and changing one letter keeps the others", () => {
    const bend = onLine("arc", { angle: 60 }, { letters: "flow" });
    const before = items(board(word("Tea", { bend })));
    const after = items(board(word("Tea", { bend, x: 222 })));
    expect(after[0].layers[0].paths).toEqual(before[0].layers[0].paths);
    expect(after[0].layers[0].paths[0].path).toBe(before[0].layers[0].paths[0].path);
  });

  test("a drag is drawn as a draft without touching what is exported", () => {
    const piece = board(word("Tea", { bend: onLine("arc", { angle: 61 }, { letters: "flow" }) }));
    const draft = compile(piece, new Map([[style.id, style]]), { ...engine, kernel: engine.draft });
    const exact = sceneOf(piece);
    expect(draft.scene.items[0].layers[0].paths[0].path).not.toBe(exact.scene.items[0].layers[0].paths[0].path);
    expect(sceneOf(piece).scene.items[0].layers[0]).toBe(exact.scene.items[0].layers[0]);
    const [a, b] = [draft, exact].map((c) => c.scene.items[0].layers[0].bounds);
    // Boxes of drafts are those of their points: handles stand out a little.
    for (const k of ["minX", "minY", "maxX", "maxY"] as const) expect(Math.abs(a[k] - b[k])).toBeLessThan(20);
  });
});

describe("the format", () => {
  test("of version 1 opens with what it did not say as it was", () => {
    const { bend: _, across: __, groups: ___, ...old } = word("Tea");
    const opened = openPiece({ ...board(), version: 1, items: [old] });
    expect(opened).toMatchObject({ version: 3, items: [{ text: "Tea", bend: null, across: 1, groups: [], letters: [], axes: {} }] });
  });

  test("keeps every bend, letter and shape through a file", () => {
    const piece = board(
      shape({ shape: form("star", { points: 9 }) }),
      word("Tea", {
        letters: [{ at: 1, turn: 12, inks: { face: "edge" } }],
        lines: [{ width: 90, by: "axis" }],
        loosen: { shift: 5, turn: 1, size: 0, seed: 3 },
        bend: onLine("drawn"),
      }),
      word("Two", {
        id: "two",
        bend: { kind: "envelope", scope: "lines", meshes: startingForms.slice(0, 2).map((f) => f.mesh(0.4)), gap: 10 },
      }),
    );
    expect(openPiece(JSON.parse(JSON.stringify(piece)))).toEqual(piece);
  });

  test("every item has its place: the matrix is that of the scene", () => {
    const piece = board(word("Tea", { turn: 20, slant: 10, across: -1.5 }), shape({ turn: -30 }));
    expect(sceneOf(piece).placed.map((p) => p.matrix)).toEqual(piece.items.map(itemMatrix));
    expect((sceneOf(piece).placed[0] as PlacedLettering).kind).toBe("lettering");
  });
});
