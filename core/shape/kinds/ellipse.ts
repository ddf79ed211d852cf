import { ellipsePath } from "../round";
import { shapeKindOf } from "../shape-kind";

export const ellipse = shapeKindOf({
  kind: "ellipse",
  label: "Ellipse",
  hint: "A circle or an oval",
  params: {},
  draw: (_, { width, height }) => ellipsePath(0, 0, width / 2, height / 2),
});
