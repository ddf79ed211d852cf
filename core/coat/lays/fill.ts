import { lay } from "../lay-kind";

export const fill = lay({
  kind: "fill",
  label: "Fill",
  hint: "Paints the whole form",
  params: {},
  apply: (shape) => shape,
});
