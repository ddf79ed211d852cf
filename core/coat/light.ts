import * as z from "zod";
import type { LampSeen } from "./given";
import type { Matrix } from "../curves/matrix";

/** Where a coat's light comes from, where that is not simply the lamp of the piece. */
export const lightSchema = z.object({
  /** From the lamp turned by an angle, so that it follows it; or from a place of its own on the board. */
  by: z.enum(["turned", "own"]),
  /** Degrees clockwise, against the lamp. */
  turn: z.number().min(-360).max(360).default(180),
  /** Degrees from the right of the board, clockwise, and over it. */
  angle: z.number().min(-360).max(360).default(225),
  height: z.number().min(5).max(90).default(45),
});
export type CoatLight = z.infer<typeof lightSchema>;

/** The lamp as a coat sees it. @param toItem from the board into the item's space */
export function lampOf(light: CoatLight | undefined, lamp: LampSeen, [a, b, c, d]: Matrix): LampSeen {
  if (!light) return lamp;
  if (light.by === "turned") {
    const turn = (light.turn * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    // Of an item that is mirrored the board's clockwise is the other way round.
    const way = a * d - b * c < 0 ? -sin : sin;
    return { ...lamp, x: lamp.x * cos - lamp.y * way, y: lamp.x * way + lamp.y * cos };
  }
  const turn = (light.angle * Math.PI) / 180;
  const [x, y] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [a * x + c * y, b * x + d * y];
  const length = Math.hypot(dx, dy) || 1;
  return { ...lamp, x: dx / length, y: dy / length, height: light.height };
}
