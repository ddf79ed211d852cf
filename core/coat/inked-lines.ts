import { pathOf, type Contour } from "../curves/contour";
import { sketched } from "../curves/draft/sketched";
import type { Band, Kernel } from "../curves/kernel";
import { Path, PathBuilder } from "../curves/path";

/** Whether what is asked for is only a picture while something is dragged. */
export const isDraft = (kernel: Kernel): boolean => kernel.name === "draft";

/**
 * The area of lines drawn with a pen, each in the middle of its own. As a draft they are polygons that are not united, which is not seen
 * where they are filled nonzero in one ink.
 */
export function inked(lines: readonly Contour[], band: Omit<Band, "side" | "dashes">, kernel: Kernel): Path {
  const pen: Band = { ...band, side: "centre", dashes: [] };
  if (isDraft(kernel)) return sketched(lines, band.width, band.cap, band.taper);
  const rings: Band = { ...pen, rings: true };
  if (!band.taper) return kernel.band(pathOf(lines), rings);
  // A ring has no ends that it could taper to.
  const [open, closed] = [lines.filter((l) => !l.closed), lines.filter((l) => l.closed)];
  return kernel.union([kernel.band(pathOf(closed), { ...rings, taper: undefined }), kernel.band(pathOf(open), pen)]);
}

/**
 * Lines that meet lie over one another, as on paper: united, those that cross would be a lattice of some thousand holes. No line goes round
 * another the other way, so that they look the same filled nonzero.
 */
export function laidOver(paths: readonly Path[]): Path {
  const [first, ...more] = paths.filter((p) => !p.isEmpty);
  if (!more.length) return first ?? Path.empty;
  const out = new PathBuilder();
  for (const p of [first, ...more]) out.add(p);
  return out.build();
}
