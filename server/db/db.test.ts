import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { copyFile, mkdtemp, rm, stat, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { board, word } from "../../tests/engine";
import { freePort } from "../../tests/free-port";
import { answer } from "../http/answer";
import { create, list } from "../documents";
import { seed } from "../seed";
import { checkpointWhenIdle } from "./checkpoint";
import { databaseFault } from "./faults";
import { openDatabase, type Database } from "./open";

let folder: string;
let file: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), "vextal-db-"));
  file = path.join(folder, "one.db");
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const failing = (url: string) => openDatabase(url).then(() => undefined, databaseFault);

describe("a database that is not at hand says why", () => {
  test.each(["gopher://somewhere", "nothing", "file://%E0%A4%A"])("%s is no address: trying again is in vain", async (url) => {
    expect(await failing(url)).toMatchObject({ status: 503, lasting: true });
  });

  test("a file of something else is damaged", async () => {
    await writeFile(file, "Dear Sir, this is a letter and no database. ".repeat(200));
    expect(await failing(`file:${file}`)).toMatchObject({ status: 503, lasting: true, detail: expect.stringContaining("damaged") });
  });

  test("a folder in the place of the file, or a file in that of the folder, can be put right", async () => {
    expect(await failing(`file:${folder}`)).toMatchObject({ lasting: false, detail: expect.stringContaining("cannot be opened") });
    await writeFile(path.join(folder, "flat"), "");
    expect(await failing(`file:${path.join(folder, "flat", "one.db")}`)).toMatchObject({ lasting: false });
  });

  test("a server that does not answer can come back", async () => {
    // Nobody listens any longer on a port that was free a moment ago.
    const port = await freePort();
    expect(await failing(`http://127.0.0.1:${port}`)).toMatchObject({
      status: 503,
      lasting: false,
      detail: expect.stringContaining("does not answer"),
    });
  }, 30_000);

  test("a full disk is 507, wherever in the chain of causes it stands (SQLite: a full database gives SQLITE_FULL)", async () => {
    const db = await openDatabase(`file:${file}`);
    const { page_count: pages } = (await db.$client.execute("PRAGMA page_count")).rows[0];
    await db.$client.execute(`PRAGMA max_page_count = ${Number(pages)}`);
    const fill = async () => {
      for (let n = 0; n < 100; n++) await create(db, "pieces", { ...board(word("Tea".repeat(600))), id: `n${n}` });
    };
    const full = await fill().then(
      () => undefined,
      (e: unknown) => e,
    );
    const response = await answer(() => Promise.reject(full as Error));
    expect(response.status).toBe(507);
    expect(response.headers.get("retry-after")).toBe("3");
    expect((await response.json()).detail).toContain("full");
  });

  test("what may not be written is said so", async () => {
    const db = await openDatabase(`file:${file}`);
    await db.$client.execute("PRAGMA query_only = 1");
    const refused = await create(db, "pieces", board(word("Tea"))).then(() => undefined, databaseFault);
    expect(refused).toMatchObject({ status: 503, detail: expect.stringContaining("read-only") });
  });

  test("any other error is none of the database's", () => {
    expect(databaseFault(new Error("Something else"))).toBeUndefined();
    expect(databaseFault(new Error("outer", { cause: Object.assign(new Error("inner"), { code: "SQLITE_FULL" }) }))?.status).toBe(507);
  });
});

test("the demo comes whole or not at all", async () => {
  const db = await openDatabase(`file:${file}`);
  await db.$client.execute(
    "CREATE TRIGGER stop BEFORE INSERT ON pieces WHEN new.id = 'demo-night-ferry' BEGIN SELECT RAISE(ABORT, 'stopped'); END",
  );
  await expect(seed(db)).rejects.toThrow();
  expect([...(await list(db, "styles")), ...(await list(db, "pieces"))]).toEqual([]);
  expect((await db.$client.execute("SELECT count(*) AS n FROM photos")).rows[0].n).toBe(0);
  await db.$client.execute("DROP TRIGGER stop");
  expect(await seed(db)).toBe(true);
});

test("a copy of the file is a copy of all, once nothing was written for a moment", async () => {
  const db: Database = await openDatabase(`file:${file}`);
  const end = checkpointWhenIdle(db.$client, file);
  await create(db, "pieces", board(word("Tea")));
  while ((await stat(`${file}-wal`)).size > 0) await new Promise((r) => setTimeout(r, 50));
  end();
  await copyFile(file, path.join(folder, "copy.db"));
  const copy = await openDatabase(`file:${path.join(folder, "copy.db")}`);
  expect(await list(copy, "pieces")).toEqual(await list(db, "pieces"));
  expect((await copy.$client.execute("PRAGMA integrity_check")).rows[0].integrity_check).toBe("ok");
}, 20_000);
