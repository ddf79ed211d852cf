import { paint } from "../paint-kind";
import { byInks } from "./inks-of-parts";

export const flat = paint({
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
  apply: (shape, values, { ink, inkName }) => {
    const groups = byInks(shape.parts);
    const fillOf = new Map(groups.flatMap((g, i) => g.parts.map((p) => [p, i] as const)));
    return {
      fills: groups.map((g) => {
        const id = g.rename(values.ink);
        return { kind: "flat", colour: ink(id), ink: inkName(id), opacity: values.opacity / 100 };
      }),
      fillOf: (part) => fillOf.get(part)!,
    };
  },
});
