import { formStep } from "../form-step";
import { eachPartWith, otherParams } from "./other-form";

export const knockOut = formStep({
  kind: "knock-out",
  group: "others",
  label: "Knock out",
  hint: "Takes away what another coat, or another item of the board, covers",
  params: otherParams,
  apply: (shape, values, given) =>
    eachPartWith(shape, values, given, (path, others) => (others.length ? given.kernel.subtract(path, others) : path)),
});
