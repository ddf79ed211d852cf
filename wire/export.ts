import * as z from "zod";
import { outputStepSchema } from "../core/output/outputs";
import type { ExportRequest } from "../core/piece/exported";
import { pieceFileSchema } from "../core/piece/schema";

/** How much of a board is exported. */
const areaSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("board") }),
  z.object({ kind: z.literal("items"), ids: z.array(z.string()).max(200) }),
]);

export const exportRequestSchema: z.ZodType<ExportRequest> = z.object({
  file: pieceFileSchema,
  area: areaSchema,
  ground: z.boolean(),
  output: outputStepSchema,
});
