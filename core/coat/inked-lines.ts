import { directionAt, valueAt } from "../curves/bezier";
import { ContourBuilder, pathOf, stride, type Contour } from "../curves/contour";
import type { Band, Kernel, TaperStop } from "../curves/kernel";
import { widthAt } from "../curves/offset/taper";
import type { Path } from "../curves/path";

/** Whether what is asked for is only a picture while something is dragged. */
export const isDraft = (kernel: Kernel): boolean => kernel.name === "draft";

/**
 * The area of lines drawn with a pen, each in the middle of its own. As a draft they are polygons that are not united, which is not seen
 * where they are filled nonzero in one ink.
 */
export function inked(lines: readonly Contour[], band: Omit<Band, "side" | "dashes">, kernel: Kernel): Path {
  const pen: Band = { ...band, side: "centre", dashes: [] };
  if (isDraft(kernel)) return pathOf(lines.flatMap((l) => sketched(l, band.width, band.taper)));
  const open = lines.filter((l) => !l.closed);
  // Each ring by itself: rings within one another would be one filled shape.
  const rings = lines.filter((l) => l.closed).map((l) => kernel.band(pathOf([l]), { ...pen, taper: undefined }));
  return kernel.union([...rings, kernel.band(pathOf(open), pen)]);
}

/** Places that a curve is drawn with in a draft. */
const places = 5;
const direction = new Float64Array(2);

/** A line as thick as a pen, as a polygon; a closed one as a quadrangle for each step, all wound alike. */
function sketched(c: Contour, width: number, taper: readonly TaperStop[] = []): Contour[] {
  const sides: number[] = [];
  for (let k = 0; k < c.size; k++) {
    const steps = c.degrees[k] === 1 ? 1 : places;
    for (let i = k === 0 ? 0 : 1; i <= steps; i++) {
      const t = i / steps;
      directionAt(c.points, k * stride, c.degrees[k], t, direction);
      const half = (taper.length ? widthAt(taper, (k + t) / c.size) : width) / 2;
      const [x, y] = [valueAt(c.points, k * stride, c.degrees[k], t), valueAt(c.points, k * stride + 1, c.degrees[k], t)];
      const [dx, dy] = [direction[1] * half, -direction[0] * half];
      sides.push(x + dx, y + dy, x - dx, y - dy);
    }
  }
  const count = sides.length / 4;
  const polygon = (corners: readonly number[]): Contour => {
    const out = new ContourBuilder();
    corners.forEach((at, i) => (i ? out.line(sides[at], sides[at + 1]) : out.move(sides[at], sides[at + 1])));
    out.line(sides[corners[0]], sides[corners[0] + 1]);
    return out.build(true);
  };
  if (c.closed) return Array.from({ length: count - 1 }, (_, i) => polygon([4 * i, 4 * i + 4, 4 * i + 6, 4 * i + 2]));
  const there = Array.from({ length: count }, (_, i) => 4 * i);
  return [polygon([...there, ...there.map((at) => at + 2).reverse()])];
}
