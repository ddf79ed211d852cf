import { beforeEach, describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { form } from "../../demo/build";
import { board, styleOf, word } from "../../tests/engine";
import { apply, invert } from "@/core/curves/matrix";
import { itemMatrix, newShapeItem, type Item, type Lettering } from "@/core/piece/schema";
import type { LetteringUpdate } from "@/worker/protocol";
import { studioNow, useStudio } from "../state/store";
import { moveGesture, resized, scaleGesture, scaleTogether, sideGesture, stepped, turnGesture, turnTogether } from "./gestures";
import { boardBox, caretAt, hit } from "./hit";
import { placeOf } from "./place";
import { edgesOf, snap, snapLines } from "./snap";
import { fitted, toBoard, zoomed } from "./view";

const box = { minX: 0, minY: -700, maxX: 2000, maxY: 0 };
const caret = (index: number, x: number) => ({ index, line: 0, foot: { x, y: 120 }, head: { x, y: -820 } });
const update = (l: Lettering): LetteringUpdate => ({
  kind: "lettering",
  hidden: l.hidden,
  locked: l.locked,
  view: null,
  letters: [],
  lineBoxes: [box],
  block: box,
  corners: null,
  outline: null,
  marks: [],
  messages: [],
  id: l.id,
  matrix: itemMatrix(l),
  layers: [],
  ink: box,
  painted: box,
  frame: box,
  missing: [],
  faceHere: true,
  photoMissing: false,
  metrics: { capHeight: 700, xHeight: 500, stem: 150, bar: 120 },
  carets: [caret(0, 0), caret(1, 1000), caret(2, 2000)],
  lines: [{ from: 0, to: 2, x: 0, width: 2000, baseline: 0, scale: 1, ink: box }],
});

describe("the view", () => {
  test("zooms about a point that stays where it is", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 0, max: 700 }),
        (k, x, y) => {
          const view = { zoom: 0.7, x: 40, y: 60 };
          const before = toBoard(view, { x, y });
          const after = toBoard(zoomed(view, k, { x, y }), { x, y });
          expect(after.x).toBeCloseTo(before.x, 6);
          expect(after.y).toBeCloseTo(before.y, 6);
        },
      ),
    );
  });

  test("stays within its limits and fits any board", () => {
    expect(zoomed({ zoom: 1, x: 0, y: 0 }, 1e9, { x: 0, y: 0 }).zoom).toBe(40);
    for (const size of [
      { width: 2304, height: 960 },
      { width: 10, height: 5000 },
    ]) {
      const v = fitted(size, { width: 900, height: 600 });
      expect(size.width * v.zoom).toBeLessThanOrEqual(900);
      expect(size.height * v.zoom).toBeLessThanOrEqual(600);
      expect(v.x + (size.width * v.zoom) / 2).toBeCloseTo(450, 6);
    }
  });
});

describe("snapping", () => {
  const lines = snapLines({ width: 800, height: 400 }, [{ minX: 100, minY: 50, maxX: 200, maxY: 90 }]);

  test("draws a box's edge or middle to the nearest line within reach", () => {
    const near = snap(edgesOf([{ minX: 203, minY: 150, maxX: 303, maxY: 252 }]), lines, 6);
    expect(near).toEqual({
      dx: -3,
      dy: -1,
      guides: [
        { axis: "x", at: 200 },
        { axis: "y", at: 200 },
      ],
    });
    expect(snap(edgesOf([{ minX: 220, minY: 110, maxX: 330, maxY: 120 }]), lines, 6).guides).toEqual([]);
  });

  test("draws to the lines of a grid as well", () => {
    expect(snap({ x: [43], y: [] }, { x: [], y: [] }, 6, 20)).toEqual({ dx: -3, dy: 0, guides: [{ axis: "x", at: 40 }] });
    expect(snap({ x: [50], y: [] }, { x: [], y: [] }, 6, 20).guides).toEqual([]);
  });
});

