/**
 * npm run bench -- edits: the time from an edit to the new scene, by stage, for a word of 12 letters with 6 coats, in faces of
 * several kinds. Medians of many edits on one machine; compare the ratios, not the milliseconds of two machines.
 */
import { layerNode } from "../core/output/layer-svg";
import { compile, type Compiled } from "../core/piece/compile";
import { newLettering, newPiece, type Lettering, type Piece } from "../core/piece/schema";
import type { Style } from "../core/style/schema";
import type { SceneLayer } from "../core/scene/scene";
import { serverEngine } from "../server/engine";
import { benchFaces, sixCoats } from "./look";

const look = sixCoats;
const faces = benchFaces;
const word = "Brindlemoors";
const edits = 41;

const engine = await serverEngine();
await engine.load(faces);

const lettering = (face: string): Lettering =>
  newLettering({
    id: "word",
    text: word,
    face,
    size: 200,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x: 900,
    y: 300,
    turn: 0,
    styleId: look.id,
    ownStyle: null,
  });
const empty = newPiece({
  id: "bench",
  name: "Bench",
  board: { width: 1800, height: 500, unit: "px", dpi: 96, ground: "#ffffff" },
  items: [],
});
const pieceOf = (item: Lettering): Piece => ({ ...empty, items: [item] });

const now = () => performance.now();
const seen = new WeakSet<SceneLayer>();
/** What the worker does for one edit: the scene, and the nodes of the layers that are new. */
function work(item: Lettering, s: Style): { total: number; times: Record<string, number>; result: Compiled } {
  const start = now();
  const result = compile(pieceOf(item), new Map([[s.id, s]]), engine, now);
  const compiled = now();
  for (const i of result.scene.items)
    for (const layer of i.layers)
      if (!seen.has(layer)) {
        seen.add(layer);
        layerNode(layer, i, `b-${i.id}-${layer.id}`);
      }
  const end = now();
  return { total: end - start, times: { ...result.times, svg: end - compiled }, result };
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1];
const withGrow = (coatIndex: number, amount: number): Style => ({
  ...look,
  coats: look.coats.map((c, i) => (i === coatIndex ? { ...c, form: c.form.map((f) => (f.kind === "grow" ? { ...f, amount } : f)) } : c)),
});
const withInk = (n: number): Style => ({
  ...look,
  inks: look.inks.map((i) => (i.id === "face" ? { ...i, colour: `#f2${(0x1000 + n).toString(16)}` } : i)),
});

// Each edit is one that has not been seen, so that no kept result answers it.
const kinds: Record<string, (item: Lettering, n: number) => [Lettering, Style]> = {
  "slider drag: grow, weld and plug": (item, n) => [item, withGrow(0, 6 + n / 97)],
  "slider drag: grow and weld, miters": (item, n) => [item, withGrow(1, 6 + n / 89)],
  "slider drag: grow": (item, n) => [item, withGrow(2, 3 + n / 83)],
  "keystroke: a letter in the middle": (item, n) => [
    { ...item, text: `Brindl${String.fromCharCode(65 + (n % 26))}${n > 26 ? "x" : ""}moors` },
    look,
  ],
  "letter space": (item, n) => [{ ...item, letterSpacing: n / 7 }, look],
  ink: (item, n) => [item, withInk(n)],
  move: (item, n) => [{ ...item, x: item.x + n }, look],
};

console.log(`Node ${process.version}; “${word}”, ${look.coats.length} coats; medians of ${edits} edits in ms\n`);
const pad = (text: string, n: number) => text.padEnd(n);
const all: Record<string, number[]> = {};
for (const [kind, edit] of Object.entries(kinds)) {
  console.log(kind);
  for (const face of faces) {
    const item = lettering(face);
    // The first edits warm the machine up, as a session does.
    for (let n = 1; n <= 12; n++) work(...edit(item, 1000 + n));
    const runs = Array.from({ length: edits }, (_, n) => work(...edit(item, n + 1)));
    const stage = (name: string) =>
      median(runs.map((r) => r.times[name]))
        .toFixed(2)
        .padStart(7);
    const total = median(runs.map((r) => r.total));
    (all[kind] ??= []).push(total);
    console.log(
      `  ${pad(face, 16)} total ${total.toFixed(2).padStart(6)}   letters ${stage("letters")}  form ${stage("form")}  paint ${stage("paint")}  svg ${stage("svg")}`,
    );
  }
}

console.log("\nMedian over the faces, and as a share of a frame of 16 ms");
for (const [kind, totals] of Object.entries(all))
  console.log(`  ${pad(kind, 36)} ${median(totals).toFixed(2).padStart(6)} ms  ${((100 * median(totals)) / 16).toFixed(0).padStart(4)} %`);

console.log("\nFrom nothing: the first scene of each face, with no result kept");
for (const face of faces) {
  const fresh = { ...lettering(face), text: [...word].reverse().join("").toUpperCase() };
  console.log(`  ${pad(face, 16)} ${work(fresh, look).total.toFixed(1).padStart(7)} ms`);
}
