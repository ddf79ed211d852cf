import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { measureFace } from "../core/lettering/measured";
import { openDatabase, type Database } from "../server/db/open";
import { create, get, list, replace } from "../server/documents";
import { shippedFaces } from "../server/faces/shipped";
import { facesSchema, measuredSchema } from "../wire/faces";
import { exportRequestSchema } from "../wire/export";
import { entriesSchema, replacedSchema, storedSchemas } from "../wire/shelf";
import { board, engineWith, styleOf, word } from "./engine";

let db: Database;
const folder = mkdtempSync(path.join(tmpdir(), "vextal-wire-"));
beforeAll(async () => {
  db = await openDatabase(`file:${path.join(folder, "wire.db")}`);
});
afterAll(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});
/** As it arrives: through JSON. */
const sent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe("what the server says is what the page understands", () => {
  test("lists, documents and changes of the shelf", async () => {
    const made = await create(db, "pieces", board(word("Tea")));
    expect(storedSchemas.pieces.parse(sent(made))).toEqual(made);
    expect(entriesSchema.parse(sent(await list(db, "pieces")))).toHaveLength(1);
    const next = await replace(db, "pieces", { ...made.document, name: "Tea Room" }, made.revision);
    expect(replacedSchema.parse(sent({ revision: next })).revision).toBe(made.revision + 1);
    const stored = await get(db, "pieces", made.document.id);
    expect(storedSchemas.pieces.parse(sent(stored))).toEqual(stored);
  });

  test("faces and what is measured on them", async () => {
    const faces = shippedFaces.map(({ id, name, kind, axes, licence }) => ({ id, name, kind, axes, licence, own: false }));
    expect(facesSchema.parse(sent(faces))).toEqual(sent(faces));
    const engine = await engineWith("anton");
    const measured = { anton: measureFace(engine.face("anton")!, engine.kernel) };
    expect(measuredSchema.parse(sent(measured))).toEqual(measured);
  });

  test("what a file is asked for with", () => {
    const request = {
      file: { format: "vextal.file", version: 1, piece: board(word("Tea")), styles: [styleOf()] },
      area: { kind: "items", ids: ["word"] },
      ground: true,
      output: { kind: "png", size: { kind: "times", times: 2 } },
    };
    expect(exportRequestSchema.parse(sent(request))).toEqual(request);
    for (const output of [{ kind: "png", size: { kind: "times", times: 0 } }, { kind: "gif" }, { kind: "pdf", dpi: 1e9 }])
      expect(() => exportRequestSchema.parse({ ...request, output })).toThrow();
  });

  test("what is something else is refused", () => {
    for (const bad of [null, {}, { document: {} }, { document: null, revision: 1 }, { document: {}, revision: "1" }, "x"])
      expect(storedSchemas.pieces.safeParse(bad).success).toBe(false);
  });
});
