import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { board, styleOf, word } from "../tests/engine";
import { isSoundId, withSoundIds } from "./ids";
import { open, openPiece, openStyle } from "./input/open";

/** Ids that lead elsewhere in an address, that end one, that no database takes, and that are only odd. */
const odd = ["../pieces/demo-night-ferry", "#x", "?r=1", "a/b", "%2e%2e", "字", "\u0000", "\ud800", " ", "a".repeat(65), "constructor\n"];

describe("ids", () => {
  test.each(odd)("of a stranger's file are renamed on the way in: %j", (id) => {
    const opened = open(JSON.stringify({ ...board(word("Tea")), id }));
    if (opened.kind !== "piece") throw new Error("a piece was asked for");
    expect(isSoundId(opened.file.piece.id)).toBe(true);
  });

  test.each(odd)("and what refers to them still does: %j", (id) => {
    const look = styleOf();
    const style = { ...look, id, inks: look.inks.map((ink, i) => (i === 0 ? { ...ink, id: `${id}ink` } : ink)) };
    const piece = { ...board(word("Tea")), items: [{ ...word("Tea"), styleId: id, groups: [id] }] };
    const opened = openPiece(piece);
    expect(opened.items[0].styleId).toBe(openStyle(style).id);
    expect(opened.items[0].groups).toEqual([opened.items[0].styleId]);
  });

  test("that are sound stay, and all are sound after it, each its own", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string({ unit: "binary", minLength: 1, maxLength: 80 }), { minLength: 1, maxLength: 20 }), (ids) => {
        const after = (withSoundIds(ids.map((id) => ({ id }))) as { id: string }[]).map((d) => d.id);
        after.forEach((id, i) => {
          expect(isSoundId(id)).toBe(true);
          if (isSoundId(ids[i])) expect(id).toBe(ids[i]);
        });
        expect(new Set(after).size).toBe(ids.length);
      }),
    );
  });

  test("are all that is renamed: words and names stay as they are", () => {
    const document = {
      name: "../x",
      text: "a/b",
      items: [{ kind: "lettering", text: "#", id: "ok" }],
      letters: [{ inks: { "a b": "c d" } }],
    };
    const after = withSoundIds(document) as typeof document;
    expect(after).toMatchObject({ name: "../x", text: "a/b", items: [{ text: "#", id: "ok" }] });
    expect(Object.entries(after.letters[0].inks).flat().every(isSoundId)).toBe(true);
  });
});
