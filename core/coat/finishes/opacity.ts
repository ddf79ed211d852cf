import { finish } from "../finish-kind";

export const opacity = finish({
  kind: "opacity",
  label: "Opacity",
  hint: "How much of what is below shows through the coat",
  params: {
    amount: {
      type: "number",
      label: "Opacity",
      hint: "100 % covers, 0 % is not seen",
      default: 100,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  apply: (coat, { amount }) => ({ ...coat, body: { ...coat.body, opacity: coat.body.opacity * (amount / 100) } }),
});
