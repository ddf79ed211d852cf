import { describe, expect, test } from "@jest/globals";
import { board, styleOf, word } from "../../tests/engine";
import { form, onLine } from "../../demo/build";
import { newShapeItem } from "@/core/piece/schema";
import { align, distribute, type Block } from "./edits/arrange";
import { fillShape, layForm, newEnvelope, setBend, withMesh } from "./edits/bend";
import { group, groupedWith, ungroup } from "./edits/groups";
import { addPath, addShape, duplicateItems, editItems, flagItems, raiseItems, removeItems, withGrounds } from "./edits/items";
import { editLetters, setText } from "./edits/letters";
import { asFreePath, nodesOfPath, setNodes } from "./edits/shapes";
import { itemOf, letteringOf, shapeItemOf, type Work } from "./work";

const style = styleOf();
const panel = (id = "panel") =>
  newShapeItem({
    id,
    name: "Panel",
    x: 400,
    y: 200,
    turn: 10,
    size: 100,
    width: 2000,
    height: 1000,
    shape: form("shield") as never,
    styleId: style.id,
    ownStyle: null,
  });
const three = (): Work => ({ piece: board(panel(), word("Tea"), word("Room", { id: "two" })), styles: { [style.id]: style } });
const ids = (w: Work) => w.piece.items.map((i) => i.id);

describe("groups", () => {
  test("are picked as one, entered, and nest", () => {
    const inner = group(three(), ["panel", "word"]);
    const outer = group(inner, ["panel", "word", "two"]);
    const { items } = outer.piece;
    expect(groupedWith(items, "word", null)).toEqual(["panel", "word", "two"]);
    const [whole, part] = items[1].groups;
    expect(groupedWith(items, "word", whole)).toEqual(["panel", "word"]);
    expect(groupedWith(items, "two", whole)).toEqual(["two"]);
    expect(groupedWith(items, "word", part)).toEqual(["word"]);
    expect(ungroup(outer, ["panel", "word", "two"]).piece.items.map((i) => i.groups.length)).toEqual([1, 1, 0]);
  });

  test("lie one on the other in the place of the foremost, and one item makes none", () => {
    expect(ids(group(three(), ["panel", "two"]))).toEqual(["word", "panel", "two"]);
    const work = three();
    expect(group(work, ["word"])).toBe(work);
  });

  test("are copied as groups of their own", () => {
    const { work, ids: made } = duplicateItems(group(three(), ["word", "two"]), ["word", "two"], { x: 5, y: 6 });
    const copies = work.piece.items.filter((i) => made.includes(i.id));
    expect(copies.map((c) => c.groups.length)).toEqual([1, 1]);
    expect(copies[0].groups[0]).toBe(copies[1].groups[0]);
    expect(copies[0].groups[0]).not.toBe(itemOf(work, "word")!.groups[0]);
  });
});

describe("order, locks and copies", () => {
  test.each<["forward" | "backward" | "front" | "back", string[]]>([
    ["forward", ["word", "panel", "two"]],
    ["front", ["word", "two", "panel"]],
    ["back", ["panel", "word", "two"]],
    ["backward", ["panel", "word", "two"]],
  ])("%s", (to, order) => {
    expect(ids(raiseItems(three(), ["panel"], to))).toEqual(order);
  });

  test("several keep their order among each other", () => {
    expect(ids(raiseItems(three(), ["panel", "word"], "front"))).toEqual(["two", "panel", "word"]);
    expect(ids(raiseItems(three(), ["word", "two"], "backward"))).toEqual(["word", "two", "panel"]);
  });

  test("what is locked is neither changed nor taken away", () => {
    const locked = flagItems(three(), ["word"], "locked", true);
    expect(editItems(locked, ["word"], (i) => void (i.x = 0))).toBe(locked);
    expect(ids(removeItems(locked, ["word", "two"]))).toEqual(["panel", "word"]);
    expect(itemOf(flagItems(locked, ["word"], "locked", false), "word")!.locked).toBe(false);
  });

  test("copies go on by a step each, and words fill the copy of their shape", () => {
    const filled = fillShape(three(), "word", panel());
    expect(withGrounds(filled, ["word"])).toEqual(["word", "panel"]);
    const { work, ids: made } = duplicateItems(filled, ["panel", "word"], { x: 10, y: 20 }, 3);
    expect(work.piece.items).toHaveLength(9);
    const [shape, words] = made.map((id) => itemOf(work, id)!);
    expect([shape.x, shape.y]).toEqual([430, 260]);
    expect(words).toMatchObject({ bend: { kind: "fit", shape: shape.id } });
  });
});

