import { z } from "zod";
import { colourSchema } from "../colour";
import { alignments } from "../lettering/setting";
import { styleSchema } from "../style/schema";
import { units } from "../units";

export const pieceFormat = "vextal.piece";
export const pieceVersion = 1;

/** Past this the bench would no longer follow the hand; long before it, it is no longer lettering. */
export const longestText = 2000;

const id = z.string().min(1).max(64);

export const boardSchema = z.object({
  /** In the board's own unit. */
  width: z.number().min(0.05).max(20_000),
  height: z.number().min(0.05).max(20_000),
  unit: z.enum(units),
  /** Pixels to the inch of a picture of the board. */
  dpi: z.number().min(10).max(2400),
  ground: colourSchema.nullable(),
});
export type Board = z.infer<typeof boardSchema>;

export const letteringSchema = z.object({
  kind: z.literal("lettering"),
  id,
  text: z.string().max(longestText, `A lettering holds at most ${longestText} characters.`),
  face: id,
  /** Pixels of the board to the em. */
  size: z.number().min(1).max(20_000),
  /** Thousandths of the em. */
  letterSpacing: z.number().min(-500).max(5000),
  /** Baseline to baseline, as a ratio of the em. */
  lineSpacing: z.number().min(0).max(10),
  align: z.enum(alignments),
  /** Where the start of the first baseline (its middle or end, by alignment) lies on the board, in pixels. */
  x: z.number().min(-1e6).max(1e6),
  y: z.number().min(-1e6).max(1e6),
  /** Degrees, clockwise. */
  turn: z.number().min(-360).max(360),
  /** The style it is linked to, or null. */
  styleId: id.nullable(),
  /** Its own coats: changes to the linked style for this lettering only, or all it has where nothing is linked. */
  ownStyle: styleSchema.nullable(),
});
export type Lettering = z.infer<typeof letteringSchema>;

export const pieceSchema = z.object({
  format: z.literal(pieceFormat),
  version: z.literal(pieceVersion),
  id,
  name: z.string().trim().min(1, "A piece needs a name.").max(120),
  board: boardSchema,
  /** Back to front. */
  items: z.array(letteringSchema).max(200),
});
export type Piece = z.infer<typeof pieceSchema>;

/** A piece with the styles that it is linked to: all that is needed to draw it. */
export const pieceFileSchema = z.object({
  format: z.literal("vextal.file"),
  version: z.literal(1),
  piece: pieceSchema,
  styles: z.array(styleSchema).max(200),
});
export type PieceFile = z.infer<typeof pieceFileSchema>;
