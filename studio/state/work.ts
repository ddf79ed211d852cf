import type { Coat } from "@/core/coat/schema";
import { isLettering, isShape, type Item, type Lettering, type Piece, type PieceFile, type ShapeItem } from "@/core/piece/schema";
import type { Style } from "@/core/style/schema";

/** All that a session edits, undoes and saves: the piece and the styles that it is linked to. */
export interface Work {
  readonly piece: Piece;
  readonly styles: Readonly<Record<string, Style>>;
}

/** Where a change to a linked style goes: to the style, or to this item only. */
export type Scope = "style" | "lettering";

export const itemOf = (work: Work, id: string | undefined): Item | undefined => work.piece.items.find((i) => i.id === id);

export function letteringOf(work: Work, id: string | undefined): Lettering | undefined {
  const item = itemOf(work, id);
  return item && isLettering(item) ? item : undefined;
}

export function shapeItemOf(work: Work, id: string | undefined): ShapeItem | undefined {
  const item = itemOf(work, id);
  return item && isShape(item) ? item : undefined;
}

/** The style that an item shows. */
export const shownStyle = (work: Work, item: Item | undefined): Style | undefined =>
  item && (item.ownStyle ?? (item.styleId ? work.styles[item.styleId] : undefined));

export const coatOf = (style: Style | undefined, id: string | undefined): Coat | undefined => style?.coats.find((c) => c.id === id);

/** The piece with the styles it needs, as files and the worker take it. */
export function fileOf(work: Work): PieceFile {
  const used = new Set(work.piece.items.flatMap((i) => (i.styleId ? [i.styleId] : [])));
  return { format: "vextal.file", version: 1, piece: work.piece, styles: Object.values(work.styles).filter((s) => used.has(s.id)) };
}
