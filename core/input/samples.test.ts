import { beforeAll, describe, expect, test } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { engineWith } from "../../tests/engine";
import { compile } from "../piece/compile";
import type { LoadedEngine } from "../piece/engine";
import { daylight } from "../piece/lamp";
import { facesOf, pieceVersion } from "../piece/schema";
import { styleVersion } from "../style/schema";
import { open, openPiece } from "./open";

const folder = "tests/samples";
const samples = readdirSync(folder);
const read = (name: string) => readFileSync(path.join(folder, name), "utf8");

let engine: LoadedEngine;
beforeAll(async () => {
  engine = await engineWith();
});

/** Files as every earlier version wrote them: once one is here it stays, however the format goes on. */
describe("files of earlier versions", () => {
  test("are here of each one", () => {
    for (let v = 1; v < pieceVersion; v++) expect(samples).toContain(`piece-${v}.json`);
    for (let v = 1; v <= styleVersion; v++) expect(samples).toContain(`style-${v}.json`);
  });

  test.each(samples)("%s opens, is drawn whole, and is of the present version from then on", async (name) => {
    const opened = open(read(name));
    if (opened.kind === "styles") return void expect(opened.styles.map((s) => s.version)).toEqual([styleVersion]);
    const { piece, styles } = opened.file;
    expect(piece.version).toBe(pieceVersion);
    expect(piece.lamp).toEqual(daylight);
    await engine.load(facesOf(piece.items));
    const { scene, faults } = compile(piece, new Map(styles.map((s) => [s.id, s])), engine);
    expect(faults).toEqual([]);
    for (const item of scene.items) expect(item.layers.some((l) => l.paths.length > 0)).toBe(true);
    expect(openPiece(JSON.parse(JSON.stringify(piece)))).toEqual(piece);
  });

  test("bring forward the styles inside their pieces, and say so where one is newer than this program", () => {
    const { piece } = JSON.parse(read("piece-2.json"));
    expect(openPiece(piece).items[0].ownStyle?.coats[0].finish["soft-shadow"].on).toBe(false);
    const newer = {
      ...piece,
      items: piece.items.map((i: { ownStyle: object | null }) => (i.ownStyle ? { ...i, ownStyle: { ...i.ownStyle, version: 99 } } : i)),
    };
    expect(() => openPiece(newer)).toThrow(/made with a newer Vextal \(format 99/);
  });
});
