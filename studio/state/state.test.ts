import { beforeEach, describe, expect, test } from "@jest/globals";
import { board, styleOf, word } from "../../tests/engine";
import { coat, flat, gradient } from "../../demo/build";
import { inksOf } from "@/core/style/inks";
import type { Bounds } from "@/core/curves/bounds";
import { addLettering, duplicateItems, editLettering, raiseItems, removeItems } from "./edits/items";
import {
  addInk,
  applyStyle,
  detach,
  duplicateCoat,
  editCoat,
  editInk,
  editStyle,
  insertCoat,
  moveCoat,
  newCoat,
  removeCoat,
  removeInk,
  revert,
  saveAsStyle,
  updateStyle,
  withOwnLooks,
} from "./edits/style";
import { noHistory, noted, redone, undone } from "./history";
import { studioNow } from "./store";
import { fileOf, letteringOf, shownStyle, type Work } from "./work";

const style = styleOf([
  coat(
    "Back",
    gradient([
      [0, "edge"],
      [100, "face"],
    ]),
  ),
  coat("Front", flat("face")),
]);
const two = (): Work => ({ piece: board(word("Tea"), word("Room", { id: "two" })), styles: { [style.id]: style } });
const shown = (work: Work, id: string) => shownStyle(work, letteringOf(work, id))!;
const names = (work: Work, id: string) => shown(work, id).coats.map((c) => c.name);

describe("letterings", () => {
  test("are added in the look of the last, edited, raised and taken away without touching the work before", () => {
    const work = two();
    const { work: more, id } = addLettering(work, letteringOf(work, "two"), "anton");
    expect(letteringOf(more, id)).toMatchObject({ text: "", face: "archivo-black", styleId: style.id, x: 400 });
    expect(work.piece.items).toHaveLength(2);
    expect(letteringOf(addLettering(work, undefined, "anton").work, "word")).toBeDefined();
    expect(addLettering(work, undefined, "anton").work.piece.items.at(-1)!.ownStyle!.coats).toHaveLength(1);
    // Where other words stand in the middle, it stands below them, or above where they reach down.
    const place = (...taken: Bounds[]) => addLettering(work, letteringOf(work, "two"), "anton", taken).work.piece.items.at(-1)!.y;
    const [middle, below, above] = [
      place(),
      place({ minX: 100, minY: 150, maxX: 700, maxY: 240 }),
      place({ minX: 100, minY: 150, maxX: 700, maxY: 399 }),
    ];
    expect(below).toBeGreaterThan(middle + 50);
    expect(above).toBeLessThan(middle - 50);
    expect(place({ minX: 0, minY: 0, maxX: 100, maxY: 400 })).toBe(middle);
    const edited = editLettering(more, ["two"], (l) => void (l.text = "Rooms"));
    expect(letteringOf(edited, "two")!.text).toBe("Rooms");
    expect(edited.piece.items[0]).toBe(work.piece.items[0]);
    expect(raiseItems(work, ["word"], "forward").piece.items.map((i) => i.id)).toEqual(["two", "word"]);
    expect(raiseItems(work, ["word"], "backward")).toBe(work);
    expect(removeItems(edited, ["word", id]).piece.items.map((i) => i.id)).toEqual(["two"]);
    expect(duplicateItems(work, ["word"], { x: 20, y: 20 }).work.piece.items.at(-1)).toMatchObject({ text: "Tea", x: 120, y: 320 });
  });
});

