import { afterEach, beforeEach, describe, expect, jest, test } from "@jest/globals";
import { board, styleOf, word } from "../../tests/engine";
import { ApiProblem } from "../api/client";
import { applyStyle, saveAsStyle } from "./edits/style";
import { Saver, type SaveState } from "./saver";
import type { Work } from "./work";

const style = styleOf();
const start: Work = { piece: board(word("Tea")), styles: { [style.id]: style } };
const renamed = (name: string, work = start): Work => ({ ...work, piece: { ...work.piece, name } });

/** A server in memory, with the same rules about revisions. */
function fakeServer() {
  const revisions = new Map<string, number>([
    ["pieces/test-piece", 1],
    ["styles/test-style", 1],
  ]);
  const names = new Map<string, string>();
  const log: string[] = [];
  const gone = new Set<string>();
  const contents = new Map<string, string>();
  let fails = 0;
  let lost = 0;
  /** Does the work and loses the answer. */
  const answered = <T>(result: T): T => {
    if (lost > 0) {
      lost--;
      throw new ApiProblem(0, "The server does not answer.");
    }
    return result;
  };
  const guard = (what: string) => {
    log.push(what);
    if (fails > 0) {
      fails--;
      throw new ApiProblem(0, "The server does not answer.");
    }
  };
  return {
    log,
    names,
    revisions,
    gone,
    fail: (times: number) => void (fails = times),
    lose: (answers: number) => void (lost = answers),
    api: {
      create: async (shelf: string, document: { id: string; name: string }) => {
        guard(`create ${shelf} ${document.name}`);
        const key = `${shelf}/${document.id}`;
        const content = JSON.stringify(document);
        if (contents.has(key) && contents.get(key) !== content) throw new ApiProblem(409, "Already there.");
        if (!contents.has(key)) revisions.set(key, 1);
        contents.set(key, content);
        return answered({ document, revision: revisions.get(key)! });
      },
      replace: async (shelf: string, document: { id: string; name: string }, revision: number | null) => {
        guard(`replace ${shelf} ${document.name}`);
        const key = `${shelf}/${document.id}`;
        if (gone.has(key)) throw new ApiProblem(404, "Not on the shelf.");
        const there = revisions.get(key)!;
        const content = JSON.stringify(document);
        if (revision !== null && revision !== there) {
          if (contents.get(key) === content) return answered(there);
          throw new ApiProblem(412, "Changed elsewhere.");
        }
        names.set(key, document.name);
        contents.set(key, content);
        revisions.set(key, there + 1);
        return answered(there + 1);
      },
      remove: async (shelf: string, id: string) => guard(`remove ${shelf} ${id}`),
      restore: async (shelf: string, id: string) => {
        guard(`restore ${shelf}`);
        gone.delete(`${shelf}/${id}`);
      },
    } as never,
  };
}

let server: ReturnType<typeof fakeServer>;
let states: SaveState[];
let saver: Saver;
const last = () => states.at(-1)!.kind;
beforeEach(() => {
  jest.useFakeTimers();
  server = fakeServer();
  states = [];
  saver = new Saver(server.api, start, (s) => states.push(s));
  saver.track("pieces", start.piece, 1);
  saver.track("styles", style, 1);
});
afterEach(() => void jest.useRealTimers());

