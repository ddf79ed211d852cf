import type { Join } from "../curves/kernel";
import type { ChoiceParam, NumberParam, Params } from "../params";

const join: ChoiceParam = {
  type: "choice",
  label: "Joins",
  hint: "How the outline turns a corner",
  default: "miter",
  options: [
    { value: "miter", label: "Miter", hint: "Corners stay sharp, up to the miter limit" },
    { value: "round", label: "Round", hint: "Corners become arcs" },
    { value: "bevel", label: "Bevel", hint: "Corners are cut off straight" },
  ],
};

const miterLimit: NumberParam = {
  type: "number",
  label: "Miter limit",
  hint: "How far a sharp corner may reach before it is cut off, as a ratio to the width",
  default: 4,
  min: 1,
  max: 100,
  step: 0.5,
  when: (v) => v.join === "miter",
};

/** The join settings that parallel outlines and strokes share. */
export const joinParams = { join, miterLimit } satisfies Params;

export function joinOf(values: Record<string, unknown>): Join {
  const kind = values.join as Join["kind"];
  return kind === "miter" ? { kind, limit: values.miterLimit as number } : { kind };
}
