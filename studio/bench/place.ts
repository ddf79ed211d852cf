import { fromPerspective, perspective } from "@/core/bend/perspective";
import { apply, invert, multiply, type Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { viewMatrix, type View } from "./view";

/** The ways between an item's own space, before its view in perspective, the board and the screen. */
export interface Place {
  readonly toBoard: (p: Point) => Point;
  readonly toScreen: (p: Point) => Point;
  readonly fromBoard: (p: Point) => Point;
}

export function placeOf(item: Pick<ItemUpdate, "matrix" | "view">, view: View): Place {
  const { matrix, view: seen } = item;
  const onScreen = multiply(viewMatrix(view), matrix);
  const back = invert(matrix);
  if (!seen) return { toBoard: (p) => apply(matrix, p), toScreen: (p) => apply(onScreen, p), fromBoard: (p) => apply(back, p) };
  const warp = perspective(seen.box, seen.corners);
  const unseen = fromPerspective(seen.box, seen.corners);
  const out = new Float64Array(6);
  const look = (p: Point): Point => {
    warp(p.x, p.y, out);
    return { x: out[0], y: out[1] };
  };
  return { toBoard: (p) => apply(matrix, look(p)), toScreen: (p) => apply(onScreen, look(p)), fromBoard: (p) => unseen(apply(back, p)) };
}
