import { afterAll, afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { mkdtemp, readdir, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import { coat, flat, grow } from "../demo/build";
import { board, styleOf, word } from "../tests/engine";
import { openDatabase, type Database } from "./db/open";
import { Conflict, copy, create, Exists, get, linkedStyles, list, NotFound, piecesWith, remove, replace, restore } from "./documents";
import { newOutput } from "../core/output/outputs";
import { request } from "../tests/exported";
import { Drawer } from "./drawing/drawer";
import { picture, type Picture } from "./pictures";
import { closeDrawers } from "./drawing/drawers";
import { seed } from "./seed";

let db: Database;
let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(path.join(tmpdir(), "vextal-test-"));
  db = await openDatabase(`file:${path.join(folder, "deep", "test.db")}`);
});
afterAll(closeDrawers);
const text = (p: Picture): string => Buffer.from(p.bytes).toString();
afterEach(() => rm(folder, { recursive: true, force: true }));

const piece = board(word("Tea"));

/** The processes that this one has started (proc(5): stat, its fourth field). */
async function children(): Promise<number[]> {
  const all = (await readdir("/proc")).filter((name) => /^\d+$/.test(name));
  const parents = await Promise.all(
    all.map((pid) =>
      readFile(`/proc/${pid}/stat`, "utf8").then(
        (stat) => Number(stat.slice(stat.lastIndexOf(")") + 2).split(" ")[1]),
        () => 0,
      ),
    ),
  );
  return all.map(Number).filter((_, i) => parents[i] === process.pid);
}

describe("the database", () => {
  test("is made with its folder, migrated, and opened again as it was", async () => {
    await create(db, "pieces", piece);
    const again = await openDatabase(`file:${path.join(folder, "deep", "test.db")}`);
    expect((await get(again, "pieces", piece.id)).document).toEqual(piece);
  });

  test("writes ahead (WAL), so that readers do not wait", async () => {
    const [row] = (await db.$client.execute("PRAGMA journal_mode")).rows;
    expect(row.journal_mode).toBe("wal");
  });
});

