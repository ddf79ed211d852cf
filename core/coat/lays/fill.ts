import type { LayKind } from "../lay-kind";

export const fill: LayKind = {
  kind: "fill",
  label: "Fill",
  hint: "Paints the whole form",
  params: {},
  apply: (shape) => shape,
};
