import type { FormStepKind } from "./form-step";
import { formStepKind } from "./forms";
import type { Coat, FormStep } from "./schema";

/** The step that changes what a coat shows as a picture, and not its form. */
export function picturing({ form }: Coat): { readonly step: FormStep; readonly kind: FormStepKind } | undefined {
  const step = form.findLast((s) => s.on && formStepKind(s.kind).ofLayers);
  return step && { step, kind: formStepKind(step.kind) };
}

/** Whether a coat shows all that the other coats show, and has no paint of its own. */
export const showsOthers = (coat: Coat): boolean =>
  picturing(coat) !== undefined && coat.form.every((s) => !s.on || s.kind === "letters" || formStepKind(s.kind).ofLayers);
