import { toast } from "sonner";
import { nanoid } from "nanoid";
import * as z from "zod";
import { coatSchema, inkSchema, type Coat, type Ink } from "@/core/coat/schema";
import { finishesOnly, finishKindsOf, withFinishes } from "@/core/style/finishes";
import { longestText } from "@/core/lettering/options";
import { vextalNamespace } from "@/core/output/svg";
import type { PieceFile } from "@/core/piece/schema";
import { ifThere } from "../api/client";
import { openText } from "../engine/open-file";
import { dropFiles } from "./files";
import { addWords, bringSvg, pasteCoat, removeSelected } from "./commands";
import { insertItems, mostItems, withGrounds } from "./edits/items";
import { fetchStyle, session } from "./session";
import { studioNow } from "./store";
import { coatOf, fileOf, itemOf, shownStyle } from "./work";

/**
 * What is copied goes through the system's clipboard alone, so that the last thing copied is what is pasted, here, in another tab or in
 * another program: items as a piece file, which becomes an SVG with the piece inside as soon as it is drawn, and coats as JSON with their
 * inks.
 */

const coatFormat = "vextal.coat";
const copiedCoat = z.object({ format: z.literal(coatFormat), coat: coatSchema, inks: z.array(inkSchema) });

const finishFormat = "vextal.finish";
const copiedFinish = z.object({ ...copiedCoat.shape, format: z.literal(finishFormat) });

/** A coat with the inks that it is painted in; undefined where there is none. @param id the chosen one's where it is left out */
function coatText(id = studioNow().coatId ?? undefined): { text: string; name: string } | undefined {
  const { work, selection, set } = studioNow();
  const style = work ? shownStyle(work, itemOf(work, selection.at(-1))) : undefined;
  const coat = coatOf(style, id);
  if (!style || !coat) return undefined;
  set({ copied: { coat, inks: style.inks } });
  return { name: coat.name, text: JSON.stringify({ format: coatFormat, coat, inks: style.inks }) };
}

/** Copies a coat from its menu. */
export function copyCoat(id: string): void {
  const coat = coatText(id);
  if (!coat) return;
  // Where the clipboard is kept from the page, the strip's own button still pastes it.
  void navigator.clipboard?.writeText(coat.text).catch(() => undefined);
  toast(`“${coat.name}” can be pasted onto any style.`);
}

/** Copies finishes of the chosen coat: one, or those that do something. */
export function copyFinish(kinds: readonly string[], name: string): void {
  const { work, selection, coatId, set } = studioNow();
  const style = work ? shownStyle(work, itemOf(work, selection.at(-1))) : undefined;
  const coat = coatOf(style, coatId ?? undefined);
  if (!style || !coat) return;
  const finish = { coat: finishesOnly(coat, kinds), inks: style.inks };
  set({ copiedFinish: { ...finish, name } });
  void navigator.clipboard?.writeText(JSON.stringify({ format: finishFormat, ...finish })).catch(() => undefined);
  toast(`${name} can be pasted onto any coat.`);
}

/** Lays what was copied of another coat's finishes on the chosen one. */
export function pasteFinish({ coat, inks }: { readonly coat: Coat; readonly inks: readonly Ink[] }): void {
  const { coatId, selection, changeStyle } = studioNow();
  if (!selection.length || !coatId) return void toast("Choose a coat to paste the finish onto.");
  changeStyle((s) => withFinishes(s, coatId, coat, inks, () => nanoid(8)));
  toast(`${finishKindsOf(coat).length === 1 ? "The finish was" : "The finishes were"} laid on the coat.`);
}

/** The selected items as a piece of their own. */
function selectedFile(): PieceFile | undefined {
  const { work, selection } = studioNow();
  if (!work || !selection.length) return undefined;
  const ids = withGrounds(work, selection);
  return fileOf({ ...work, piece: { ...work.piece, items: work.piece.items.filter((i) => ids.includes(i.id)) } });
}

/** What has the focus: the events of the clipboard name what is marked, which may be elsewhere. */
const focused = (): HTMLElement | null => document.activeElement as HTMLElement | null;

