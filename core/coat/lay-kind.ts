import type { FormContext } from "./form-step";
import type { Params } from "../params";
import type { Shape } from "./shape";

/** How a paint is laid on a form: over its area, or as a stroke along its outline. */
export interface LayKind {
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  readonly params: Params;
  /** The area that the paint covers. */
  readonly apply: (shape: Shape, values: Record<string, unknown>, context: FormContext) => Shape;
}
