import * as z from "zod";
import { colourSchema } from "../colour";
import { units } from "../units";

/** A line across the board that moves are drawn to. */
const boardGuideSchema = z.object({ axis: z.enum(["x", "y"]), /** Pixels from the left or top edge. */ at: z.number().min(-1e6).max(1e6) });

export const boardSchema = z.object({
  /** In the board's own unit. */
  width: z.number().min(0.05).max(20_000),
  height: z.number().min(0.05).max(20_000),
  unit: z.enum(units),
  /** Pixels to the inch of a picture of the board. */
  dpi: z.number().min(10).max(2400),
  ground: colourSchema.nullable(),
  guides: z.array(boardGuideSchema).max(100).default([]),
  /** The grid: its step in the board's unit, and whether it is shown. */
  grid: z
    .object({ step: z.number().min(0.01).max(10_000), on: z.boolean() })
    .nullable()
    .default(null),
});
export type Board = z.infer<typeof boardSchema>;
