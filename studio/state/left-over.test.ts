import { describe, expect, test } from "@jest/globals";
import { board, styleOf, word } from "../../tests/engine";
import { ApiProblem } from "../api/client";
import { dropLeftOver, keepLeftOver, sendLeftOvers } from "./left-over";

function memory(most = Infinity): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => {
      if (v.length > most) throw new Error("QuotaExceededError");
      kept.set(k, v);
    },
    removeItem: (k: string) => void kept.delete(k),
    clear: () => kept.clear(),
  };
}

const piece = board(word("Tea"));
/** A server that answers each call with what the test says. */
function serverThat(answers: (what: string) => void) {
  const calls: string[] = [];
  const call = (what: string) => {
    calls.push(what);
    answers(what);
  };
  return {
    calls,
    create: async (shelf: string, d: { id: string; name: string }) =>
      (call(`create ${shelf} ${d.id} ${d.name}`), { document: d, revision: 1 }) as never,
    replace: async (shelf: string, d: { id: string }, revision: number | null) => (call(`replace ${shelf} ${d.id} on ${revision}`), 2),
  };
}

describe("what was not saved when a page was closed", () => {
  test("is sent when Vextal is opened again, styles before the piece that follows them, and forgotten", async () => {
    const store = memory();
    keepLeftOver({ shelf: "pieces", document: piece, revision: 3 }, store);
    keepLeftOver({ shelf: "styles", document: styleOf(), revision: null }, store);
    const server = serverThat(() => undefined);
    expect(await sendLeftOvers(server, () => "new", store)).toEqual([]);
    expect(server.calls).toEqual(["create styles test-style Test", `replace pieces ${piece.id} on 3`]);
    expect(store.length).toBe(0);
  });

  test.each([412, 404, 409])("comes in beside what is there by now (%i)", async (status) => {
    const store = memory();
    keepLeftOver({ shelf: "pieces", document: piece, revision: 3 }, store);
    const server = serverThat((what) => {
      if (what.startsWith("replace")) throw new ApiProblem(status, "elsewhere");
    });
    expect(await sendLeftOvers(server, () => "new", store)).toEqual([`${piece.name} (left unsaved)`]);
    expect(server.calls.at(-1)).toBe(`create pieces new ${piece.name} (left unsaved)`);
    expect(store.length).toBe(0);
  });

  test.each([0, 503, 507])("waits while the server is away (%i)", async (status) => {
    const store = memory();
    keepLeftOver({ shelf: "pieces", document: piece, revision: 3 }, store);
    await sendLeftOvers(
      serverThat(() => {
        throw new ApiProblem(status, "away");
      }),
      () => "new",
      store,
    );
    expect(store.length).toBe(1);
  });

  test("is dropped once it was saved after all, and makes no fault where there is no room", () => {
    const store = memory();
    keepLeftOver({ shelf: "pieces", document: piece, revision: 3 }, store);
    dropLeftOver("pieces", piece.id, store);
    expect(store.length).toBe(0);
    expect(() => keepLeftOver({ shelf: "pieces", document: piece, revision: 3 }, memory(10))).not.toThrow();
  });
});
