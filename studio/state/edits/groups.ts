import { produce } from "immer";
import { nanoid } from "nanoid";
import type { Item } from "@/core/piece/schema";
import type { Work } from "../work";

/** The items that are aimed at together with `id`: its outermost group, or the next one inside of the group that was entered. */
export function groupedWith(items: readonly Item[], id: string, entered: string | null): string[] {
  const item = items.find((i) => i.id === id);
  if (!item) return [];
  const inside = entered === null ? -1 : item.groups.indexOf(entered);
  const group = item.groups[inside + 1];
  return group === undefined ? [id] : items.filter((i) => i.groups.includes(group)).map((i) => i.id);
}

/** Puts items into a group of their own, one on the other in the place of the foremost. */
export function group(work: Work, ids: readonly string[]): Work {
  const { items } = work.piece;
  const chosen = items.filter((i) => ids.includes(i.id));
  if (chosen.length < 2) return work;
  const name = nanoid(8);
  // Inside the groups that all of them share.
  const shared = chosen[0].groups.filter((g) => chosen.every((i) => i.groups.includes(g)));
  const members = chosen.map((i): Item => ({ ...i, groups: [...shared, name, ...i.groups.slice(shared.length)].slice(0, 16) }));
  const front = items.findLastIndex((i) => ids.includes(i.id));
  const before = items.slice(0, front + 1).filter((i) => !ids.includes(i.id));
  return { ...work, piece: { ...work.piece, items: [...before, ...members, ...items.slice(front + 1)] } };
}

/** Takes the outermost group of each item away. */
export const ungroup = (work: Work, ids: readonly string[]): Work =>
  produce(work, (w) => {
    for (const item of w.piece.items) if (ids.includes(item.id)) item.groups.shift();
  });