/** Text that is typed, or marked anywhere, is the browser's to copy and to paste. */
const isText = (e: HTMLElement | null): boolean =>
  e !== null && (e.matches("input:not([type=range]), textarea, select") || e.isContentEditable);

export function onCopy(e: ClipboardEvent): void {
  const at = focused();
  if (isText(at) || String(window.getSelection()) || !e.clipboardData) return;
  // In the strip it is a coat that is meant: that of the card, or the chosen one.
  if (at?.closest("[data-strip]")) {
    const coat = coatText(at.closest<HTMLElement>("[data-coat-id]")?.dataset.coatId);
    if (!coat) return;
    e.preventDefault();
    e.clipboardData.setData("text/plain", coat.text);
    toast(`“${coat.name}” can be pasted onto any style.`);
    return;
  }
  const file = selectedFile();
  if (!file) return;
  e.preventDefault();
  e.clipboardData.setData("text/plain", JSON.stringify(file));
  if (e.type === "cut") removeSelected();
  void asSvg(file);
}

/** Puts items onto the clipboard as a drawing, which other programs read; where that cannot be, they are there as a piece. */
async function asSvg(file: PieceFile): Promise<void> {
  if (typeof ClipboardItem === "undefined" || !navigator.clipboard) return;
  const area = { kind: "items" as const, ids: file.piece.items.map((i) => i.id) };
  const drawn = import("@/core/output/outputs").then(({ newOutput }) =>
    session().scene.ask((w) => w.write({ file, area, ground: false, output: newOutput("svg-with-piece") })),
  );
  const as = (type: string) => drawn.then((svg) => new Blob([svg as string], { type }));
  const types = ["text/plain", "image/svg+xml"].filter((t) => ClipboardItem.supports?.(t) ?? t === "text/plain");
  await navigator.clipboard.write([new ClipboardItem(Object.fromEntries(types.map((t) => [t, as(t)])))]).catch(() => undefined);
}

export function onPaste(e: ClipboardEvent): void {
  if (isText(focused()) || !e.clipboardData) return;
  const text = e.clipboardData.getData("text/plain").trim();
  const files = [...e.clipboardData.files];
  if (!text && !files.length) return;
  e.preventDefault();
  void (text ? pasteText(text) : dropFiles(files));
}

/** Takes text from the clipboard as what it is: items or a coat of Vextal, a drawing, or words. */
async function pasteText(text: string): Promise<void> {
  try {
    if (text.startsWith(`{"format":"${finishFormat}"`)) return pasteFinish(copiedFinish.parse(JSON.parse(text)));
    if (text.startsWith(`{"format":"${coatFormat}"`)) {
      const { coat, inks } = copiedCoat.parse(JSON.parse(text));
      return pasteCoat(coat, inks);
    }
    if (text.startsWith('{"format":"vextal.') || (text.startsWith("<") && text.includes(vextalNamespace))) {
      const opened = await openText(text);
      return opened.kind === "piece" ? await pasteItems(opened.file) : undefined;
    }
    if (/^<(\?xml|svg|!--)/.test(text)) return await bringSvg(text, "The drawing.svg");
    if (text.length > longestText)
      return void toast.error(
        `The text has ${text.length.toLocaleString("en")} characters; a lettering holds at most ${longestText.toLocaleString("en")}.`,
      );
    addWords(text);
  } catch (error) {
    toast.error((error as Error).message);
  }
}

/** Puts items onto the board beside what is there, linked to the styles of the shelf where these are there. */
async function pasteItems(file: PieceFile): Promise<void> {
  const ids = new Set(file.piece.items.flatMap((i) => (i.styleId ? [i.styleId] : [])));
  const here = (await Promise.all([...ids].map((id) => ifThere(fetchStyle(id))))).filter((s) => s !== undefined);
  const { work, change, select, set } = studioNow();
  if (!work) return;
  if (work.piece.items.length + file.piece.items.length > mostItems) return void toast.error(`A board holds at most ${mostItems} items.`);
  const made = insertItems(work, file, here);
  change(() => made.work);
  select(made.ids);
  set({ typing: null });
}
