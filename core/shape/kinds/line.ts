import { PathBuilder } from "../../curves/path";
import { shapeKindOf } from "../shape-kind";

export const line = shapeKindOf({
  kind: "line",
  label: "Line",
  hint: "A straight rule; a stroke makes it seen",
  params: {},
  draw: (_, { width }) => {
    const out = new PathBuilder();
    out.move(-width / 2, 0);
    out.line(width / 2, 0);
    return out.build();
  },
});
