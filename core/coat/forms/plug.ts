import { eachPart, formStep } from "../form-step";

export const plug = formStep({
  kind: "plug",
  group: "outline",
  label: "Plug",
  hint: "Fills the counters: the holes of o, a, R and the like",
  params: {},
  apply: (shape, _, { kernel }) => eachPart(shape, (path) => kernel.plug(path)),
});
