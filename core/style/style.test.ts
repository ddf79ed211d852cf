import { describe, expect, test } from "@jest/globals";
import { styleOf } from "../../tests/engine";
import { coat, flat, gradient, grow, shift, stroke } from "../../demo/build";
import { inkLookup, inksOf, pasteCoat, withInks } from "./inks";
import { unitsPerLength, withMeasure } from "./measure";
import { measures } from "./schema";

const metrics = { capHeight: 700, xHeight: 500, stem: 150, bar: 120 };

describe("measures", () => {
  test("are hundredths of the em, the capitals and the stem, or points", () => {
    expect(unitsPerLength("em", metrics, 240)).toBe(10);
    expect(unitsPerLength("cap", metrics, 240)).toBe(7);
    expect(unitsPerLength("stem", metrics, 240)).toBe(1.5);
    // 1 pt = 4/3 px (CSS Values 4), and 240 px are 1000 units.
    expect(unitsPerLength("fixed", metrics, 240)).toBeCloseTo(((96 / 72) * 1000) / 240, 12);
  });

  test("a change of measure keeps every length as it looks", () => {
    const style = styleOf([coat("A", flat("face"), [grow(3), shift(-2, 5)], { lay: stroke(1.5, { dashes: [4, 2] }) })]);
    for (const measure of measures) {
      const changed = withMeasure(style, measure, metrics, 240);
      const k = unitsPerLength(measure, metrics, 240);
      const [c] = changed.coats;
      // Lengths are kept to six figures.
      expect(c).toMatchObject({
        form: [{}, { amount: expect.closeTo(30 / k, 3), miterLimit: 4 }, { right: expect.closeTo(-20 / k, 3) }],
        lay: { width: expect.closeTo(15 / k, 3), dashes: [expect.anything(), expect.closeTo(20 / k, 3)] },
      });
    }
  });
});

describe("inks", () => {
  const painted = coat(
    "B",
    gradient([
      [0, "face"],
      [100, "edge"],
    ]),
  );

  test("are found wherever a coat refers to them", () => {
    expect(inksOf(painted)).toEqual(["face", "edge"]);
    expect(inksOf(coat("A", flat("edge")))).toEqual(["edge"]);
    expect(inksOf(withInks(painted, (id) => `${id}-2`))).toEqual(["face-2", "edge-2"]);
  });

  test("that are unknown show as a grey", () => {
    expect(inkLookup([])("face")).toBe("#808080");
    expect(inkLookup([{ id: "face", name: "Face", colour: "#123456" }])("face")).toBe("#123456");
  });

  test("come along when a coat is pasted: shared where they are the same, added where not", () => {
    let n = 0;
    const newId = () => `new${++n}`;
    const to = styleOf();
    const from = [
      { id: "x", name: "Face", colour: "#112233" },
      { id: "edge", name: "Rust", colour: "#990000" },
    ];
    const pasted = pasteCoat(
      to,
      coat(
        "B",
        gradient([
          [0, "x"],
          [100, "edge"],
        ]),
      ),
      from,
      newId,
    );
    const [front] = pasted.coats.slice(-1);
    // “Face” of the same colour is here already; “edge” is taken by another ink, so Rust gets an id of its own.
    expect(inksOf(front)[0]).toBe("face");
    const rust = pasted.inks.find((i) => i.name === "Rust")!;
    expect(rust.id).toMatch(/^new/);
    expect(inksOf(front)[1]).toBe(rust.id);
    expect(pasted.inks).toHaveLength(3);
    expect(new Set(pasted.coats.map((c) => c.id)).size).toBe(pasted.coats.length);
  });
});
