import { isEmpty, joinAll, type Bounds } from "../../curves/bounds";
import type { Kernel } from "../../curves/kernel";
import { apply, multiply, rotation, translation, type Point } from "../../curves/matrix";
import { depthOf, reflectionOf, type Mirror } from "../../depth/reflection";
import { movedLayer } from "../../scene/moved";
import type { SceneFade, SceneLayer } from "../../scene/scene";
import { plainLayer, softened, softenedAlong } from "../../scene/softened";
import { warpedLayer } from "../../scene/warped";
import { layerWithin } from "../../scene/within";
import { footOf, headOf } from "../ground-line";
import { formStep } from "../form-step";
import { isDraft } from "../inked-lines";
import { boundsOf, type Part, type Shape } from "../shape";

/** Units that the picture of a curve may be off in perspective and in waves. */
const tolerance = 0.05;

/** The share of the blur that all of a picture has while something is dragged: one blur, where there are several else. */
const inDraft = 0.4;

/** Shares of the height at which a fade has stops: between them it is straight. */
const fadeStops = [0, 0.15, 0.3, 0.5, 0.75, 1] as const;

interface Values {
  readonly side: "below" | "above";
  readonly gap: number;
  readonly height: number;
  readonly lean: number;
  readonly slope: number;
  readonly spread: number;
  readonly strength: number;
  readonly reach: number;
  readonly curve: "even" | "soft";
  readonly wave: number;
  readonly length: number;
  readonly blur: number;
}

export const mirror = formStep({
  kind: "mirror",
  group: "depth",
  label: "Mirror",
  hint: "The whole word as a wet or polished ground shows it, with all that it wears; of a coat that is more than the letters, that coat alone",
  params: {
    side: {
      type: "choice",
      label: "Lies",
      hint: "Where the picture is seen",
      default: "below",
      options: [
        { value: "below", label: "Below", hint: "On the ground before the letters" },
        { value: "above", label: "Above", hint: "Over their heads" },
      ],
    },
    gap: { type: "length", label: "Gap", hint: "Between the letters and their picture", default: 0, min: -200, max: 400, reach: 20 },
    height: {
      type: "number",
      label: "Height",
      hint: "Of the picture, against that of the letters",
      default: 100,
      min: 5,
      max: 300,
      step: 5,
      suffix: "%",
    },
    lean: {
      type: "angle",
      label: "Lean",
      hint: "How far the picture leans to the right; below 0 to the left",
      default: 0,
      min: -75,
      max: 75,
    },
    slope: {
      type: "angle",
      label: "Ground",
      hint: "How far the ground falls to the right; below 0 it rises",
      default: 0,
      min: -60,
      max: 60,
    },
    spread: {
      type: "number",
      label: "Perspective",
      hint: "How much wider the picture is at its far end, as when you stand near",
      default: 0,
      min: -60,
      max: 200,
      step: 5,
      suffix: "%",
    },
    strength: {
      type: "number",
      label: "Strength",
      hint: "How much is seen where the picture begins",
      default: 55,
      min: 0,
      max: 100,
      step: 1,
      suffix: "%",
    },
    reach: {
      type: "number",
      label: "Fades over",
      hint: "How much of the height is seen before it is gone",
      default: 75,
      min: 5,
      max: 400,
      step: 5,
      suffix: "%",
    },
    curve: {
      type: "choice",
      label: "Fade",
      hint: "How it goes",
      default: "soft",
      options: [
        { value: "even", label: "Even", hint: "At one pace" },
        { value: "soft", label: "Soft", hint: "Fast at first, and slowly at its end" },
      ],
    },
    wave: { type: "length", label: "Waves", hint: "How far water moves the picture to and fro", default: 0, min: 0, max: 100, reach: 5 },
    length: {
      type: "length",
      label: "Wave length",
      hint: "From one wave to the next",
      default: 8,
      min: 0.5,
      max: 400,
      reach: 40,
      when: (v) => Number(v.wave) > 0,
    },
    blur: {
      type: "length",
      label: "Blur",
      hint: "How soft it is at its far end; it begins nearly sharp",
      default: 0,
      min: 0,
      max: 100,
      reach: 8,
    },
  },
  needs: ["letters"],
  apply: (shape, values, { kernel, units, letters }) => {
    const own = mirrorOf(values, letters, units);
    if (!own) return { parts: [] };
    // What is painted is told apart by the part that it is: what lies in the ground has none.
    const standing = shape.parts.map(({ path, x, y, matrix }, fill) => ({ path, x, y, fill, ...(matrix ? { matrix } : {}) }));
    const { paths } = reflected({ ...plainLayer, paths: standing, bounds: boundsOf(shape.parts) }, own, kernel);
    return { parts: paths.map(({ path, x, y, matrix, fill }): Part => ({ ...shape.parts[fill], path, x, y, matrix })) };
  },
  ofLayers: (layers, values, { kernel, units, letters }) => {
    const own = mirrorOf(values, letters, units);
    if (!own) return plainLayer;
    const seen = layers.map((l) => reflected(l, own, kernel)).filter((l) => !isEmpty(l.bounds));
    const whole = joinAll(seen.map((l) => l.bounds));
    if (!seen.length) return plainLayer;
    const blur = units(values.blur);
    const fade = fadeOf(own, (share) => (values.strength / 100) * left(share / (values.reach / 100), values.curve));
    if (!(blur > 0)) return { ...plainLayer, layers: seen, bounds: whole, fade };
    const pictures = isDraft(kernel) ? [softened(seen, inDraft * blur)] : softenedAlong(seen, blur, (opacity) => fadeOf(own, opacity, 24));
    return { ...plainLayer, layers: pictures, bounds: joinAll(pictures.map((l) => l.bounds)), fade };
  },
});

