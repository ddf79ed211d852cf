import { boundsOfPart, type Part } from "./shape";

/** The median, the lower of two. */
function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[(sorted.length - 1) >> 1];
}

/**
 * What letters stand on: most stand on their line; round ones reach a little lower, and tails hang into the ground. Of letters that are
 * joined to one outline the line that they are written on.
 * @returns how far down, in their space; of no letters 0
 */
export const footOf = (parts: readonly Part[]): number => (parts.length ? median(parts.map(footOfOne)) : 0);

function footOfOne(part: Part): number {
  const { minY, maxY } = boundsOfPart(part);
  // An outline's origin lies on the line where it has not been bent.
  const written = [...(part.text ?? "")].length > 1 && !part.matrix && part.y > minY + 0.4 * (maxY - minY) && part.y < maxY;
  return written ? part.y : maxY;
}

/** How high most letters reach. */
export const headOf = (parts: readonly Part[]): number => (parts.length ? -median(parts.map((p) => -boundsOfPart(p).minY)) : 0);
