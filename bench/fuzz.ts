/**
 * npm run fuzz: random cases of the curve kernel against independent references; ends with status 1 where one is wrong.
 *   npm run fuzz                             10,000 cases of every operation, 10,000 of layered looks, and every glyph of every face once
 *   npm run fuzz -- operations [n] [seed]    every operation, by area, against fine polygons clipped by Clipper2
 *   npm run fuzz -- layered [n] [seed]       what layered looks make, every boolean and what must hold of their areas; faults are reduced
 *     and written as JSON
 *   npm run fuzz -- letters [n] [seed]       every n-th glyph of every face (1), grown or banded at a distance and with a join by its
 *     number, by strip width
 *   npm run fuzz -- letters all [faces]      every separate shape of every glyph at every distance with every join, grown and banded:
 *     hours; of some faces only, named with commas between them, each from a shape on: rye,shrikhand:308
 */
import { mkdirSync, writeFileSync } from "node:fs";
import { CurveKernel, type Join } from "../core/curves/kernel";
import { translation } from "../core/curves/matrix";
import type { Path } from "../core/curves/path";
import { writeSvgPath } from "../core/curves/write-svg-path";
import { shippedFaces } from "../server/faces/shipped";
import { judge } from "../tests/kernel/cases";
import { loadClipper } from "../tests/kernel/clipper";
import { hold, type Fault } from "../tests/kernel/held";
import { benchFaces, glyphCount, openFace, outlines } from "../tests/kernel/letters";
import { Random, startedAt } from "../tests/kernel/random";
import { distances, joins, stripWidths, widestStrip, type Outlining } from "../tests/kernel/strip-width";

const m = await loadClipper();
const letters = async (faces: readonly string[]) =>
  (await Promise.all(faces.map(async (f) => outlines(await openFace(f), "BrindlemoorAQgs&8")))).flat();

/** Counts cases by kind, and says how far it is. */
class Tally {
  wrong = 0;
  #cases = 0;
  readonly #kinds = new Map<string, { cases: number; wrong: number; checks: number; ms: number }>();
  readonly #start = performance.now();

  constructor(readonly title: string) {}

