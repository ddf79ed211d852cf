import { expect, test } from "@jest/globals";
import { board, styleOf, word } from "../tests/engine";
import type { PieceFile } from "../core/piece/schema";
import { Incoming, Outgoing } from "./delta";

const file = (items: PieceFile["piece"]["items"], styles = [styleOf()]): PieceFile => ({
  format: "vextal.file",
  version: 1,
  piece: board(...items),
  styles,
});

test("only what changed is sent, and what did not is the same object in the worker", () => {
  const [page, worker] = [new Outgoing(), new Incoming()];
  // Messages are copied on their way, as by the browser.
  const send = (f: PieceFile) => {
    const delta = structuredClone(page.next(f));
    return { delta, got: worker.whole(delta) };
  };
  const styles = [styleOf()];
  const before = file(
    Array.from({ length: 50 }, (_, i) => word("Tea", { id: `w${i}` })),
    styles,
  );
  const { items } = before.piece;
  const first = send(before);
  expect(first.got).toEqual(before);
  const moved = { ...before, piece: { ...before.piece, items: items.map((i, k) => (k === 7 ? { ...i, x: 900 } : i)) } };
  const second = send(moved);
  expect(second.got).toEqual(moved);
  expect(second.delta.items.filter((i) => typeof i !== "string")).toHaveLength(1);
  expect(second.delta.styles).toEqual([styles[0].id]);
  second.got.piece.items.forEach((item, k) => (k === 7 ? expect(item.x).toBe(900) : expect(item).toBe(first.got.piece.items[k])));
  expect(JSON.stringify(second.delta).length).toBeLessThan(JSON.stringify(first.delta).length / 10);
  // Taken away, put back and put in another order.
  const fewer = { ...moved, piece: { ...moved.piece, items: moved.piece.items.slice(10) } };
  expect(send(fewer).got).toEqual(fewer);
  const back = { ...moved, piece: { ...moved.piece, items: [...moved.piece.items].reverse() } };
  expect(send(back).got).toEqual(back);
});

test("a worker that has been replaced is told all anew, or says that it was not", () => {
  const page = new Outgoing();
  const f = file([word("Tea")]);
  page.next(f);
  expect(() => new Incoming().whole(page.next(f))).toThrow(/Nothing is known of/);
  expect(new Incoming().whole(new Outgoing().next(f))).toEqual(f);
});
