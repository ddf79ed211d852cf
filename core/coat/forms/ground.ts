import { formStep } from "../form-step";

export const ground = formStep({
  kind: "ground",
  label: "Shape",
  hint: "Starts from the shape that the words fill or run along",
  starts: true,
  needs: ["ground"],
  params: {},
  apply: (_, __, { ground }) => ground,
});
