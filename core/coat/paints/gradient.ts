import { mixOklab } from "../../colour";
import type { SceneFill, SceneStop } from "../../scene/scene";
import { placeIn } from "../handles";
import { paint, type PaintGiven } from "../paint-kind";
import type { Stop } from "../../params";
import type { Part } from "../shape";
import { copiesPainted } from "./copies";
import { byInks } from "./inks-of-parts";
import { paintSpans, spanParam, sparesBoard } from "./span";

const runs = (v: Readonly<Record<string, unknown>>) => v.shape !== "copies";

export const gradient = paint({
  kind: "gradient",
  label: "Gradient",
  hint: "Two or more inks that run into each other",
  params: {
    shape: {
      type: "choice",
      label: "Shape",
      hint: "How the colours run",
      default: "linear",
      options: [
        { value: "linear", label: "Linear", hint: "Along a straight line" },
        { value: "radial", label: "Radial", hint: "Outwards from a centre" },
        { value: "copies", label: "Copies", hint: "Each copy of a trail in one colour, from the letters to the last copy" },
      ],
    },
    span: { ...spanParam, when: runs },
    stops: {
      type: "stops",
      label: "Stops",
      hint: "The inks along the gradient, each with its place and opacity",
      default: [
        { at: 0, ink: "face", opacity: 100 },
        { at: 100, ink: "edge", opacity: 100 },
      ],
    },
    mix: {
      type: "choice",
      label: "Mix",
      hint: "How the colours between two stops are found",
      default: "srgb",
      options: [
        { value: "srgb", label: "Plain", hint: "Straight through sRGB, as SVG does" },
        { value: "oklab", label: "Even", hint: "Through OKLab: steps that look even, without a muddy middle" },
      ],
    },
    from: { type: "place", label: "Start", hint: "Where the first stop lies in the span", default: { x: 0.5, y: 0 }, when: runs },
    to: { type: "place", label: "End", hint: "Where the last stop lies in the span", default: { x: 0.5, y: 1 }, when: runs },
  },
  needs: ["board"],
  spares: sparesBoard,
  handles: ({ shape, stops, from, to }, { box }) => {
    if (shape === "copies") return null;
    const per = { x: 1 / (box.maxX - box.minX || 1), y: 1 / (box.maxY - box.minY || 1) };
    const [start, end] = [placeIn(box, from), placeIn(box, to)];
    return {
      places: [
        { param: "from", label: "Start of the gradient", at: start, per, straight: end, ink: stops[0].ink },
        { param: "to", label: "End of the gradient", at: end, per, straight: start, ink: stops[stops.length - 1].ink },
      ],
      line: stops,
    };
  },
  apply: (shape, values, given) => {
    const { shape: kind, from, to } = values;
    if (kind === "copies") return copiesPainted(shape, values.stops, values.mix, given.ink);
    const fills: SceneFill[] = [];
    const fillOf = new Map<Part, number>();
    // Most letters are painted in the same inks.
    const stopsOf = new Map<string, readonly SceneStop[]>();
    for (const { box, matrix, parts } of paintSpans(shape, values.span, given))
      for (const group of byInks(parts)) {
        const inked = values.stops.map((s) => ({ ...s, ink: group.rename(s.ink) }));
        const inks = inked.map((s) => s.ink).join();
        let stops = stopsOf.get(inks);
        if (!stops) stopsOf.set(inks, (stops = sceneStops(inked, values.mix, given)));
        fills.push({ kind, from: placeIn(box, from), to: placeIn(box, to), box, stops, ...(matrix ? { matrix } : {}) });
        for (const p of group.parts) fillOf.set(p, fills.length - 1);
      }
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});

/** Colours set between two stops for a mix that SVG does not know; 8 keep the error under one step of 255. */
const between = 8;

function sceneStops(stops: readonly Stop[], mix: string, { ink, inkName }: PaintGiven<readonly []>): SceneStop[] {
  const sorted = stops
    .map((s) => ({ offset: s.at / 100, colour: ink(s.ink), ink: inkName(s.ink), opacity: s.opacity / 100 }))
    .sort((a, b) => a.offset - b.offset);
  if (mix !== "oklab") return sorted;
  return sorted.flatMap((stop, i) => {
    const next = sorted[i + 1];
    if (!next || next.colour === stop.colour || next.offset === stop.offset) return [stop];
    const steps = Array.from({ length: between }, (_, k): SceneStop => {
      const t = (k + 1) / (between + 1);
      return {
        offset: stop.offset + (next.offset - stop.offset) * t,
        colour: mixOklab(stop.colour, next.colour, t),
        opacity: stop.opacity + (next.opacity - stop.opacity) * t,
      };
    });
    return [stop, ...steps];
  });
}
