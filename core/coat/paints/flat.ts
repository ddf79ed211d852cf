import type { PaintKind } from "../paint-kind";
import { byInks } from "./inks-of-parts";

export const flat: PaintKind = {
  kind: "flat",
  label: "Flat",
  hint: "One even colour",
  params: {
    ink: { type: "ink", label: "Ink", hint: "The ink of the style that colours this coat", default: "face" },
    opacity: {
      type: "number",
      label: "Ink opacity",
      hint: "How much of what is below shows through the ink",
      default: 100,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  apply: (shape, values, { ink }) => {
    const groups = byInks(shape.parts);
    const fillOf = new Map(groups.flatMap((g, i) => g.parts.map((p) => [p, i] as const)));
    return {
      fills: groups.map((g) => ({ kind: "flat", colour: ink(g.rename(values.ink as string)), opacity: (values.opacity as number) / 100 })),
      paths: shape.parts.map((p) => ({ path: p.path, x: p.x, y: p.y, fill: fillOf.get(p)! })),
    };
  },
};
