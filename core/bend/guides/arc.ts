import { circleGuide, straightGuide } from "../guide";
import { guideKindOf, type AnchoredGuide } from "../guide-kind";

/** Below this an arc of a thousand units differs from a straight line by less than a thousandth of one. */
const flat = 1e-4;

/**
 * The angle of an arc of length 1 that rises by `rise` (its sagitta), in radians: rise = (1 - cos(angle / 2)) / angle, which grows up to
 * 0.3623 at 267 degrees. Solved by halving.
 */
export function angleOfRise(rise: number): number {
  const size = Math.min(Math.abs(rise), (1 - Math.cos(steepest / 2)) / steepest);
  let [low, high] = [0, steepest];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if ((1 - Math.cos(middle / 2)) / middle < size) low = middle;
    else high = middle;
  }
  return (Math.sign(rise) * (low + high)) / 2;
}
/** Where the rise of an arc of given length is largest: tan(a / 4) = a / 2, from setting its derivative to nothing. */
export const steepest = 4.66224474;

/** An arc through the words whose middle stays where it is. @param angle radians; positive arches up */
function arcThrough(angle: number, left: number, width: number): AnchoredGuide {
  if (Math.abs(angle) < flat || width <= 0) return { guide: straightGuide(left, 0, Math.max(width, 0), 0), anchor: -left };
  const radius = width / angle;
  // Arching up, the words run clockwise about a centre below; arching down, counterclockwise about one above.
  const start = radius > 0 ? -angle / 2 : Math.PI - angle / 2;
  return { guide: circleGuide(left + width / 2, radius, radius, start, width, false), anchor: -left };
}

export const arc = guideKindOf({
  kind: "arc",
  label: "Arc",
  hint: "Part of a circle, as wide as the words",
  params: {
    by: {
      type: "choice",
      label: "Set by",
      hint: "How the arc is given",
      default: "angle",
      options: [
        { value: "angle", label: "Angle", hint: "How much of a circle the words take" },
        { value: "rise", label: "Rise", hint: "How far the middle stands above the ends" },
      ],
    },
    angle: {
      type: "number",
      label: "Angle",
      hint: "How much of a circle the words take: 180 is half a circle, below 0 it hangs",
      default: 60,
      min: -358,
      max: 358,
      step: 1,
      suffix: "°",
      when: (v) => v.by === "angle",
    },
    rise: {
      type: "number",
      label: "Rise",
      hint: "How far the middle stands above the ends, as a share of the words' length; below 0 it hangs",
      default: 12,
      min: -36,
      max: 36,
      step: 1,
      suffix: "%",
      when: (v) => v.by === "rise",
    },
  },
  make: (values, { left, width }) =>
    arcThrough(values.by === "rise" ? angleOfRise(values.rise / 100) : (values.angle * Math.PI) / 180, left, width),
});
