import { PathBuilder } from "../../curves/path";
import { shapeKindOf } from "../shape-kind";

export const shield = shapeKindOf({
  kind: "shield",
  label: "Shield",
  hint: "A level or dipping head, sides that run to a point",
  params: {
    head: {
      type: "number",
      label: "Head",
      hint: "How far the upper edge rises in the middle; below 0 it dips",
      default: 0,
      min: -40,
      max: 40,
      step: 1,
      suffix: "%",
    },
    ears: {
      type: "number",
      label: "Ears",
      hint: "How far the upper corners are cut in a hollow",
      default: 0,
      min: 0,
      max: 40,
      step: 1,
      suffix: "%",
    },
    belly: {
      type: "number",
      label: "Belly",
      hint: "How full the sides stay towards the point",
      default: 55,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  draw: ({ head, ears, belly }, { width, height }) => {
    const [w, h] = [width / 2, height / 2];
    const rise = (head / 100) * height;
    const cut = (ears / 100) * Math.min(w, h);
    const full = belly / 100;
    const top = -h + Math.max(0, rise);
    const middle = top - rise;
    const waist = -h + height * 0.38;
    const out = new PathBuilder();
    const side = (s: 1 | -1, back: boolean) => {
      const shoulderX = s * (w - cut);
      if (!back) {
        // From the middle of the head along its right half, then down to the point.
        if (rise === 0) out.line(shoulderX, top);
        else out.cubic(s * w * 0.36, middle, s * (w - cut) * 0.72, top + Math.max(0, rise) * 0.12, shoulderX, top);
        if (cut > 0) out.cubic(shoulderX, top + cut * 0.55, s * (w - cut * 0.45), top + cut, s * w, top + cut);
        out.line(s * w, Math.max(waist, top + cut + 1));
        out.cubic(s * w, waist + height * (0.16 + 0.24 * full), s * w * (0.28 + 0.42 * full), h - height * (0.2 - 0.1 * full), 0, h);
      } else {
        out.cubic(
          s * w * (0.28 + 0.42 * full),
          h - height * (0.2 - 0.1 * full),
          s * w,
          waist + height * (0.16 + 0.24 * full),
          s * w,
          Math.max(waist, top + cut + 1),
        );
        out.line(s * w, top + cut);
        if (cut > 0) out.cubic(s * (w - cut * 0.45), top + cut, shoulderX, top + cut * 0.55, shoulderX, top);
        if (rise === 0) out.line(0, middle);
        else out.cubic(s * (w - cut) * 0.72, top + Math.max(0, rise) * 0.12, s * w * 0.36, middle, 0, middle);
      }
    };
    out.move(0, middle);
    side(1, false);
    side(-1, true);
    out.close();
    return out.build();
  },
});
