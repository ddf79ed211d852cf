import type { Path } from "../curves/path";
import type { Kind, Params, Values } from "../params";

/** The box that a shape is drawn in, about 0, 0, in shape space: thousandths of its em, y down. */
export interface ShapeSize {
  readonly width: number;
  readonly height: number;
}

/** One kind of shape: its settings and the outline they give. */
export interface ShapeKind<K extends string = string, P extends Params = Params> extends Kind<K, P> {
  draw(values: Values<P>, size: ShapeSize): Path;
}

/** A kind of shape whose values have the types that its settings say. */
export const shapeKindOf = <const K extends string, const P extends Params>(kind: ShapeKind<K, P>): ShapeKind<K, P> => kind;