describe("a change to a linked style", () => {
  const rename = (s: typeof style) => editCoat(s, "front", (c) => ({ ...c, name: "Changed" }));

  test("reaches every lettering that uses it", () => {
    const work = editStyle(two(), "word", "style", rename);
    expect(names(work, "word")).toEqual(["Back", "Changed"]);
    expect(names(work, "two")).toEqual(["Back", "Changed"]);
  });

  test("for this lettering only leaves the style and the others, and can be put back or given to the style", () => {
    const work = editStyle(two(), "word", "lettering", rename);
    expect(names(work, "word")).toEqual(["Back", "Changed"]);
    expect(names(work, "two")).toEqual(["Back", "Front"]);
    expect(letteringOf(work, "word")!.styleId).toBe(style.id);
    expect(names(revert(work, "word"), "word")).toEqual(["Back", "Front"]);
    const given = updateStyle(work, "word");
    expect(names(given, "two")).toEqual(["Back", "Changed"]);
    expect(letteringOf(given, "word")!.ownStyle).toBeNull();
    expect(given.styles[style.id].name).toBe("Test");
  });

  test("once there are own changes, further ones stay with the lettering whatever the scope", () => {
    const own = editStyle(two(), "word", "lettering", rename);
    const again = editStyle(own, "word", "style", (s) => removeCoat(s, "back"));
    expect(names(again, "word")).toEqual(["Changed"]);
    expect(names(again, "two")).toEqual(["Back", "Front"]);
  });

  test("after detaching goes nowhere else", () => {
    const free = detach(two(), "word");
    expect(letteringOf(free, "word")!.styleId).toBeNull();
    expect(names(editStyle(free, "word", "style", rename), "two")).toEqual(["Back", "Front"]);
    expect(detach(free, "word")).toBe(free);
  });

  test("of a lettering without a style gives it one of its own", () => {
    const bare: Work = { piece: board(word("Tea", { styleId: null })), styles: {} };
    const work = editStyle(bare, "word", "style", (s) => insertCoat(s, newCoat("face", "New")));
    expect(names(work, "word")).toEqual(["Letters", "New"]);
  });
});

describe("styles on the shelf", () => {
  test("a look is saved as a style and linked", () => {
    const own = editStyle(two(), "word", "lettering", (s) => editInk(s, "face", { colour: "#abcdef" }));
    const { work, style: made } = saveAsStyle(own, "word", "Kettle")!;
    expect(made).toMatchObject({ name: "Kettle", madeWith: { face: "archivo-black" } });
    expect(letteringOf(work, "word")).toMatchObject({ styleId: made.id, ownStyle: null });
    expect(shown(work, "word").inks[0].colour).toBe("#abcdef");
    expect(letteringOf(work, "two")!.styleId).toBe(style.id);
  });

  test("putting one on drops own changes, and keeps what this session did to that style", () => {
    const changed = editStyle(two(), "two", "style", (s) => ({ ...s, measure: "cap" as const }));
    const own = editStyle(changed, "word", "lettering", (s) => removeCoat(s, "back"));
    const put = applyStyle(own, ["word"], style);
    expect(shown(put, "word")).toBe(changed.styles[style.id]);
  });

  test("a style's look is kept by its letterings as their own, still linked", () => {
    const kept = withOwnLooks(two(), [style.id]);
    expect(kept.piece.items.map((i) => [i.styleId, i.ownStyle?.name])).toEqual([
      [style.id, "Test"],
      [style.id, "Test"],
    ]);
    const own = editStyle(two(), "word", "lettering", (s) => removeCoat(s, "back"));
    expect(names(withOwnLooks(own, [style.id]), "word")).toEqual(["Front"]);
    expect(withOwnLooks(two(), []).piece.items[0].ownStyle).toBeNull();
  });

  test("only the styles in use go into a file", () => {
    const other = { ...style, id: "other" };
    const work = { ...two(), styles: { [style.id]: style, other } };
    expect(fileOf(work).styles.map((s) => s.id)).toEqual([style.id]);
  });
});

