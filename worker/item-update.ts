import { lineBox, solid } from "../core/bend/bent";
import type { Fitted } from "../core/bend/fit";
import { empty, joinAll } from "../core/curves/bounds";
import type { CurveKernel } from "../core/curves/kernel";
import type { Point } from "../core/curves/matrix";
import type { Path } from "../core/curves/path";
import { toSvgPath } from "../core/curves/svg-path";
import { shapeMetrics, type Placed } from "../core/piece/compile";
import { seen, seenBox, type View } from "../core/piece/perspective-view";
import type { Item } from "../core/piece/schema";
import type { ItemUpdate, LayerUpdate } from "./protocol";

/** A path as it is seen, as SVG path data. */
function drawn(path: Path, view: View | undefined, kernel: CurveKernel): string {
  return toSvgPath(view ? kernel.warp(path, view.warp, 0.5) : path);
}

/** What the page needs to know of an item to draw its handles. */
export function itemUpdate(
  item: Item,
  placed: Placed,
  layers: readonly LayerUpdate[],
  { faceHere, photoMissing }: { faceHere: boolean; photoMissing: boolean },
  kernel: CurveKernel,
): ItemUpdate {
  const { view } = placed;
  const shared = {
    id: item.id,
    matrix: placed.matrix,
    layers,
    hidden: item.hidden,
    locked: item.locked,
    view: view ? { box: view.box, corners: view.corners } : null,
    ink: seenBox(view, placed.ink),
    photoMissing,
    painted: layers.length ? joinAll(layers.map((l) => l.bounds)) : empty,
  };
  if (placed.kind === "shape")
    return { ...shared, kind: "shape", frame: shared.ink, metrics: shapeMetrics, outline: drawn(placed.outline, view, kernel) };
  const { setting, bent, face, stance } = placed;
  const at = (p: Point): Point => seen(view, stance ? stance(p) : p);
  return {
    ...shared,
    kind: "lettering",
    metrics: face.metrics,
    faceHere,
    frame: seenBox(view, bent.frame),
    carets: bent.carets.map((c) => ({ ...c, foot: at(c.foot), head: at(c.head) })),
    lines: setting.lines,
    letters: bent.letters.map((l) => ({ from: l.from, to: l.to, line: l.line, quad: l.quad.map(at) })),
    lineBoxes: setting.lines.map((_, i) => lineBox(setting, i)),
    block: solid(setting.ink),
    corners: (bent as Fitted).corners ?? null,
    outline: (bent as Fitted).outline ?? null,
    marks: bent.marks.map((m) => drawn(m, view, kernel)),
    messages: bent.messages,
    missing: setting.missing,
  };
}
