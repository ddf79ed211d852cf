import type { Polygon } from "../path";

/**
 * Cuts a closed contour into the painted dashes of an SVG stroke-dasharray that starts at its first point. An odd
 * list is repeated once, as SVG has it. Dashes that meet at the start are joined into one.
 * @param dashes units, none below 0, at least one above 0
 * @returns open lines x, y, x, y, ...
 */
export function dashLines(contour: Polygon, dashes: readonly number[]): Float64Array[] {
  const pattern = dashes.length % 2 ? [...dashes, ...dashes] : dashes;
  const n = contour.length / 2;
  const lines: number[][] = [];
  let k = 0;
  let left = pattern[0];
  let line: number[] | undefined = [contour[0], contour[1]];
  for (let i = 0; i < n; i++) {
    const j = i + 1 === n ? 0 : i + 1;
    let [x, y] = [contour[2 * i], contour[2 * i + 1]];
    const [ex, ey] = [contour[2 * j], contour[2 * j + 1]];
    let length = Math.hypot(ex - x, ey - y);
    while (length > left) {
      x += ((ex - x) * left) / length;
      y += ((ey - y) * left) / length;
      length -= left;
      if (line) {
        line.push(x, y);
        lines.push(line);
      }
      k = (k + 1) % pattern.length;
      left = pattern[k];
      line = k % 2 === 0 ? [x, y] : undefined;
    }
    left -= length;
    line?.push(ex, ey);
  }
  if (line) {
    const first = lines[0];
    if (first && first[0] === contour[0] && first[1] === contour[1]) lines[0] = [...line, ...first.slice(2)];
    else lines.push(line);
  }
  return lines.map((l) => Float64Array.from(l));
}
