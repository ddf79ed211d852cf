import { describe, expect, test } from "@jest/globals";
import { coat, flat, style } from "../../demo/build";
import { board, engineWith, styleOf, word } from "../../tests/engine";
import { finishesOf, movable, withFinishMoved } from "../coat/finish-order";
import { finishKinds } from "../coat/finishes";
import type { Coat } from "../coat/schema";
import { compile } from "../piece/compile";
import { finishesOnly, finishKindsOf, withFinishes } from "./finishes";
import type { Style } from "./schema";

const named = (kind: string) => finishKinds.find((k) => k.kind === kind)!;
const lit = coat("Lit", flat("face"), [], {
  opacity: 80,
  shadow: { ink: "dark" },
  finish: { "outer-glow": { ink: "glow", far: "glow" }, "inner-glow": { ink: "glow" }, relief: {} },
});
const own = (coats: Coat[]): Style => style("Own", "archivo-black", "em", { Face: "#ff0000", Dark: "#101010", Glow: "#ffee00" }, coats);

describe("the order of finishes", () => {
  test("is the usual one until one is moved past its neighbour on the same side of the coat", () => {
    expect(finishesOf(lit)).toEqual(finishKinds);
    const moved = withFinishMoved(lit, named("soft-shadow"), 1);
    expect(finishesOf(moved).map((k) => k.kind)).toEqual([
      ...["opacity", "blend", "blur", "fade"],
      ...["outer-glow", "soft-shadow"],
      ...["inner-glow", "relief"],
    ]);
    expect(finishesOf(withFinishMoved(moved, named("soft-shadow"), -1))).toEqual(finishKinds);
  });

  test("ends at the last that is switched on, and what lies on no side has none", () => {
    expect(movable(lit, named("soft-shadow"), -1)).toBe(false);
    expect(movable(lit, named("relief"), -1)).toBe(true);
    expect(movable(coat("One", flat("face"), [], { shadow: {} }), named("soft-shadow"), 1)).toBe(false);
    expect(movable(lit, named("blur"), 1)).toBe(false);
    expect(withFinishMoved(lit, named("blur"), 1)).toBe(lit);
  });

  test("decides what lies over what in the scene", async () => {
    const engine = await engineWith("archivo-black");
    const drawn = (c: Coat) => {
      const look = { ...styleOf([c]), inks: own([]).inks };
      const { scene } = compile(board(word("H")), new Map([[look.id, look]]), engine);
      const { layers } = scene.items[0];
      return { behind: layers.slice(0, -1).map((l) => l.label.replace(/.*, /, "")), over: layers.at(-1)!.over!.map((o) => o.kind) };
    };
    const usual = drawn(lit);
    const turned = drawn(["soft-shadow", "inner-glow"].reduce((c, kind) => withFinishMoved(c, named(kind), 1), lit));
    expect(usual.behind).toEqual(["shadow", "glow", "glow", "glow"]);
    expect(turned.behind).toEqual(["glow", "glow", "glow", "shadow"]);
    expect(usual.over[0]).toBe("edge");
    expect(turned.over.at(-1)).toBe("edge");
    expect([...turned.over].sort()).toEqual([...usual.over].sort());
  });
});

describe("finishes copied from one coat to another", () => {
  const plain = coat("Plain", flat("face"), [], { blur: 2 });
  const id = (() => {
    let n = 0;
    return () => `new${n++}`;
  })();

  test("bring their inks, and leave what else the other coat has", () => {
    const there: Style = { ...own([plain]), inks: [{ id: "face", name: "Face", colour: "#00ff00" }] };
    const after = withFinishes(there, plain.id, finishesOnly(lit, ["soft-shadow"]), own([]).inks, id);
    expect(after.coats).toHaveLength(1);
    const [{ finish, paint }] = after.coats;
    expect(paint).toEqual(plain.paint);
    expect(finish.blur).toEqual(plain.finish.blur);
    expect(finish["outer-glow"].on).toBe(false);
    expect(finish["soft-shadow"]).toEqual(lit.finish["soft-shadow"]);
    expect(after.inks.map((i) => i.name)).toEqual(["Face", "Dark"]);
  });

  test("all of them come with their order, in inks that are told from those of the same id", () => {
    const moved = withFinishMoved(lit, named("soft-shadow"), 1);
    const kinds = finishKindsOf(moved);
    expect(kinds).toEqual(["opacity", "outer-glow", "soft-shadow", "inner-glow", "relief"]);
    const there: Style = { ...own([plain]), inks: [{ id: "glow", name: "Other", colour: "#0000ff" }] };
    const after = withFinishes(there, plain.id, finishesOnly(moved, kinds), own([]).inks, id);
    const [{ finish, order }] = after.coats;
    expect(finishesOf({ order })).toEqual(finishesOf(moved));
    const ink = after.inks.find((i) => i.id === finish["outer-glow"].ink);
    expect(ink).toMatchObject({ name: "Glow", colour: "#ffee00" });
    expect(finishKindsOf(after.coats[0])).toEqual(["opacity", "blur", "outer-glow", "soft-shadow", "inner-glow", "relief"]);
  });
});
