import { produce } from "immer";
import { nanoid } from "nanoid";
import type { Lettering } from "@/core/piece/schema";
import { toPx } from "@/core/units";
import type { Work } from "../work";
import { plainStyle } from "./style";

export const editLettering = (work: Work, ids: readonly string[], change: (l: Lettering) => void): Work =>
  produce(work, (w) => {
    for (const item of w.piece.items) if (ids.includes(item.id)) change(item);
  });

/** A new lettering in the middle of the board, like `like` where there is one. */
export function addLettering(work: Work, like: Lettering | undefined, face: string): { work: Work; id: string } {
  const id = nanoid(8);
  const { board } = work.piece;
  const [width, height] = [toPx(board.width, board.unit), toPx(board.height, board.unit)];
  const size = like?.size ?? Math.min(width / 4, height / 2.5);
  const lettering: Lettering = {
    kind: "lettering",
    id,
    text: "",
    face: like?.face ?? face,
    size,
    letterSpacing: like?.letterSpacing ?? 0,
    lineSpacing: 1,
    align: "centre",
    x: width / 2,
    y: height / 2 + size * 0.3,
    turn: 0,
    styleId: like?.styleId ?? null,
    // Letters are never without a look: unpainted words could not be seen.
    ownStyle: like?.ownStyle ?? (like?.styleId ? null : plainStyle("Plain", like?.face ?? face)),
  };
  return { id, work: produce(work, (w) => void w.piece.items.push(lettering)) };
}

export function duplicateLetterings(work: Work, ids: readonly string[]): { work: Work; ids: string[] } {
  const made: string[] = [];
  const next = produce(work, (w) => {
    for (const item of work.piece.items.filter((i) => ids.includes(i.id))) {
      const id = nanoid(8);
      made.push(id);
      w.piece.items.push({ ...item, id, x: item.x + 20, y: item.y + 20 });
    }
  });
  return { work: next, ids: made };
}

export const removeLetterings = (work: Work, ids: readonly string[]): Work =>
  produce(work, (w) => {
    w.piece.items = w.piece.items.filter((i) => !ids.includes(i.id));
  });

/** Moves a lettering one place to the front or to the back. */
export const raiseLettering = (work: Work, id: string, step: 1 | -1): Work =>
  produce(work, (w) => {
    const from = w.piece.items.findIndex((i) => i.id === id);
    const to = from + step;
    if (from < 0 || to < 0 || to >= w.piece.items.length) return;
    w.piece.items.splice(to, 0, ...w.piece.items.splice(from, 1));
  });
