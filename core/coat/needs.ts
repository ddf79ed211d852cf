import type { Params, Values } from "../params";
import { finishKinds } from "./finishes";
import type { FinishKind } from "./finish-kind";
import { formStepKind } from "./forms";
import type { Need } from "./given";
import { paintKind } from "./paints";
import { paintsOf, passesOf } from "./passes";
import type { Coat } from "./schema";

/** What a kind reads besides its input when it is set so. */
export function neededBy(
  kind: { readonly needs?: readonly Need[]; spares?(values: Values<Params>): readonly Need[] },
  values: Values<Params>,
): readonly Need[] {
  const spared = kind.spares?.(values) ?? [];
  return (kind.needs ?? []).filter((need) => !spared.includes(need));
}

/** What of a coat is painted with a material: its passes by their ids, "" for its own paint. */
export const materialsOf = (coat: Coat): readonly string[] => [
  ...(paintKind(coat.paint.kind).material ? [""] : []),
  ...passesOf(coat).flatMap(({ id }) => (coat.passes[id] && paintKind(coat.passes[id].kind).material ? [id] : [])),
];

/** What a coat reads besides the letters, as it is set. */
export function needsOf(coat: Coat): Set<Need> {
  const finishes: readonly FinishKind[] = finishKinds;
  const values: Readonly<Record<string, Values<Params>>> = coat.finish;
  return new Set([
    ...coat.form.filter((s) => s.on).flatMap((step) => neededBy(formStepKind(step.kind), step)),
    ...paintsOf(coat).flatMap((paint) => neededBy(paintKind(paint.kind), paint)),
    ...finishes.flatMap((kind) => neededBy(kind, values[kind.kind])),
  ]);
}
