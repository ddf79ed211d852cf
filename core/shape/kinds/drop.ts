import { PathBuilder } from "../../curves/path";
import { quarter } from "../round";
import { shapeKindOf } from "../shape-kind";

export const drop = shapeKindOf({
  kind: "drop",
  label: "Drop",
  hint: "Round below, drawn out to a tip above",
  params: {
    shoulder: {
      type: "number",
      label: "Shoulder",
      hint: "How full the sides are below the tip",
      default: 40,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    lean: {
      type: "number",
      label: "Lean",
      hint: "How far the tip leans to the right",
      default: 0,
      min: -100,
      max: 100,
      step: 1,
      suffix: "%",
    },
  },
  draw: ({ shoulder, lean }, { width, height }) => {
    const [w, h] = [width / 2, height / 2];
    const full = shoulder / 100;
    const tip = (lean / 100) * w;
    // The lower part is half an ellipse about a centre that lies low in the box.
    const cy = h - Math.min(w, h);
    const [kx, ky] = [w * quarter, (h - cy) * quarter];
    const out = new PathBuilder();
    out.move(tip, -h);
    out.cubic(tip + w * full * 0.9, -h + (cy + h) * 0.35 * (1 - full), w, cy - (cy + h) * (0.3 + 0.3 * full), w, cy);
    out.cubic(w, cy + ky, kx, h, 0, h);
    out.cubic(-kx, h, -w, cy + ky, -w, cy);
    out.cubic(-w, cy - (cy + h) * (0.3 + 0.3 * full), tip - w * full * 0.9, -h + (cy + h) * 0.35 * (1 - full), tip, -h);
    out.close();
    return out.build();
  },
});
