/**
 * npm run bench -- kernel: the curve kernel against other libraries, on words of 12 letters in six faces. Times are medians in ms, of fresh
 * paths each time, so that nothing kept from before answers; nodes are those of the results. Ratios are to canvaskit-wasm.
 */
import { contoursOf } from "../core/curves/contour";
import { flatten } from "../core/curves/flatten";
import { CurveKernel } from "../core/curves/kernel";
import { nearest } from "../core/curves/measure";
import { Path, PathBuilder } from "../core/curves/path";
import { loadHarfBuzz } from "../core/lettering/harfbuzz";
import { settingSchema } from "../core/lettering/options";
import { set } from "../core/lettering/setting";
import { benchFaces, openFace } from "../tests/kernel/letters";
import { peers } from "./peers";

const text = "Brindlemoors";
const round = { kind: "round" } as const;
const rounds = 40;
const warm = 60;

interface Word {
  readonly letters: readonly Path[];
  readonly all: Path;
}
const hb = await loadHarfBuzz();
const words: Word[] = await Promise.all(
  benchFaces.map(async (id) => {
    const { letters } = set(hb, await openFace(id), settingSchema.parse({ text, face: id, size: 200, letterSpacing: 0, lineSpacing: 1, align: "left" }));
    const placed = letters.map((l) => l.outline.transform([1, 0, 0, 1, l.x, l.y]));
    const all = new PathBuilder();
    for (const p of placed) all.add(p);
    return { letters: placed, all: all.build() };
  }),
);

const fresh = (p: Path) => new Path(p.verbs, p.coords);
const shifted = (p: Path) => p.transform([1, 0, 0, 1, 40, -30]);
const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1];

const tasks = {
  "self-union": { one: (k: CurveKernel, w: Word) => k.union(w.letters.map(fresh)) },
  "union of two words": { one: (k: CurveKernel, w: Word) => k.union([...w.letters.map(fresh), ...w.letters.map(shifted)]) },
  "grow 20": { d: 20 },
  "shrink 15": { d: -15 },
  "grow 60": { d: 60 },
} as const;

/** As the application does it: letter by letter, then what touches is joined. */
const grown = (k: CurveKernel, w: Word, d: number) => (d > 0 ? k.union(w.letters.map((l) => k.grow(fresh(l), d, round))) : k.grow(k.union(w.letters.map(fresh)), d, round));

interface Figures {
  ms: number[];
  nodes: number[];
  paths: Path[];
}
const results = new Map<string, Map<string, Figures>>();
const note = (task: string, who: string, ms: number, path: Path) => {
  const row = results.get(task) ?? new Map<string, Figures>();
  results.set(task, row);
  const f = row.get(who) ?? { ms: [], nodes: [], paths: [] };
  row.set(who, f);
  f.ms.push(ms);
  f.nodes.push(path.nodes);
  f.paths.push(path);
};

function timed<T>(work: () => T, drop: (result: T) => void, times = rounds): [number, T] {
  let result = work();
  for (let i = 0; i < Math.min(warm, times); i++) {
    drop(result);
    result = work();
  }
  const ms: number[] = [];
  for (let i = 0; i < times; i++) {
    drop(result);
    const start = performance.now();
    result = work();
    ms.push(performance.now() - start);
  }
  return [median(ms), result];
}

const others = await peers();
console.log(`Node ${process.version}; “${text}” in ${benchFaces.length} faces, round joins\n`);
for (const [task, how] of Object.entries(tasks))
  for (const word of words) {
    const [ms, path] = timed(() => ("one" in how ? how.one(new CurveKernel(), word) : grown(new CurveKernel(), word, how.d)), () => {});
    note(task, "Vextal", ms, path);
    for (const peer of others) {
      if ("d" in how && !peer.grow) continue;
      const a = peer.read(word.all);
      const b = task === "union of two words" ? peer.read(shifted(word.all)) : undefined;
      const work = () => ("d" in how ? peer.grow!(a, how.d) : b ? peer.unite(a, b) : peer.union(a));
      // Slow ones need fewer rounds to be seen.
      const [t, r] = timed(work, (x) => peer.free(x), peer.name === "paper" ? 5 : rounds);
      note(task, peer.name, t, peer.write(r));
      peer.free(r);
      peer.free(a);
      if (b) peer.free(b);
    }
  }

