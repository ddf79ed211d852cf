import { describe, expect, test } from "@jest/globals";
import { coat, flat, grow, shrink, stroke } from "../../demo/build";
import { polygonPath, rectangle } from "../../tests/paths";
import { styleOf } from "../../tests/engine";
import type { Coat } from "../coat/schema";
import { CurveKernel } from "../curves/kernel";
import type { Face } from "../lettering/face";
import { eased, strainOf } from "./carries";

// A hundredth of the em is 10 units, whatever the face.
const face = { metrics: { capHeight: 700, xHeight: 500, stem: 60, bar: 40 } } as Face;
/** Two stems of 60 units joined by a bar of 40. */
const letterH = polygonPath([
  [0, 0],
  [60, 0],
  [60, 330],
  [240, 330],
  [240, 0],
  [300, 0],
  [300, 700],
  [240, 700],
  [240, 370],
  [60, 370],
  [60, 700],
  [0, 700],
]);
const stem = rectangle(0, 0, 60, 700);

const strain = (coats: Coat[], outlines = [letterH, stem]) => strainOf(styleOf(coats), face, outlines, 240, new CurveKernel());
const shrunk = (amount: number) => strain([coat("A", flat("face"), [shrink(amount)])]);

describe("whether letters carry a style", () => {
  test("an inset closes a letter where half its width or more is taken from each side", () => {
    // Half the bar of the H is 20 units, half a stem 30.
    expect(shrunk(1.9)).toEqual({ inset: 19, closed: 0, of: 2, which: [] });
    // In two pieces an H is no H.
    expect(shrunk(2.1)).toEqual({ inset: 21, closed: 1, of: 2, which: [0] });
    expect(shrunk(3.1)).toEqual({ inset: 31, closed: 2, of: 2, which: [0, 1] });
  });

  test("strokes count by the side they lie on, and only the deepest coat counts", () => {
    expect(strain([coat("A", flat("face"), [], { lay: stroke(3, { side: "inside" }) })])!.inset).toBe(30);
    expect(strain([coat("A", flat("face"), [], { lay: stroke(3, { side: "centre" }) })])!.inset).toBe(15);
    expect(
      strain([coat("A", flat("face"), [shrink(1)]), coat("B", flat("face"), [shrink(0.5)], { lay: stroke(1, { side: "inside" }) })])!.inset,
    ).toBe(15);
  });

  test("what lies outside, is switched off, or only makes good what was grown, asks nothing of the letters", () => {
    expect(strain([coat("A", flat("face"), [grow(4)])])).toBeUndefined();
    expect(strain([coat("A", flat("face"), [], { lay: stroke(3, { side: "outside" }) })])).toBeUndefined();
    expect(strain([coat("A", flat("face"), [grow(4), shrink(3)])])).toBeUndefined();
    expect(strain([{ ...coat("A", flat("face"), [shrink(4)]), on: false }])).toBeUndefined();
    const plain = coat("A", flat("face"), [shrink(4)]);
    expect(strain([{ ...plain, form: plain.form.map((s) => ({ ...s, on: s.kind === "letters" })) }])).toBeUndefined();
  });

  test("what closes up is eased until it does not, in proportion, and no further", () => {
    const kernel = new CurveKernel();
    const style = styleOf([
      coat("A", flat("face"), [shrink(3.1)]),
      coat("B", flat("face"), [], { lay: stroke(1.55, { side: "inside" }) }),
      coat("C", flat("face"), [grow(2)], { lay: stroke(4, { side: "outside" }) }),
    ]);
    const { style: after, share } = eased(style, face, [letterH, stem], 240, kernel);
    // Half the bar of the H is 20 of the 31 units: 64 hundredths.
    expect(share).toBe(0.64);
    expect(after.coats[0].form[1]).toMatchObject({ amount: 1.984 });
    expect(after.coats[1].lay).toMatchObject({ width: 0.992 });
    expect(after.coats[2]).toEqual(style.coats[2]);
    expect(strainOf(after, face, [letterH, stem], 240, kernel)!.closed).toBe(0);
    expect(eased(after, face, [letterH, stem], 240, kernel)).toEqual({ style: after, share: 1 });
  });
});
