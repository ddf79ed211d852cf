import { withoutSlivers } from "../../curves/slivers";
import { eachPart, formStep } from "../form-step";
import { isDraft } from "../inked-lines";
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
  apply: (shape, values, { kernel, units }) =>
    eachPart(shape, (path) => {
      const thinner = kernel.grow(path, -units(values.amount), joinOf(values));
      // A hair that is left of a stroke would be seen where it is drawn along.
      return isDraft(kernel) ? thinner : withoutSlivers(thinner);
    }),
});
