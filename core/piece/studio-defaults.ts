import { formStepKind } from "../coat/forms";
import type { FormStepKind } from "../coat/form-step";
import { newFinish, newLay, type Coat, type Paint } from "../coat/schema";
import { inksOf } from "../style/inks";
import type { Style } from "../style/schema";
import { studioSettingsSchema, type StudioSettings } from "./studio-picture";

/** Whether a coat makes a body of its letters. */
export const makesBody = ({ form }: Coat): boolean => form.some((step) => step.on && (formStepKind(step.kind) as FormStepKind).body);

/** The ink in the middle of those that a paint uses; undefined where it uses none. */
function middleInk(coat: Coat, paint: Paint): string | undefined {
  const inks = inksOf({ ...coat, form: [], paint, passes: {}, lay: newLay("fill"), finish: newFinish() });
  return inks[inks.length >> 1];
}

/** How a body is first photographed: enamelled, in the inks that its coat has. */
export function firstStudioSettings(coat: Coat, style: Style): StudioSettings {
  const { paint, passes } = coat;
  const ink = (...paints: (Paint | undefined)[]) =>
    paints.flatMap((p) => (p ? (middleInk(coat, p) ?? []) : [])).at(0) ?? style.inks[0]?.id ?? "face";
  return studioSettingsSchema.parse({
    coat: coat.id,
    face: { material: "enamel", ink: ink(passes.face, paint) },
    rim: { material: "polished", ink: ink(passes.rim, passes.face, paint) },
    sides: { material: "satin", ink: ink(passes.right, passes.lower, paint) },
  });
}