describe("the saver", () => {
  test("says that nothing is saved, and goes on saying so, while the server is gone and work goes on", async () => {
    server.fail(Infinity);
    saver.changed(renamed("first"));
    await jest.advanceTimersByTimeAsync(2000);
    expect(last()).toBe("unsaved");
    const from = states.length;
    for (let i = 0; i < 100; i++) {
      saver.changed(renamed(`edit ${i}`));
      await jest.advanceTimersByTimeAsync(170);
    }
    expect(new Set(states.slice(from).map((s) => s.kind))).toEqual(new Set(["unsaved"]));
    server.fail(0);
    await jest.advanceTimersByTimeAsync(4000);
    expect(last()).toBe("saved");
    expect(server.names.get("pieces/test-piece")).toBe("edit 99");
  });

  test("says within two seconds that a server does not answer, and that all is saved when it does", async () => {
    let answer: () => void = () => undefined;
    const slow = { ...(server.api as object), replace: () => new Promise<number>((resolve) => (answer = () => resolve(2))) } as never;
    const waiting = new Saver(slow, start, (s) => states.push(s));
    waiting.track("pieces", start.piece, 1);
    waiting.track("styles", style, 1);
    waiting.changed(renamed("slow"));
    await jest.advanceTimersByTimeAsync(2000);
    expect(states.at(-1)).toEqual({ kind: "unsaved", reason: expect.stringContaining("not answered") });
    answer();
    await jest.advanceTimersByTimeAsync(10);
    expect(last()).toBe("saved");
  });

  test("what was laid over another version is saved, and so kept nowhere beside the server", async () => {
    const told: string[] = [];
    const mine = new Saver(
      server.api,
      start,
      (s) => states.push(s),
      (shelf, id) => void told.push(`${shelf}/${id}`),
    );
    mine.track("pieces", start.piece, 1);
    mine.track("styles", style, 1);
    server.revisions.set("pieces/test-piece", 5);
    mine.changed(renamed("mine"));
    await jest.advanceTimersByTimeAsync(1000);
    expect([last(), told]).toEqual(["conflict", []]);
    await mine.overwrite();
    expect([last(), told, mine.unsaved]).toEqual(["saved", ["pieces/test-piece"], []]);
  });

  test("what is given up is kept nowhere any more", () => {
    const given: string[] = [];
    const mine = new Saver(
      server.api,
      start,
      () => undefined,
      (shelf, id) => void given.push(`${shelf}/${id}`),
    );
    mine.track("pieces", start.piece, 1);
    mine.track("styles", style, 1);
    mine.changed(renamed("mine"));
    mine.discard();
    expect(given).toEqual(["pieces/test-piece"]);
    expect(mine.unsaved).toEqual([]);
  });

  test("saves the last of a burst of changes within half a second, and says so truly", async () => {
    for (const name of ["N", "Ni", "Night"]) saver.changed(renamed(name));
    expect(last()).toBe("saving");
    expect(saver.dirty).toBe(true);
    await jest.advanceTimersByTimeAsync(500);
    expect(server.log).toEqual(["replace pieces Night"]);
    expect(last()).toBe("saved");
    expect(saver.dirty).toBe(false);
  });

  test("typing without a pause is saved all the same", async () => {
    for (let i = 0; i < 20; i++) {
      saver.changed(renamed(`Name ${i}`));
      await jest.advanceTimersByTimeAsync(100);
    }
    // Two seconds of typing: no change waits longer than a second.
    expect(server.log.length).toBeGreaterThanOrEqual(4);
  });

  test("saves what changed while it was saving, one after the other", async () => {
    saver.changed(renamed("One"));
    const saving = saver.flush();
    saver.changed(renamed("Two"));
    await saving;
    expect(server.log).toEqual(["replace pieces One", "replace pieces Two"]);
    expect(server.names.get("pieces/test-piece")).toBe("Two");
  });

  test("a change that is undone before it is saved is none", async () => {
    saver.changed(renamed("One"));
    saver.changed(start);
    await jest.advanceTimersByTimeAsync(1000);
    expect(server.log).toEqual([]);
    expect(last()).toBe("saved");
  });

  test("says that it is not saved while the server is away, tries again, and loses nothing", async () => {
    server.fail(2);
    saver.changed(renamed("Lost?"));
    await jest.advanceTimersByTimeAsync(500);
    expect(last()).toBe("unsaved");
    await jest.advanceTimersByTimeAsync(7000);
    expect(last()).toBe("saved");
    expect(server.names.get("pieces/test-piece")).toBe("Lost?");
  });

  test("a save that arrived and was not answered is no conflict with oneself, whatever was changed since", async () => {
    server.lose(1);
    saver.changed(renamed("One"));
    await jest.advanceTimersByTimeAsync(500);
    expect(last()).toBe("unsaved");
    saver.changed(renamed("Two"));
    await jest.advanceTimersByTimeAsync(4000);
    expect(last()).toBe("saved");
    expect(server.log).toEqual(["replace pieces One", "replace pieces One", "replace pieces Two"]);
    expect(server.names.get("pieces/test-piece")).toBe("Two");
  });

  test("and what was taken back since is taken back there, too", async () => {
    server.lose(1);
    saver.changed(renamed("One"));
    await jest.advanceTimersByTimeAsync(500);
    saver.changed(start);
    expect(saver.dirty).toBe(true);
    await jest.advanceTimersByTimeAsync(4000);
    expect(last()).toBe("saved");
    expect(server.names.get("pieces/test-piece")).toBe(start.piece.name);
  });

  test("a document that was made and not answered for goes on being saved", async () => {
    const made = { ...style, id: "new-style", name: "Made" };
    server.lose(1);
    saver.changed({ ...start, styles: { ...start.styles, [made.id]: made } });
    await jest.advanceTimersByTimeAsync(500);
    saver.changed({ ...start, styles: { ...start.styles, [made.id]: { ...made, name: "Changed" } } });
    await jest.advanceTimersByTimeAsync(4000);
    expect(last()).toBe("saved");
    expect(server.log).toEqual(["create styles Made", "create styles Made", "replace styles Changed"]);
    expect(server.names.get("styles/new-style")).toBe("Changed");
  });

  test("stops where another tab has saved, and overwrites only when told to", async () => {
    server.revisions.set("pieces/test-piece", 5);
    saver.changed(renamed("Mine"));
    await jest.advanceTimersByTimeAsync(500);
    expect(saver.unsavedStyles).toEqual([]);
    expect(states.at(-1)).toEqual({ kind: "conflict", shelf: "pieces", id: "test-piece", name: "Mine" });
    saver.changed(renamed("Mine, newer"));
    await jest.advanceTimersByTimeAsync(5000);
    expect(server.names.has("pieces/test-piece")).toBe(false);
    await saver.overwrite();
    expect(server.names.get("pieces/test-piece")).toBe("Mine, newer");
    expect(last()).toBe("saved");
    saver.changed(renamed("Later"));
    await jest.advanceTimersByTimeAsync(500);
    expect(server.names.get("pieces/test-piece")).toBe("Later");
  });

  test("names the styles whose changes another tab keeps from being saved", async () => {
    server.revisions.set("styles/test-style", 5);
    saver.changed({ ...start, styles: { [style.id]: { ...style, name: "Mine" } } });
    await jest.advanceTimersByTimeAsync(500);
    expect(states.at(-1)).toMatchObject({ kind: "conflict", shelf: "styles" });
    expect(saver.unsavedStyles).toEqual([style.id]);
  });

  test("gives its own version up when the other one is taken", async () => {
    server.revisions.set("pieces/test-piece", 5);
    saver.changed(renamed("Mine"));
    await jest.advanceTimersByTimeAsync(500);
    saver.discard();
    expect(saver.dirty).toBe(false);
    await saver.flush(true);
    expect(server.log).toHaveLength(1);
  });

  test("brings back what was deleted elsewhere while it is worked on here", async () => {
    server.gone.add("styles/test-style");
    saver.changed({ ...renamed("Mine"), styles: { [style.id]: { ...style, name: "Changed" } } });
    await jest.advanceTimersByTimeAsync(500);
    expect(last()).toBe("saved");
    expect(server.names.get("styles/test-style")).toBe("Changed");
    expect(server.names.get("pieces/test-piece")).toBe("Mine");
  });

  test("puts a new style on the shelf before the piece that is linked to it", async () => {
    const { work } = saveAsStyle(start, "word", "Kettle")!;
    saver.changed(work);
    await jest.advanceTimersByTimeAsync(500);
    expect(server.log).toEqual(["create styles Kettle", "replace pieces Test piece"]);
  });

  test("undoing the making of a style takes it off the shelf; redoing brings it back", async () => {
    const { work, style: made } = saveAsStyle(start, "word", "Kettle")!;
    saver.changed(work);
    await jest.advanceTimersByTimeAsync(500);
    saver.changed(start);
    await jest.advanceTimersByTimeAsync(500);
    expect(server.log.slice(2)).toEqual(["replace pieces Test piece", `remove styles ${made.id}`]);
    saver.changed(work);
    await jest.advanceTimersByTimeAsync(500);
    expect(server.log.slice(4)).toEqual(["restore styles", "replace styles Kettle", "replace pieces Test piece"]);
  });

  test("leaves a shelf's own style there when the link to it is undone", async () => {
    const other = { ...style, id: "other", name: "Other" };
    saver.track("styles", other, 3);
    saver.changed(applyStyle(start, ["word"], other));
    await jest.advanceTimersByTimeAsync(500);
    saver.changed(start);
    await jest.advanceTimersByTimeAsync(500);
    expect(server.log.every((l) => l.startsWith("replace pieces"))).toBe(true);
  });
});
