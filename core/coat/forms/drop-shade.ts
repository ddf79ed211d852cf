import { eachPart, formStep } from "../form-step";
import { frontOf } from "../front";

export const dropShade = formStep({
  kind: "drop-shade",
  group: "depth",
  label: "Drop shade",
  hint: "A hard copy of the letters beside them, that falls on no letter",
  params: {
    way: {
      type: "direction",
      label: "Falls",
      hint: "Which way the copy lies, and how far",
      default: { angle: 45, distance: 6 },
      max: 2000,
    },
    gap: { type: "length", label: "Gap", hint: "Left open between the letters and the copy", default: 1.2, min: 0, max: 200, reach: 10 },
  },
  apply: (shape, { way, gap }, { kernel, units }) => {
    const [angle, length] = [(way.angle * Math.PI) / 180, units(way.distance)];
    const [dx, dy] = [length * Math.cos(angle), length * Math.sin(angle)];
    const space = units(gap);
    const moved = { parts: shape.parts.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy })) };
    // Exactly, also while something is dragged: a draft, whose outlines cross, takes longer to be taken away.
    const { exact } = kernel;
    const front = frontOf(shape, exact);
    // Also without a gap: what lies under a letter is not seen, and is not cut or printed either.
    const clear = space > 0 ? exact.grow(front, space, { kind: "miter", limit: 4 }) : front;
    return eachPart(moved, (path, { x, y }) => exact.subtract(path, [clear.transform([1, 0, 0, 1, -x, -y])]));
  },
});
