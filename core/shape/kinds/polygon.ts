import { roundedPolygon } from "../round";
import { shapeKindOf } from "../shape-kind";

/** Points of a circle of radius 1, clockwise from the top. */
export const onCircle = (count: number, turn = 0) =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count + turn;
    return { x: Math.sin(angle), y: -Math.cos(angle) };
  });

export const polygon = shapeKindOf({
  kind: "polygon",
  label: "Polygon",
  hint: "Equal sides: a triangle, a hexagon, an octagon",
  params: {
    sides: { type: "number", label: "Sides", hint: "How many sides it has", default: 6, min: 3, max: 60, step: 1 },
    stand: {
      type: "choice",
      label: "Stands",
      hint: "What points up",
      default: "corner",
      options: [
        { value: "corner", label: "Corner", hint: "A corner points up" },
        { value: "side", label: "Side", hint: "A side lies on top" },
      ],
    },
    radius: { type: "number", label: "Corners", hint: "How round the corners are", default: 0, min: 0, max: 100, step: 1, suffix: "%" },
  },
  draw: ({ sides, stand, radius }, { width, height }) => {
    const n = Math.round(sides);
    const points = onCircle(n, stand === "side" ? Math.PI / n : 0);
    // Drawn to fill its box.
    const [maxX, minY, maxY] = [
      Math.max(...points.map((p) => p.x)),
      Math.min(...points.map((p) => p.y)),
      Math.max(...points.map((p) => p.y)),
    ];
    const placed = points.map((p) => ({ x: (p.x / maxX) * (width / 2), y: ((p.y - minY) / (maxY - minY) - 0.5) * height }));
    return roundedPolygon(placed, (radius / 100) * (Math.min(width, height) / 2) * Math.cos(Math.PI / n));
  },
});
