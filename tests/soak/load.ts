import { board, styleOf, word } from "../engine";
import type { Served } from "./served";

export interface Times {
  readonly asked: number;
  /** Statuses that are none of what was to be expected. */
  readonly wrong: number;
  readonly p50: number;
  readonly p95: number;
  readonly p99: number;
}

export function timesOf(ms: readonly number[], wrong: number): Times {
  const order = [...ms].sort((a, b) => a - b);
  const at = (share: number) => order[Math.min(order.length - 1, Math.floor(share * order.length))] ?? 0;
  return { asked: ms.length, wrong, p50: at(0.5), p95: at(0.95), p99: at(0.99) };
}

/** Readers of the shelf, savers and exporters, all at once. Each waits a moment between two rounds, as a quick hand does. */
export async function load(
  served: Served,
  seconds: number,
  who: { readers: number; savers: number; exporters: number },
): Promise<Record<"list" | "piece" | "picture" | "save" | "export", Times>> {
  const ms: Record<string, number[]> = { list: [], piece: [], picture: [], save: [], export: [] };
  const wrong: Record<string, number> = { list: 0, piece: 0, picture: 0, save: 0, export: 0 };
  const note = <T extends { status: number; ms: number }>(kind: string, answer: T, expected: number): T => {
    ms[kind].push(answer.ms);
    if (answer.status !== expected) wrong[kind]++;
    return answer;
  };
  const until = Date.now() + seconds * 1000;
  const pause = (least: number, k: number) => new Promise((go) => setTimeout(go, least + ((k * 37) % 100)));
  const reader = async (k: number) => {
    for (let i = k; Date.now() < until; i++) {
      const entries = JSON.parse(note("list", await served.ask("/api/pieces"), 200).body.toString()) as { id: string; revision: number }[];
      const entry = entries[i % entries.length];
      note("picture", await served.ask(`/api/pieces/${entry.id}/picture?r=${entry.revision}`), 200);
      note("piece", await served.ask(`/api/pieces/${entry.id}`), 200);
      await pause(1000, k);
    }
  };
  const saver = async (k: number) => {
    const piece = { ...board(word("Tea")), id: `load-${k}-${Date.now()}` };
    let revision = JSON.parse(note("save", await served.json("POST", "/api/pieces", piece), 201).body.toString()).revision as number;
    for (let i = 0; Date.now() < until; i++) {
      const answer = note(
        "save",
        await served.json("PUT", `/api/pieces/${piece.id}`, { ...piece, name: `Saved ${i}` }, { "if-match": `"${revision}"` }),
        200,
      );
      if (answer.status === 200) revision = JSON.parse(answer.body.toString()).revision;
      await pause(350, k);
    }
  };
  const exporter = async (k: number) => {
    for (let i = 0; Date.now() < until; i++) {
      const file = { format: "vextal.file", version: 1, piece: board(word(`Night ${i}`)), styles: [styleOf()] };
      note(
        "export",
        await served.json("POST", "/api/export", {
          file,
          area: { kind: "board" },
          ground: true,
          output: { kind: "png", size: { kind: "times", times: 2 } },
        }),
        200,
      );
      await pause(500, k);
    }
  };
  const all = (n: number, work: (k: number) => Promise<void>) => Array.from({ length: n }, (_, k) => work(k));
  await Promise.all([...all(who.readers, reader), ...all(who.savers, saver), ...all(who.exporters, exporter)]);
  const of = (kind: string) => timesOf(ms[kind], wrong[kind]);
  return { list: of("list"), piece: of("piece"), picture: of("picture"), save: of("save"), export: of("export") };
}

/**
 * Brings a font in and takes it away again, over and over; each has bytes of its own.
 * @returns how many were not taken, and megabytes of the server before and after
 */
export async function fontsInAndOut(
  served: Served,
  times: number,
  font: Uint8Array,
  tell: (done: number) => void = () => undefined,
): Promise<{ wrong: number; before: number; after: number }> {
  let wrong = 0;
  let before = served.memory;
  for (let n = 0; n < times; n++) {
    // What stands behind the last table of a font is no part of it.
    const own = new Uint8Array(font.length + 8);
    own.set(font);
    new DataView(own.buffer).setUint32(font.length, n);
    const { status, body } = await served.file("/api/faces", "font", own, `font-${n}.ttf`);
    if (status !== 201) {
      wrong++;
      continue;
    }
    for (const { id } of JSON.parse(body.toString()))
      if ((await served.ask(`/api/faces/${id}`, { method: "DELETE" })).status !== 204) wrong++;
    // What is loaded once is loaded by then, and the collector has found its rhythm: what is still reachable after it is the same from the
    // first font on.
    if (n === Math.min(200, times >> 1)) before = served.memory;
    if ((n + 1) % 100 === 0) tell(n + 1);
  }
  return { wrong, before, after: served.memory };
}
