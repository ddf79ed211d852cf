import type { FormStepKind, PointMap } from "./form-step";
import { formStepKind } from "./forms";
import type { Coat } from "./schema";
import type { Shape } from "./shape";

/**
 * Where the letters' own plane is seen, as the frontmost coat that turns it shows it: what is drawn on the letters for the hand, a caret
 * and marked letters, goes there. Undefined where no coat does.
 * @param units of lettering space in a length of the style
 */
export function stanceOf(coats: readonly Coat[], letters: Shape, units: (length: number) => number): PointMap | undefined {
  if (!letters.parts.length) return undefined;
  for (const coat of coats.toReversed()) {
    if (!coat.on) continue;
    for (const step of coat.form) {
      const kind: FormStepKind = formStepKind(step.kind);
      const stance = step.on ? kind.stance?.(letters, step, units) : undefined;
      if (stance) return stance;
    }
  }
  return undefined;
}
