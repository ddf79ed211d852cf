import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { board, styleOf, word } from "../tests/engine";
import { finishKinds } from "./coat/finishes";
import { formStepKinds } from "./coat/forms";
import { layKinds } from "./coat/lays";
import { paintKinds } from "./coat/paints";
import { coatSchema, newFinish, newFormStep, newLay, newPaint, type Coat } from "./coat/schema";
import { mapSettings } from "./coat/settings";
import { isSoundId } from "./ids";
import { open, openPiece, openStyle } from "./input/open";
import { withSoundIds } from "./input/sound-ids";

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

  test("are followed by every setting of every kind that refers to something", () => {
    const names = { ink: odd.map((o) => `ink ${o}`), coat: "coat /", item: "item #" };
    let given = 0;
    const strange = <T>(v: T): T => (given++, v);
    const some = () => names.ink[given % names.ink.length];
    /** All that refers, to what no id may be; the schema is not asked, as a stranger would not. */
    const hostile = (coat: Coat): Coat =>
      mapSettings(coat, {
        ink: () => strange(some()),
        stops: (stops) => stops.map((s) => ({ ...s, ink: strange(some()) })),
        coat: () => strange(names.coat),
        item: (ref) => strange({ ...ref, id: names.item }),
      });
    const plain = () => ({ id: names.coat, name: "", on: true, paint: newPaint("flat"), passes: {}, lay: newLay("fill"), order: [] });
    const coats: Coat[] = [
      ...formStepKinds.map((k) => ({ ...plain(), finish: newFinish(), form: [newFormStep("letters", "a"), newFormStep(k.kind, "b")] })),
      ...paintKinds.map((k) => ({
        ...plain(),
        finish: newFinish(),
        form: [newFormStep("letters", "a")],
        paint: newPaint(k.kind),
        passes: { face: newPaint(k.kind) },
      })),
      ...layKinds.map((k) => ({ ...plain(), finish: newFinish(), form: [newFormStep("letters", "a")], lay: newLay(k.kind) })),
    ].map(hostile);
    expect(given).toBeGreaterThan(finishKinds.length + paintKinds.length);
    const look = styleOf();
    const read = coats.map((coat) =>
      openStyle({ ...look, inks: names.ink.map((id) => ({ id, name: "Ink", colour: "#112233" })), coats: [coat] }),
    );
    for (const style of read) {
      const inks = new Set(style.inks.map((i) => i.id));
      const [coat] = style.coats;
      const met: unknown[] = [];
      mapSettings(coatSchema.parse(coat), {
        ink: (id) => (met.push(inks.has(id) || id), id),
        stops: (stops) => (stops.forEach((s) => met.push(inks.has(s.ink) || s.ink)), stops),
        coat: (id) => (met.push(id === coat.id || id), id),
        item: (ref) => (met.push(isSoundId(ref.id) || ref.id), ref),
      });
      expect(met.filter((m) => m !== true)).toEqual([]);
    }
  });
});
