import { materials } from "../../grain/materials";
import type { InkParam } from "../../params";
import type { SceneFill } from "../../scene/scene";
import { paint } from "../paint-kind";
import type { Part } from "../shape";
import { paintSpans, spanParam, sparesAround } from "./span";

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
    paintSpans(shape, values.span, { board, group }).forEach(({ box, matrix, parts }, i) => {
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
              x: (lit?.x ?? 0) * Math.cos(height),
              y: (lit?.y ?? 0) * Math.cos(height),
              z: Math.max(0.05, Math.sin(height)),
              strength: lit?.strength ?? 1,
              colour: lit?.colour ?? "#ffffff",
            },
            // Each letter or line from another place of the same tree.
            seed: values.seed + 1013 * i,
          },
        },
        area: box,
        box,
        opacity: 1,
        ...(matrix ? { matrix } : {}),
      });
      for (const p of parts) fillOf.set(p, fills.length - 1);
    });
    return { fills, fillOf: (part) => fillOf.get(part)! };
  },
});
