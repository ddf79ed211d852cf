import { mixOklab } from "../../colour";
import { multiply } from "../../curves/matrix";
import type { Point3 } from "../../depth/camera";
import { materials } from "../../grain/materials";
import type { InkParam } from "../../params";
import type { SceneFill } from "../../scene/scene";
import { paint } from "../paint-kind";
import { placeOfPart, type Part, type Plane } from "../shape";
import { Lighted } from "./lighted";
import { paintSpans, spanParam, sparesAround, type PaintSpan } from "./span";

const tones = ["light", "dark", "marks"] as const;

const inkParam = (tone: 0 | 1 | 2, label: string, hint: string): InkParam => {
  const own = materials.map((m) => m.inks[tone]);
  return {
    type: "ink",
    label,
    hint,
    default: own[0].id,
    suggests: { name: own[0].name, colour: own[0].colour },
    others: Object.fromEntries(own.slice(1).map(({ id, name, colour }) => [id, { name, colour }])),
  };
};

export const grain = paint({
  kind: "grain",
  material: true,
  label: "Grain",
  hint: "A material with a surface that the lamp lights",
  params: {
    material: {
      type: "choice",
      label: "Material",
      hint: "What the letters are made of",
      default: "wood",
      options: materials.map(({ kind, label, hint }) => ({ value: kind, label, hint })),
    },
    span: {
      ...spanParam,
      hint: "What is cut from one piece of the material",
      // Boards are not bent along a line of letters.
      options: spanParam.options.filter((o) => o.value !== "along"),
    },
    size: { type: "length", label: "Size", hint: "How large the pattern is", default: 60, min: 2, max: 1000, reach: 200 },
    angle: { type: "angle", label: "Angle", hint: "Which way the grain runs", default: 0, min: -180, max: 180 },
    light: inkParam(0, "Light ink", "The lighter tone"),
    dark: inkParam(1, "Dark ink", "The darker tone"),
    marks: inkParam(2, "Marks", "Pores and veins"),
    contrast: {
      type: "number",
      label: "Contrast",
      hint: "How far its tones lie apart",
      default: 100,
      min: 0,
      max: 200,
      step: 1,
      suffix: "%",
    },
    relief: {
      type: "number",
      label: "Relief",
      hint: "How deep its surface is, as the lamp shows it",
      default: 70,
      min: 0,
      max: 200,
      step: 1,
      suffix: "%",
    },
    seed: { type: "seed", label: "Piece", hint: "Which piece of the material it is cut from", default: 7 },
  },
  // Another material comes in its own colours, unless those of the one before were changed for others.
  follow: (values, name, value) => {
    const [before, after] = [values.material, value].map((kind) => materials.find((m) => m.kind === kind));
    if (name !== "material" || !before || !after) return {};
    return Object.fromEntries(tones.flatMap((tone, i) => (values[tone] === before.inks[i].id ? [[tone, after.inks[i].id]] : [])));
  },
  needs: ["board", "group", "lamp"],
  spares: (values) => [...sparesAround(values), ...(values.relief === 0 ? (["lamp"] as const) : [])],
  apply: (shape, values, { board, group, lamp, ink, units }) => {
    const fills: SceneFill[] = [];
    const fillOf = new Map<Part, number>();
    const lit = values.relief > 0 ? lamp : undefined;
    const height = ((lit?.height ?? 45) * Math.PI) / 180;
    const towards = { x: (lit?.x ?? 0) * Math.cos(height), y: (lit?.y ?? 0) * Math.cos(height), z: Math.sin(height) };
    const { flat, coloured, planes } = bySurface(shape.parts);
    const spans = flat.length ? paintSpans({ parts: flat }, values.span, { board, group }) : [];
    [...spans, ...planes].forEach(({ box, matrix, axes, parts }, i) => {
      fills.push({
        kind: "picture",
        source: {
          kind: "grain",
          grain: {
            material: values.material,
            size: units(values.size),
            angle: values.angle,
            inks: [ink(values.light), ink(values.dark), ink(values.marks)],
            contrast: values.contrast / 100,
            relief: values.relief / 100,
            light: {
              ...lightIn(towards, axes),
              strength: lit?.strength ?? 1,
              colour: lit?.colour ?? "#ffffff",
            },
            // Each letter or line from another place of the same tree; what runs around a body is one piece.
            seed: values.seed + 1013 * Math.min(i, spans.length),
          },
        },
        area: box,
        box,
        opacity: 1,
        ...(matrix ? { matrix } : {}),
      });
      for (const p of parts) fillOf.set(p, fills.length - 1);
    });
    if (coloured.length) {
      const colour = mixOklab(ink(values.light), ink(values.dark), 0.5);
      for (const p of coloured) fillOf.set(p, fills.length);
      fills.push({ kind: "flat", colour, opacity: 1 });
    }
    const lighted = new Lighted(fills);
    const lightOf = new Map(shape.parts.map((p) => [p, lighted.of(p)]));
    return { fills, fillOf: (part) => fillOf.get(part)!, lightOf: (part) => lightOf.get(part) };
  },
});

/** The least light that falls on a surface from straight before it, as relief takes it: from the side alone it would be all black. */
const least = { flat: 0.05, turned: 0.3 };

/** Towards the lamp, as the plane that a material lies in sees it. */
function lightIn(towards: Point3, axes: Plane["axes"]): Point3 {
  if (!axes) return { ...towards, z: Math.max(least.flat, towards.z) };
  const { along, away, out } = axes;
  const on = (a: Point3) => a.x * towards.x + a.y * towards.y + a.z * towards.z;
  return { x: on(along), y: on(away), z: Math.max(least.turned, on(out)) };
}

/** What is flat, what is of one colour, and the planes of all else, of which parts that share one share a piece of material. */
function bySurface(parts: readonly Part[]) {
  const flat: Part[] = [];
  const coloured: Part[] = [];
  const planes = new Map<Plane, PaintSpan & { parts: Part[] }>();
  for (const part of parts) {
    const { plane, plain } = part.surface ?? {};
    if (plain) coloured.push(part);
    else if (!plane) flat.push(part);
    else {
      const known = planes.get(plane);
      if (known) known.parts.push(part);
      else planes.set(plane, { parts: [part], ...plane, matrix: multiply(placeOfPart(part), plane.matrix) });
    }
  }
  return { flat, coloured, planes: [...planes.values()] };
}
