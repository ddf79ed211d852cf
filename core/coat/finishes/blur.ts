import { withReach } from "../../scene/effects";
import { finish } from "../finish-kind";

export const blur = finish({
  kind: "blur",
  label: "Blur",
  hint: "Softens all of the coat, its edge and its paint",
  params: {
    radius: { type: "length", label: "Blur", hint: "How far the edge is softened; 0 leaves it sharp", default: 0, min: 0, max: 200 },
  },
  /** A radius is twice the deviation, as in CSS (Backgrounds and Borders Level 3, section 6.1.1). */
  apply: (coat, { radius }, { units }) => {
    if (radius === 0) return coat;
    const { body } = coat;
    const effect = { kind: "blur" as const, deviation: units(radius) / 2 };
    return { ...coat, body: { ...body, effects: [...(body.effects ?? []), effect], bounds: withReach(body.bounds, [effect]) } };
  },
});