describe("aligned and distributed", () => {
  const blocks: Block[] = [
    { ids: ["panel"], box: { minX: 0, maxX: 100, minY: 0, maxY: 10 } },
    { ids: ["word"], box: { minX: 150, maxX: 170, minY: 30, maxY: 60 } },
    { ids: ["two"], box: { minX: 300, maxX: 360, minY: 90, maxY: 100 } },
  ];
  const moved = (w: Work) =>
    ["panel", "word", "two"].map((id) => [itemOf(w, id)!.x - itemOf(three(), id)!.x, itemOf(w, id)!.y - itemOf(three(), id)!.y]);

  test("by edges and middles, to each other or to a frame", () => {
    expect(moved(align(three(), blocks, "left"))).toEqual([
      [0, 0],
      [-150, 0],
      [-300, 0],
    ]);
    expect(moved(align(three(), blocks, "bottom"))).toEqual([
      [0, 90],
      [0, 40],
      [0, 0],
    ]);
    expect(moved(align(three(), [blocks[1]], "middle", { minX: 0, maxX: 400, minY: 0, maxY: 0 }))).toEqual([
      [0, 0],
      [40, 0],
      [0, 0],
    ]);
  });

  test("with equal gaps, the ends stay", () => {
    // 360 wide, of which 180 is ink: two gaps of 90.
    expect(moved(distribute(three(), blocks, "x"))).toEqual([
      [0, 0],
      [40, 0],
      [0, 0],
    ]);
    const two = three();
    expect(distribute(two, blocks.slice(0, 2), "x")).toBe(two);
  });
});

describe("single letters", () => {
  test("are changed, and a letter that is as it was leaves no entry", () => {
    const turned = editLetters(three(), "word", [0, 2], (c) => ({ ...c, turn: 9 }));
    expect(letteringOf(turned, "word")!.letters.map((l) => [l.at, l.turn])).toEqual([
      [0, 9],
      [2, 9],
    ]);
    expect(
      letteringOf(
        editLetters(turned, "word", [0], (c) => ({ ...c, turn: 0 })),
        "word",
      )!.letters.map((l) => l.at),
    ).toEqual([2]);
  });

  test("keep what was done to them while the text is typed", () => {
    const turned = editLetters(three(), "word", [2], (c) => ({ ...c, turn: 9 }));
    expect(letteringOf(setText(turned, "word", "The Tea"), "word")!.letters.map((l) => l.at)).toEqual([6]);
  });
});

describe("bends", () => {
  test("a line's own envelope leaves the others as they are", () => {
    const flat = newEnvelope();
    const lines = withMesh({ ...flat, scope: "lines" }, 1, 3, (m) => ({ ...m, nodes: m.nodes.map((n) => ({ ...n, y: n.y + 1 })) }));
    expect(lines.meshes.map((m) => m.nodes[0].y)).toEqual([0, 1, 0]);
    expect(withMesh(flat, 2, 3, (m) => ({ ...m, nodes: m.nodes.map((n) => ({ ...n, y: 7 })) })).meshes).toHaveLength(1);
  });

  test("a form is laid on the block, on all lines or on one", () => {
    const laid = layForm(three(), "word", "domed", 0.5, null);
    expect(letteringOf(laid, "word")!.bend).toMatchObject({ kind: "envelope", scope: "block" });
    const again = layForm(laid, "word", "hung", 0.5, null);
    expect(letteringOf(again, "word")!.bend).not.toEqual(letteringOf(laid, "word")!.bend);
    expect(letteringOf(setBend(again, ["word"], onLine("ring")), "word")!.bend!.kind).toBe("guide");
  });

  test("words that fill a shape take its place and turn", () => {
    expect(letteringOf(fillShape(three(), "word", panel()), "word")).toMatchObject({ x: 400, y: 200, turn: 10, bend: { shape: "panel" } });
  });
});

describe("shapes", () => {
  test("come in behind everything, lines in front with a stroke", () => {
    const { work, id } = addShape(three(), "banner");
    expect(ids(work)[0]).toBe(id);
    const rule = addShape(three(), "line");
    expect(ids(rule.work).at(-1)).toBe(rule.id);
    expect(itemOf(rule.work, rule.id)!.ownStyle!.coats[0].lay.kind).toBe("stroke");
  });

  test("become free paths with the same outline, and their nodes are set in their own space", () => {
    const free = asFreePath(three(), "panel");
    const shape = shapeItemOf(free, "panel")!;
    expect(shape.shape.kind).toBe("path");
    const nodes = nodesOfPath(shape);
    const moved = setNodes(
      free,
      "panel",
      nodes.map((s) => ({ ...s, nodes: s.nodes.map((n) => ({ ...n, x: n.x + 50 })) })),
    );
    expect(nodesOfPath(shapeItemOf(moved, "panel")!)[0].nodes[0].x).toBeCloseTo(nodes[0].nodes[0].x + 50, 6);
    expect(asFreePath(free, "panel")).toBe(free);
  });

  test("of drawn curves lie where they were drawn", () => {
    const node = (x: number, y: number) => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });
    const { work, id } = addPath(three(), [{ closed: true, nodes: [node(100, 50), node(300, 50), node(200, 150)] }], "Tent");
    const s = shapeItemOf(work, id)!;
    expect([s.x, s.y, (s.width * s.size) / 1000, (s.height * s.size) / 1000]).toEqual(
      [200, 100, 200, 100].map((v) => expect.closeTo(v, 6)),
    );
    const [first] = nodesOfPath(s)[0].nodes;
    expect([s.x + (first.x * s.size) / 1000, s.y + (first.y * s.size) / 1000]).toEqual([100, 50].map((v) => expect.closeTo(v, 6)));
  });
});
