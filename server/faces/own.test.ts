import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { board, styleOf, word } from "../../tests/engine";
import { Problem } from "../../core/problem";
import { openDatabase, type Database } from "../db/open";
import { create, NotFound } from "../documents";
import { addOwn, listOwn, readOwn, removeOwn, usesOf } from "./own";

let db: Database;
const folder = mkdtempSync(path.join(tmpdir(), "vextal-faces-"));
beforeAll(async () => {
  db = await openDatabase(`file:${path.join(folder, "faces.db")}`);
});
afterAll(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});
const file = (name: string) => new Uint8Array(readFileSync(path.join("node_modules", name)));
const ttf = () => file("@expo-google-fonts/anton/400Regular/Anton_400Regular.ttf");
const woff2 = () => file("@fontsource/yellowtail/files/yellowtail-latin-400-normal.woff2");

describe("faces that are brought in", () => {
  test("are named as they name themselves and kept once, by what they hold", async () => {
    const [first] = await addOwn(db, "anything.ttf", ttf(), "Open to all.");
    expect(first).toMatchObject({ name: "Anton Regular", id: expect.stringMatching(/^own-[0-9a-f]{24}$/) });
    expect(await addOwn(db, "again.ttf", ttf(), "")).toEqual([first]);
    expect(await listOwn(db)).toHaveLength(1);
    const kept = await readOwn(db, first.id);
    expect(kept.bytes).toEqual(ttf());
    expect(kept.licence).toBe("Open to all.");
    expect(kept.hash.startsWith(first.id.slice(4))).toBe(true);
  });

  test("come in from WOFF2, with what they say of their licence where no text came with them", async () => {
    const [face] = await addOwn(db, "y.woff2", woff2(), "  ");
    const kept = await readOwn(db, face.id);
    expect(new DataView(kept.bytes.buffer, kept.bytes.byteOffset).getUint32(0)).toBe(0x00010000);
    expect(kept.licence).toMatch(/Apache/);
  });

  test("say where they are used before they go, and are gone then", async () => {
    const [face] = await addOwn(db, "anton.ttf", ttf(), "");
    await create(db, "styles", styleOf());
    await create(db, "pieces", { ...board(word("Tea", { face: face.id })), name: "Tea Room" });
    expect(await usesOf(db, face.id)).toEqual(["Tea Room"]);
    await removeOwn(db, face.id);
    await expect(readOwn(db, face.id)).rejects.toThrow(NotFound);
    await expect(removeOwn(db, face.id)).rejects.toThrow(NotFound);
    // Brought in again it has the same name, so that the piece is whole again.
    expect((await addOwn(db, "anton.ttf", ttf(), ""))[0].id).toBe(face.id);
  });

  test.each<[string, Uint8Array, RegExp]>([
    ["a text", new TextEncoder().encode("This is a letter, not a font."), /not an OpenType or TrueType font/],
    ["half a font", ttf().slice(0, 9000), /cut short/],
    ["half a WOFF2", woff2().slice(0, 3000), /damaged/],
    ["nothing", new Uint8Array(0), /not a font/],
    ["too much", new Uint8Array(20_000_001), /20 MB/],
  ])("%s is refused in words, and nothing is kept", async (_, bytes, why) => {
    const before = await listOwn(db);
    await expect(addOwn(db, "Odd.ttf", bytes, "")).rejects.toThrow(Problem);
    await expect(addOwn(db, "Odd.ttf", bytes, "")).rejects.toThrow(why);
    expect(await listOwn(db)).toEqual(before);
  });
});
