import type { Bounds } from "../../curves/bounds";
import type { Point } from "../../curves/matrix";
import { placeIn } from "../handles";

/** How a gradient's line is said: at an angle, or by the places of its ends. */
export interface LineValues {
  readonly line: "ends" | "angle";
  readonly angle: number;
  readonly spread: number;
  readonly moved: number;
  readonly from: Point;
  readonly to: Point;
}

/**
 * The ends of a gradient's line in a box. At an angle it runs through the middle of the box, and is so long that its first and last colours
 * reach the corners (CSS Images Level 3, section 3.1.1); the angle is the one on the page, whatever the box is like.
 */
export function endsOf({ line, angle, spread, moved, from, to }: LineValues, box: Bounds): [Point, Point] {
  if (line === "ends") return [placeIn(box, from), placeIn(box, to)];
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const whole = Math.abs((box.maxX - box.minX) * cos) + Math.abs((box.maxY - box.minY) * sin);
  const middle = placeIn(box, { x: 0.5, y: 0.5 });
  const at = (share: number): Point => ({ x: middle.x + whole * share * cos, y: middle.y + whole * share * sin });
  return [at(moved / 100 - spread / 200), at(moved / 100 + spread / 200)];
}
