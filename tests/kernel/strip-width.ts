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

/** Chords of the reference, in units: first coarse ones, finer where those leave it open. */
const chords = [0.004, 0.0005];

/**
 * How far an outline that the kernel made lies from the true one: the area by which they differ, over the length of the source's outline.
 * By area alone a spike on a large letter would be nothing.
 */
export function stripWidth(m: Clipper, kernel: CurveKernel, source: Path, { what, d, join }: Outlining): number {
  const clean = kernel.weld(source);
  const side = d > 0 ? "outside" : "inside";
  const made = what === "grow" ? kernel.grow(clean, d, join) : kernel.band(clean, { width: Math.abs(d), side, join, cap: "butt", dashes: [] });
  const got = flatten(made, 0.002);
  const shape = contoursOf(clean, true);
  const around = flatten(clean, 0.01).reduce((sum, p) => sum + perimeter(p), 0);
  let width = Infinity;
  for (const within of chords) {
    const grown = grownByNormals(m, shape, d, join, within);
    const [larger, smaller] = d > 0 ? [grown, flatten(clean, within)] : [flatten(clean, within), grown];
    const wanted: Polygon[] = what === "grow" ? grown : clip(m, "Difference", "NonZero", larger, smaller);
    width = Math.abs(totalArea(clip(m, "Xor", "NonZero", got, wanted))) / Math.max(around, 1e-9);
    if (width < 0.7 * widestStrip) return width;
  }
  return width;
}
