import { finish } from "../finish-kind";
import { blendChoices } from "./blend-choices";

export const blend = finish({
  kind: "blend",
  label: "Blend",
  hint: "How the coat mixes with what is below",
  params: {
    mode: {
      type: "choice",
      label: "Blend mode",
      hint: "How the coat mixes with what is below (W3C Compositing)",
      default: "normal",
      options: blendChoices,
    },
  },
  apply: (coat, { mode }) => ({ ...coat, body: { ...coat.body, blend: mode } }),
});
