/**
 * npm run bench -- styles: the time from an edit to the new scene for every shipped style, on a word of 12 letters: while the first length
 * of each coat's form is dragged (as a draft), exactly, and when one letter changes. Medians on one machine; compare ratios.
 */
import { performance } from "node:perf_hooks";
import { demoStyles } from "../demo/styles";
import { formStepKind } from "../core/coat/forms";
import { newFormStep, type Coat } from "../core/coat/schema";
import { compile } from "../core/piece/compile";
import { newLettering, newPiece } from "../core/piece/schema";
import type { Style } from "../core/style/schema";
import { serverEngine } from "../server/engine";

/** Moves of a drag that takes a second at half the screen's rate, and edits that stand alone. */
const moves = 31;
const rounds = 9;
const aim = 16;
const engine = await serverEngine();
const styles = demoStyles();
await engine.load([...new Set(styles.map((s) => s.madeWith?.face ?? "archivo-black"))]);

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1];

function run(style: Style, text: string, draft: boolean, face = style.madeWith?.face ?? "archivo-black"): number {
  const word = newLettering({
    ...{ id: "w", text, face, size: 160, letterSpacing: 0, lineSpacing: 1, align: "centre", x: 700, y: 300, turn: 0 },
    ...{ styleId: style.id, ownStyle: null },
  });
  const piece = newPiece({ id: "p", name: "P", board: { width: 1400, height: 500, unit: "px", dpi: 96, ground: null }, items: [word] });
  const start = performance.now();
  compile(piece, new Map([[style.id, style]]), draft ? { ...engine, kernel: engine.draft } : engine);
  return performance.now() - start;
}

/** A coat with the first length of its form a little longer; undefined where it has none. */
function nudged(coat: Coat, by: number): Coat | undefined {
  for (const [i, step] of coat.form.entries()) {
    const held: Readonly<Record<string, unknown>> = step;
    const name = Object.entries(formStepKind(step.kind).params).find(([n, p]) => p.type === "length" && held[n] !== 0)?.[0];
    if (!name) continue;
    return { ...coat, form: coat.form.map((s, k) => (k === i ? { ...s, [name]: (held[name] as number) * (1 + by) } : s)) };
  }
  return undefined;
}

const text = "Brindlemoors";
console.log(
  `Node ${process.version}; “${text}”; medians of ${moves} moves of a drag and of ${rounds} edits, in ms, the slowest coat of each style\n`,
);
console.log(`${"style".padEnd(20)} ${"dragged".padStart(9)} ${"exact".padStart(9)} ${"a letter".padStart(9)}`);
const over: string[] = [];
for (const style of styles) {
  run(style, text, false);
  run(style, text, true);
  const measured = (draft: boolean) =>
    Math.max(
      ...style.coats.map((coat) => {
        const times = Array.from({ length: draft ? moves : rounds }, (_, n) => {
          const changed = nudged(coat, (n + 1) / 411);
          return changed ? run({ ...style, coats: style.coats.map((c) => (c === coat ? changed : c)) }, text, draft) : 0;
        });
        return median(times);
      }),
    );
  const [dragged, exact] = [measured(true), measured(false)];
  const letter = median(Array.from({ length: rounds }, (_, n) => run(style, `Brind${String.fromCharCode(65 + n)}emoors`, false)));
  if (dragged > aim) over.push(`${style.name} ${dragged.toFixed(0)}`);
  console.log(
    `${style.name.padEnd(20)} ${dragged.toFixed(1).padStart(9)} ${exact.toFixed(1).padStart(9)} ${letter.toFixed(1).padStart(9)}`,
  );
}
console.log(`\nover ${aim} ms while dragged: ${over.join(", ") || "none"}`);

/** Forms drawn letter by letter: with another length, dragged and exactly, and with one other letter that was seen before. */
const drawn: readonly (readonly [label: string, kind: string, values: Readonly<Record<string, unknown>>, length: string])[] = [
  ["hatch, ruled", "hatch", { loose: 0 }, "spacing"],
  ["hatch", "hatch", {}, "spacing"],
  ["hatch, tapered", "hatch", { taper: true }, "spacing"],
  ["hatch, crossed", "hatch", { second: true }, "spacing"],
  ["inlines, 1", "inlines", { count: 1 }, "weight"],
  ["inlines, 3", "inlines", { count: 3 }, "weight"],
  ["inlines, 3, their margin", "inlines", { count: 3 }, "margin"],
  ["redraw", "redraw", {}, "weight"],
  ["ripple", "ripple", {}, "height"],
];
const letters = "ABCDEFGHI";
await engine.load(["archivo-black"]);
console.log(`\n${"form, on archivo-black".padEnd(30)} ${"dragged".padStart(9)} ${"exact".padStart(9)} ${"a letter".padStart(9)}`);
for (const [label, kind, values, length] of drawn) {
  const made = newFormStep(kind, "s", values);
  const own = (by: number) => {
    const form = [newFormStep("letters", "l"), { ...made, [length]: ((made as Readonly<Record<string, unknown>>)[length] as number) * by }];
    return { ...styles[0], coats: [{ ...styles[0].coats[0], form }] };
  };
  const at = (by: number, text: string, draft = false) => run(own(by) as Style, text, draft, "archivo-black");
  for (const letter of letters) at(1.5, `Brind${letter}emoors`);
  for (let n = 0; n < rounds; n++) at(1 + (n + 1) / 700, text);
  const dragged = median(Array.from({ length: moves }, (_, n) => at(1 + (n + 1) / 300, text, true)));
  const exact = median(Array.from({ length: rounds }, (_, n) => at(1 + (n + 1) / 500, text)));
  const style = own(1) as Style;
  const letter = median([...letters].map((l) => run(style, `Brind${l}emoors`, false, "archivo-black")));
  console.log(`${label.padEnd(30)} ${dragged.toFixed(1).padStart(9)} ${exact.toFixed(1).padStart(9)} ${letter.toFixed(1).padStart(9)}`);
}