/** What is left after a share of a fade. */
function left(share: number, curve: Values["curve"]): number {
  const t = Math.max(0, 1 - share);
  return curve === "soft" ? t * t : t;
}

/** Undefined where there are no letters to stand on anything. */
function mirrorOf(v: Values, { parts }: Shape, units: (length: number) => number): Mirror | undefined {
  const box = boundsOf(parts);
  if (!parts.length || isEmpty(box)) return undefined;
  const below = v.side === "below";
  const lines = parts.map((p) => p.line);
  const edge = below ? Math.max(...lines) : Math.min(...lines);
  const row = parts.filter((p) => p.line === edge);
  const y = below ? footOf(row) : headOf(row);
  const height = Math.max(1, below ? y - box.minY : box.maxY - y);
  return {
    ...{ at: { x: (box.minX + box.maxX) / 2, y }, slope: v.slope, below, gap: units(v.gap), height },
    ...{ tall: v.height / 100, lean: v.lean, spread: v.spread / 100 },
    wave: { height: units(v.wave), length: units(v.length) },
  };
}

/** A layer as the mirror shows it: what of it stands on the ground, turned over. */
function reflected(layer: SceneLayer, own: Mirror, kernel: Kernel): SceneLayer {
  const standing = layerWithin(layer, ground(layer.bounds, own), kernel);
  const { matrix, map } = reflectionOf(own);
  return matrix ? movedLayer(standing, matrix) : warpedLayer(standing, map, tolerance, kernel);
}

/** All that stands on the ground around a box: its corners, clockwise. */
function ground(box: Bounds, { at, slope, below }: Mirror): Point[] {
  const wide =
    Math.max(...[box.minX, box.maxX].map((x) => Math.abs(x - at.x)), ...[box.minY, box.maxY].map((y) => Math.abs(y - at.y))) * 2 + 100;
  const place = multiply(translation(at.x, at.y), rotation(slope));
  const corners = below
    ? [
        [-wide, -wide],
        [wide, -wide],
        [wide, 0],
        [-wide, 0],
      ]
    : [
        [-wide, 0],
        [wide, 0],
        [wide, wide],
        [-wide, wide],
      ];
  return corners.map(([x, y]) => apply(place, { x, y }));
}

/** Opacities by the share of the height that a place is the picture of; perspective sets them closer or wider as it does the picture. */
function fadeOf(own: Mirror, opacity: (share: number) => number, steps = 0): SceneFade {
  const side = own.below ? 1 : -1;
  const deepest = depthOf(own, 1);
  const place = multiply(translation(own.at.x, own.at.y), rotation(own.slope));
  const shares = steps ? Array.from({ length: steps + 1 }, (_, i) => i / steps) : fadeStops;
  return {
    from: apply(place, { x: 0, y: side * own.gap }),
    to: apply(place, { x: 0, y: side * (own.gap + deepest) }),
    stops: shares.map((share) => ({ offset: depthOf(own, share) / deepest, opacity: opacity(share) })),
  };
}
