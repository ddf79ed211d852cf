import * as z from "zod";
import { unionOf } from "../params";
import { guideKinds } from "./guides";
import { meshSchema } from "./mesh";

const units = (limit: number) => z.number().min(-limit).max(limit);

const guideLineSchema = unionOf(guideKinds);
export type GuideLine = z.output<typeof guideLineSchema>;
/** A guide line of a kind that is known by its name; what is not given is as it is by default. @throws ZodError */
export const newGuideLine = (kind: string, values: Readonly<Record<string, unknown>> = {}): GuideLine =>
  guideLineSchema.parse({ ...values, kind });

export const guideBendSchema = z.object({
  kind: z.literal("guide"),
  line: guideLineSchema,
  letters: z.enum(["turn", "flow"]),
  /** Along the line and away from it (up), in thousandths of the em. */
  shift: units(100_000),
  distance: units(100_000),
  /** Spaces made even so that the words close a ring. */
  spread: z.boolean(),
});
export type GuideBend = z.infer<typeof guideBendSchema>;

export const envelopeScopes = ["block", "lines", "nested"] as const;
export const envelopeSchema = z.object({
  kind: z.literal("envelope"),
  /** One mesh for the whole block; one for each line; or one that the lines share, each on a row of it. */
  scope: z.enum(envelopeScopes),
  /** The first mesh bends the block; line by line, each its own line, and the last one those that are left. */
  meshes: z.array(meshSchema).min(1).max(200),
  /** Between lines that share an edge, in thousandths of the em. */
  gap: units(5000),
});
export type EnvelopeBend = z.infer<typeof envelopeSchema>;

const share = z.number().min(0).max(1);
export const fitSchema = z.object({
  kind: z.literal("fit"),
  /** The shape on the board that the lettering fills. */
  shape: z.string().max(64),
  /** Where its outline is parted, as shares of its length, clockwise from the top left; null finds them. */
  corners: z.tuple([share, share, share, share]).nullable(),
  /** From the outline of the shape, and between the lines, in thousandths of the em. */
  inset: units(20_000),
  gap: units(5000),
});
export type FitBend = z.infer<typeof fitSchema>;

/** How a lettering is bent; null leaves it straight. */
export const bendSchema = z.discriminatedUnion("kind", [guideBendSchema, envelopeSchema, fitSchema]);
export type Bend = z.infer<typeof bendSchema>;
