import type { Matrix, Point } from "@/core/curves/matrix";

export interface View {
  /** Screen pixels to a pixel of the board. */
  readonly zoom: number;
  /** Where the board's corner lies on the bench, in screen pixels. */
  readonly x: number;
  readonly y: number;
}

/** From board pixels to the bench's screen pixels. */
export const viewMatrix = ({ zoom, x, y }: View): Matrix => [zoom, 0, 0, zoom, x, y];

export const toBoard = (view: View, p: Point): Point => ({ x: (p.x - view.x) / view.zoom, y: (p.y - view.y) / view.zoom });

const limits = { min: 0.02, max: 40 };

/** Zoomed about a point that stays where it is on the screen. */
export function zoomed(view: View, factor: number, at: Point): View {
  const zoom = Math.min(limits.max, Math.max(limits.min, view.zoom * factor));
  const k = zoom / view.zoom;
  return { zoom, x: at.x - (at.x - view.x) * k, y: at.y - (at.y - view.y) * k };
}

/** The whole board in the middle of a bench of this size. */
export function fitted(board: { width: number; height: number }, bench: { width: number; height: number }): View {
  const margin = 28;
  // Room for the tools along the lower edge.
  const height = bench.height - 52;
  const zoom = Math.min(
    limits.max,
    Math.max(limits.min, Math.min((bench.width - 2 * margin) / board.width, (height - margin) / board.height)),
  );
  return { zoom, x: (bench.width - board.width * zoom) / 2, y: Math.max(0, (height + margin / 2 - board.height * zoom) / 2) };
}
