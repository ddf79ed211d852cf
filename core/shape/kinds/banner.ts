import { PathBuilder } from "../../curves/path";
import { shapeKindOf } from "../shape-kind";

export const banner = shapeKindOf({
  kind: "banner",
  label: "Banner",
  hint: "A ribbon with folded tails; words fill its panel",
  params: {
    bow: {
      type: "number",
      label: "Bow",
      hint: "How far the ribbon arches; below 0 it hangs",
      default: 0,
      min: -100,
      max: 100,
      step: 1,
      suffix: "%",
    },
    tail: {
      type: "number",
      label: "Tails",
      hint: "How much of the width each tail takes",
      default: 16,
      min: 0,
      max: 35,
      step: 1,
      suffix: "%",
    },
    notch: {
      type: "number",
      label: "Notch",
      hint: "How deep the ends of the tails are cut",
      default: 40,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    fall: {
      type: "number",
      label: "Fall",
      hint: "How far the tails hang below the panel",
      default: 24,
      min: 0,
      max: 60,
      step: 1,
      suffix: "%",
    },
    gap: {
      type: "number",
      label: "Gap",
      hint: "Between panel and tails, as a share of the height",
      default: 4,
      min: 0,
      max: 20,
      step: 0.5,
      suffix: "%",
    },
  },
  draw: (values, { width, height }) => {
    const [bow, tail, notch, fall, gap] = [values.bow, values.tail, values.notch, values.fall, values.gap].map((v) => v / 100);
    const [w, h] = [width / 2, height / 2];
    // What the panel keeps of the height after the bow and the fall took theirs.
    const rise = bow * height * 0.4;
    const drop = fall * height * 0.55;
    const thick = Math.max(height * 0.2, height - Math.abs(rise) - drop);
    const px = w * (1 - 2 * tail);
    const top = -h + Math.max(0, rise);
    const out = new PathBuilder();
    // A quarter of the way out a parabola's handles lie at two thirds of its rise.
    const lift = (rise * 4) / 3;
    out.move(-px, top);
    out.cubic(-px / 3, top - lift, px / 3, top - lift, px, top);
    out.line(px, top + thick);
    out.cubic(px / 3, top + thick - lift, -px / 3, top + thick - lift, -px, top + thick);
    out.close();
    if (tail > 0) {
      const [space, fold] = [gap * height, Math.min(w - px, width * 0.075)];
      const slope = (lift * 3) / (2 * px || 1);
      const under = top + thick + belowPanel(px - fold, px, lift);
      for (const s of [-1, 1]) {
        const [x0, x1] = [s * (px + space), s * w];
        const y0 = top + drop;
        const end = slope * (w - px) * 0.5;
        const foot = y0 + thick;
        // The tail, cut along the fold where it goes behind the panel.
        out.move(x0, y0);
        out.line(x1, y0 + end);
        out.line(x1 - s * notch * (w - px) * 0.8, y0 + end + thick / 2);
        out.line(x1, foot + end);
        if (drop > space * 2) {
          out.line(s * (px - fold + space * 0.8), foot);
          out.line(x0, top + thick + space * 0.4);
        } else out.line(x0, foot);
        out.close();
        if (drop <= space * 2) continue;
        // The fold itself: a corner of the back of the ribbon, below the panel.
        out.move(s * (px - fold), under + space);
        out.line(s * (px - space * 0.6), top + thick + space);
        out.line(s * (px - fold), foot - space * 0.9);
        out.close();
      }
    }
    // However it is bowed, it fills its box.
    const path = out.build();
    const b = path.bounds;
    const k = height / (b.maxY - b.minY);
    return path.transform([1, 0, 0, k, 0, -h - b.minY * k]);
  },
});

/** How far the panel's lower edge lies from the height of its ends, at a place across it; on screen up is below 0. */
function belowPanel(x: number, px: number, lift: number): number {
  const t = (x / px + 1) / 2;
  return -lift * 3 * t * (1 - t);
}
