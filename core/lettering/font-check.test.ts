import { beforeAll, describe, expect, test } from "@jest/globals";
import { readFile } from "node:fs/promises";
import { readFace } from "../../server/faces/read";
import { toSfnt } from "../../server/faces/wrapping";
import { Problem } from "../problem";
import { Face } from "./face";
import { checkSfnt } from "./font-check";
import { loadHarfBuzz, type HarfBuzz } from "./harfbuzz";

let sound: Uint8Array;
let hb: HarfBuzz;
beforeAll(async () => {
  sound = (await readFace("anton"))!.bytes;
  hb = await loadHarfBuzz();
});
const changed = (change: (view: DataView, bytes: Uint8Array) => void): Uint8Array => {
  const bytes = sound.slice();
  change(new DataView(bytes.buffer), bytes);
  return bytes;
};

describe("a font file", () => {
  test("that is sound passes", () => expect(() => checkSfnt(sound)).not.toThrow());

  test.each<[string, () => Uint8Array, RegExp]>([
    ["of a few bytes", () => sound.slice(0, 7), /only 7 bytes/],
    ["that is a picture", () => Uint8Array.from([0x89, 0x50, 0x4e, 0x47, ...Array(100).fill(0)]), /first bytes/],
    ["cut in the middle", () => sound.slice(0, sound.length / 2), /cut short/],
    ["whose directory is cut", () => sound.slice(0, 40), /directory/],
    ["without a character map", () => changed((v, b) => b.set([120, 120, 120, 120], directoryOf(v, "cmap"))), /“cmap” is missing/],
    ["without outlines", () => changed((v, b) => b.set([120, 120, 120, 120], directoryOf(v, "glyf"))), /no outlines/],
    ["with an absurd em", () => changed((v) => v.setUint16(v.getUint32(directoryOf(v, "head") + 8) + 18, 3)), /3 units to the em/],
  ])("%s is named as what it is", (_, bytes, message) => {
    expect(() => checkSfnt(bytes(), "Torn.ttf")).toThrow(message);
    expect(() => checkSfnt(bytes(), "Torn.ttf")).toThrow(Problem);
  });

  test("whose outlines are gone is not taken for a face", () => {
    const hollow = changed((v, b) => {
      const at = directoryOf(v, "loca");
      b.fill(0, v.getUint32(at + 8), v.getUint32(at + 8) + v.getUint32(at + 12));
    });
    expect(() => Face.open(hb, { id: "x", name: "Hollow", kind: "" }, hollow)).toThrow(/none of the letters/);
  });

  test("with random damage either opens or says why, and never hangs", () => {
    let state = 12345;
    const random = (n: number) => (state = (state * 1103515245 + 12345) % 2147483648) % n;
    for (let i = 0; i < 40; i++) {
      const bytes = sound.slice();
      for (let k = 0; k < 30; k++) bytes[random(bytes.length)] = random(256);
      try {
        Face.open(hb, { id: "x", name: "Damaged", kind: "" }, bytes);
      } catch (error) {
        expect(error).toBeInstanceOf(Problem);
      }
    }
  });
});

describe("wrappings", () => {
  const folder = "node_modules/@fontsource/yellowtail/files/yellowtail-latin-400-normal";

  test("WOFF and WOFF2 of one font hold the same tables", async () => {
    const [one, two] = await Promise.all(
      ["woff", "woff2"].map(async (e) => toSfnt(new Uint8Array(await readFile(`${folder}.${e}`)), "Yellowtail")),
    );
    const faces = [one, two].map((bytes) => Face.open(hb, { id: "y", name: "Yellowtail", kind: "" }, bytes));
    const glyph = faces[0].glyphOf("Q")!;
    expect([...faces[0].outline(glyph).coords]).toEqual([...faces[1].outline(glyph).coords]);
  });

  test.each(["woff", "woff2"])("a torn %s is refused with a message", async (e) => {
    const bytes = new Uint8Array(await readFile(`${folder}.${e}`));
    await expect(toSfnt(bytes.slice(0, 900), "Torn")).rejects.toThrow(Problem);
  });
});

/** Where a table's entry stands in the directory. */
function directoryOf(view: DataView, tag: string): number {
  for (let at = 12; at < 12 + view.getUint16(4) * 16; at += 16)
    if (String.fromCharCode(...new Uint8Array(view.buffer, at, 4)) === tag) return at;
  throw new Error(`no ${tag}`);
}
