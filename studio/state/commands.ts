import { toast } from "sonner";
import type { Coat, Ink } from "@/core/coat/schema";
import { joinAll, type Bounds } from "@/core/curves/bounds";
import { firstFace } from "@/core/lettering/face";
import { boardBox, frameBox } from "../bench/hit";
import { fitted, zoomed } from "../bench/view";
import { align, distribute, type Alignment, type Block } from "./edits/arrange";
import { group, groupedWith, ungroup } from "./edits/groups";
import {
  addLettering,
  addPath,
  addShape,
  duplicateItems,
  editItems,
  flagItems,
  mostItems,
  raiseItems,
  removeItems,
  withGrounds,
} from "./edits/items";
import { editLetters, setText } from "./edits/letters";
import { paste } from "./edits/style";
import { asFreePath } from "./edits/shapes";
import { session } from "./session";
import { studioNow, type Tool } from "./store";
import { letteringOf, shapeItemOf, type Work } from "./work";

/** What keys and buttons alike can do to the selected items. */

/** The selection as blocks that move as one: groups, and single items. */
export function blocks(): Block[] {
  const { work, scene, selection, entered, alignBy } = studioNow();
  if (!work || !scene) return [];
  const seen = new Set<string>();
  return selection.flatMap((id): Block[] => {
    if (seen.has(id)) return [];
    const ids = groupedWith(work.piece.items, id, entered).filter((i) => selection.includes(i));
    ids.forEach((i) => seen.add(i));
    const boxes = scene.items.filter((i) => ids.includes(i.id)).map(alignBy === "ink" ? boardBox : frameBox);
    return boxes.length ? [{ ids, box: joinAll(boxes) }] : [];
  });
}

/** Aligns the selection: several blocks to each other, one to the board. */
export function alignSelected(to: Alignment, toBoard = false): void {
  const { scene, change } = studioNow();
  const chosen = blocks();
  if (!scene || !chosen.length) return;
  const board: Bounds = { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height };
  change((w) => align(w, chosen, to, toBoard || chosen.length === 1 ? board : undefined));
}

export function distributeSelected(axis: "x" | "y"): void {
  const chosen = blocks();
  studioNow().change((w) => distribute(w, chosen, axis));
}

/** Centres the whole selection on the board. */
export function centre(axis: "x" | "y"): void {
  const { scene, change } = studioNow();
  const chosen = blocks();
  if (!scene || !chosen.length) return;
  const one: Block = { ids: chosen.flatMap((b) => b.ids), box: joinAll(chosen.map((b) => b.box)) };
  change((w) => align(w, [one], axis === "x" ? "middle" : "centre", { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height }));
}

export function nudge(dx: number, dy: number): void {
  const { work, selection, letters, tool, change } = studioNow();
  if (!work || !selection.length) return;
  if (tool === "letters" && letters.length) {
    const l = letteringOf(work, selection.at(-1));
    if (!l) return;
    const k = 1000 / l.size;
    change(
      (w) => editLetters(w, l.id, letters, (c) => ({ ...c, right: c.right + dx * k, down: c.down + dy * k })),
      `nudge letters ${letters.join()}`,
    );
    return;
  }
  change(
    (w) =>
      editItems(w, withGrounds(w, selection), (l) => {
        l.x += dx;
        l.y += dy;
      }),
    `nudge ${selection.join()}`,
  );
}

/** Widens or narrows the gap after the picked letters, in thousandths of the em. */
export function kern(by: number): void {
  const { work, selection, letters, change } = studioNow();
  const l = work && letteringOf(work, selection.at(-1));
  if (!l || !letters.length) return;
  change(
    (w) => editLetters(w, l.id, letters, (c) => ({ ...c, space: Math.max(-20_000, Math.min(20_000, c.space + by)) })),
    `kern ${letters.join()}`,
  );
}

export function newLettering(): void {
  const { work, scene, selection, change, select, set } = studioNow();
  if (!work) return;
  const like = letteringOf(work, selection.at(-1)) ?? work.piece.items.findLast((i) => i.kind === "lettering");
  const words = scene?.items.filter((i) => i.kind === "lettering" && !i.hidden) ?? [];
  const made = addLettering(work, like, firstFace, words.map(boardBox));
  change(() => made.work);
  select([made.id]);
  set({ typing: made.id, stage: "words" });
}

/** Adds what `make` makes and selects it. */
function added(make: (work: Work) => { work: Work; id: string }): void {
  const { work, change, select, set } = studioNow();
  if (!work) return;
  const made = make(work);
  change(() => made.work);
  select([made.id]);
  set({ stage: "words", typing: null });
}

export const newShape = (kind: string): void => added((w) => addShape(w, kind));

/** Brings the geometry of an SVG file in as a shape, scaled down where it is larger than the board. */
export async function bringSvg(text: string, fileName: string): Promise<void> {
  try {
    const { strands, box: b, leftOut } = await session().scene.ask((w) => w.svgShapes(text));
    const { scene } = studioNow();
    const [width, height] = [scene?.width ?? 1000, scene?.height ?? 1000];
    const k = Math.min(1, (0.9 * width) / Math.max(1e-6, b.maxX - b.minX), (0.9 * height) / Math.max(1e-6, b.maxY - b.minY));
    const [dx, dy] = [width / 2 - (k * (b.minX + b.maxX)) / 2, height / 2 - (k * (b.minY + b.maxY)) / 2];
    const placed = strands.map((s) => ({
      closed: s.closed,
      nodes: s.nodes.map((n) => ({
        ...n,
        x: n.x * k + dx,
        y: n.y * k + dy,
        inX: n.inX * k,
        inY: n.inY * k,
        outX: n.outX * k,
        outY: n.outY * k,
      })),
    }));
    added((w) => addPath(w, placed, fileName.replace(/\.svg$/i, "").slice(0, 80) || "Shape"));
    toast(
      `“${fileName}” came in as a shape${k < 1 ? `, at ${Math.round(k * 100)} % so that it fits the board` : ""}.${leftOut.length ? ` Left out: ${leftOut.join(", ")}.` : ""}`,
      { duration: 10_000 },
    );
  } catch (error) {
    toast.error((error as Error).message);
  }
}

