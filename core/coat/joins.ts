import type { Join } from "../curves/kernel";
import type { Params, Values } from "../params";

const join = {
  type: "choice",
  label: "Joins",
  hint: "How the outline turns a corner",
  default: "miter",
  options: [
    { value: "miter", label: "Miter", hint: "Corners stay sharp, up to the miter limit" },
    { value: "round", label: "Round", hint: "Corners become arcs" },
    { value: "bevel", label: "Bevel", hint: "Corners are cut off straight" },
  ],
} as const;

const miterLimit = {
  type: "number",
  label: "Miter limit",
  hint: "How far a sharp corner may reach before it is cut off, as a ratio to the width",
  default: 4,
  min: 1,
  max: 100,
  step: 0.5,
  when: (v: Readonly<Record<string, unknown>>) => v.join === "miter",
} as const;

/** The join settings that parallel outlines and strokes share. */
export const joinParams = { join, miterLimit } satisfies Params;

export const joinOf = ({ join, miterLimit }: Values<typeof joinParams>): Join =>
  join === "miter" ? { kind: join, limit: miterLimit } : { kind: join };
