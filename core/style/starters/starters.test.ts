import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, grow, plug, stroke, weld } from "../../../demo/build";
import { board, engineWith, styleOf, word } from "../../../tests/engine";
import { contrast } from "../../colour";
import { joinAll, isEmpty } from "../../curves/bounds";
import { compile } from "../../piece/compile";
import type { LoadedEngine } from "../../piece/engine";
import { inksOf } from "../inks";
import { measures, type Measure, type Style } from "../schema";
import { faceOf, withStarter } from "./add";
import { allStarters } from ".";
import { starterGroups } from "./starter";

const faces = ["archivo-black", "pacifico", "comfortaa"] as const;
let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith(...faces);
});

let made = 0;
const newId = () => `n${made++}`;
const on = (face: string, ground = "#f3ecdd") => ({ metrics: engine.face(face)!.metrics, size: 100, ground });
const started = (id: string, style: Style, face = "archivo-black", ground?: string) =>
  withStarter(
    style,
    allStarters.find((s) => s.id === id)!,
    on(face, ground),
    newId,
  );
const compiled = (style: Style, face: string) => compile(board(word("Ri", { face })), new Map([[style.id, style]]), engine);
const plain = (colour = "#c8452c", measure: Measure = "stem"): Style => ({
  ...styleOf([coat("Face", flat("face"))], measure),
  inks: [{ id: "face", name: "Face", colour }],
});

test("there are at least forty, each by its own name, in every group", () => {
  expect(allStarters.length).toBeGreaterThanOrEqual(40);
  expect(new Set(allStarters.map((s) => s.id)).size).toBe(allStarters.length);
  expect(new Set(allStarters.map((s) => s.group)).size).toBe(starterGroups.length);
});

test.each(faces)("each is seen on %s, with every ink that it uses", (face) => {
  for (const starter of allStarters) {
    const { style, id } = started(starter.id, plain(), face);
    const { faults, scene } = compiled(style, face);
    expect([starter.id, faults]).toEqual([starter.id, []]);
    const own = style.coats.filter((c) => c.id !== "face");
    expect(own.some((c) => c.id === id)).toBe(true);
    const layers = scene.items[0].layers.filter((l) => own.some((c) => c.id === l.group));
    for (const c of own) {
      const box = joinAll(layers.filter((l) => l.group === c.id).map((l) => l.bounds));
      expect([starter.id, c.name, isEmpty(box)]).toEqual([starter.id, c.name, false]);
      for (const ink of inksOf(c)) expect([starter.id, style.inks.some((i) => i.id === ink)]).toEqual([starter.id, true]);
    }
  }
});

describe("a starting coat", () => {
  test("comes in where it belongs", () => {
    const style: Style = {
      ...plain(),
      coats: [coat("Ground", flat("face"), [grow(9)]), ...plain().coats, coat("Lines", flat("face"), [], { lay: stroke(2) })],
    };
    const names = (id: string) => started(id, style).style.coats.map((c) => c.name);
    expect(faceOf(style)?.name).toBe("Face");
    expect(names("two-step-backing")).toEqual(["Outer backing", "Inner backing", "Ground", "Face", "Lines"]);
    expect(names("dusk")).toEqual(["Ground", "Face", "Dusk", "Lines"]);
    expect(names("gleam")).toEqual(["Ground", "Face", "Lines", "Gleam"]);
  });

  test("that takes the place of the face switches it off and loses nothing", () => {
    const { style } = started("chalk-fill", plain());
    expect(style.coats.map((c) => [c.name, c.on])).toEqual([
      ["Face", false],
      ["Chalk fill", true],
    ]);
  });

  test("behind others reaches beyond all that they cover", () => {
    const wide: Style = { ...plain(), coats: [coat("Old backing", flat("face"), [grow(60), weld(), plug()]), ...plain().coats] };
    const { scene } = compiled(started("backing", wide).style, "archivo-black");
    const [own, old] = scene.items[0].layers;
    // Half of a stem and a little more beyond the old one: 45 of its hundredths.
    const stem = engine.face("archivo-black")!.metrics.stem;
    expect(old.bounds.minX - own.bounds.minX).toBeCloseTo(0.45 * stem, 0);
  });

  test.each(measures)("is as large in a style whose lengths are relative to: %s", (measure) => {
    const bounds = compiled(started("outline", plain("#c8452c", measure)).style, "archivo-black").scene.items[0].layers.at(-1)!.bounds;
    const letters = compiled(plain(), "archivo-black").scene.items[0].layers[0].bounds;
    // 14 hundredths of the stem, to four digits.
    expect(letters.minX - bounds.minX).toBeCloseTo(0.14 * engine.face("archivo-black")!.metrics.stem, 1);
  });

  test.each([
    ["#c8452c", "#f3ecdd"],
    ["#f3d9a4", "#22313a"],
    ["#ffffff", "#000000"],
    ["#22303c", "#ffffff"],
    ["#808080", "#808080"],
  ])("stands out from a face of %s on %s (WCAG 2: contrast ratio)", (colour, ground) => {
    for (const id of ["backing", "plate", "gap-line", "hard-shade", "outline"]) {
      const { style } = started(id, plain(colour), "archivo-black", ground);
      const ink = style.inks.at(-1)!.colour;
      expect(contrast(ink, colour)).toBeGreaterThan(1.6);
      expect(contrast(ink, ground)).toBeGreaterThan(1.6);
    }
  });

  test("takes an ink of the style by its name where that is seen, and leaves one alone that is not", () => {
    const inked = (colour: string): Style => ({ ...plain(), inks: [...plain().inks, { id: "b", name: "backing", colour }] });
    expect(inksOf(started("backing", inked("#123456")).style.coats[0])).toEqual(["b"]);
    const other = started("backing", inked("#c8452c")).style;
    expect(inksOf(other.coats[0])).not.toEqual(["b"]);
    expect(other.inks.find((i) => i.id === "b")!.colour).toBe("#c8452c");
  });

  test("on a face that is a gradient goes by its first ink; on a style without coats it still comes in", () => {
    const run = gradient([
      [0, "top"],
      [100, "face"],
    ]);
    const style: Style = { ...plain(), inks: [...plain().inks, { id: "top", name: "Top", colour: "#101010" }], coats: [coat("Face", run)] };
    const { style: pillow } = started("pillow", style);
    expect(inksOf({ ...pillow.coats[1], finish: pillow.coats[0].finish })).toEqual(["top"]);
    expect(started("split-shade", { ...plain(), coats: [], inks: [] }).style.coats).toHaveLength(1);
  });
});

test("WCAG's own example: black on white is 21 to 1, #777777 on white 4.48 (Understanding SC 1.4.3)", () => {
  expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 6);
  expect(contrast("#777777", "#ffffff")).toBeCloseTo(4.48, 2);
});
