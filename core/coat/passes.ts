import type { FormStepKind, Pass } from "./form-step";
import { formStepKind } from "./forms";
import type { Coat, Paint } from "./schema";
import type { Part } from "./shape";

/** What of a coat can be painted for itself, by the steps that its form is made with. */
export function passesOf({ form }: Coat): readonly Pass[] {
  const passes = new Map<string, Pass>();
  for (const step of form) {
    const kind: FormStepKind = formStepKind(step.kind);
    if (step.on) for (const pass of kind.passes?.(step) ?? []) passes.set(pass.id, pass);
  }
  return [...passes.values()];
}

/** The paints of a coat in use: its own, and those of its passes that have one. */
export const paintsOf = (coat: Coat): readonly Paint[] => [coat.paint, ...passesOf(coat).flatMap((p) => coat.passes[p.id] ?? [])];

/** Parts by the paint that they are painted with, one entry for each of `paintsOf`; those of one paint keep their order. */
export function byPaint(coat: Coat, parts: readonly Part[]): { readonly paint: Paint; readonly parts: readonly Part[] }[] {
  const own = { paint: coat.paint, parts: [] as Part[] };
  const apart = new Map(
    passesOf(coat).flatMap(({ id }) => (coat.passes[id] ? [[id, { paint: coat.passes[id], parts: [] as Part[] }] as const] : [])),
  );
  for (const part of parts) (apart.get(part.pass ?? "") ?? own).parts.push(part);
  return [own, ...apart.values()];
}
