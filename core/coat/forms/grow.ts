import { eachPart, formStep } from "../form-step";
import { joinOf, joinParams } from "../joins";

export const grow = formStep({
  kind: "grow",
  group: "outline",
  label: "Grow",
  hint: "Makes every letter fatter by a parallel outline",
  params: {
    amount: { type: "length", label: "Amount", hint: "How far the outline moves out", default: 3, min: 0, max: 1000 },
    ...joinParams,
  },
  apply: (shape, values, { kernel, units }) => eachPart(shape, (path) => kernel.grow(path, units(values.amount), joinOf(values))),
});
