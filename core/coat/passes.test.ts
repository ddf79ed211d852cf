import { beforeAll, describe, expect, test } from "@jest/globals";
import { coatsContext } from "../../tests/coats";
import { engineWith } from "../../tests/engine";
import { rectangle } from "../../tests/paths";
import { coat, flat, gradient, grow, trail, weld } from "../../demo/build";
import type { LoadedEngine } from "../piece/engine";
import { Coats } from "./evaluate";
import { needsOf } from "./needs";
import { byPaint, paintsOf, passesOf } from "./passes";
import { coatSchema, newPaint, type Coat } from "./schema";
import { eachSetting, mapSettings } from "./settings";
import type { Shape } from "./shape";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const square: Shape = { parts: [{ path: rectangle(0, 0, 100, 100), x: 0, y: 0, line: 0 }] };
const withFace = (extra: Partial<Coat> = {}): Coat => ({
  ...coat("T", flat("face"), [trail(5, 0, 50, { face: true })], { passes: { face: flat("edge") } }),
  ...extra,
});
const layerOf = (c: Coat) => new Coats([c], coatsContext(engine.kernel, square)).build(c).layers.at(-1)!;
const colours = (c: Coat) => {
  const { paths, fills } = layerOf(c);
  return paths.map((p) => (fills[p.fill] as { colour: string }).colour);
};

describe("the passes of a coat", () => {
  test("are painted for themselves over one and the same geometry, in the order of the form", () => {
    expect(colours(withFace())).toEqual(["#ff0000", "#ff0000", "#ff0000", "#ff0000", "#0000ff"]);
    // One path, five times.
    expect(new Set(layerOf(withFace()).paths.map((p) => p.path)).size).toBe(1);
  });

  test("are painted as the rest is without a paint of their own, or where no step makes them", () => {
    expect(new Set(colours(withFace({ passes: {} })))).toEqual(new Set(["#ff0000"]));
    const plain: Coat = { ...withFace(), form: coat("T", flat("face"), [trail(5, 0, 50)]).form };
    expect(passesOf(plain)).toEqual([]);
    expect(new Set(colours(plain))).toEqual(new Set(["#ff0000"]));
    const off: Coat = { ...withFace(), form: withFace().form.map((s) => ({ ...s, on: s.kind !== "trail" })) };
    expect(passesOf(off)).toEqual([]);
  });

  test("are kept by what comes after, which welds each by itself", () => {
    for (const more of [grow(2), weld()]) {
      const c: Coat = { ...withFace(), form: [...withFace().form, { ...more, id: "more" }] };
      expect(colours(c).at(-1)).toBe("#0000ff");
      expect(colours(c).filter((v) => v === "#0000ff")).toHaveLength(1);
    }
  });

  test("stretch over themselves: a gradient of the face knows nothing of the copies", () => {
    const stops: [number, string][] = [
      [0, "face"],
      [100, "edge"],
    ];
    const { fills } = layerOf(withFace({ passes: { face: gradient(stops) } }));
    expect(fills).toHaveLength(2);
    expect(fills[1]).toMatchObject({ kind: "linear", box: { minX: 0, minY: 0, maxX: 100, maxY: 100 } });
  });

  test("change what is drawn when their paint changes, and only then", () => {
    const one = withFace();
    expect(layerOf({ ...one })).toBe(layerOf(one));
    const other = withFace({ passes: { face: flat("shadow") } });
    expect(colours(other).at(-1)).toBe("#221d33");
    expect(colours(one).at(-1)).toBe("#0000ff");
  });

  test("count wherever settings do: inks, needs, photos, and what is put in their place", () => {
    const photo = { id: "0123456789abcdef0123456789abcdef", name: "a.png", width: 1, height: 1 };
    const c = withFace({ passes: { face: newPaint("grain", { light: "pine" }), side: newPaint("photo", { photo }) } });
    const seen: unknown[] = [];
    eachSetting(c, { ink: (id) => seen.push(id), photo: (p) => seen.push(p) });
    expect(seen).toContain("pine");
    // No step makes a pass of that name: it waits, and is not in use.
    expect(seen).not.toContainEqual(photo);
    expect(needsOf(c).has("lamp")).toBe(true);
    expect(needsOf(withFace()).has("lamp")).toBe(false);
    const changed = mapSettings(c, { ink: (id) => (id === "pine" ? "oak" : id) });
    expect(changed.passes.face).toMatchObject({ light: "oak" });
    expect(changed.passes.side).toBe(c.passes.side);
    expect(mapSettings(c, { ink: (id) => id })).toBe(c);
  });

  test("have an entry for each paint, and are read from documents that know none", () => {
    expect(paintsOf(withFace()).map((p) => p.kind)).toEqual(["flat", "flat"]);
    expect(byPaint(withFace(), square.parts).map((b) => b.parts.length)).toEqual([1, 0]);
    const { passes: _, ...before } = withFace();
    expect(coatSchema.parse(before).passes).toEqual({});
  });
});
