import type { Kind, Params, Values } from "../params";
import type { Given } from "./given";
import type { Shape } from "./shape";

/** How a paint is laid on a form: over its area, or as a stroke along its outline. */
export interface LayKind<K extends string = string, P extends Params = Params> extends Kind<K, P> {
  /** The area that the paint covers. */
  apply(shape: Shape, values: Values<P>, given: Given<readonly [], P>): Shape;
}

/** A kind of lay whose values have the types that its settings say. */
export const lay = <const K extends string, const P extends Params>(kind: LayKind<K, P>): LayKind<K, P> => kind;
