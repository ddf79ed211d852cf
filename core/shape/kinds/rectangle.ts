import { corners } from "../../curves/bounds";
import { roundedPolygon } from "../round";
import { shapeKindOf } from "../shape-kind";

export const rectangle = shapeKindOf({
  kind: "rectangle",
  label: "Rectangle",
  hint: "A panel, with corners as round as wanted",
  params: {
    radius: {
      type: "number",
      label: "Corners",
      hint: "How round the corners are, as a share of half the shorter side",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  draw: ({ radius }, { width, height }) =>
    roundedPolygon(
      corners({ minX: -width / 2, minY: -height / 2, maxX: width / 2, maxY: height / 2 }),
      (radius / 200) * Math.min(width, height),
    ),
});
