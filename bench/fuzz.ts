/**
 * npm run fuzz -- [cases] [first seed]: random cases of all operations of the curve kernel, judged by the area in which they differ from fine
 * polygons. Prints every wrong one with its seed, and ends with status 1 where there is one.
 */
import { loadClipper } from "../tests/kernel/clipper";
import { judge } from "../tests/kernel/cases";
import { benchFaces, openFace, outlines } from "../tests/kernel/letters";

const cases = Number(process.argv[2] ?? 10_000);
const first = Number(process.argv[3] ?? 1);

const m = await loadClipper();
const letters = (await Promise.all(benchFaces.map(async (f) => outlines(await openFace(f), "BrindlemoorAQgs&8")))).flat();
const kinds = new Map<string, { cases: number; wrong: number; ms: number }>();
let wrong = 0;
const start = performance.now();
for (let seed = first; seed < first + cases; seed++) {
  let kind = "";
  let bad = false;
  let ms = 0;
  try {
    const v = judge(m, seed, letters);
    kind = v.what.split(" ")[0];
    ({ ms } = v);
    bad = v.wrong;
    if (bad) console.log(`wrong: seed ${seed}, ${v.what}: ${v.off.toFixed(3)} of ${v.against.toFixed(1)} square units (${((100 * v.off) / v.against).toFixed(3)} %)`);
  } catch (error) {
    bad = true;
    console.log(`wrong: seed ${seed} ends in: ${(error as Error).stack?.split("\n").slice(0, 3).join(" | ")}`);
  }
  const sum = kinds.get(kind) ?? { cases: 0, wrong: 0, ms: 0 };
  kinds.set(kind, { cases: sum.cases + 1, wrong: sum.wrong + (bad ? 1 : 0), ms: sum.ms + ms });
  if (bad) wrong++;
  if ((seed - first + 1) % 1000 === 0) console.log(`${seed - first + 1} cases, ${wrong} wrong, ${((performance.now() - start) / 1000).toFixed(0)} s`);
}
for (const [kind, { cases: n, wrong: w, ms }] of [...kinds].sort()) console.log(`  ${kind.padEnd(10)} ${String(n).padStart(6)} cases  ${String(w).padStart(3)} wrong  ${(ms / n).toFixed(2).padStart(7)} ms each`);
console.log(`${cases} cases, ${wrong} wrong`);
process.exit(wrong ? 1 : 0);
