import { formStepKind } from "../coat/forms";
import { layKind } from "../coat/lays";
import type { Params, Step } from "../params";
import type { Coat } from "../coat/schema";
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

/** Every length of a coat times `k`. */
export function scaledCoat(coat: Coat, k: number): Coat {
  return {
    ...coat,
    form: coat.form.map((s) => scaled(s, formStepKind(s.kind).params, k)),
    lay: scaled(coat.lay, layKind(coat.lay.kind).params, k),
  };
}

function scaled<S extends Step>(step: S, params: Params, k: number): S {
  const round = (v: number) => Number((v * k).toPrecision(6));
  const out: Record<string, unknown> = { ...step };
  for (const [name, p] of Object.entries(params)) {
    if (p.type === "length") out[name] = Math.min(p.max, Math.max(p.min, round(step[name] as number)));
    if (p.type === "lengths") out[name] = (step[name] as number[]).map(round);
  }
  return out as S;
}
