import { describe, expect, test } from "@jest/globals";
import { Problem } from "../../core/problem";
import type { Drawer } from "./drawer";
import type { Request } from "./job";
import { Lanes } from "./lanes";

/** A drawer that does what is named when it is told to, one thing after another as the real one does. */
function handDriven() {
  const running = new Map<string, (value: unknown) => void>();
  const begun: string[] = [];
  const drawer = {
    ask: ({ kind }: { kind: string }, signal?: AbortSignal) =>
      new Promise((resolve, reject) => {
        const stop = () => (running.delete(kind), reject(new Problem("This was stopped.")));
        if (signal?.aborted) return stop();
        signal?.addEventListener("abort", stop);
        begun.push(kind);
        running.set(kind, resolve);
      }),
    close: () => undefined,
  } as unknown as Drawer;
  const finish = (name: string) => {
    running.get(name)!(name);
    running.delete(name);
  };
  return { drawer, begun, running, finish };
}
const job = (name: string) => ({ kind: name }) as unknown as Request;
const settled = () => new Promise((go) => setTimeout(go, 5));

describe("lanes", () => {
  const setup = (patience: number) => {
    const [a, b, quick] = [handDriven(), handDriven(), handDriven()];
    return { a, b, quick, lanes: new Lanes([a.drawer, b.drawer], quick.drawer, patience) };
  };

  test("a light one is begun at once beside two heavy ones", async () => {
    const { a, b, quick, lanes } = setup(1000);
    const heavy = [lanes.ask(job("one")), lanes.ask(job("two"))];
    const light = lanes.ask(job("light"));
    expect([a.begun, b.begun, quick.begun]).toEqual([["one"], ["two"], ["light"]]);
    quick.finish("light");
    expect(await light).toBe("light");
    a.finish("one");
    b.finish("two");
    expect(await Promise.all(heavy)).toEqual(["one", "two"]);
  });

  test("behind many heavy ones it waits no longer than each may hold the quick lane, and none of them is lost", async () => {
    const { a, b, quick, lanes } = setup(0);
    const names = ["one", "two", "three", "four", "five"];
    const heavy = names.map((n) => lanes.ask(job(n)));
    const light = lanes.ask(job("light"));
    while (!quick.running.has("light")) await settled();
    expect(quick.begun).toEqual(["three", "four", "five", "light"]);
    quick.finish("light");
    expect(await light).toBe("light");
    for (let left = 5; left > 0;) {
      for (const lane of [a, b, quick])
        for (const name of [...lane.running.keys()]) {
          lane.finish(name);
          left--;
        }
      await settled();
    }
    expect(await Promise.all(heavy)).toEqual(names);
  });

  test("what is alone keeps the quick lane however long it takes", async () => {
    const { quick, lanes } = setup(0);
    const all = ["one", "two", "three"].map((n) => lanes.ask(job(n)));
    await settled();
    await settled();
    expect([...quick.running.keys()]).toEqual(["three"]);
    quick.finish("three");
    expect(await all[2]).toBe("three");
  });

  test("whose asker has gone is ended where it runs, and taken out where it waits", async () => {
    const { a, quick, lanes } = setup(1000);
    const gone = new AbortController();
    const first = lanes.ask(job("one"), gone.signal);
    void lanes.ask(job("two"));
    void lanes.ask(job("three"));
    const waits = lanes.ask(job("waits"), gone.signal);
    gone.abort();
    // At once, however long what runs in the lane still takes.
    expect([...quick.running.keys()]).toEqual(["three"]);
    await expect(first).rejects.toThrow("stopped");
    await expect(waits).rejects.toThrow("stopped");
    const next = lanes.ask(job("next"));
    await settled();
    expect(a.begun).toEqual(["one", "next"]);
    expect(quick.begun).toEqual(["three"]);
    a.finish("next");
    expect(await next).toBe("next");
  });
});
