import type { FormStepKind } from "../form-step";

export const ground: FormStepKind = {
  kind: "ground",
  label: "Shape",
  hint: "Starts from the shape that the words fill or run along",
  source: (context) => context.ground,
  params: {},
  apply: (shape) => shape,
};
