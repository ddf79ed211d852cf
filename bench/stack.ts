/**
 * npm run bench -- stack: the visible parts of the sides of a solid, twelve letters in six faces, in one arrangement, against one
 * subtraction a shape. Medians in ms, on fresh paths each time; nothing kept from before answers.
 */
import { loadHarfBuzz } from "../core/lettering/harfbuzz";
import { settingSchema } from "../core/lettering/options";
import { set } from "../core/lettering/setting";
import { CurveKernel } from "../core/curves/kernel";
import { Path } from "../core/curves/path";
import { benchFaces, openFace } from "../tests/kernel/letters";
import { bySubtraction, solidOf } from "../tests/kernel/stacks";

const rounds = 25;
const hb = await loadHarfBuzz();
const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1];
const timed = (work: () => void, times: number) => {
  for (let i = 0; i < times; i++) work();
  return median(
    Array.from({ length: times }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
};

console.log("face               shapes  parts  nodes   stack   subtractions");
for (const id of benchFaces) {
  const { letters } = set(
    hb,
    await openFace(id),
    settingSchema.parse({ text: "Brindlemoors", face: id, size: 200, letterSpacing: 0, lineSpacing: 1, align: "left" }),
  );
  const kernel = new CurveKernel();
  const word = letters.map((l) => l.outline.transform([1, 0, 0, 1, l.x, l.y])).filter((p) => !p.isEmpty);
  const items = solidOf(kernel, word, { x: 90, y: 60 });
  const fresh = () => items.map((i) => ({ ...i, path: new Path(i.path.verbs, i.path.coords) }));
  const parts = kernel.stack(items);
  const one = timed(() => new CurveKernel().stack(fresh()), rounds);
  const many = timed(() => bySubtraction(new CurveKernel(), fresh()), 2);
  const nodes = parts.reduce((n, p) => n + p.path.nodes, 0);
  console.log(
    `${id.padEnd(18)} ${String(items.length).padStart(6)} ${String(parts.length).padStart(6)} ${String(nodes).padStart(6)} ${one.toFixed(2).padStart(7)} ${many.toFixed(1).padStart(10)}`,
  );
}
export {};
