import { circleGuide } from "../guide";
import { guideKindOf } from "../guide-kind";

export const ring = guideKindOf({
  kind: "ring",
  label: "Ring",
  hint: "A full circle",
  params: {
    radius: {
      type: "number",
      label: "Radius",
      hint: "Of the circle, in thousandths of the em",
      default: 2000,
      min: 50,
      max: 100_000,
      step: 50,
      suffix: "‰",
    },
    start: {
      type: "number",
      label: "Start",
      hint: "Where the words are, clockwise from the top",
      default: 0,
      min: -360,
      max: 360,
      step: 1,
      suffix: "°",
    },
    way: {
      type: "choice",
      label: "Runs",
      hint: "Which way the words read",
      default: "clockwise",
      options: [
        { value: "clockwise", label: "Clockwise", hint: "Heads outward: reads well at the top" },
        { value: "counter", label: "Counter", hint: "Heads inward: reads well at the bottom" },
      ],
    },
    side: {
      type: "choice",
      label: "Stands",
      hint: "On which side of the circle the letters lie",
      default: "outside",
      options: [
        { value: "outside", label: "Outside", hint: "The letters lie around the circle" },
        { value: "inside", label: "Inside", hint: "The letters lie within the circle" },
      ],
    },
  },
  make: ({ radius, start, way, side }, { capHeight }) => {
    const r = radius;
    const clockwise = way === "clockwise";
    const angle = (start * Math.PI) / 180;
    // With heads outward the feet stand on the circle outside of it and hang from it by their heads inside; with heads inward the reverse.
    const hanging = clockwise !== (side === "outside");
    return {
      guide: circleGuide(0, 0, clockwise ? r : -r, angle, 2 * Math.PI * r, true),
      anchor: 0,
      ...(hanging ? { lift: -capHeight } : {}),
    };
  },
});
