import { eachPart } from "../form-step";
import { lay } from "../lay-kind";
import { bandOf, strokeParams } from "../strokes";

export const stroke = lay({
  kind: "stroke",
  label: "Stroke",
  hint: "Paints a line along the edge of the form",
  params: strokeParams,
  apply: (shape, values, { kernel, units }) => {
    const band = bandOf(values, units);
    return eachPart(shape, (path) => kernel.band(path, band));
  },
});
