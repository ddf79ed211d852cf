import { contoursOf } from "../../core/curves/contour";
import { flatten } from "../../core/curves/flatten";
import type { CurveKernel, Join } from "../../core/curves/kernel";
import type { Path, Polygon } from "../../core/curves/path";
import { perimeter } from "../../core/curves/polygon";
import { clip, type Clipper } from "./clipper";
import { grownByNormals } from "./normals";
import { totalArea } from "./reference";

/** What is made of an outline: grown (d > 0) or shrunk, or the band that lies between it and that. */
export interface Outlining {
  readonly what: "grow" | "band";
  readonly d: number;
  readonly join: Join;
}

export const joins: readonly Join[] = [{ kind: "round" }, { kind: "miter", limit: 4 }, { kind: "bevel" }];
/** Twenty distances, in units: hairs, strokes, and more than any stem is wide. */
export const distances = [-80, -60, -50, -40, -30, -20, -15, -10, -5, -2, 2, 5, 10, 15, 20, 30, 41, 60, 90, 120];

/** The widest strip that may differ, in units on the average along the outline: a fiftieth of a unit is seen by no one. */
export const widestStrip = 0.02;

/**
 * Chords of the reference, in units, and up to which width they settle it: coarse ones first, which may themselves be some two thirds of a
 * chord's height off along both outlines, finer where those leave it open.
 */
const chords = [
  { within: 0.015, settles: 0.4 * widestStrip },
  { within: 0.004, settles: 0.7 * widestStrip },
  { within: 0.0005, settles: Infinity },
];

/**
 * How far an outline that the kernel made lies from the true one: the area by which they differ, over the length of the source's outline,
 * or of a circle of the distance where that is longer.
 * By area alone a spike on a large letter would be nothing.
 */
export function stripWidth(m: Clipper, kernel: CurveKernel, source: Path, { what, d, join }: Outlining): number {
  return stripWidths(m, kernel, source, d, join, [what])[0];
}

/** The same of several outlinings at one distance, of which most of the reference is the same. */
export function stripWidths(
  m: Clipper,
  kernel: CurveKernel,
  source: Path,
  d: number,
  join: Join,
  whats: readonly Outlining["what"][],
): number[] {
  const clean = kernel.weld(source);
  const side = d > 0 ? "outside" : "inside";
  const made = whats.map((what) =>
    flatten(
      what === "grow" ? kernel.grow(clean, d, join) : kernel.band(clean, { width: Math.abs(d), side, join, cap: "butt", dashes: [] }),
      0.002,
    ),
  );
  const shape = contoursOf(clean, true);
  // A speck that is grown has far more outline than it had: as a point, that of a circle.
  const around = Math.max(
    flatten(clean, 0.01).reduce((sum, p) => sum + perimeter(p), 0),
    2 * Math.PI * d,
    1e-9,
  );
  let widths: number[] = [];
  for (const { within, settles } of chords) {
    const grown = grownByNormals(m, shape, d, join, within);
    const [larger, smaller] = d > 0 ? [grown, flatten(clean, within)] : [flatten(clean, within), grown];
    widths = whats.map((what, i) => {
      const wanted: Polygon[] = what === "grow" ? grown : clip(m, "Difference", "NonZero", larger, smaller);
      return Math.abs(totalArea(clip(m, "Xor", "NonZero", made[i], wanted))) / around;
    });
    if (widths.every((w) => w <= settles)) break;
  }
  return widths;
}
