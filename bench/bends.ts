/**
 * npm run bench -- bends: worker time from a dragged handle to the new scene, as the worker does it: exact, and as the draft that is
 * shown while the pointer is down where exact takes longer than a frame. Medians of many places of the handle on one machine.
 */
import { meshOf } from "../core/bend/mesh";
import type { Bend } from "../core/bend/schema";
import { startingForm } from "../core/bend/starting-forms";
import { layerNode } from "../core/output/layer-svg";
import { compile, type Engine } from "../core/piece/compile";
import { newLettering, newPiece, newShapeItem, type Item } from "../core/piece/schema";
import type { Style } from "../core/style/schema";
import { coat, flat, form, onLine, style } from "../demo/build";
import { openStyle } from "../core/input/open";
import { serverEngine } from "../server/engine";
import { benchFaces, sixCoats } from "./look";

const drags = 40;
const warm = 12;
const word = "Brindlemoors";
const engine = await serverEngine();
await engine.load(benchFaces);

const oneCoat = openStyle({ ...style("One", "archivo-black", "em", { Face: "#f2c14e" }, [coat("Face", flat("face"))]), id: "one" });
const shield = newShapeItem({
  id: "shield",
  name: "Shield",
  x: 900,
  y: 500,
  size: 200,
  width: 7000,
  height: 4500,
  hidden: true,
  shape: form("shield") as never,
  styleId: oneCoat.id,
  ownStyle: null,
});
const empty = newPiece({ id: "bench", name: "Bench", board: { width: 1800, height: 1000, unit: "px", dpi: 96, ground: null }, items: [] });
const lettering = (face: string, text: string, look: Style, bend: Bend) =>
  newLettering({
    id: "word",
    text,
    face,
    size: 200,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x: 900,
    y: 400,
    styleId: look.id,
    ownStyle: null,
    bend,
  });

/** Milliseconds for one scene, its new layers written out. */
function time(items: Item[], look: Style, kernel: Engine["kernel"]): number {
  const start = performance.now();
  const { scene } = compile(
    { ...empty, items },
    new Map([
      [look.id, look],
      [oneCoat.id, oneCoat],
    ]),
    { ...engine, kernel },
  );
  for (const item of scene.items) for (const layer of item.layers) layerNode(layer, item, item.id);
  return performance.now() - start;
}
const median = (v: readonly number[]) => [...v].sort((a, b) => a - b)[v.length >> 1];

/** Each place of the handle is one that has not been seen, so that no kept result answers it. */
const handles: Record<string, (n: number) => Bend> = {
  "envelope, a corner": (n) => ({ kind: "envelope", scope: "block", meshes: [dragged(n)], gap: 0 }),
  "arc, its angle (letters flow)": (n) => onLine("arc", { angle: 60 + n / 7 }, { letters: "flow" }),
  "arc, its angle (letters turn)": (n) => onLine("arc", { angle: 60 + n / 7 }),
  "shape, a corner of its outline": (n) => ({
    kind: "fit",
    shape: "shield",
    corners: [0.02 + n / 1e5, 0.27, 0.45, 0.75],
    inset: 100,
    gap: 0,
  }),
};
function dragged(n: number) {
  const mesh = startingForm("domed")!.mesh(0.4);
  return { ...mesh, nodes: mesh.nodes.map((k, i) => (i === 1 ? { ...k, x: k.x + n / 400, y: k.y - n / 300 } : k)) };
}

console.log(
  `Node ${process.version}; “${word}”, ${sixCoats.coats.length} coats; medians of ${drags} places of the handle, in ms of worker time\n`,
);
const pad = (text: string, n: number) => text.padEnd(n);
for (const [name, bend] of Object.entries(handles)) {
  console.log(name);
  const all: Record<string, number[]> = { exact: [], draft: [] };
  for (const face of benchFaces) {
    const row = Object.entries({ exact: engine.kernel, draft: engine.draft }).map(([which, kernel]) => {
      const run = (n: number) => time([shield, lettering(face, word, sixCoats, bend(n))], sixCoats, kernel as Engine["kernel"]);
      for (let n = 0; n < warm; n++) run(500 + n + (which === "draft" ? 100 : 0));
      const ms = median(Array.from({ length: drags }, (_, n) => run(n + (which === "draft" ? 200 : 0))));
      all[which].push(ms);
      return `${which} ${ms.toFixed(1).padStart(6)}`;
    });
    console.log(`  ${pad(face, 18)} ${row.join("   ")}`);
  }
  const [exact, draft] = [median(all.exact), median(all.draft)];
  console.log(
    `  ${pad("median of the faces", 18)} exact ${exact.toFixed(1)}   draft ${draft.toFixed(1)}, ${(draft / 16).toFixed(2)} of a frame of 16 ms, ${(exact / draft).toFixed(1)} times faster\n`,
  );
}

console.log("An envelope over 200 letters, four lines");
const long = Array.from({ length: 4 }, (_, i) => "Brindlemoor mountain railway and night ferry tickets ".slice(i, i + 50)).join("\n");
for (const [name, look] of [
  ["one coat", oneCoat],
  ["six coats", sixCoats],
] as const)
  for (const [which, kernel] of Object.entries({ exact: engine.kernel, draft: engine.draft })) {
    const run = (n: number) =>
      time(
        [
          lettering("archivo-black", long, look, {
            kind: "envelope",
            scope: "block",
            meshes: [meshOf((u, v) => [u, v + (0.3 + n / 500) * u * (1 - u)])],
            gap: 0,
          }),
        ],
        look,
        kernel as Engine["kernel"],
      );
    for (let n = 0; n < 4; n++) run(900 + n);
    const ms = median(Array.from({ length: 15 }, (_, n) => run(n + (which === "draft" ? 100 : 0))));
    console.log(`  ${pad(name, 10)} ${which} ${ms.toFixed(0).padStart(5)} ms, ${(ms / 100).toFixed(2)} of 100 ms`);
  }
