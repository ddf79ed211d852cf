import { straightGuide } from "../guide";
import { guideKindOf } from "../guide-kind";

export const straight = guideKindOf({
  kind: "straight",
  label: "Straight",
  hint: "A straight line, level or climbing",
  params: {
    climb: {
      type: "number",
      label: "Climb",
      hint: "How steeply the line rises to the right",
      default: 0,
      min: -89,
      max: 89,
      step: 1,
      suffix: "°",
    },
  },
  make: ({ climb }, { left, width }) => {
    const angle = -climb;
    const middle = left + width / 2;
    const [dx, dy] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
    // About the middle of the words, which stays where it is.
    return { guide: straightGuide(middle - (dx * width) / 2, (-dy * width) / 2, width, angle), anchor: -left };
  },
});