/** As the application has it: the same letters again in another place, as a word is spaced or a letter typed. */
for (const [task, of] of [["self-union, letters kept", "self-union"], ["union of two, letters kept", "union of two words"]] as const)
  for (const word of words) {
    const keeping = new CurveKernel();
    const moved = word.letters.map(shifted);
    for (const l of [...word.letters, ...moved]) keeping.weld(l);
    const [ms, path] = timed(() => keeping.union(of === "self-union" ? word.letters : [...word.letters, ...moved]), () => {});
    note(task, "Vextal", ms, path);
  }
for (const [task, of] of [["self-union, letters kept", "self-union"], ["union of two, letters kept", "union of two words"]] as const)
  for (const peer of others) {
    const f = results.get(of)!.get(peer.name)!;
    f.ms.forEach((ms, i) => note(task, peer.name, ms, f.paths[i]));
  }

const cell = (s: string, n = 22) => s.padStart(n);
const names = ["Vextal", ...others.map((p) => p.name)];
console.log("".padEnd(28) + names.map((n) => cell(n)).join(""));
console.log("median over the faces: ms / nodes");
for (const [task, row] of results) console.log(task.padEnd(28) + names.map((n) => cell(row.has(n) ? `${median(row.get(n)!.ms).toFixed(2)} / ${median(row.get(n)!.nodes)}` : "-")).join(""));
console.log("\nratio to canvaskit-wasm, median over the faces (and the worst face): time, nodes");
for (const [task, row] of results) {
  const base = row.get("canvaskit-wasm")!;
  const ratios = (n: string, of: "ms" | "nodes") => row.get(n)![of].map((v, i) => v / base[of][i]);
  const show = (v: number[]) => `${median(v).toFixed(2)} (${Math.max(...v).toFixed(2)})`;
  console.log(task.padEnd(28) + names.map((n) => cell(row.has(n) ? `${show(ratios(n, "ms"))}, ${show(ratios(n, "nodes"))}` : "-", n === "Vextal" ? 30 : 34)).join(""));
}

console.log("\ndeviation of grow 20 from the true parallel, in units: largest / share of points over 0.03");
for (const name of names) {
  const f = results.get("grow 20")!.get(name);
  if (!f) continue;
  let largest = 0;
  let over = 0;
  let all = 0;
  f.paths.forEach((path, i) => {
    const source = new CurveKernel().union(words[i].letters);
    for (const p of flatten(path, 0.02))
      for (let k = 0; k < p.length; k += 6) {
        const off = Math.abs(nearest(source, p[k], p[k + 1])!.distance - 20);
        largest = Math.max(largest, off);
        all++;
        if (off > 0.03) over++;
      }
  });
  console.log(`  ${name.padEnd(18)} ${largest.toFixed(3)} / ${((100 * over) / all).toFixed(2)} %`);
}

console.log("\none letter of a grown word changed, the others kept: ms");
for (const [i, word] of words.entries()) {
  const kernel = new CurveKernel();
  const letters = word.letters.map(fresh);
  const all = () => letters.map((l) => kernel.grow(l, 20, round));
  all();
  const [ms] = timed(() => {
    letters[5] = fresh(letters[5]);
    return all();
  }, () => {});
  const [whole] = timed(() => word.letters.map((l) => new CurveKernel().grow(fresh(l), 20, round)), () => {});
  console.log(`  ${benchFaces[i].padEnd(18)} ${ms.toFixed(2)} of ${whole.toFixed(2)}`);
}

const kernel = new CurveKernel();
const settle = () => {
  (globalThis as { gc?: () => void }).gc?.();
  return process.memoryUsage().heapUsed / 1e6;
};
for (let i = 0; i < 500; i++) kernel.grow(fresh(words[0].letters[i % 12]), 10 + i / 1000, round);
const before = settle();
for (let i = 0; i < 10_000; i++) kernel.grow(fresh(words[0].letters[i % 12]), 10 + i / 1000, round);
const after = settle();
console.log(`\nheap over 10,000 operations: ${before.toFixed(1)} to ${after.toFixed(1)} MB${"gc" in globalThis ? "" : " (without a forced collection: node --expose-gc shows it without what waits to be collected)"}`);
console.log(`segments of the source words: ${words.map((w) => contoursOf(w.all, true).reduce((n, c) => n + c.size, 0)).join(", ")}`);
