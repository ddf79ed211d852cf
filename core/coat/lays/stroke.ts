import { eachPart } from "../form-step";
import { joinOf, joinParams } from "../joins";
import { lay } from "../lay-kind";

const dashed = (values: Readonly<Record<string, unknown>>) => Array.isArray(values.dashes) && values.dashes.some((d) => d > 0);

export const stroke = lay({
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
    const dashes = values.dashes.map((d) => units(d));
    const long = dashes.reduce((a, b) => a + b, 0) >= 2 ? dashes : [];
    const band = {
      width: units(values.width),
      side: values.side,
      join: joinOf(values),
      cap: values.cap,
      dashes: long,
    };
    return eachPart(shape, (path) => kernel.band(path, band));
  },
});
