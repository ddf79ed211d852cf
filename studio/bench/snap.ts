import type { Bounds } from "@/core/curves/bounds";

export interface Guide {
  readonly axis: "x" | "y";
  readonly at: number;
}

/** Places across and down the board. */
export interface Places {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

/** The edges and middles of boxes. */
export const edgesOf = (boxes: readonly Bounds[]): Places => ({
  x: boxes.flatMap((b) => [(b.minX + b.maxX) / 2, b.minX, b.maxX]),
  y: boxes.flatMap((b) => [(b.minY + b.maxY) / 2, b.minY, b.maxY]),
});

/** The lines that a moved box is drawn to: the board's edges and middle, and those of the other items. */
export const snapLines = (board: { width: number; height: number }, others: readonly Bounds[]): Places =>
  edgesOf([{ minX: 0, minY: 0, maxX: board.width, maxY: board.height }, ...others]);

/**
 * How much further something must move so that one of its places falls on the nearest line within `reach`. What stands first wins among
 * equals.
 * @param grid distance between the lines of a grid; 0 for none
 * @returns the extra move and the lines that it falls on
 */
export function snap(places: Places, lines: Places, reach: number, grid = 0): { dx: number; dy: number; guides: Guide[] } {
  const x = nearest(places.x, lines.x, reach, grid);
  const y = nearest(places.y, lines.y, reach, grid);
  const guides: Guide[] = [];
  if (x) guides.push({ axis: "x", at: x.line });
  if (y) guides.push({ axis: "y", at: y.line });
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides };
}

function nearest(
  places: readonly number[],
  lines: readonly number[],
  reach: number,
  grid: number,
): { by: number; line: number } | undefined {
  let best: { by: number; line: number } | undefined;
  const consider = (place: number, line: number) => {
    const by = line - place;
    if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by) - 1e-9)) best = { by, line };
  };
  for (const place of places) {
    for (const line of lines) consider(place, line);
    if (grid > 0) consider(place, Math.round(place / grid) * grid);
  }
  return best;
}
