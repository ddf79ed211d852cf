import type { SceneFill, SceneStop } from "../../scene/scene";
import type { PdfDocument, PdfRef, PdfValue } from "./document";

export type Gradient = Extract<SceneFill, { kind: "linear" | "radial" }>;

/** The channels of a colour given as #rrggbb, 0 to 1. */
export const channels = (colour: string): number[] => [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16) / 255);

/** Bounds must rise (ISO 32000-1, 7.10.4): where a colour changes at once, it does so within this. */
const leastStep = 1e-5;

/** A gradient as a shading (ISO 32000-1, 8.7.4.5), of its colours or of their opacities as a grey. */
export function shading(document: PdfDocument, fill: Gradient, of: "colour" | "opacity"): PdfRef {
  const { from, to } = fill;
  const radius = Math.max(1e-3, Math.hypot(to.x - from.x, to.y - from.y));
  return document.add({
    ShadingType: fill.kind === "linear" ? 2 : 3,
    ColorSpace: of === "colour" ? "DeviceRGB" : "DeviceGray",
    Coords: fill.kind === "linear" ? [from.x, from.y, to.x, to.y] : [from.x, from.y, 0, from.x, from.y, radius],
    Function: along(document, fill.stops, of === "colour" ? (s) => channels(s.colour) : (s) => [s.opacity]),
    Extend: [true, true],
  });
}

function along(document: PdfDocument, stops: readonly SceneStop[], valueOf: (stop: SceneStop) => number[]): PdfRef {
  let last = -leastStep;
  const at = stops.map((s) => (last = Math.max(s.offset, last + leastStep)));
  const places = [0, ...at.map((offset) => Math.min(1, offset)), 1];
  const values = [stops[0], ...stops, stops[stops.length - 1]].map(valueOf);
  const parts: { function: PdfValue; until: number }[] = [];
  for (let i = 0; i + 1 < places.length; i++)
    if (places[i + 1] > places[i])
      parts.push({
        function: document.add({ FunctionType: 2, Domain: [0, 1], C0: values[i], C1: values[i + 1], N: 1 }),
        until: places[i + 1],
      });
  return document.add({
    FunctionType: 3,
    Domain: [0, 1],
    Functions: parts.map((p) => p.function),
    Bounds: parts.slice(0, -1).map((p) => p.until),
    Encode: parts.flatMap(() => [0, 1]),
  });
}
