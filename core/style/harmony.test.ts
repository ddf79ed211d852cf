import { describe, expect, test } from "@jest/globals";
import { converter } from "culori";
import { coat, flat, grow, stroke } from "../../demo/build";
import { styleOf } from "../../tests/engine";
import { harmoniesOf, weakBorders } from "./harmony";
import type { Style } from "./schema";

const oklch = converter("oklch");

describe("inks that go with one", () => {
  test("lie where their names say on OKLCH's wheel (CSS Color Level 4), as light as it is", () => {
    const base = oklch("#3a7d6a")!;
    const at = (name: string) =>
      harmoniesOf("#3a7d6a")
        .find((h) => h.name === name)!
        .colours.map((c) => oklch(c)!);
    const turns = (name: string) => at(name).map((c) => Math.round(((c.h! - base.h! + 540) % 360) - 180));
    const near = (turn: number) => ({ asymmetricMatch: (v: unknown) => Math.abs((((v as number) - turn + 540) % 360) - 180) <= 4 });
    expect(turns("Beside")).toEqual([-50, -25, 25, 50].map(near));
    expect(turns("Opposite")).toEqual([150, 180, 210].map(near));
    expect(turns("Thirds")).toEqual([120, 240].map(near));
    for (const name of ["Beside", "Opposite", "Thirds"]) for (const c of at(name)) expect(Math.abs(c.l - base.l)).toBeLessThan(0.02);
    const shades = at("Shades").map((c) => c.l - base.l);
    expect(shades).toEqual([-0.24, -0.12, 0.12, 0.24].map((v) => expect.closeTo(v, 1)));
  });

  test.each(["#000000", "#ffffff", "#808080", "#ffff00"])("are colours of sRGB, whatever the ink: %s", (colour) => {
    for (const { colours } of harmoniesOf(colour)) for (const c of colours) expect(c).toMatch(/^#[0-9a-f]{6}$/);
  });
});

describe("coats that hardly stand out", () => {
  const style = (coats: Style["coats"], inks: Record<string, string>): Style => ({
    ...styleOf(coats),
    inks: Object.entries(inks).map(([id, colour]) => ({ id, name: id, colour })),
  });
  const two = [coat("Shade", flat("shade"), [grow(3)]), coat("Face", flat("face"))];
  test("are named with their ratio, and only where they lie on each other in flat inks", () => {
    const [found] = weakBorders(style(two, { face: "#707070", shade: "#777777" }));
    expect(found).toMatchObject({ front: "Face", behind: "Shade" });
    // By WCAG 2's definition: (0.1845 + 0.05) / (0.1620 + 0.05).
    expect(found.ratio).toBeCloseTo(1.106, 2);
    expect(weakBorders(style(two, { face: "#ffffff", shade: "#000000" }))).toEqual([]);
    expect(weakBorders(style([two[0], coat("Line", flat("face"), [], { lay: stroke(2) })], { face: "#707070", shade: "#777777" }))).toEqual(
      [],
    );
    expect(weakBorders(style([two[0], { ...two[1], on: false }], { face: "#707070", shade: "#777777" }))).toEqual([]);
  });
});
