import type { Path } from "../curves/path";
import type { Kind } from "../params";

/** The box that a shape is drawn in, about 0, 0, in shape space: thousandths of its em, y down. */
export interface ShapeSize {
  readonly width: number;
  readonly height: number;
}

/** One kind of shape: its settings and the outline they give. */
export interface ShapeKind extends Kind {
  readonly draw: (values: Record<string, unknown>, size: ShapeSize) => Path;
}