/** Starts the node editor; a shape of another kind becomes a free path. */
export function editNodes(): void {
  const { work, selection, change, set } = studioNow();
  const shape = work && shapeItemOf(work, selection.at(-1));
  if (shape && shape.shape.kind !== "path") change((w) => asFreePath(w, shape.id));
  set({ tool: "nodes", node: null, typing: null });
}

export const setTool = (tool: Tool): void => studioNow().set({ tool, letters: [], node: null, typing: null });

export function duplicateSelected(): void {
  const { work, selection, change, select } = studioNow();
  if (!work || !selection.length) return;
  const made = duplicateItems(work, withGrounds(work, selection), { x: 20, y: 20 });
  change(() => made.work);
  select(made.ids);
}

/** Copies of the selection, each a step further on. */
export function repeatSelected(step: { x: number; y: number }, count: number): void {
  const { work, selection, change, select } = studioNow();
  if (!work || !selection.length) return;
  const ids = withGrounds(work, selection);
  if (work.piece.items.length + ids.length * count > mostItems) return void toast.error(`A board holds at most ${mostItems} items.`);
  const made = duplicateItems(work, ids, step, count);
  change(() => made.work);
  select(made.ids);
}

export function removeSelected(): void {
  const { selection, change, select } = studioNow();
  if (!selection.length) return;
  change((w) => removeItems(w, selection));
  select([]);
}

export const raiseSelected = (to: "forward" | "backward" | "front" | "back"): void => {
  const { selection, change } = studioNow();
  change((w) => raiseItems(w, selection, to));
};

export function groupSelected(): void {
  const { selection, change } = studioNow();
  if (selection.length > 1) change((w) => group(w, selection));
}

export function ungroupSelected(): void {
  const { selection, change } = studioNow();
  change((w) => ungroup(w, selection));
}

export function lockSelected(): void {
  const { work, selection, change } = studioNow();
  const locked = work?.piece.items.filter((i) => selection.includes(i.id)).every((i) => i.locked);
  change((w) => flagItems(w, selection, "locked", !locked));
}

export function hideSelected(): void {
  const { work, selection, change } = studioNow();
  const hidden = work?.piece.items.filter((i) => selection.includes(i.id)).every((i) => i.hidden);
  change((w) => flagItems(w, selection, "hidden", !hidden));
}

/** Selects the next item, from the front to the back. */
export function selectNext(step: 1 | -1): void {
  const { work, selection, select } = studioNow();
  const items = work?.piece.items ?? [];
  if (!items.length) return;
  const at = items.findIndex((i) => i.id === selection.at(-1));
  select([items[(at + step + items.length) % items.length].id]);
}

/** Picks the next single letter of the selected lettering. */
export function pickNext(step: 1 | -1): void {
  const { scene, selection, letters, set } = studioNow();
  const item = scene?.items.find((i) => i.id === selection.at(-1));
  if (item?.kind !== "lettering" || !item.letters.length) return;
  const order = item.letters.map((l) => l.from).sort((a, b) => a - b);
  const at = order.indexOf(letters.at(-1) ?? -1);
  const next = at < 0 ? (step > 0 ? 0 : order.length - 1) : (at + step + order.length) % order.length;
  set({ letters: [order[next]] });
}

export function selectAll(): void {
  const { work, scene, selection, tool, select, set } = studioNow();
  const item = scene?.items.find((i) => i.id === selection.at(-1));
  if (tool === "letters" && item?.kind === "lettering") return set({ letters: item.letters.map((l) => l.from) });
  select(work?.piece.items.filter((i) => !i.locked && !i.hidden).map((i) => i.id) ?? []);
}

/** Shows the whole board. */
export function fitBoard(): void {
  const { scene, benchSize, set } = studioNow();
  if (scene && benchSize.width) set({ view: fitted(scene, benchSize) });
}

export function zoomBy(factor: number): void {
  const { view, benchSize, set } = studioNow();
  set({ view: zoomed(view, factor, { x: benchSize.width / 2, y: benchSize.height / 2 }) });
}

/** Puts a copied coat in front of the selected item's others. */
export function pasteCoat(coat: Coat, inks: readonly Ink[]): void {
  const { selection, changeStyle, set } = studioNow();
  if (!selection.length) return void toast("Select a lettering or a shape to paste the coat onto.");
  let id = "";
  changeStyle((s) => {
    const made = paste(s, coat, inks);
    id = made.id;
    return made.style;
  });
  set({ coatId: id, stage: "coats" });
}

/** Puts the coat that was copied last in front of the selected item's others. */
export function pasteCopied(): void {
  const { copied } = studioNow();
  if (copied) pasteCoat(copied.coat, copied.inks);
}

/** A lettering of words that come from elsewhere, in the looks of the selected one. */
export function addWords(text: string): void {
  added((w) => {
    const like = letteringOf(w, studioNow().selection.at(-1)) ?? w.piece.items.findLast((i) => i.kind === "lettering");
    const { scene } = studioNow();
    const words = scene?.items.filter((i) => i.kind === "lettering" && !i.hidden) ?? [];
    const made = addLettering(w, like, firstFace, words.map(boardBox));
    return { id: made.id, work: setText(made.work, made.id, text.replace(/\r\n?/g, "\n").trim()) };
  });
}