describe("gestures", () => {
  const items = [word("Hi", { x: 100, y: 200 }), word("Ho", { id: "two", x: 500, y: 380 })];
  const now = (id = "word"): Item => studioNow().work!.piece.items.find((i) => i.id === id)!;
  const at = (x: number, y: number, keys: { shift?: boolean; alt?: boolean } = {}) => ({ at: { x, y }, shift: false, alt: false, ...keys });
  beforeEach(() => {
    const style = styleOf();
    studioNow().open({ piece: board(...items), styles: { [style.id]: style } });
    useStudio.setState({ scene: { width: 800, height: 400, ground: null, items: items.map(update), draft: false, times: {} } });
    studioNow().select(["word"]);
  });

  test("a move follows the pointer, keeps to an axis with Shift, and is one step of history", () => {
    const move = moveGesture({ x: 0, y: 0 });
    move(at(30, 12, { alt: true }));
    move(at(57, 33, { alt: true }));
    expect(now()).toMatchObject({ x: 157, y: 233 });
    move(at(57, 33, { alt: true, shift: true }));
    expect(now()).toMatchObject({ x: 157, y: 200 });
    expect(studioNow().history.past).toHaveLength(1);
  });

  test("a move snaps to the middle of the board, unless snapping is off", () => {
    // The word is 200 wide: its middle is at 200; 397 from there is 3 short of the board's middle.
    const move = moveGesture({ x: 0, y: 0 });
    expect(move(at(197, 0))).toContainEqual({ axis: "x", at: 400 });
    expect(now().x).toBe(300);
    studioNow().set({ snapping: false });
    expect(move(at(197, 0))).toEqual([]);
    expect(now().x).toBe(297);
  });

  test("a corner scales the size and the opposite corner stays", () => {
    const scale = scaleGesture("word", 2);
    scale(at(500, 270));
    // From (100, 130) the corner (300, 200) goes to (500, 270): twice as far.
    expect(now().size).toBeCloseTo(200, 9);
    const corner = apply(itemMatrix(now()), { x: box.minX, y: box.minY });
    expect(corner.x).toBeCloseTo(100, 9);
    expect(corner.y).toBeCloseTo(130, 9);
    scale(at(-9999, -9999));
    expect(now().size).toBeGreaterThanOrEqual(1);
  });

  test("a turn is about the middle, in steps of 15 degrees with Shift", () => {
    const middle = { x: 200, y: 165 };
    const turn = turnGesture("word", { x: 200, y: 100 });
    turn(at(300, 165));
    expect(now().turn).toBeCloseTo(90, 6);
    const centre = apply(itemMatrix(now()), { x: 1000, y: -350 });
    expect(centre.x).toBeCloseTo(middle.x, 6);
    expect(centre.y).toBeCloseTo(middle.y, 6);
    turn(at(210, 100, { shift: true }));
    expect(now().turn % 15).toBeCloseTo(0, 9);
  });

  test("a side stretches words as a whole, and the other side stays", () => {
    // The box reaches from 100 to 300 across: its right side, dragged to 400, makes it half as wide again.
    sideGesture("word", 1)(at(400, 165));
    expect(now()).toMatchObject({ across: expect.closeTo(1.5, 9), down: 1, size: 100 });
    expect(apply(itemMatrix(now()), { x: box.minX, y: -350 })).toMatchObject({ x: expect.closeTo(100, 9), y: expect.closeTo(165, 9) });
    sideGesture("word", 0)(at(200, 95));
    // The scene is still that of before: from 130 to 95, over a height of 70.
    expect(now().down).toBeCloseTo(1.5, 9);
  });

  test("a side of a shape changes its width and leaves its coats as they are", () => {
    const panel = newShapeItem({
      id: "panel",
      name: "",
      x: 400,
      y: 200,
      size: 100,
      width: 2000,
      height: 1000,
      shape: form("rectangle") as never,
      styleId: null,
      ownStyle: null,
    });
    const ink = { minX: -1000, minY: -500, maxX: 1000, maxY: 500 };
    studioNow().open({ piece: board(panel), styles: {} });
    useStudio.setState({
      scene: {
        width: 800,
        height: 400,
        ground: null,
        draft: false,
        times: {},
        items: [
          {
            kind: "shape",
            id: "panel",
            matrix: itemMatrix(panel),
            layers: [],
            hidden: false,
            locked: false,
            ink,
            view: null,
            painted: ink,
            frame: ink,
            metrics: update(items[0]).metrics,
            photoMissing: false,
            outline: "",
          },
        ],
      },
    });
    sideGesture("panel", 3)(at(200, 200));
    expect(now("panel")).toMatchObject({ width: expect.closeTo(3000, 6), size: 100, across: 1, x: expect.closeTo(350, 6) });
  });

  test("a shape that is scaled or turned takes the words that fill it along, coats and all", () => {
    const panel = newShapeItem({
      id: "panel",
      name: "",
      x: 400,
      y: 200,
      size: 100,
      width: 2000,
      height: 1000,
      shape: form("rectangle") as never,
      styleId: null,
      ownStyle: null,
    });
    const words = word("Hi", { x: 400, y: 200, size: 60, bend: { kind: "fit", shape: "panel", corners: null, inset: 0, gap: 0 } });
    const ink = { minX: -1000, minY: -500, maxX: 1000, maxY: 500 };
    studioNow().open({ piece: board(panel, words), styles: {} });
    const shape = {
      kind: "shape" as const,
      id: "panel",
      matrix: itemMatrix(panel),
      layers: [],
      hidden: false,
      locked: false,
      ink,
      view: null,
      painted: ink,
      frame: ink,
      metrics: update(items[0]).metrics,
      photoMissing: false,
      outline: "",
    };
    useStudio.setState({ scene: { width: 800, height: 400, ground: null, draft: false, times: {}, items: [shape, update(words)] } });
    scaleGesture("panel", 2)(at(700, 350));
    expect([now("panel").size, now("word").size]).toEqual([expect.closeTo(200, 6), expect.closeTo(120, 6)]);
    turnGesture("panel", { x: 400, y: 0 })(at(800, 200));
    expect([now("panel").turn, now("word").turn]).toEqual([expect.closeTo(90, 6), expect.closeTo(90, 6)]);
    studioNow().select(["panel"]);
    scaleTogether({ minX: 300, maxX: 500, minY: 150, maxY: 250 }, 2)(at(400, 200));
    expect(now("word").size).toBeCloseTo(60, 6);
  });

  test("several items scale and turn about one point", () => {
    studioNow().select(["word", "two"]);
    const all = { minX: 100, minY: 130, maxX: 700, maxY: 380 };
    scaleTogether(all, 2)(at(400, 255));
    expect([now().size, now("two").size]).toEqual([expect.closeTo(50, 9), expect.closeTo(50, 9)]);
    expect(now("two")).toMatchObject({ x: expect.closeTo(300, 9), y: expect.closeTo(255, 9) });
    turnTogether(all, { x: 400, y: 0 })(at(800, 255));
    expect([now().turn, now("two").turn]).toEqual([expect.closeTo(90, 9), expect.closeTo(90, 9)]);
  });

  test("increments round moves, turns and scales while they are on, or while Shift is held", () => {
    expect([stepped(47, "move"), stepped(47, "turn", true)]).toEqual([47, 45]);
    studioNow().set({ increments: { on: true, move: 10, turn: 15, scale: 10 } });
    expect([stepped(47, "move"), stepped(53, "turn"), stepped(133, "scale")]).toEqual([50, 60, 130]);
    moveGesture({ x: 0, y: 0 })(at(33, 4));
    expect(now()).toMatchObject({ x: 130, y: 200 });
    studioNow().set({ increments: { on: false, move: 10, turn: 15, scale: 10 } });
  });

  test("a size by number keeps the middle too", () => {
    const l = { ...now() };
    resized(l, update(now() as Lettering), (x) => void (x.size = 50));
    const centre = apply(itemMatrix(l), { x: 1000, y: -350 });
    expect(centre.x).toBeCloseTo(200, 9);
    expect(centre.y).toBeCloseTo(165, 9);
  });
});

