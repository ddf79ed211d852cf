import type { Coat } from "../coat/schema";
import { mapSettings } from "../coat/settings";
import type { FaceMetrics } from "../lettering/face";
import { pxPer } from "../units";
import type { Measure, Style } from "./schema";

/**
 * Units of lettering space (1000 to the em) in one length unit of a style.
 * @param size of the lettering, in pixels to the em
 */
export function unitsPerLength(measure: Measure, metrics: FaceMetrics, size: number): number {
  switch (measure) {
    case "em":
      return 10;
    case "cap":
      return metrics.capHeight / 100;
    case "stem":
      return metrics.stem / 100;
    case "fixed":
      return (pxPer.pt * 1000) / size;
  }
}

/** The style with another measure and the same look on a lettering of these metrics and this size. */
export function withMeasure(style: Style, measure: Measure, metrics: FaceMetrics, size: number): Style {
  const k = unitsPerLength(style.measure, metrics, size) / unitsPerLength(measure, metrics, size);
  return { ...style, measure, coats: style.coats.map((c) => scaledCoat(c, k)) };
}

/** Every length of a coat times `k`, within what it may be. */
export function scaledCoat(coat: Coat, k: number): Coat {
  const scaled = (v: number) => Number((v * k).toPrecision(6));
  return mapSettings(coat, {
    length: (v, { min, max }) => Math.min(max, Math.max(min, scaled(v))),
    lengths: (all) => all.map(scaled),
    direction: (way, { max }) => ({ ...way, distance: Math.min(max, scaled(way.distance)) }),
  });
}
