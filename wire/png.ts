import { z } from "zod";
import { pictureSizeSchema } from "../core/output/picture-size";
import { pieceFileSchema } from "../core/piece/schema";

/** How much of a board is drawn. */
const areaSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("board") }),
  z.object({ kind: z.literal("items"), ids: z.array(z.string()).max(200) }),
]);

/** A picture that is asked for: of a piece as it is sent, saved or not. */
export const pngRequestSchema = z.object({
  file: pieceFileSchema,
  area: areaSchema,
  ground: z.boolean(),
  size: pictureSizeSchema,
});
export type PngRequest = z.output<typeof pngRequestSchema>;
