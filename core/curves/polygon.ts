import type { Polygon } from "./path";

/** Signed area by the shoelace formula; outers of a kernel's result are positive, counters negative. */
export function signedArea(p: Polygon): number {
  let sum = 0;
  const n = p.length;
  for (let i = 0, j = n - 2; i < n; j = i, i += 2) sum += p[j] * p[i + 1] - p[i] * p[j + 1];
  return sum / 2;
}

export function perimeter(p: Polygon): number {
  let sum = 0;
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) sum += Math.hypot(p[i] - p[j], p[i + 1] - p[j + 1]);
  return sum;
}

/** The winding number of `p` about (x, y): how often it runs round that point. */
export function winding(p: Polygon, x: number, y: number): number {
  let n = 0;
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
    const side = (p[i] - p[j]) * (y - p[j + 1]) - (x - p[j]) * (p[i + 1] - p[j + 1]);
    if (p[j + 1] <= y) {
      if (p[i + 1] > y && side > 0) n++;
    } else if (p[i + 1] <= y && side < 0) n--;
  }
  return n;
}

/**
 * The stretches of a horizontal line that lie inside `polygons` (nonzero), left to right.
 * @returns pairs [from, to] of x
 */
export function spansAt(polygons: readonly Polygon[], y: number): [number, number][] {
  const crossings: { x: number; step: number }[] = [];
  for (const p of polygons)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
      const [y0, y1] = [p[j + 1], p[i + 1]];
      if (y0 <= y === y1 <= y) continue;
      crossings.push({ x: p[j] + ((y - y0) / (y1 - y0)) * (p[i] - p[j]), step: y1 > y0 ? 1 : -1 });
    }
  crossings.sort((a, b) => a.x - b.x);
  const spans: [number, number][] = [];
  let inside = 0;
  let from = 0;
  for (const { x, step } of crossings) {
    if (inside === 0) from = x;
    inside += step;
    if (inside === 0) spans.push([from, x]);
  }
  return spans;
}
