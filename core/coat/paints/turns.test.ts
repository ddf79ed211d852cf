import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, step } from "../../../demo/build";
import { board, engineWith, styleOf, word } from "../../../tests/engine";
import { withPaintValue } from "../../../studio/state/edits/style";
import { materials } from "../../grain/materials";
import { compile } from "../../piece/compile";
import type { LoadedEngine } from "../../piece/engine";
import { inksOf, withSuggested } from "../../style/inks";
import { newPaint } from "../schema";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

/** The inks of a text's letters, in order, as their numbers among those that take turns. */
function inksIn(text: string, values: Record<string, unknown> = {}, form: ReturnType<typeof step>[] = []): number[] {
  const style = styleOf([coat("A", newPaint("turns", { first: "i0", second: "i1", third: "i2", ...values }), form)]);
  const inks = [0, 1, 2].map((i) => ({ id: `i${i}`, name: `I${i}`, colour: `#00000${i}` }));
  const { scene } = compile(board(word(text)), new Map([[style.id, { ...style, inks }]]), engine);
  const [layer] = scene.items[0].layers;
  return layer.paths.map((p) => {
    const fill = layer.fills[p.fill];
    return fill.kind === "flat" ? Number(fill.colour.at(-1)) : NaN;
  });
}

describe("inks in turn", () => {
  test("change from letter to letter, and blanks take no turn", () => {
    expect(inksIn("abcd")).toEqual([0, 1, 0, 1]);
    expect(inksIn("ab cd", { count: 3 })).toEqual([0, 1, 2, 0]);
  });

  test("change from word to word and from line to line", () => {
    expect(inksIn("an old  tin", { by: "word" })).toEqual([0, 0, 1, 1, 1, 0, 0, 0]);
    expect(inksIn("in\non\nat", { by: "line", count: 3 })).toEqual([0, 0, 1, 1, 2, 2]);
  });

  test("stay with the letter where a step makes several parts of it", () => {
    expect(inksIn("HH", {}, [step("inlines", { count: 4, weight: 0.6 })])).toEqual([0, 0, 1, 1]);
  });

  test("by chance are never the same twice in a row, and the same for the same seed", () => {
    const many = inksIn("abcdefghijklmnop", { count: 3, order: "chance", seed: 5 });
    for (let i = 1; i < many.length; i++) expect(many[i]).not.toBe(many[i - 1]);
    expect(new Set(many).size).toBe(3);
    expect(inksIn("abcdefghijklmnop", { count: 3, order: "chance", seed: 5 })).toEqual(many);
  });
});

describe("a material's inks", () => {
  test("come with it, unless one was changed for another", () => {
    const wood = newPaint("grain");
    const stone = withPaintValue(wood, "material", "stone");
    expect(stone).toMatchObject({ material: "stone", light: "limestone", dark: "weathered", marks: "pits" });
    const own = withPaintValue({ ...stone, dark: "face" } as typeof stone, "material", "paper");
    expect(own).toMatchObject({ light: "sheet", dark: "face", marks: "flecks" });
    const style = withSuggested(styleOf([coat("A", stone)]));
    const named = inksOf(style.coats[0]).map((id) => style.inks.find((i) => i.id === id)?.name);
    expect(named).toEqual(materials.find((m) => m.kind === "stone")!.inks.map((i) => i.name));
  });

  test("have ids of their own", () => {
    const ids = materials.flatMap((m) => m.inks.map((i) => i.id));
    expect(new Set(ids).size).toBe(ids.length);
  });
});
