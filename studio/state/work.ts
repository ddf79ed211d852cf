import type { Coat } from "@/core/coat/schema";
import type { Lettering, Piece, PieceFile } from "@/core/piece/schema";
import type { Style } from "@/core/style/schema";

/** All that a session edits, undoes and saves: the piece and the styles that it is linked to. */
export interface Work {
  readonly piece: Piece;
  readonly styles: Readonly<Record<string, Style>>;
}

/** Where a change to a linked style goes: to the style, or to this lettering only. */
export type Scope = "style" | "lettering";

export const letteringOf = (work: Work, id: string | undefined): Lettering | undefined => work.piece.items.find((i) => i.id === id);

/** The style that a lettering shows. */
export const shownStyle = (work: Work, lettering: Lettering | undefined): Style | undefined =>
  lettering && (lettering.ownStyle ?? (lettering.styleId ? work.styles[lettering.styleId] : undefined));

export const coatOf = (style: Style | undefined, id: string | undefined): Coat | undefined => style?.coats.find((c) => c.id === id);

/** The piece with the styles it needs, as files and the worker take it. */
export function fileOf(work: Work): PieceFile {
  const used = new Set(work.piece.items.flatMap((i) => (i.styleId ? [i.styleId] : [])));
  return { format: "vextal.file", version: 1, piece: work.piece, styles: Object.values(work.styles).filter((s) => used.has(s.id)) };
}