  add(kind: string, isWrong: boolean, checks: number, ms: number): void {
    const sum = this.#kinds.get(kind) ?? { cases: 0, wrong: 0, checks: 0, ms: 0 };
    this.#kinds.set(kind, { cases: sum.cases + 1, wrong: sum.wrong + (isWrong ? 1 : 0), checks: sum.checks + checks, ms: sum.ms + ms });
    if (isWrong) this.wrong++;
    if (++this.#cases % 1000 === 0)
      console.log(`${this.title}: ${this.#cases} cases, ${this.wrong} wrong, ${((performance.now() - this.#start) / 1000).toFixed(0)} s`);
  }

  print(): void {
    for (const [kind, { cases, wrong, checks, ms }] of [...this.#kinds].sort())
      console.log(
        `  ${kind.padEnd(24)} ${String(cases).padStart(6)} cases ${String(checks).padStart(7)} checked ${String(wrong).padStart(4)} wrong ${(ms / cases).toFixed(2).padStart(8)} ms each`,
      );
    console.log(`${this.title}: ${this.#cases} cases, ${this.wrong} wrong`);
  }
}

const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(3)} %`;
const whereIn = (error: unknown) => (error as Error).stack?.split("\n").slice(0, 3).join(" | ");

async function operations(cases: number, first: number): Promise<number> {
  const tally = new Tally("operations");
  const all = await letters(benchFaces);
  for (let seed = first; seed < first + cases; seed++) {
    try {
      const { wrong, what, off, against, ms } = judge(m, seed, all);
      if (wrong)
        console.log(`wrong: seed ${seed}, ${what}: ${off.toFixed(3)} of ${against.toFixed(1)} square units (${percent(off, against)})`);
      tally.add(what.split(" ")[0], wrong, 1, ms);
    } catch (error) {
      console.log(`wrong: seed ${seed} ends in: ${whereIn(error)}`);
      tally.add("thrown", true, 0, 0);
    }
  }
  tally.print();
  return tally.wrong;
}

/** A fault as JSON lines that the terminal's “curves” takes. */
function write(seed: number, faults: readonly Fault[]): void {
  mkdirSync("test-results/fuzz", { recursive: true });
  const asked = faults.flatMap(({ reduced }) => {
    if (!reduced) return [];
    const [a, ...b] = reduced.inputs.map((p) => writeSvgPath(p, { decimals: 6, commands: "absolute" }));
    return [JSON.stringify({ op: reduced.op, a, b })];
  });
  writeFileSync(
    `test-results/fuzz/layered-${seed}.jsonl`,
    `${[...asked, ...faults.map(({ what, off, allowed }) => JSON.stringify({ what, off, allowed }))].join("\n")}\n`,
  );
}

async function layered(cases: number, first: number): Promise<number> {
  const tally = new Tally("layered");
  const all = await letters([...benchFaces, "rye", "fredoka", "shrikhand", "monoton"]);
  for (let seed = first; seed < first + cases; seed++) {
    const start = performance.now();
    try {
      const { name, size, booleans, faults } = hold(m, seed, all);
      for (const { what, off, allowed } of faults)
        console.log(`wrong: seed ${seed}, ${name} at ${size}, ${what}: ${off} where ${allowed} is known`);
      if (faults.length) write(seed, faults);
      tally.add(name, faults.length > 0, booleans, performance.now() - start);
    } catch (error) {
      console.log(`wrong: seed ${seed} ends in: ${whereIn(error)}`);
      tally.add("thrown", true, 0, 0);
    }
  }
  tally.print();
  return tally.wrong;
}

const outlinings = ["grow", "band"] as const;

class LetterTally extends Tally {
  widest = 0;

  hold(name: string, kernel: CurveKernel, source: Path, d: number, join: Join, whats: readonly Outlining["what"][]): void {
    const start = performance.now();
    const widths = stripWidths(m, kernel, source, d, join, whats);
    const ms = (performance.now() - start) / whats.length;
    whats.forEach((what, i) => {
      const width = widths[i];
      this.widest = Math.max(this.widest, width);
      const wrong = !(width <= widestStrip);
      if (wrong)
        console.log(
          `wrong: ${name}, ${what} ${d}, ${JSON.stringify(join)}: a strip of ${width.toFixed(4)}; ${writeSvgPath(source, { decimals: 6, commands: "absolute" })}`,
        );
      this.add(`${what} ${join.kind}`, wrong, 1, ms);
    });
  }

  override print(): void {
    super.print();
    console.log(`the widest strip: ${this.widest.toFixed(4)} units`);
  }
}

async function glyphs(every: number, first: number): Promise<number> {
  const tally = new LetterTally("letters");
  const r = new Random(first);
  for (const { id } of shippedFaces) {
    const face = await openFace(id);
    const kernel = new CurveKernel();
    for (let glyph = first % every; glyph < glyphCount(face); glyph += every) {
      if (face.outline(glyph).isEmpty) continue;
      const source = startedAt(face.outline(glyph), (_, size) => r.whole(0, size - 1));
      tally.hold(`${id} ${glyph}`, kernel, source, r.pick(distances), r.pick(joins), [r.pick(outlinings)]);
    }
  }
  tally.print();
  return tally.wrong;
}

/**
 * Every way of every separate shape: a glyph of several is what its shapes are, united where they were grown, which is held against
 * Clipper2 elsewhere. Shapes that only stand elsewhere are looked at once: most accented letters are letters and accents.
 */
async function allGlyphs(named: string | undefined): Promise<number> {
  const tally = new LetterTally("all letters");
  const r = new Random(1);
  const chosen = named ? named.split(",").map((n) => n.split(":")) : shippedFaces.map((f) => [f.id]);
  for (const [id, from = "0"] of chosen) {
    if (!shippedFaces.some((f) => f.id === id)) throw new Error(`There is no face ${id}.`);
    const face = await openFace(id);
    const seen = new Set<string>();
    for (let glyph = 0; glyph < glyphCount(face); glyph++) {
      const kernel = new CurveKernel();
      for (const [k, shape] of kernel.split(face.outline(glyph)).entries()) {
        const at = shape.transform(translation(-shape.bounds.minX, -shape.bounds.minY));
        const name = writeSvgPath(at, { decimals: 2, commands: "absolute" });
        if (seen.has(name)) continue;
        seen.add(name);
        const source = startedAt(shape, (_, size) => r.whole(0, size - 1));
        if (seen.size <= Number(from)) continue;
        for (const d of distances) for (const join of joins) tally.hold(`${id} ${glyph} shape ${k}`, kernel, source, d, join, outlinings);
      }
    }
    console.log(`${id}: ${seen.size} separate shapes`);
    tally.print();
  }
  return tally.wrong;
}

const [which, ...rest] = process.argv.slice(2);
const [count, seed] = rest.map(Number);
let wrong = 0;
if (which === undefined || which === "operations") wrong += await operations(count || 10_000, seed || 1);
if (which === undefined || which === "layered") wrong += await layered(count || 10_000, seed || 1);
if (which === undefined || which === "letters") wrong += rest[0] === "all" ? await allGlyphs(rest[1]) : await glyphs(count || 1, seed || 0);
if (which !== undefined && !["operations", "layered", "letters"].includes(which))
  console.error("There are operations, layered and letters.");
process.exit(wrong ? 1 : 0);
