import type { FormStepKind } from "../form-step";

export const letters: FormStepKind = {
  kind: "letters",
  label: "Letters",
  hint: "Starts from the letters as they are set",
  source: (context) => context.letters,
  params: {},
  apply: (shape) => shape,
};
