import * as z from "zod";
import { isView } from "../bend/perspective";
import { multiply, rotation, translation, type Matrix } from "../curves/matrix";

const ratio = z
  .number()
  .min(-50)
  .max(50)
  .refine((v) => Math.abs(v) >= 0.01, "A width or height of nothing cannot be drawn.");
const corner = z.object({ x: z.number().min(-20).max(20), y: z.number().min(-20).max(20) });

/** How an item is placed as a whole, after its coats were built: what is done here widens or bends outlines with the letters. */
export const poseFields = {
  /**
   * Where the item's origin lies on the board, in pixels: of a lettering the start of the first baseline (its middle or end, by alignment).
   */
  x: z.number().min(-1e6).max(1e6),
  y: z.number().min(-1e6).max(1e6),
  /** Degrees, clockwise. */
  turn: z.number().min(-360).max(360).default(0),
  /** Ratios of its own width and height; below 0 it is mirrored. */
  across: ratio.default(1),
  down: ratio.default(1),
  /** Degrees by which upright lines lean to the right. */
  slant: z.number().min(-80).max(80).default(0),
  /** Where the corners of its inked box are seen, clockwise from the top left, in shares of that box; null looks at it straight. */
  view: z
    .tuple([corner, corner, corner, corner])
    .refine((c) => isView(c), "These corners fold the view over.")
    .nullable()
    .default(null),
};
export const poseSchema = z.object(poseFields);
export type Pose = z.infer<typeof poseSchema>;

export const plainView = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
] as const;

/** From an item's own space, 1000 units to the em, to the board; the view in perspective comes before it. */
export function poseMatrix({ x, y, turn, across, down, slant }: Pose, size: number): Matrix {
  const k = size / 1000;
  const lean = -Math.tan((slant * Math.PI) / 180);
  return multiply(translation(x, y), multiply(rotation(turn), [across * k, 0, lean * down * k, down * k, 0, 0]));
}
