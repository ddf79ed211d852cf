import { roundedPolygon } from "../round";
import { shapeKindOf } from "../shape-kind";
import { onCircle } from "./polygon";

export const star = shapeKindOf({
  kind: "star",
  label: "Star",
  hint: "Points round a middle; many low ones make a seal",
  params: {
    points: { type: "number", label: "Points", hint: "How many points it has", default: 5, min: 3, max: 120, step: 1 },
    depth: {
      type: "number",
      label: "Depth",
      hint: "How far the notches reach in, as a share of the radius",
      default: 55,
      min: 1,
      max: 95,
      step: 1,
      suffix: "%",
    },
    radius: {
      type: "number",
      label: "Corners",
      hint: "How round points and notches are",
      default: 0,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  draw: ({ points, depth, radius }, { width, height }) => {
    const n = Math.round(points);
    const inner = 1 - depth / 100;
    const at = onCircle(2 * n).map((p, i) => (i % 2 ? { x: p.x * inner, y: p.y * inner } : p));
    const placed = at.map((p) => ({ x: (p.x * width) / 2, y: (p.y * height) / 2 }));
    return roundedPolygon(placed, (radius / 100) * (Math.min(width, height) / 2) * (Math.PI / n));
  },
});
