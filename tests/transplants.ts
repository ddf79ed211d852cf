import { mapped } from "../core/curves/bounds";
import { contoursOf } from "../core/curves/contour";
import { CurveKernel } from "../core/curves/kernel";
import type { Path } from "../core/curves/path";
import { newLettering, newPiece } from "../core/piece/schema";
import { compile } from "../core/piece/compile";
import type { LoadedEngine } from "../core/piece/engine";
import type { Style } from "../core/style/schema";
import { area, around } from "./paths";

/** A style on a word that it was not made for. */
export interface Transplant {
  readonly style: Style;
  readonly face: string;
  readonly text: string;
}

/** Faces of five kinds, and words of three scripts that they can set. */
export const grounds = [
  { face: "archivo-black", words: ["Moor", "QUAY 8", "& Sons", "Rügen"] },
  { face: "alfa-slab", words: ["BREAD", "Tea 94", "gaffer", "Œuvre"] },
  { face: "pacifico", words: ["Ferry", "willow", "Rhubarb", "Żaba"] },
  { face: "comfortaa", words: ["light", "Oxbow", "BOLD?", "éclair"] },
  { face: "abril-fatface", words: ["Regatta", "fjord", "A&B", "Squeeze"] },
  { face: "marhey", words: ["سلام", "بيت", "مقهى"] },
  { face: "baloo-2", words: ["नमस्ते", "कक्षा", "गाँव"] },
] as const;

/** What is drawn by chance or of lines leaves small pieces on purpose. */
const loose = new Set([
  "hatch",
  "redraw",
  "ripple",
  "wear",
  "stepped-lines",
  "block-shade",
  "solid",
  "chisel",
  "drop-shade",
  "inlines",
  "band",
  "rim",
  "gleam",
  "trail",
]);

/** What is wrong with a style on a word; empty where nothing is. */
export function faultsOf({ style, face, text }: Transplant, engine: LoadedEngine): string[] {
  const found: string[] = [];
  const draw = (kernel: CurveKernel) => {
    const word = newLettering({
      ...{ id: "w", text, face, size: 160, letterSpacing: 0, lineSpacing: 1, align: "centre", x: 600, y: 300, turn: 0 },
      ...{ styleId: style.id, ownStyle: null },
    });
    const piece = newPiece({ id: "p", name: "P", board: { width: 1200, height: 600, unit: "px", dpi: 96, ground: null }, items: [word] });
    return compile(piece, new Map([[style.id, style]]), { ...engine, kernel });
  };
  const once = draw(new CurveKernel());
  for (const f of once.faults) found.push(`${f.coat}: ${f.message}`);
  const [item] = once.scene.items;
  for (const layer of item.layers) {
    const coat = style.coats.find((c) => c.id === layer.group)!;
    for (const p of layer.paths) {
      if (!p.path.coords.every(Number.isFinite)) found.push(`${coat.name}: a coordinate that is no number`);
      const box = p.matrix ? mapped(p.matrix, p.path.bounds) : p.path.bounds;
      const b = { minX: box.minX + p.x, maxX: box.maxX + p.x, minY: box.minY + p.y, maxY: box.maxY + p.y };
      const { bounds: l } = layer;
      if (b.minX < l.minX - 0.01 || b.maxX > l.maxX + 0.01 || b.minY < l.minY - 0.01 || b.maxY > l.maxY + 0.01)
        found.push(`${coat.name}: reaches out of its bounds`);
      if (!coat.form.some((s) => loose.has(s.kind)))
        for (const thin of slivers(p.path)) found.push(`${coat.name}: a sliver ${thin.toFixed(2)} units wide`);
    }
  }
  const again = draw(new CurveKernel());
  const told = (c: typeof once) => JSON.stringify(c.scene.items[0].layers.map((l) => l.paths.map((p) => [...p.path.coords])));
  if (told(once) !== told(again)) found.push("not the same twice");
  return found;
}

/** Widths, in units, of pieces of a shape that are thinner than half a unit all along: twice the area over the outline. */
function slivers(path: Path): number[] {
  const kernel = new CurveKernel();
  if (contoursOf(path, true).length < 2) return [];
  return kernel
    .split(path)
    .map((p) => (2 * area(p, 0.05)) / around(p, 0.05))
    .filter((w) => w < 0.5);
}

/** Transplants by their numbers: every style in turn, on grounds that change with each. */
export function transplants(styles: readonly Style[], count: number): Transplant[] {
  return Array.from({ length: count }, (_, i) => {
    const style = styles[i % styles.length];
    const ground = grounds[(i + Math.floor(i / styles.length)) % grounds.length];
    return { style, face: ground.face, text: ground.words[Math.floor(i / 7) % ground.words.length] };
  });
}
