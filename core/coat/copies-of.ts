import type { FormStepKind } from "./form-step";
import { formStepKind } from "./forms";
import type { Coat } from "./schema";

/** How many copies the last step of a coat that makes any makes, each of a colour of its own; undefined where none does. */
export function copiesOf({ form }: Coat): number | undefined {
  for (const step of form.toReversed()) {
    const kind: FormStepKind = formStepKind(step.kind);
    const copies = step.on ? kind.copies?.(step) : undefined;
    if (copies !== undefined) return Math.round(copies);
  }
  return undefined;
}
