import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { coat, flat, style } from "../demo/build";
import { newGuideLine, type Bend } from "../core/bend/schema";
import { newFinish, newFormStep, newLay, newPaint, type Coat } from "../core/coat/schema";
import { defaultOf, kindGroups, listKinds, rangeOf, type KindGroup, type KindListed } from "../core/kinds";
import { grainsFor } from "../core/output/grains";
import { toSvg } from "../core/output/svg";
import type { Param } from "../core/params";
import { compile } from "../core/piece/compile";
import { newLettering, newPiece, newShape, newShapeItem, type Item } from "../core/piece/schema";
import { serverEngine } from "../server/engine";

// docs/kinds.md: every kind with its settings, from the registries, each with a small picture of it on letters.
const titles: Readonly<Record<KindGroup, string>> = {
  form: "Form steps",
  paint: "Paints",
  lay: "Lays",
  finish: "Finishes",
  guide: "Guide lines",
  shape: "Shapes",
  output: "Outputs",
};
const inks = { Face: "#c8401f", Edge: "#1d3b4a", Shadow: "#221d33" };
const engine = await serverEngine();
await engine.load(["shrikhand"]);

const row = (name: string, p: Param) => `| ${p.label} | \`${name}\` | ${rangeOf(p)} | ${defaultOf(p)} | ${p.hint} |`;

/** Letters, or a shape, as the kind leaves them at settings that show it. */
function shown({ group, kind }: KindListed): Item[] {
  const plain = coat("Letters", flat("face"));
  const behind = { ...coat("Behind", flat("edge")), id: "behind" };
  const coats = (): Coat[] => {
    switch (group) {
      case "form": {
        const step = newFormStep(kind, "shown", shows[kind] ?? {});
        const front: Coat = {
          ...plain,
          form: kind === "letters" || kind === "ground" || kind === "board" ? [step] : [...plain.form, step],
        };
        return kind === "knock-out" || kind === "keep-inside"
          ? [
              { ...front, name: "Front" },
              { ...behind, on: kind === "keep-inside", form: [...behind.form, newFormStep("shift", "aside", { right: 5, down: 5 })] },
            ].reverse()
          : kind === "shrink" || kind === "plug" || kind === "rim"
            ? [behind, front].slice(kind === "plug" ? 1 : 0)
            : kind === "trail"
              ? [{ ...front, paint: newPaint("gradient", { shape: "copies" }) }]
              : [front];
      }
      case "paint":
        return [{ ...plain, paint: newPaint(kind, shows[kind] ?? {}) }];
      case "lay":
        return [{ ...plain, lay: newLay(kind, kind === "stroke" ? { width: 3 } : {}) }];
      case "finish":
        return [
          behind,
          {
            ...plain,
            form: [...plain.form, newFormStep("shift", "aside", { right: 6, down: 6 })],
            finish: { ...newFinish(), [kind]: { ...newFinish()[kind as "opacity"], ...shows[kind] } },
          },
        ];
      default:
        return [plain];
    }
  };
  const dressed = style("Shown", "shrikhand", "em", inks, coats());
  if (group === "shape")
    return [
      newShapeItem({
        id: "shape",
        name: kind,
        x: 150,
        y: 75,
        size: 100,
        width: 1400,
        height: kind === "line" ? 10 : 1100,
        shape: newShape(kind),
        styleId: null,
        ownStyle: kind === "line" ? { ...dressed, coats: [{ ...plain, lay: newLay("stroke", { width: 8 }) }] } : dressed,
      }),
    ];
  // What words run along and fill lies under them, unpainted.
  const ground = newShapeItem({
    id: "ground",
    name: "Ground",
    x: 150,
    y: kind === "ground" ? 75 : 126,
    size: 100,
    width: kind === "ground" ? 1600 : 2000,
    height: 1200,
    shape: newShape(kind === "ground" ? "shield" : "ellipse"),
    hidden: true,
    styleId: null,
    ownStyle: null,
  });
  const filled: Bend = { kind: "fit", shape: "ground", corners: null, inset: 90, gap: 0 };
  const line = newGuideLine(kind === "ground" || group !== "guide" ? "straight" : kind, shows[kind] ?? {});
  const along: Bend = { kind: "guide", line, letters: "turn", shift: 0, distance: 0, spread: false };
  const word = newLettering({
    id: "word",
    text: group === "guide" ? "Brindle" : "Bog",
    face: "shrikhand",
    size: group === "guide" ? 54 : 104,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x: 150,
    y: kind === "outline" ? 126 : kind === "ground" ? 75 : group === "guide" ? 84 : 108,
    styleId: null,
    ownStyle:
      kind === "ground"
        ? { ...dressed, coats: [{ ...dressed.coats[0], id: "behind", paint: newPaint("flat", { ink: "edge" }) }, plain] }
        : dressed,
    bend: kind === "ground" ? filled : group === "guide" ? along : null,
  });
  return [ground, word];
}

/** Settings that show a kind better than its defaults do. */
const shows: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  grow: { amount: 4, join: "round" },
  shrink: { amount: 3 },
  shift: { right: 10, down: -10 },
  "knock-out": { coat: "behind", gap: 1 },
  "keep-inside": { coat: "behind" },
  scale: { width: 80, slant: 14 },
  rim: { width: 4 },
  trail: { copies: 40, way: { angle: 35, distance: 30 } },
  grain: { light: "face", dark: "edge", marks: "edge" },
  opacity: { amount: 55 },
  blend: { mode: "multiply" },
  blur: { radius: 5 },
  "soft-shadow": { on: true, distance: 6, blur: 8 },
  ring: { radius: 700 },
  straight: { climb: 14 },
  outline: { shape: "ground", start: 0 },
  drawn: { start: 45 },
};

const paper = { minX: 0, minY: 0, maxX: 300, maxY: 150 };
rmSync("docs/kinds", { recursive: true, force: true });
mkdirSync("docs/kinds", { recursive: true });
const sectionOf = async (k: KindListed) => {
  const piece = newPiece({
    id: "shown",
    name: k.label,
    board: { width: 300, height: 150, unit: "px", dpi: 96, ground: "#f6f1e6" },
    items: shown(k),
  });
  const { scene } = compile(piece, new Map(), engine);
  const area = { kind: "board" } as const;
  const grains = await grainsFor(scene, area, 1, async () => undefined);
  const svg = toSvg({ scene, title: k.label, unit: "px", faces: [], area, ground: true, photos: new Map(), grains }, paper);
  const { group } = k;
  if (group !== "output") writeFileSync(`docs/kinds/${group}-${k.kind}.svg`, svg);
  const rows = Object.entries(k.params).map(([name, p]) => row(name, p as Param));
  const table = rows.length ? `\n| setting | name | range | at first | what it does |\n|---|---|---|---|---|\n${rows.join("\n")}\n` : "";
  const shows = group === "output" ? "" : `![${k.label}](kinds/${group}-${k.kind}.svg)\n\n`;
  return `### ${k.label} (\`${k.kind}\`)\n\n${shows}${k.hint}.\n${table}`;
};
const parts: string[] = [];
for (const group of kindGroups) {
  const sections: string[] = [];
  for (const kind of listKinds()) if (kind.group === group) sections.push(await sectionOf(kind));
  parts.push(`## ${titles[group]}\n\n${sections.join("\n")}`);
}
writeFileSync(
  "docs/kinds.md",
  `# Everything that is chosen by its name

Made from the registries by \`npm run schemas\`; \`npm run -s vextal -- kinds --json\` tells the same to programs. Lengths are in hundredths of the
style's measure, or in points where that is fixed.

${parts.join("\n")}`,
);
process.exit(0);
