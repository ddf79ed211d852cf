import { beforeAll, describe, expect, test } from "@jest/globals";
import { coat, flat, gradient, step, style } from "../../demo/build";
import { board, engineWith, word } from "../../tests/engine";
import { svgOf } from "../../tests/exported";
import { fingerprint } from "../fingerprint";
import { openStyle } from "../input/open";
import type { Photo } from "../photo";
import { bodyOf, compile } from "./compile";
import type { LoadedEngine } from "./engine";
import { itemWithPhotos, photosShown } from "./photos";
import type { Lettering } from "./schema";
import { firstStudioSettings, makesBody } from "./studio-defaults";
import { isCurrent, studioFingerprint, type StudioPicture } from "./studio-picture";

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith("archivo-black");
});

const inks = { Dark: "#402010", Brass: "#b08030", Light: "#f0e0a0", Face: "#c8401f", Gleam: "#ffffff" };
const sides = gradient(
  [
    [0, "dark"],
    [50, "brass"],
    [100, "light"],
  ],
  { shape: "copies" },
);
const look = openStyle(
  style("Plate", "archivo-black", "em", inks, [
    coat("Back", flat("dark")),
    coat("Body", sides, [step("solid", { depth: 10 })], { passes: { face: flat("face") } }),
    coat("Over", flat("gleam"), [step("shrink", { amount: 3 })]),
  ]),
);
const body = look.coats[1];
const lamp = board().lamp;
const photo: Photo = { id: "a".repeat(32), name: "Body.png", width: 200, height: 100 };

const pictured = (values: Partial<StudioPicture> = {}): Lettering => {
  const item = word("AB", { styleId: look.id });
  const settings = firstStudioSettings(body, look);
  const of = studioFingerprint(item, look, lamp, settings);
  return { ...item, studio: { settings, photo, box: { minX: -50, minY: -800, maxX: 1500, maxY: 90 }, of, shown: true, ...values } };
};
const layersOf = (item: Lettering, s = look) => compile(board(item), new Map([[s.id, s]]), engine).scene.items[0].layers;

test("texts are told apart as FNV-1a of 64 bits tells them apart (values by a program of its own, in Python)", () => {
  expect(["", "foobar", "Brindlemoor ü"].map(fingerprint)).toEqual(["cbf29ce484222325", "c882d5010e965f1a", "9582b21050372f0c"]);
});

describe("a studio picture", () => {
  test("stands in the place of the coat that it was taken of, between the others", () => {
    const seen = layersOf(pictured());
    expect(seen.map((l) => l.label)).toEqual(["Back", "Body", "Over"]);
    const [fill] = seen[1].fills;
    expect(fill.kind === "picture" && fill.source).toEqual({ kind: "photo", photo: photo.id });
    expect(seen[1].bounds).toEqual({ minX: -50, minY: -800, maxX: 1500, maxY: 90 });
    // The same object while nothing has changed: it is not drawn anew.
    const item = pictured();
    expect(layersOf({ ...item })[1]).toBe(layersOf({ ...item, x: 40 })[1]);
  });

  test("is seen only while the words, their look and their light are what it was taken of", () => {
    const item = pictured();
    const stays: Partial<Lettering>[] = [{ x: 900, y: 20 }, { groups: ["g"] }, { locked: true }];
    for (const change of stays) expect([change, isCurrent({ ...item, ...change }, look, lamp)]).toEqual([change, true]);
    const goes: Partial<Lettering>[] = [{ text: "AC" }, { size: 90 }, { letterSpacing: 20 }, { turn: 10 }, { face: "anton" }];
    for (const change of goes) expect([change, isCurrent({ ...item, ...change }, look, lamp)]).toEqual([change, false]);
    expect(isCurrent(item, look, { ...lamp, angle: 40 })).toBe(false);
    const inked = (id: string) => ({ ...look, inks: look.inks.map((i) => (i.id === id ? { ...i, colour: "#123456" } : i)) });
    expect(isCurrent(item, inked("face"), lamp)).toBe(false);
    // An ink that none of its surfaces has.
    expect(isCurrent(item, inked("gleam"), lamp)).toBe(true);
    expect(isCurrent(item, undefined, lamp)).toBe(false);
    const changed = layersOf({ ...item, text: "AC" });
    expect(changed[1].fills.every((f) => f.kind !== "picture")).toBe(true);
    expect(layersOf(pictured({ shown: false }))[1].fills.every((f) => f.kind !== "picture")).toBe(true);
  });

  test("is in the files, and is one of the piece's photos", () => {
    const piece = board(pictured());
    const { scene } = compile(piece, new Map([[look.id, look]]), engine);
    const svg = svgOf(scene, { photos: new Map([[photo.id, "data:image/png;base64,AAAA"]]) });
    expect(svg.match(/data:image\/png;base64,AAAA/g)).toHaveLength(1);
    expect(photosShown(piece, [look])).toEqual([photo]);
    const other = { ...photo, id: "b".repeat(32) };
    const moved = itemWithPhotos(pictured(), new Map([[photo.id, other]]));
    expect([moved.studio?.photo, itemWithPhotos(word("AB"), new Map()).studio]).toEqual([other, null]);
  });
});

describe("a body that is photographed", () => {
  test("is what the coat makes of the letters, with the lamp as the item sees it", () => {
    const item = word("AB", { styleId: look.id, turn: 90 });
    const made = bodyOf(board(item), new Map([[look.id, look]]), engine, { item: item.id, coat: body.id })!;
    expect([made.sight.depth, made.sight.tilt, made.edge]).toEqual([expect.closeTo(100, 6), 14, undefined]);
    // From the upper left of the board, turned back by a right angle.
    expect(made.light.from).toEqual({ x: expect.closeTo(-0.5, 6), y: expect.closeTo(0.5, 6), z: expect.closeTo(Math.SQRT1_2, 6) });
    expect(bodyOf(board(item), new Map([[look.id, look]]), engine, { item: item.id, coat: look.coats[0].id })).toBeUndefined();
    expect([makesBody(body), makesBody(look.coats[0])]).toEqual([true, false]);
  });

  test("is first made of the inks that its coat has: the face's own, and the middle one of the sides", () => {
    const { face, sides: run } = firstStudioSettings(body, look);
    expect([face.ink, run.ink]).toEqual(["face", "brass"]);
  });
});
