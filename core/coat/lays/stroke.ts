import type { Cap, Side } from "../../curves/kernel";
import { eachPart } from "../form-step";
import { joinOf, joinParams } from "../joins";
import type { LayKind } from "../lay-kind";

const dashed = (values: Record<string, unknown>) => (values.dashes as number[]).some((d) => d > 0);

export const stroke: LayKind = {
  kind: "stroke",
  label: "Stroke",
  hint: "Paints a line along the edge of the form",
  params: {
    width: { type: "length", label: "Width", hint: "How wide the stroke is", default: 2, min: 0, max: 1000 },
    side: {
      type: "choice",
      label: "Side",
      hint: "Where the stroke lies",
      default: "centre",
      options: [
        { value: "inside", label: "Inside", hint: "Within the form" },
        { value: "centre", label: "Centre", hint: "Half in, half out" },
        { value: "outside", label: "Outside", hint: "Around the form" },
      ],
    },
    ...joinParams,
    dashes: {
      type: "lengths",
      label: "Dashes",
      hint: "Lengths painted and left out in turn, such as 4 2; empty for an unbroken stroke",
      default: [],
    },
    cap: {
      type: "choice",
      label: "Caps",
      hint: "How dashes end",
      default: "butt",
      when: dashed,
      options: [
        { value: "butt", label: "Butt", hint: "Cut off at the end" },
        { value: "round", label: "Round", hint: "Ended by half a circle" },
        { value: "square", label: "Square", hint: "Longer by half the width" },
      ],
    },
  },
  apply: (shape, values, { kernel, units }) => {
    // A thousand dashes round a letter are art; a million are a slip of the keyboard.
    const dashes = (values.dashes as number[]).map((d) => units(d));
    const long = dashes.reduce((a, b) => a + b, 0) >= 2 ? dashes : [];
    const band = {
      width: units(values.width as number),
      side: values.side as Side,
      join: joinOf(values),
      cap: values.cap as Cap,
      dashes: long,
    };
    return eachPart(shape, (path) => kernel.band(path, band));
  },
};