describe("documents", () => {
  test("are listed newest first, under the name they have now", async () => {
    await create(db, "pieces", piece);
    await new Promise((r) => setTimeout(r, 5));
    await create(db, "pieces", { ...piece, id: "two", name: "Second" });
    await new Promise((r) => setTimeout(r, 5));
    await replace(db, "pieces", { ...piece, name: "Renamed" }, 1);
    expect((await list(db, "pieces")).map((e) => e.name)).toEqual(["Renamed", "Second"]);
    // Asked again with the same, as after an answer that was lost, nothing happens; another document does not get the place.
    const now = await get(db, "pieces", piece.id);
    expect(await create(db, "pieces", now.document)).toEqual(now);
    expect(await replace(db, "pieces", now.document, 1)).toBe(now.revision);
    await expect(create(db, "pieces", { ...now.document, name: "Another" })).rejects.toThrow(Exists);
    await expect(create(db, "pieces", now.document, true)).rejects.toThrow(Exists);
  });

  test("are replaced only where one stands on their newest revision", async () => {
    await create(db, "pieces", piece);
    expect(await replace(db, "pieces", { ...piece, name: "Mine" }, 1)).toBe(2);
    await expect(replace(db, "pieces", { ...piece, name: "Theirs" }, 1)).rejects.toMatchObject({ constructor: Conflict, revision: 2 });
    expect((await get(db, "pieces", piece.id)).document.name).toBe("Mine");
    expect(await replace(db, "pieces", { ...piece, name: "Forced" }, null)).toBe(3);
    await expect(replace(db, "pieces", { ...piece, id: "none" }, 1)).rejects.toThrow(NotFound);
  });

  test("are saved by one of two who save at once, never by both", async () => {
    await create(db, "pieces", piece);
    const tries = await Promise.allSettled(["A", "B", "C"].map((name) => replace(db, "pieces", { ...piece, name }, 1)));
    expect(tries.filter((t) => t.status === "fulfilled")).toHaveLength(1);
  });

  test("come back after they were deleted, with all they had", async () => {
    await create(db, "pieces", piece);
    await remove(db, "pieces", piece.id);
    await expect(get(db, "pieces", piece.id)).rejects.toThrow(NotFound);
    await expect(remove(db, "pieces", piece.id)).rejects.toThrow(NotFound);
    expect(await list(db, "pieces")).toEqual([]);
    await restore(db, "pieces", piece.id);
    expect((await get(db, "pieces", piece.id)).document).toEqual(piece);
  });

  test("a style that is deleted leaves its look with every lettering that was linked to it", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    const own = { ...style, name: "Own" };
    await create(
      db,
      "pieces",
      board(word("Tea"), word("Room", { id: "two", ownStyle: own }), word("Bare", { id: "three", styleId: null })),
    );
    await remove(db, "styles", style.id);
    const after = (await get(db, "pieces", piece.id)).document;
    expect(after.items.map((i) => i.ownStyle?.name ?? null)).toEqual(["Test", "Own", null]);
    // The link stays, so that a style that is brought back is linked again.
    expect(after.items[0].styleId).toBe(style.id);
    expect(text(await picture(db, "pieces", piece.id))).toContain("#112233");
    // The first picture waits for the process that draws it, which takes its time on a busy machine.
  }, 60_000);

  test("a style that comes back is followed again by all that it was taken from, and by nothing else", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    const mine = { ...style, inks: [] };
    const before = board(word("Tea"), word("Room", { id: "two", ownStyle: mine }), word("Later", { id: "three" }));
    await create(db, "pieces", before);
    await create(db, "pieces", { ...board(word("Gone")), id: "gone" });
    await remove(db, "pieces", "gone");
    const [entry] = await list(db, "pieces");
    await remove(db, "styles", style.id);
    // Changed while the style was away.
    const away = await get(db, "pieces", piece.id);
    await replace(
      db,
      "pieces",
      {
        ...away.document,
        items: away.document.items.map((i) => (i.id === "three" ? { ...i, ownStyle: { ...style, name: "Mine now" } } : i)),
      },
      away.revision,
    );
    await restore(db, "styles", style.id);
    expect((await get(db, "pieces", piece.id)).document.items.map((i) => i.ownStyle?.name ?? null)).toEqual([null, "Test", "Mine now"]);
    expect((await list(db, "pieces"))[0].updatedAt).toBeGreaterThanOrEqual(entry.updatedAt);
    await restore(db, "pieces", "gone");
    expect((await get(db, "pieces", "gone")).document.items[0].ownStyle).toBeNull();
    // Brought back once more, it takes nothing from a lettering that has come to look the same of itself.
    await replace(db, "pieces", { ...before, items: before.items.map((i) => ({ ...i, ownStyle: style })) }, null);
    await restore(db, "styles", style.id);
    expect((await get(db, "pieces", piece.id)).document.items.every((i) => i.ownStyle)).toBe(true);
  });

  test("whoever saves a piece that follows a style that has gone, its letterings keep the look they were seen in", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    await create(db, "pieces", piece);
    await remove(db, "styles", style.id);
    const own = async (id: string) => (await get(db, "pieces", id)).document.items.map((i) => i.ownStyle?.name ?? null);
    // A tab that was not told: over what is there, as a copy beside it, and once more as it was sent before.
    await replace(db, "pieces", { ...piece, name: "Overwritten" }, null);
    expect(await own(piece.id)).toEqual(["Test"]);
    const copied = await create(db, "pieces", { ...piece, id: "beside", name: "Beside" });
    expect(await own("beside")).toEqual(["Test"]);
    expect(await create(db, "pieces", { ...piece, id: "beside", name: "Beside" })).toEqual(copied);
    const later = await replace(db, "pieces", { ...piece, id: "beside", name: "Later" }, 1);
    expect(await replace(db, "pieces", { ...piece, id: "beside", name: "Later" }, 1)).toBe(later);
    // Brought back, it is followed again.
    await restore(db, "styles", style.id);
    expect([await own(piece.id), await own("beside")]).toEqual([[null], [null]]);
  });

  test("a style that goes while pieces are being saved leaves none of them without a look", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    for (let round = 0; round < 12; round++) {
      const ids = [0, 1, 2].map((k) => `round-${round}-${k}`);
      for (const id of ids) await create(db, "pieces", { ...piece, id });
      await Promise.all([
        replace(db, "pieces", { ...piece, id: ids[0], name: "Saved" }, null),
        remove(db, "styles", style.id),
        replace(db, "pieces", { ...piece, id: ids[1], name: "Saved" }, null),
        create(db, "pieces", { ...piece, id: `new-${round}` }),
      ]);
      for (const id of [...ids, `new-${round}`]) expect((await get(db, "pieces", id)).document.items[0].ownStyle).not.toBeNull();
      await restore(db, "styles", style.id);
    }
  });

  test("pieces keep their place on the shelf while a style goes and comes back", async () => {
    await create(db, "styles", styleOf());
    await create(db, "pieces", piece);
    await create(db, "pieces", { ...piece, id: "two", name: "Second" });
    const before = (await list(db, "pieces")).map(({ id, updatedAt }) => ({ id, updatedAt }));
    await remove(db, "styles", styleOf().id);
    await restore(db, "styles", styleOf().id);
    expect((await list(db, "pieces")).map(({ id, updatedAt }) => ({ id, updatedAt }))).toEqual(before);
  });

  test("a style is worn where an item follows it, and nowhere else", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    await create(db, "pieces", piece);
    await create(db, "pieces", { ...board(word("Own", { ownStyle: style })), id: "own" });
    await create(db, "pieces", { ...board(word("Other", { styleId: `${style.id}x` })), id: "other" });
    await create(db, "pieces", { ...piece, id: "gone" });
    await remove(db, "pieces", "gone");
    expect((await piecesWith(db, style.id)).map((e) => e.id)).toEqual([piece.id]);
    // A percent sign and an underscore stand for themselves.
    expect(await piecesWith(db, "%")).toEqual([]);
    expect(await piecesWith(db, style.id.replace("-", "_"))).toEqual([]);
  });

  test("are copied under a name and an id of their own", async () => {
    await create(db, "styles", styleOf());
    const made = await copy(db, "styles", "test-style");
    expect(made.document).toMatchObject({ name: "Test copy" });
    expect(made.document.id).not.toBe("test-style");
  });
});

