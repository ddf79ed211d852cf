import { eachPart, formStep } from "../form-step";
import { joinOf } from "../joins";
import { bandOf, strokeParams } from "../strokes";

export const band = formStep({
  kind: "band",
  group: "edge",
  label: "Outline band",
  hint: "The area of a stroke along the edge, to be built on further",
  params: {
    ...strokeParams,
    fit: { ...strokeParams.fit, default: true },
    away: {
      type: "length",
      label: "Away",
      hint: "How far from the edge it lies: outwards above 0, inwards below",
      default: 0,
      min: -500,
      max: 500,
    },
  },
  apply: (shape, values, { kernel, units }) => {
    const line = bandOf(values, units);
    const away = units(values.away);
    return eachPart(shape, (path) => kernel.band(away === 0 ? path : kernel.grow(path, away, joinOf(values)), line));
  },
});
