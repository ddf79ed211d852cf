import { formStep } from "../form-step";

export const letters = formStep({
  kind: "letters",
  label: "Letters",
  hint: "Starts from the letters as they are set",
  starts: true,
  needs: ["letters"],
  params: {},
  apply: (_, __, { letters }) => letters,
});