describe("coats and inks", () => {
  test("are moved, doubled and taken away", () => {
    const ids = (s: typeof style) => s.coats.map((c) => c.id);
    expect(ids(moveCoat(style, "back", 1))).toEqual(["front", "back"]);
    expect(ids(moveCoat(style, "back", 99))).toEqual(["front", "back"]);
    expect(moveCoat(style, "none", 0)).toBe(style);
    const doubled = duplicateCoat(style, "back");
    expect(ids(doubled.style)).toEqual(["back", doubled.id, "front"]);
    expect(ids(insertCoat(style, newCoat("face", "New"), "back"))[0]).toBe("back");
    expect(ids(removeCoat(style, "back"))).toEqual(["front"]);
  });

  test("an ink that goes is replaced wherever it was used", () => {
    const without = removeInk(style, "edge", "face");
    expect(without.inks.map((i) => i.id)).toEqual(["face"]);
    expect(inksOf(without.coats[0])).toEqual(["face"]);
    expect(without.coats[1]).toBe(style.coats[1]);
    expect(addInk(style, "#000000").style.inks).toHaveLength(3);
  });
});

describe("history", () => {
  const [a, b, c] = [two(), two(), two()];

  test("goes back and forth, and forgets the way forth at a new change", () => {
    let h = noted(noted(noHistory, a, null), b, null);
    const back = undone(h, c)!;
    expect(back.work).toBe(b);
    expect(redone(back.history, back.work)!.work).toBe(c);
    h = noted(back.history, b, null);
    expect(redone(h, c)).toBeUndefined();
    expect(undone(noHistory, a)).toBeUndefined();
  });

  test("a drag is one step", () => {
    const h = noted(noted(noted(noHistory, a, "drag 1"), b, "drag 1"), c, "drag 2");
    expect(h.past).toEqual([a, c]);
  });

  test("keeps the newest 300 steps", () => {
    let h = noHistory;
    for (let i = 0; i < 400; i++) h = noted(h, i === 100 ? a : b, null);
    expect(h.past).toHaveLength(300);
    expect(h.past[0]).toBe(a);
  });
});

describe("the studio", () => {
  beforeEach(() => studioNow().open(two()));

  test("opens with the front lettering and its front coat chosen", () => {
    expect(studioNow()).toMatchObject({ selection: ["two"], coatId: "front", stage: "words" });
  });

  test("undo brings back what was deleted, and a selection never points at nothing", () => {
    const { change, select, undo, redo } = studioNow();
    select(["word"]);
    change((w) => removeItems(w, ["word"]));
    expect(studioNow().work!.piece.items).toHaveLength(1);
    undo();
    expect(studioNow().work!.piece.items).toHaveLength(2);
    select(["word"]);
    redo();
    expect(studioNow().selection).toEqual([]);
  });

  test("an edit that changes nothing is no step", () => {
    const { change } = studioNow();
    change((w) => w);
    change((w) => editLettering(w, ["word"], (l) => void (l.text = "Tea")));
    expect(studioNow().history.past).toHaveLength(0);
  });

  test("settling ends a drag", () => {
    const { change, settle } = studioNow();
    const slide = (x: number) => change((w) => editLettering(w, ["word"], (l) => void (l.x = x)), "slide");
    slide(1);
    slide(2);
    settle();
    slide(3);
    expect(studioNow().history.past).toHaveLength(2);
  });

  test("changes to a style follow the chosen scope", () => {
    const { changeStyle, set, undo } = studioNow();
    set({ scope: "lettering" });
    changeStyle((s) => removeCoat(s, "back"));
    const { work } = studioNow();
    expect(names(work!, "two")).toEqual(["Front"]);
    expect(names(work!, "word")).toEqual(["Back", "Front"]);
    undo();
    expect(names(studioNow().work!, "two")).toEqual(["Back", "Front"]);
  });
});

test("a piece opens with its front item in hand that is seen", () => {
  const { open } = studioNow();
  const styles = { [style.id]: style };
  open({ piece: board(word("Door", { id: "door" }), word("Cut", { id: "cut", hidden: true })), styles });
  expect(studioNow().selection).toEqual(["door"]);
  open({ piece: board(word("Cut", { id: "cut", hidden: true })), styles });
  expect(studioNow().selection).toEqual(["cut"]);
});
