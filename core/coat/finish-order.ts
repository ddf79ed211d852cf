import type { FinishKind } from "./finish-kind";
import { finishKinds } from "./finishes";
import type { Coat, Finishes } from "./schema";

type Ordered = Pick<Coat, "order">;
type Name = keyof Finishes;

/**
 * The finishes in the order in which a coat lays them, from back to front: those that the coat says stand in each other's places, all
 * others where they always are.
 */
export function finishesOf({ order }: Ordered): readonly FinishKind[] {
  const all: readonly FinishKind[] = finishKinds;
  const said = order.filter((kind, i) => order.indexOf(kind) === i).flatMap((kind) => all.filter((k) => k.kind === kind));
  const next = said.values();
  return all.map((k) => (said.includes(k) ? next.next().value! : k));
}

/** What lies on the same side of the coat as a finish, in order, as far as it is switched on. */
const beside = (coat: Coat, kind: FinishKind): readonly FinishKind[] =>
  finishesOf(coat).filter((k) => k.side === kind.side && (coat.finish[k.kind as Name] as { readonly on?: boolean }).on);

/** Whether there is a finish that this one can be moved past: further back (-1) or further front (1). */
export function movable(coat: Coat, kind: FinishKind, by: -1 | 1): boolean {
  const row = beside(coat, kind);
  const at = row.indexOf(kind);
  return kind.side !== undefined && at >= 0 && row[at + by] !== undefined;
}

/** The coat with a finish moved past the next one on its side. */
export function withFinishMoved(coat: Coat, kind: FinishKind, by: -1 | 1): Coat {
  if (!movable(coat, kind, by)) return coat;
  const row = beside(coat, kind);
  const other = row[row.indexOf(kind) + by];
  const order = finishesOf(coat).map((k) => (k === kind ? other : k === other ? kind : k).kind);
  return { ...coat, order };
}
