import * as z from "zod";
import { coatSchema, inkSchema } from "../coat/schema";
import { idSchema } from "../ids";

export const measures = ["em", "cap", "stem", "fixed"] as const;
/** What the lengths of a style are hundredths of; `fixed` lengths are in points. */
export type Measure = (typeof measures)[number];

export const styleFormat = "vextal.style";
export const styleVersion = 1;

export const tagSchema = z.string().trim().min(1).max(24);

/** A named, reusable stack of coats with its inks. It holds no text. */
export const styleSchema = z.object({
  format: z.literal(styleFormat),
  version: z.literal(styleVersion),
  id: idSchema,
  name: z.string().trim().min(1, "A style needs a name.").max(80),
  measure: z.enum(measures),
  inks: z.array(inkSchema).max(64),
  /** Back to front. */
  coats: z.array(coatSchema).max(64),
  /** The face it was made with, for its picture. */
  madeWith: z.object({ face: z.string().max(64) }).optional(),
  /** What it is found by besides its name. */
  tags: z.array(tagSchema).max(12).default([]),
});
export type Style = z.infer<typeof styleSchema>;
