import { afterEach, beforeEach, describe, expect, jest, test } from "@jest/globals";
import { expose } from "comlink";
import { MessageChannel, type MessagePort } from "node:worker_threads";
import { board, styleOf, word } from "../../tests/engine";
import type { Progress } from "@/core/piece/compile";
import type { PieceFile } from "@/core/piece/schema";
import { Incoming, type FileDelta } from "@/worker/delta";
import { layerKey, type Held, type Known, type SceneUpdate } from "@/worker/protocol";

/** A worker in this process: what it is asked, and answers that the test decides. */
const asked: { file: PieceFile; known: Known; dragging: boolean; behind: boolean }[] = [];
let answer: (file: PieceFile, known: Known) => Promise<unknown>;
let opened = 0;
let leaving: () => void = () => undefined;
let tell: (progress: Progress) => void = () => undefined;
const ports: MessagePort[] = [];

class FakeWorker {
  readonly #page: MessagePort;
  readonly #incoming = new Incoming();
  constructor() {
    opened++;
    const { port1, port2 } = new MessageChannel();
    this.#page = port1;
    ports.push(port1, port2);
    // Node's ports name their listeners otherwise than a page's; comlink listens as a page does.
    expose(
      {
        compile: (delta: FileDelta, known: Known, held: Held) => {
          const file = this.#incoming.whole(delta);
          asked.push({ file, known, ...held });
          return answer(file, known);
        },
        write: async () => ({ ok: false, message: "No ink." }),
        leave: async () => void leaving(),
      },
      port2 as never,
    );
    port2.start();
    tell = (progress) => port2.postMessage({ progress });
  }
  postMessage(message: unknown, transfer: never[]) {
    this.#page.postMessage(message, transfer);
  }
  addEventListener(type: string, listener: (e: unknown) => void) {
    (this.#page as unknown as EventTarget).addEventListener(type, listener as EventListener);
    this.#page.start();
  }
  removeEventListener(type: string, listener: (e: unknown) => void) {
    (this.#page as unknown as EventTarget).removeEventListener(type, listener as EventListener);
  }
  terminate() {
    this.#page.close();
  }
}

const fileOf = (...texts: string[]): PieceFile => ({
  format: "vextal.file",
  version: 1,
  piece: board(...texts.map((t) => word(t, { id: t }))),
  styles: [styleOf()],
});
const update = (file: PieceFile, version = 1): SceneUpdate => ({
  width: 1,
  height: 1,
  ground: null,
  draft: false,
  times: {},
  items: file.piece.items.map((i) => ({ id: i.id, layers: [{ id: "coat", version }] })) as never,
});
/** Until all that was asked is answered, and nothing more is asked for some rounds of the event loop, in each of which messages arrive. */
async function settled(): Promise<void> {
  for (let quiet = 0, before = ""; quiet < 20;) {
    await new Promise((r) => setTimeout(r, 1));
    const now = `${asked.length} ${scenes.length + problems.length}`;
    quiet = now === before && asked.length === scenes.length + problems.length ? quiet + 1 : 0;
    before = now;
  }
}

const { SceneClient } = await import("./scene-client");
let scenes: SceneUpdate[];
/** Milliseconds that the page takes to paint. */
let frameTakes = 0;
let problems: string[];
let client: InstanceType<typeof SceneClient>;
beforeEach(() => {
  (globalThis as { Worker?: unknown }).Worker = FakeWorker;
  frameTakes = 0;
  globalThis.requestAnimationFrame = (then) => Number(setTimeout(() => then(performance.now()), frameTakes));
  asked.length = 0;
  opened = 0;
  scenes = [];
  problems = [];
  answer = async (file) => ({ ok: true, value: update(file) });
  client = new SceneClient(
    (s) => scenes.push(s),
    (p) => problems.push(p),
  );
});
afterEach(() => {
  client.close();
  for (const p of ports.splice(0)) p.close();
  jest.useRealTimers();
});

describe("the page's side of the worker", () => {
  test("calculates the first and the latest of a burst, and shows nothing stale", async () => {
    for (const t of ["a", "b", "c", "d"]) client.request(fileOf(t));
    await settled();
    expect(asked.map((a) => a.file.piece.items[0].id)).toEqual(["a", "d"]);
    expect(scenes).toHaveLength(2);
  });

  test("what takes long shows how far it is, and is left for what is asked for later, or when it is stopped", async () => {
    const shown: (Progress | null)[] = [];
    client.close();
    client = new SceneClient(
      (s) => scenes.push(s),
      (p) => problems.push(p),
      (p) => shown.push(p),
    );
    /** Drawn until it is left, telling how far it is all the while; what is asked for last is drawn at once. */
    const long = () =>
      new Promise<unknown>((resolve) => {
        let done = 0;
        const telling = setInterval(() => tell({ done: ++done, of: 1000 }), 5);
        leaving = () => {
          clearInterval(telling);
          resolve({ ok: true, value: null });
        };
      });
    answer = long;
    const until = async (holds: () => boolean) => {
      for (const end = Date.now() + 10_000; !holds(); await new Promise((r) => setTimeout(r, 5)))
        if (Date.now() > end) throw new Error(`Waited in vain for ${String(holds)}.`);
    };
    client.request(fileOf("a"));
    await until(() => shown.length > 0);
    expect(shown[0]).toMatchObject({ of: 1000 });
    answer = async (file) => ({ ok: true, value: update(file) });
    client.request(fileOf("b"));
    await until(() => scenes.length === 1);
    expect(scenes[0].items[0].id).toBe("b");
    expect(shown.at(-1)).toBeNull();

    answer = long;
    client.request(fileOf("c"));
    await until(() => shown.at(-1) !== null);
    client.stop();
    await until(() => shown.at(-1) === null);
    expect(problems).toEqual([expect.stringMatching(/was stopped: the picture is as it was/)]);
    expect(scenes).toHaveLength(1);
    expect(opened).toBe(1);
  });

  test("draws the end of a drag exactly, and only where a draft is shown", async () => {
    answer = async (file) => ({ ok: true, value: { ...update(file), draft: asked.at(-1)!.dragging } });
    client.request(fileOf("a"), true);
    await settled();
    expect(scenes.at(-1)!.draft).toBe(true);
    client.settle();
    await settled();
    expect(asked.map((a) => a.dragging)).toEqual([true, false]);
    expect(scenes.at(-1)!.draft).toBe(false);
    client.settle();
    await settled();
    expect(asked).toHaveLength(2);
  });

  test("says where the page falls behind with painting, until the drag ends", async () => {
    frameTakes = 30;
    for (let n = 0; !asked.some((a) => a.behind); n++) {
      client.request(fileOf(`a${n}`), true);
      await settled();
    }
    expect(asked.filter((a) => !a.behind).length).toBeGreaterThan(1);
    client.settle();
    client.request(fileOf("b"), true);
    await settled();
    expect(asked.at(-1)!.behind).toBe(false);
  });

  test("a drag that ends while its draft is under way, or waits, is drawn exactly as well", async () => {
    answer = async (file) => ({ ok: true, value: { ...update(file), draft: asked.at(-1)!.dragging } });
    client.request(fileOf("a"), true);
    client.request(fileOf("b"), true);
    client.settle();
    await settled();
    expect(asked.map((a) => [a.file.piece.items[0].id, a.dragging])).toEqual([
      ["a", true],
      ["b", false],
    ]);
    client.request(fileOf("c"), true);
    client.settle();
    await settled();
    expect(
      asked
        .slice(2)
        .map((a) => [a.file.piece.items[0].id, a.dragging])
        .at(-1),
    ).toEqual(["c", false]);
    expect(scenes.at(-1)!.draft).toBe(false);
  });

  test("says which layers it holds, and asks again for what had gone", async () => {
    client.request(fileOf("a", "b"));
    await settled();
    client.request(fileOf("a"));
    await settled();
    client.request(fileOf("a", "b"));
    await settled();
    expect(asked.map((a) => Object.keys(a.known).sort())).toEqual([
      [],
      [layerKey("a", "coat"), layerKey("b", "coat")],
      [layerKey("a", "coat")],
    ]);
  });

  test("hands on a problem, and goes on with the next request", async () => {
    answer = async () => ({ ok: false, message: "This face is damaged." });
    client.request(fileOf("a"));
    await settled();
    expect(problems).toEqual(["This face is damaged."]);
    answer = async (file) => ({ ok: true, value: update(file) });
    client.request(fileOf("b"));
    await settled();
    expect(scenes).toHaveLength(1);
    expect(opened).toBe(1);
    await expect(client.ask((w) => w.write({} as never))).rejects.toThrow("No ink.");
  });

  test("a worker that breaks is replaced, and nothing of the old one is taken for known", async () => {
    client.request(fileOf("a"));
    await settled();
    answer = () => Promise.reject(new Error("memory access out of bounds"));
    client.request(fileOf("b"));
    await settled();
    expect(problems).toHaveLength(1);
    answer = async (file) => ({ ok: true, value: update(file) });
    client.request(fileOf("c"));
    await settled();
    expect(opened).toBe(2);
    expect(asked.at(-1)!.known).toEqual({});
    expect(scenes).toHaveLength(2);
  });
});
