/**
 * npm run bench -- depth: every kind of depth on a word of twelve letters in six faces: the time from an edit to the new scene while a
 * setting is dragged, exactly and fresh, and when one letter changes, medians in ms; its nodes against those of the letters, and its SVG.
 * On one machine; compare ratios.
 */
import { performance } from "node:perf_hooks";
import { gzipSync } from "node:zlib";
import { coat, flat, gradient, step } from "../demo/build";
import { newFormStep, type FormStep } from "../core/coat/schema";
import { compile, type Engine } from "../core/piece/compile";
import { newLettering, newPiece } from "../core/piece/schema";
import { styleSchema } from "../core/style/schema";
import { toSvg } from "../core/output/svg";
import { benchFaces } from "../tests/kernel/letters";
import { layersIn } from "../core/scene/walk";
import { serverEngine } from "../server/engine";

const rounds = 7;
const engine = await serverEngine();
await engine.load([...benchFaces]);
const text = "Brindlemoors";
const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1];

type Values = Readonly<Record<string, unknown>>;
/** A kind, its settings, and one that is dragged. */
const kinds: readonly (readonly [
  name: string,
  kind: string,
  values: Values,
  dragged: (n: number) => Values,
  aims: readonly [number, number],
])[] = [
  ["block, two tones", "block-shade", {}, (n) => ({ way: { angle: 130 + n, distance: 12 } }), [16, 16]],
  ["block, to a point", "block-shade", { to: "point", depth: 20 }, (n) => ({ point: { x: 0.5 + n / 100, y: 2.5 } }), [16, 16]],
  ["drop shade", "drop-shade", {}, (n) => ({ way: { angle: 45 + n, distance: 6 } }), [16, 16]],
  ["cast shade", "cast-shade", {}, (n) => ({ lean: 30 + n }), [16, 16]],
  ["mirror", "mirror", {}, (n) => ({ gap: n / 10 }), [16, 16]],
  ["solid, parallel", "solid", {}, (n) => ({ swing: -20 + n }), [16, 33]],
  ["solid, perspective", "solid", { perspective: 60 }, (n) => ({ swing: -20 + n }), [16, 33]],
  ["solid, five tones", "solid", { sides: "tones" }, (n) => ({ swing: -20 + n }), [16, 33]],
  ["solid, bevelled", "solid", { rim: "bevel" }, (n) => ({ swing: -20 + n }), [60, 300]],
  ["solid, rounded", "solid", { rim: "round" }, (n) => ({ swing: -20 + n }), [60, 300]],
  ["chisel, to the ridge", "chisel", {}, (n) => ({ angle: 40 + n }), [60, 300]],
  ["chisel, flat top", "chisel", { to: "top" }, (n) => ({ width: 2 + n / 10 }), [60, 300]],
  ["trail of 150", "trail", { copies: 150 }, (n) => ({ way: { angle: 60 + n, distance: 24 } }), [16, 33]],
];

function run(form: FormStep, face: string, words: string, kernel: Engine["kernel"]) {
  const plain = coat("Face", flat("face"));
  const own = {
    ...coat(
      "Depth",
      gradient(
        [
          [0, "dark"],
          [100, "light"],
        ],
        { shape: "copies", mix: "oklab" },
      ),
    ),
    form: [step("letters"), form],
  };
  const style = styleSchema.parse({
    ...{ format: "vextal.style", version: 1, id: "s", name: "S", measure: "em" },
    inks: ["face", "dark", "light"].map((id, i) => ({ id, name: id, colour: ["#fff0d0", "#401020", "#d06040"][i] })),
    coats: [own, plain],
  });
  const word = newLettering({
    ...{ id: "w", text: words, face, size: 160, letterSpacing: 0, lineSpacing: 1, align: "centre", x: 700, y: 300, turn: 0 },
    ...{ styleId: "s", ownStyle: null },
  });
  const piece = newPiece({ id: "p", name: "P", board: { width: 1400, height: 600, unit: "px", dpi: 96, ground: null }, items: [word] });
  const start = performance.now();
  const { scene } = compile(piece, new Map([[style.id, style]]), { ...engine, kernel });
  return { ms: performance.now() - start, scene };
}

console.log(`Node ${process.version}; “${text}”, medians over ${benchFaces.length} faces\n`);
console.log(`${"kind".padEnd(22)} dragged  (aim)   exact  (aim)   letter   nodes x   parts    KB (gz)`);
for (const [name, kind, values, dragged, [aimDragged, aimExact]] of kinds) {
  const rows = benchFaces.map((face) => {
    const at = (n: number) => newFormStep(kind, "d", { ...values, ...dragged(n) });
    run(at(0), face, text, engine.draft);
    run(at(0), face, text, engine.kernel);
    const drag = median(Array.from({ length: rounds }, (_, n) => run(at(n + 1), face, text, engine.draft).ms));
    const exact = median(Array.from({ length: rounds }, (_, n) => run(at(n + 1.5), face, text, engine.kernel).ms));
    const letter = median(
      Array.from({ length: rounds }, (_, n) => run(at(0), face, `Brind${String.fromCharCode(65 + n)}emoors`, engine.kernel).ms),
    );
    const { scene } = run(at(0), face, text, engine.kernel);
    const layers = scene.items[0].layers.filter((l) => l.label === "Depth").flatMap(layersIn);
    const nodes = layers.reduce((s, l) => s + l.paths.reduce((n, q) => n + q.path.verbs.length, 0), 0);
    const letters = scene.items[0].layers.find((l) => l.label === "Face")!.paths.reduce((n, p) => n + p.path.verbs.length, 0);
    const content = {
      scene,
      area: { kind: "board" },
      ground: false,
      title: "",
      unit: "px",
      faces: [],
      photos: new Map(),
      grains: undefined,
    } as const;
    const svg = toSvg(content, { minX: 0, minY: 0, maxX: 1400, maxY: 600 });
    const parts = layers.reduce((n, l) => n + l.paths.length, 0);
    return { drag, exact, letter, ratio: nodes / letters, parts, bytes: svg.length, packed: gzipSync(svg).length };
  });
  const of = (pick: (r: (typeof rows)[number]) => number) => median(rows.map(pick));
  console.log(
    `${name.padEnd(22)} ${of((r) => r.drag)
      .toFixed(1)
      .padStart(7)} ${`(${aimDragged})`.padStart(6)} ${of((r) => r.exact)
      .toFixed(1)
      .padStart(7)} ${`(${aimExact})`.padStart(6)} ` +
      `${of((r) => r.letter)
        .toFixed(1)
        .padStart(8)} ${of((r) => r.ratio)
        .toFixed(1)
        .padStart(9)} ${String(of((r) => r.parts)).padStart(7)} ` +
      `${(of((r) => r.bytes) / 1024).toFixed(0).padStart(6)} (${(of((r) => r.packed) / 1024).toFixed(0)})`,
  );
}