describe("pictures and the demo", () => {
  test("a piece's picture follows the styles it is linked to: at once as it was, then as it is", async () => {
    const style = styleOf();
    await create(db, "styles", style);
    await create(db, "pieces", piece);
    const before = await picture(db, "pieces", piece.id);
    expect([before.stale, before.type]).toEqual([false, "image/svg+xml; charset=utf-8"]);
    expect(text(before)).toContain("#112233");
    // Kept in the database, also for the next start.
    expect((await picture(db, "pieces", piece.id)).tag).toBe(before.tag);
    await replace(db, "styles", { ...style, inks: style.inks.map((i) => ({ ...i, colour: "#00aa55" })) }, 1);
    const meanwhile = await picture(db, "pieces", piece.id);
    expect([meanwhile.stale, text(meanwhile)]).toEqual([true, text(before)]);
    const after = await picture(db, "pieces", piece.id, true);
    expect([after.stale, after.tag === before.tag]).toEqual([false, false]);
    expect(text(after)).toContain("#00aa55");
    expect(text(await picture(db, "styles", style.id))).toContain("<path");
    await expect(picture(db, "pieces", "none")).rejects.toThrow(NotFound);
  });

  test("a style that is gone leaves the piece", async () => {
    await create(db, "pieces", piece);
    expect(await linkedStyles(db, piece)).toEqual([]);
    expect(text(await picture(db, "pieces", piece.id))).toContain("<svg");
  });

  test("a process that is ended while it draws leaves no grey picture behind: it is drawn once more", async () => {
    closeDrawers();
    await create(db, "styles", styleOf());
    await create(db, "pieces", piece);
    const before = await children();
    const drawing = picture(db, "pieces", piece.id);
    let mine: number[] = [];
    while (!mine.length) mine = (await children()).filter((pid) => !before.includes(pid));
    // Ctrl C is told to every process of a terminal, a kill to one.
    for (const pid of mine) process.kill(pid, "SIGKILL");
    expect(text(await drawing)).toContain("#112233");
    expect(text(await picture(db, "pieces", piece.id))).toContain("#112233");
  }, 60_000);

  test("and where it is ended again and again, it says that it was ended, and no word of memory", async () => {
    const drawer = new Drawer({ time: 30_000, memory: 1000 });
    const before = await children();
    const job = { ...request(), faces: [], photos: new Map<string, string>() };
    const drawing = drawer.ask({ kind: "export", job });
    const said = drawing.then(
      () => "done",
      (error: Error) => error.message,
    );
    let mine: number[] = [];
    while (!mine.length) mine = (await children()).filter((pid) => !before.includes(pid));
    for (const pid of mine) process.kill(pid, "SIGTERM");
    expect(await said).toMatch(/ended before it was done/);
    drawer.close();
  }, 60_000);

  test("a large drawing is kept small, one that takes too long is drawn no more until it changes, and the next ones are", async () => {
    // Thousands of letters, each with its own outline.
    const many = Array.from({ length: 20 }, (_, i) =>
      word("Brindlemoor ".repeat(30), {
        id: `w${i}`,
        y: i * 10,
        styleId: null,
        ownStyle: styleOf([coat("A", flat("face")), coat("B", flat("edge"), [grow(2)])]),
      }),
    );
    await create(db, "pieces", board(...many));
    const large = await picture(db, "pieces", piece.id);
    expect(large.type).toBe("image/png");
    expect(large.bytes.length).toBeLessThan(400_000);
    const impatient = new Drawer({ time: 1, memory: 500 });
    const job = {
      ...request({ output: newOutput("svg") }),
      faces: [],
      photos: new Map<string, string>(),
    };
    await expect(impatient.ask({ kind: "export", job })).rejects.toThrow(/was stopped/);
    const patient = new Drawer({ time: 30_000, memory: 500 });
    const stop = new AbortController();
    const stopped = patient.ask({ kind: "export", job }, stop.signal);
    stop.abort();
    await expect(stopped).rejects.toThrow(/stopped/);
    expect(await patient.ask({ kind: "export", job })).toMatch(/^<\?xml/);
    // A child that is lost while it waits costs no picture.
    patient.close();
    expect(await patient.ask({ kind: "export", job })).toMatch(/^<\?xml/);
    patient.close();
  }, 60_000);

  test("a style's tags and the pieces that follow it are listed: each once, own looks and deleted pieces not", async () => {
    const style = { ...styleOf(), tags: ["night", "for signs"] };
    await create(db, "styles", style);
    await create(db, "styles", { ...style, id: "other", tags: [] });
    await create(db, "pieces", { ...board(word("Tea"), word("Room", { id: "two" })), id: "p1" });
    await create(db, "pieces", { ...board(word("Own", { ownStyle: style })), id: "p2" });
    await create(db, "pieces", { ...board(word("Gone")), id: "p3" });
    await remove(db, "pieces", "p3");
    const told = Object.fromEntries((await list(db, "styles")).map(({ id, tags, uses }) => [id, { tags, uses }]));
    expect(told).toEqual({ [style.id]: { tags: ["night", "for signs"], uses: 1 }, other: { tags: [], uses: 0 } });
    await restore(db, "pieces", "p3");
    expect((await list(db, "styles")).find((e) => e.id === style.id)!.uses).toBe(2);
  });

  test("the demo is put on an untouched shelf once; an emptied shelf stays empty", async () => {
    expect(await seed(db)).toBe(true);
    const entries = await list(db, "pieces");
    expect(entries.length).toBeGreaterThanOrEqual(5);
    expect(await seed(db)).toBe(false);
    for (const e of entries) await remove(db, "pieces", e.id);
    expect(await seed(db)).toBe(false);
    expect(await list(db, "pieces")).toEqual([]);
  });
});
