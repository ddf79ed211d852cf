import { Path } from "../../curves/path";
import { formStep } from "../form-step";
import { eachPartWith, otherParams } from "./other-form";

export const keepInside = formStep({
  kind: "keep-inside",
  group: "others",
  label: "Keep inside",
  hint: "Keeps only what lies within what another coat, or another item of the board, covers",
  params: otherParams,
  apply: (shape, values, given) =>
    eachPartWith(shape, values, given, (path, others) =>
      others.length ? given.kernel.intersect([path, given.kernel.union(others)]) : Path.empty,
    ),
});
