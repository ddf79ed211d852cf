import { straightGuide } from "../guide";
import { guideKindOf } from "../guide-kind";
import { alongParams, guideAlong } from "./along";

export const outline = guideKindOf({
  kind: "outline",
  label: "Shape",
  hint: "The outline of a shape on the board",
  params: {
    shape: { type: "shape", label: "Shape", hint: "Whose outline the words run along", default: "" },
    ...alongParams,
  },
  make: (values, context) => {
    const path = context.outline(values.shape);
    if (!path)
      return {
        guide: straightGuide(context.left, 0, context.width),
        anchor: -context.left,
        message: values.shape
          ? "The shape that these words ran along is gone, so they stand straight."
          : "Choose a shape for these words to run along.",
      };
    return guideAlong(path, values, context);
  },
});
