import * as z from "zod";

const axes = z.record(z.string(), z.number());

/** A face that ships or was brought in. */
export const faceEntrySchema = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.string(),
  axes: axes.optional(),
  licence: z.string(),
  /** Brought in, and not shipped. */
  own: z.boolean().optional(),
});
export type FaceEntry = Readonly<z.output<typeof faceEntrySchema>>;
export const facesSchema = z.array(faceEntrySchema);

/** The names of the pieces that are set in a face. */
export const namesSchema = z.array(z.string());

/** What is measured on every face, by its id; see `Measured`. */
export const measuredSchema = z.record(
  z.string(),
  z.object({
    stem: z.number(),
    bar: z.number(),
    capHeight: z.number(),
    xHeight: z.number(),
    contrast: z.number(),
    width: z.number(),
    nodes: z.number(),
    roughness: z.number(),
    scripts: z.array(z.string()),
    axes: z.number(),
  }),
);