describe("aiming", () => {
  const turned = update(word("Hi", { x: 400, y: 200, turn: 90 }));

  test("finds the foremost lettering in its own turned box", () => {
    const inside = apply(turned.matrix, { x: 1000, y: -350 });
    expect(hit([turned], inside, 0)?.id).toBe("word");
    expect(hit([turned, { ...turned, id: "front" }], inside, 0)?.id).toBe("front");
    expect(hit([turned], { x: 200, y: 250 }, 0)).toBeUndefined();
    expect(boardBox(turned).maxY - boardBox(turned).minY).toBeCloseTo(200, 9);
  });

  test("passes through the hole of a ring, what is hidden and what is locked", () => {
    const quad = [
      { x: 0, y: -700 },
      { x: 300, y: -700 },
      { x: 300, y: 0 },
      { x: 0, y: 0 },
    ];
    const ring = { ...update(word("Hi", { x: 0, y: 300 })), marks: ["M0 0"], letters: [{ from: 0, to: 1, line: 0, quad }] };
    expect(hit([ring], { x: 20, y: 270 }, 0)?.id).toBe("word");
    expect(hit([ring], { x: 120, y: 270 }, 0)).toBeUndefined();
    expect(
      hit(
        [
          { ...ring, hidden: true },
          { ...ring, locked: true },
        ],
        { x: 20, y: 270 },
        0,
      ),
    ).toBeUndefined();
  });

  test("finds its way through a view in perspective and back", () => {
    const seen = {
      ...turned,
      view: {
        box,
        corners: [
          { x: 300, y: -700 },
          { x: 1700, y: -600 },
          { x: 2000, y: 0 },
          { x: 0, y: 0 },
        ],
      },
    };
    const place = placeOf(seen, { zoom: 0.5, x: 10, y: 20 });
    for (const p of [
      { x: 100, y: -300 },
      { x: 1900, y: -20 },
      { x: 1000, y: -650 },
    ]) {
      const back = place.fromBoard(place.toBoard(p));
      expect(back).toEqual({ x: expect.closeTo(p.x, 3), y: expect.closeTo(p.y, 3) });
    }
    const corner = place.toBoard({ x: 0, y: -700 });
    expect(corner).toMatchObject(apply(turned.matrix, { x: 300, y: -700 }));
    expect(place.toScreen({ x: 0, y: -700 })).toEqual({
      x: expect.closeTo(corner.x * 0.5 + 10, 6),
      y: expect.closeTo(corner.y * 0.5 + 20, 6),
    });
  });

  test("puts the caret between the nearest letters", () => {
    const at = (x: number) => caretAt(turned, apply(invert(turned.matrix), apply(turned.matrix, { x, y: -300 })));
    expect([at(-50), at(400), at(600), at(5000)]).toEqual([0, 0, 1, 2]);
  });
});
