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
import { peers, type Peer } from "./peers";

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
    const { letters } = set(
      hb,
      await openFace(id),
      settingSchema.parse({ text, face: id, size: 200, letterSpacing: 0, lineSpacing: 1, align: "left" }),
    );
    const placed = letters.map((l) => l.outline.transform([1, 0, 0, 1, l.x, l.y]));
    const all = new PathBuilder();
    for (const p of placed) all.add(p);
    return { letters: placed, all: all.build() };
  }),
);

const fresh = (p: Path) => new Path(p.verbs, p.coords);
const shifted = (p: Path) => p.transform([1, 0, 0, 1, 40, -30]);
const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1];

const tasks: readonly { readonly name: string; readonly d?: number; readonly two?: boolean; readonly kept?: boolean }[] = [
  { name: "self-union" },
  { name: "self-union, letters kept", kept: true },
  { name: "union of two words", two: true },
  { name: "union of two, letters kept", two: true, kept: true },
  { name: "grow 20", d: 20 },
  { name: "shrink 15", d: -15 },
  { name: "grow 60", d: 60 },
];

/** As the application does it: letter by letter, then what touches is joined. */
const grown = (k: CurveKernel, w: Word, d: number) =>
  d > 0 ? k.union(w.letters.map((l) => k.grow(fresh(l), d, round))) : k.grow(k.union(w.letters.map(fresh)), d, round);

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

/** One of those that are timed: what it does, and what becomes of a result. */
interface Contestant {
  readonly name: string;
  readonly work: () => unknown;
  readonly write: (result: unknown) => Path;
  readonly free: (result: unknown) => void;
}

/** Kept: as the application has it, the same letters again in another place, as a word is spaced or a letter typed. */
function vextal(word: Word, { d, two, kept }: (typeof tasks)[number]): Contestant {
  const all = two ? [...word.letters, ...word.letters.map(shifted)] : word.letters;
  const keeping = new CurveKernel();
  if (kept) for (const l of all) keeping.weld(l);
  const work = () => {
    const kernel = kept ? keeping : new CurveKernel();
    return d === undefined ? kernel.union(kept ? all : all.map(fresh)) : grown(kernel, word, d);
  };
  return { name: "Vextal", work, write: (r) => r as Path, free: () => {} };
}

function contestant(peer: Peer, word: Word, { d, two }: (typeof tasks)[number]): Contestant | undefined {
  if (d !== undefined && !peer.grow) return undefined;
  const a = peer.read(word.all);
  const b = two ? peer.read(shifted(word.all)) : undefined;
  return {
    name: peer.name,
    work: () => (d !== undefined ? peer.grow!(a, d) : b ? peer.unite(a, b) : peer.union(a)),
    write: (r) => peer.write(r),
    free: (r) => peer.free(r),
  };
}

/**
 * All in turn, round by round, so that a machine that is busy for a while is so for all of them. Slow ones need fewer rounds to be seen.
 */
function race(all: readonly Contestant[], note: (who: string, ms: number, path: Path) => void): void {
  const times = new Map(all.map((c) => [c, [] as number[]]));
  for (let round = -warm; round < rounds; round++)
    for (const c of all) {
      if (c.name === "paper" && Math.abs(round) > 3) continue;
      const start = performance.now();
      const result = c.work();
      const ms = performance.now() - start;
      if (round >= 0) times.get(c)!.push(ms);
      c.free(result);
    }
  for (const c of all) {
    const result = c.work();
    note(c.name, median(times.get(c)!), c.write(result));
    c.free(result);
  }
}

function timed<T>(work: () => T): number {
  for (let i = 0; i < warm; i++) work();
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

const others = await peers();
console.log(`Node ${process.version}; “${text}” in ${benchFaces.length} faces, round joins\n`);
for (const task of tasks)
  for (const word of words) {
    const all = [vextal(word, task), ...others.map((p) => contestant(p, word, task)).filter((c) => c !== undefined)];
    race(all, (who, ms, path) => note(task.name, who, ms, path));
  }

const cell = (s: string, n = 22) => s.padStart(n);
const names = ["Vextal", ...others.map((p) => p.name)];
console.log("".padEnd(28) + names.map((n) => cell(n)).join(""));
console.log("median over the faces: ms / nodes");
for (const [task, row] of results)
  console.log(
    task.padEnd(28) +
      names.map((n) => cell(row.has(n) ? `${median(row.get(n)!.ms).toFixed(2)} / ${median(row.get(n)!.nodes)}` : "-")).join(""),
  );
console.log("\nratio to canvaskit-wasm, median over the faces (and the worst face): time, nodes");
for (const [task, row] of results) {
  const base = row.get("canvaskit-wasm")!;
  const ratios = (n: string, of: "ms" | "nodes") => row.get(n)![of].map((v, i) => v / base[of][i]);
  const show = (v: number[]) => `${median(v).toFixed(2)} (${Math.max(...v).toFixed(2)})`;
  console.log(
    task.padEnd(28) +
      names.map((n) => cell(row.has(n) ? `${show(ratios(n, "ms"))}, ${show(ratios(n, "nodes"))}` : "-", n === "Vextal" ? 30 : 34)).join(""),
  );
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
  const ms = timed(() => {
    letters[5] = fresh(letters[5]);
    all();
  });
  const whole = timed(() => word.letters.map((l) => new CurveKernel().grow(fresh(l), 20, round)));
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
console.log(
  `\nheap over 10,000 operations: ${before.toFixed(1)} to ${after.toFixed(1)} MB${"gc" in globalThis ? "" : " (without a forced collection: node --expose-gc shows it without what waits to be collected)"}`,
);
console.log(`segments of the source words: ${words.map((w) => contoursOf(w.all, true).reduce((n, c) => n + c.size, 0)).join(", ")}`);
