import { ellipsePath } from "../round";
import type { ShapeKind } from "../shape-kind";

export const ellipse: ShapeKind = {
  kind: "ellipse",
  label: "Ellipse",
  hint: "A circle or an oval",
  params: {},
  draw: (_, { width, height }) => ellipsePath(0, 0, width / 2, height / 2),
};
