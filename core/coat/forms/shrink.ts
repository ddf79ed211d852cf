import { eachPart, formStep } from "../form-step";
import { joinOf, joinParams } from "../joins";

export const shrink = formStep({
  kind: "shrink",
  group: "outline",
  label: "Shrink",
  hint: "Makes every letter thinner by a parallel outline; what is too thin vanishes",
  params: {
    amount: { type: "length", label: "Amount", hint: "How far the outline moves in", default: 1, min: 0, max: 1000 },
    ...joinParams,
  },
  apply: (shape, values, { kernel, units }) => eachPart(shape, (path) => kernel.grow(path, -units(values.amount), joinOf(values))),
});
