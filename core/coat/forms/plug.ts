import { eachPart, type FormStepKind } from "../form-step";

export const plug: FormStepKind = {
  kind: "plug",
  label: "Plug",
  hint: "Fills the counters: the holes of o, a, R and the like",
  params: {},
  apply: (shape, _, { kernel }) => eachPart(shape, (path) => kernel.plug(path)),
};
