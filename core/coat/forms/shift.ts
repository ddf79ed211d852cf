import { formStep } from "../form-step";

export const shift = formStep({
  kind: "shift",
  group: "place",
  label: "Shift",
  hint: "Moves the whole coat sideways, up or down",
  params: {
    right: { type: "length", label: "Right", hint: "To the right; below 0 to the left", default: 3, min: -1000, max: 1000 },
    down: { type: "length", label: "Down", hint: "Down; below 0 up", default: 3, min: -1000, max: 1000 },
  },
  apply: (shape, values, { units }) => {
    const dx = units(values.right);
    const dy = units(values.down);
    return { parts: shape.parts.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy })) };
  },
});
