import * as z from "zod";
import { bendSchema } from "../bend/schema";
import { idSchema as id } from "../ids";
import { settingFields } from "../lettering/options";
import { unionOf } from "../params";
import { shapeKinds } from "../shape/kinds";
import { styleSchema, type Style } from "../style/schema";
import { boardSchema } from "./board";
import { daylight, lampSchema } from "./lamp";
import type { Matrix } from "../curves/matrix";
import { poseFields, poseMatrix } from "./pose";
import { studioPictureSchema } from "./studio-picture";

export const pieceFormat = "vextal.piece";
export const pieceVersion = 3;

/** What every item of a board has. */
const itemFields = {
  id,
  ...poseFields,
  hidden: z.boolean().default(false),
  locked: z.boolean().default(false),
  /** The groups that it is in, from the outermost to the innermost. */
  groups: z.array(id).max(16).default([]),
  /** The style it is linked to, or null. */
  styleId: id.nullable(),
  /** Its own coats: changes to the linked style for this item only, or all it has where nothing is linked. */
  ownStyle: styleSchema.nullable(),
  /** A picture of the body that one of its coats makes of it. */
  studio: studioPictureSchema.nullable().default(null),
};

export const letteringSchema = z.object({
  kind: z.literal("lettering"),
  ...itemFields,
  ...settingFields,
  bend: bendSchema.nullable().default(null),
});
export type Lettering = z.infer<typeof letteringSchema>;

const shapeSchema = unionOf(shapeKinds);
export type ShapeForm = z.output<typeof shapeSchema>;
/** A shape of a kind that is known by its name; what is not given is as it is by default. @throws ZodError */
export const newShape = (kind: string, values: Readonly<Record<string, unknown>> = {}): ShapeForm => shapeSchema.parse({ ...values, kind });

export const shapeItemSchema = z.object({
  kind: z.literal("shape"),
  ...itemFields,
  name: z.string().max(80),
  /** Pixels of the board to the em that the lengths of its style are relative to. */
  size: z.number().min(1).max(20_000),
  shape: shapeSchema,
  /** The box that it is drawn in, in thousandths of the em. */
  width: z.number().min(0.1).max(1e6),
  height: z.number().min(0.1).max(1e6),
});
export type ShapeItem = z.infer<typeof shapeItemSchema>;

export const itemSchema = z.discriminatedUnion("kind", [letteringSchema, shapeItemSchema]);
export type Item = z.infer<typeof itemSchema>;

/** A lettering with what is not said left as it is by default. @throws ZodError */
export const newLettering = (values: Omit<z.input<typeof letteringSchema>, "kind">): Lettering =>
  letteringSchema.parse({ kind: "lettering", ...values });
/** A shape with what is not said left as it is by default. @throws ZodError */
export const newShapeItem = (values: Omit<z.input<typeof shapeItemSchema>, "kind">): ShapeItem =>
  shapeItemSchema.parse({ kind: "shape", ...values });

/** From an item's space to the board. */
export const itemMatrix = (item: Item): Matrix => poseMatrix(item, item.size);

export const isLettering = (item: Item): item is Lettering => item.kind === "lettering";
export const isShape = (item: Item): item is ShapeItem => item.kind === "shape";

/** The faces that these items are set in, each once. */
export const facesOf = (items: readonly Item[]): string[] => [...new Set(items.flatMap((i) => (isLettering(i) ? [i.face] : [])))];

export const pieceSchema = z.object({
  format: z.literal(pieceFormat),
  version: z.literal(pieceVersion),
  id,
  name: z.string().trim().min(1, "A piece needs a name.").max(120),
  /** Whether it was given its name; until then it is called by its words. */
  named: z.boolean().default(true),
  board: boardSchema,
  lamp: lampSchema.default(daylight),
  /** Back to front. */
  items: z.array(itemSchema).max(200),
});
export type Piece = z.infer<typeof pieceSchema>;

/** Every look that a piece shows: the styles that it is linked to, and what its items have of their own. */
export const looksOf = ({ items }: Piece, styles: readonly Style[]): Style[] => [...styles, ...items.flatMap((i) => i.ownStyle ?? [])];

/** A piece of the present format; what is not said is as it is by default. @throws ZodError */
export const newPiece = (values: Omit<z.input<typeof pieceSchema>, "format" | "version">): Piece =>
  pieceSchema.parse({ format: pieceFormat, version: pieceVersion, ...values });

/** A piece with the styles that it is linked to: all that is needed to draw it. */
export const pieceFileSchema = z.object({
  format: z.literal("vextal.file"),
  version: z.literal(1),
  piece: pieceSchema,
  styles: z.array(styleSchema).max(200),
});
export type PieceFile = z.infer<typeof pieceFileSchema>;
