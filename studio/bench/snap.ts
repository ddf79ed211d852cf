import type { Bounds } from "@/core/curves/bounds";

export interface Guide {
  readonly axis: "x" | "y";
  readonly at: number;
}

/** The lines that a moved box is drawn to: the board's edges and middle, and those of the other letterings. */
export function snapLines(board: { width: number; height: number }, others: readonly Bounds[]): { x: number[]; y: number[] } {
  const boxes = [{ minX: 0, minY: 0, maxX: board.width, maxY: board.height }, ...others];
  return {
    x: boxes.flatMap((b) => [b.minX, (b.minX + b.maxX) / 2, b.maxX]),
    y: boxes.flatMap((b) => [b.minY, (b.minY + b.maxY) / 2, b.maxY]),
  };
}

/**
 * How much further a box must move so that an edge or its middle falls on the nearest line within `reach`.
 * @returns the extra move and the lines that it falls on
 */
export function snap(box: Bounds, lines: { x: readonly number[]; y: readonly number[] }, reach: number): { dx: number; dy: number; guides: Guide[] } {
  const x = nearest([(box.minX + box.maxX) / 2, box.minX, box.maxX], lines.x, reach);
  const y = nearest([(box.minY + box.maxY) / 2, box.minY, box.maxY], lines.y, reach);
  const guides: Guide[] = [];
  if (x) guides.push({ axis: "x", at: x.line });
  if (y) guides.push({ axis: "y", at: y.line });
  return { dx: x?.by ?? 0, dy: y?.by ?? 0, guides };
}

function nearest(places: readonly number[], lines: readonly number[], reach: number): { by: number; line: number } | undefined {
  let best: { by: number; line: number } | undefined;
  for (const place of places)
    for (const line of lines) {
      const by = line - place;
      if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, line };
    }
  return best;
}
