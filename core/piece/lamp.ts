import * as z from "zod";
import { colourSchema } from "../colour";
import type { LampSeen } from "../coat/given";
import type { Matrix } from "../curves/matrix";

/** The one light of a piece. */
export const lampSchema = z.object({
  /** Where on the board the light comes from: degrees from the right, clockwise on screen. */
  angle: z.number().min(-360).max(360).default(225),
  /** How high it stands over the board, in degrees: 0 lies on it, 90 is straight above. */
  height: z.number().min(5).max(90).default(45),
  /** Percent of common daylight. */
  strength: z.number().min(0).max(200).default(100),
  /** Percent of light from all around, which falls on what turns away from the lamp, too. */
  ambient: z.number().min(0).max(100).default(0),
  colour: colourSchema.default("#fff6e5"),
});
export type Lamp = z.infer<typeof lampSchema>;

/** As a sign-writer sets it: from the upper left (common practice). */
export const daylight: Lamp = lampSchema.parse({});

/** The lamp in the space of an item, turned back by however that is placed. @param toItem from the board into the item's space */
export function lampSeen({ angle, height, strength, ambient, colour }: Lamp, [a, b, c, d]: Matrix): LampSeen {
  const turn = (angle * Math.PI) / 180;
  const [x, y] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [a * x + c * y, b * x + d * y];
  const length = Math.hypot(dx, dy) || 1;
  return { x: dx / length, y: dy / length, height, strength: strength / 100, ambient: ambient / 100, colour };
}
