import type { Bounds } from "../../curves/bounds";
import type { SceneFill } from "../../scene/scene";
import { paint } from "../paint-kind";
import type { Part } from "../shape";
import { paintSpans, spanParam, sparesAround } from "./span";

type Fit = "cover" | "contain";

/** What stands in for a photo that was not chosen yet. */
export const unexposed = "#9b9890";

export const photo = paint({
  kind: "photo",
  label: "Photo",
  hint: "A picture that is seen through the letters",
  params: {
    photo: { type: "photo", label: "Photo", hint: "A PNG, JPEG or WebP file; kept with the pieces on the shelf", default: null },
    span: { ...spanParam, when: (v) => v.photo !== null },
    fit: {
      type: "choice",
      label: "Fit",
      hint: "How large the photo is in what it stretches over",
      default: "cover",
      options: [
        { value: "cover", label: "Fills", hint: "As small as leaves nothing bare; the rest is cut off" },
        { value: "contain", label: "Whole", hint: "As large as it is seen whole; what is left stays bare" },
      ],
      when: (v) => v.photo !== null,
    },
    scale: {
      type: "number",
      label: "Scale",
      hint: "Larger or smaller than it fits by itself",
      default: 100,
      min: 10,
      max: 1000,
      step: 1,
      suffix: "%",
      when: (v) => v.photo !== null,
    },
    place: {
      type: "place",
      label: "Place",
      hint: "Which share of the photo lies at the same share of what it stretches over",
      default: { x: 0.5, y: 0.5 },
      when: (v) => v.photo !== null,
    },
    opacity: {
      type: "number",
      label: "Opacity",
      hint: "How much of what is below shows through the photo",
      default: 100,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
      when: (v) => v.photo !== null,
    },
  },
  needs: ["board", "group"],
  spares: sparesAround,
  handles: (_, [{ box, area }]) => {
    if (!area) return null;
    // The place moves the photo by its share of what is left over; where nothing is, it cannot be moved that way.
    const [x, y] = [box.maxX - box.minX - (area.maxX - area.minX), box.maxY - box.minY - (area.maxY - area.minY)];
    const per = { x: Math.abs(x) < 1e-3 ? 0 : 1 / x, y: Math.abs(y) < 1e-3 ? 0 : 1 / y };
    const at = { x: (area.minX + area.maxX) / 2, y: (area.minY + area.maxY) / 2 };
    return { places: [{ param: "place", label: "Place of the photo", at, per }], edges: area };
  },
  apply: (shape, values, given) => {
    const chosen = values.photo;
    if (!chosen) return { fills: [{ kind: "flat", colour: unexposed, opacity: 1 }] };
    const fills: SceneFill[] = [];
    const fillOf = new Map<Part, number>();
    for (const { box, matrix, parts } of paintSpans(shape, values.span, given)) {
      const area = fitted(chosen, box, values.fit, values.scale / 100, values.place);
      fills.push({
        kind: "picture",
        source: { kind: "photo", photo: chosen.id },
        area,
        box,
        opacity: values.opacity / 100,
        ...(matrix ? { matrix } : {}),
      });
      for (const p of parts) fillOf.set(p, fills.length - 1);
    }
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});

/**
 * Where a photo lies in the box that it stretches over: sized and placed as `object-fit` and `object-position` do it in CSS (CSS Images
 * Module Level 3, sections 4.5 and 4.6), then scaled about the place.
 * @param place 0, 0 is the top left, 1, 1 the bottom right, of box and photo alike
 */
export function fitted(
  size: { width: number; height: number },
  box: Bounds,
  fit: Fit,
  scale: number,
  place: { x: number; y: number },
): Bounds {
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const [kx, ky] = [w / size.width, h / size.height];
  const k = (fit === "cover" ? Math.max(kx, ky) : Math.min(kx, ky)) * scale;
  const [width, height] = [size.width * k, size.height * k];
  const [minX, minY] = [box.minX + (w - width) * place.x, box.minY + (h - height) * place.y];
  return { minX, minY, maxX: minX + width, maxY: minY + height };
}
