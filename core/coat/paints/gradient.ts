import type { SceneFill, SceneStop } from "../../scene/scene";
import { placeIn, shareOf } from "../handles";
import { paint } from "../paint-kind";
import type { Part } from "../shape";
import { copiesPainted } from "./copies";
import { endsOf } from "./gradient-line";
import { sceneStops } from "./gradient-stops";
import { byInks } from "./inks-of-parts";
import { paintSpans, spanParam, sparesAround } from "./span";

type Set = Readonly<Record<string, unknown>>;
const runs = (v: Set) => v.shape !== "copies";
const atAngle = (v: Set) => v.shape === "linear" && v.line === "angle";
const byPlaces = (v: Set) => runs(v) && !atAngle(v);

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
        { value: "angular", label: "Angular", hint: "Around a centre" },
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
    ease: {
      type: "choice",
      label: "Between stops",
      hint: "How one ink gives way to the next",
      default: "even",
      when: runs,
      options: [
        { value: "even", label: "Even", hint: "Little by little, at one pace" },
        { value: "smooth", label: "Smooth", hint: "Slowly at both inks, and faster between them" },
        { value: "bands", label: "Bands", hint: "Each ink up to the place of the next" },
      ],
    },
    line: {
      type: "choice",
      label: "Line",
      hint: "How its line is set",
      default: "ends",
      when: (v) => v.shape === "linear",
      options: [
        { value: "angle", label: "Angle", hint: "Across all of the span, at an angle that is the same on any word" },
        { value: "ends", label: "Ends", hint: "Between two places of the span, which grips on the bench move" },
      ],
    },
    angle: {
      type: "angle",
      label: "Angle",
      hint: "Where it runs, clockwise: 0 to the right, 90 down",
      default: 90,
      min: -360,
      max: 360,
      when: atAngle,
    },
    spread: {
      type: "number",
      label: "Spread",
      hint: "How long it is: at 100 % its ends reach the corners",
      default: 100,
      min: 1,
      max: 1000,
      step: 1,
      suffix: "%",
      when: atAngle,
    },
    moved: {
      type: "number",
      label: "Moved",
      hint: "How far it is moved along itself",
      default: 0,
      min: -200,
      max: 200,
      step: 1,
      suffix: "%",
      when: atAngle,
    },
    from: { type: "place", label: "Start", hint: "Where the first stop lies in the span", default: { x: 0.5, y: 0 }, when: byPlaces },
    to: { type: "place", label: "End", hint: "Where the last stop lies in the span", default: { x: 0.5, y: 1 }, when: byPlaces },
  },
  fresh: { line: "angle", mix: "oklab", from: { x: 0.5, y: 0.5 }, to: { x: 1, y: 0.5 } },
  needs: ["board", "group"],
  spares: sparesAround,
  handles: (values, [{ box }]) => {
    const { shape, stops, line } = values;
    if (shape === "copies") return null;
    const per = { x: 1 / (box.maxX - box.minX || 1), y: 1 / (box.maxY - box.minY || 1) };
    const [start, end] = shape === "linear" ? endsOf(values, box) : [placeIn(box, values.from), placeIn(box, values.to)];
    // A line at an angle that is taken by its ends is one between two places from then on.
    const also = shape === "linear" && line === "angle" ? { also: { line: "ends", from: shareOf(box, start), to: shareOf(box, end) } } : {};
    return {
      places: [
        { param: "from", label: "Start of the gradient", at: start, per, straight: end, ink: stops[0].ink, ...also },
        { param: "to", label: "End of the gradient", at: end, per, straight: start, ink: stops[stops.length - 1].ink, ...also },
      ],
      line: shape === "angular" ? [] : stops,
    };
  },
  apply: (shape, values, given) => {
    const { shape: kind, from, to } = values;
    if (kind === "copies") return copiesPainted(shape, values.stops, values.mix, given.ink);
    const fills: SceneFill[] = [];
    const fillOf = new Map<Part, number>();
    // Most letters are painted in the same inks.
    const stopsOf = new Map<string, readonly SceneStop[]>();
    for (const { box, matrix, parts } of paintSpans(shape, values.span, given)) {
      const [start, end] = kind === "linear" ? endsOf(values, box) : [placeIn(box, from), placeIn(box, to)];
      for (const group of byInks(parts)) {
        const inked = values.stops.map((s) => ({ ...s, ink: group.rename(s.ink) }));
        const inks = inked.map((s) => s.ink).join();
        let stops = stopsOf.get(inks);
        if (!stops) stopsOf.set(inks, (stops = sceneStops(inked, values.mix, values.ease, given)));
        const shared = { box, stops, ...(matrix ? { matrix } : {}) };
        const turn = (Math.atan2(end.y - start.y, end.x - start.x) * 180) / Math.PI;
        fills.push(kind === "angular" ? { kind, centre: start, turn, ...shared } : { kind, from: start, to: end, ...shared });
        for (const p of group.parts) fillOf.set(p, fills.length - 1);
      }
    }
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});
