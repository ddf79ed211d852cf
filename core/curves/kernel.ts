import type { Point } from "./matrix";
import type { Path } from "./path";

/**
 * How an outline turns a corner, as SVG 2 defines it: a miter whose length over the width, 1 / sin(theta / 2),
 * exceeds the limit becomes a bevel.
 */
export type Join = { readonly kind: "miter"; readonly limit: number } | { readonly kind: "round" } | { readonly kind: "bevel" };

export type Cap = "butt" | "round" | "square";
export type Side = "inside" | "centre" | "outside";

export interface Band {
  /** Full width in units, above 0. */
  readonly width: number;
  readonly side: Side;
  readonly join: Join;
  readonly cap: Cap;
  /** Lengths in units, painted and left out in turn as in SVG's stroke-dasharray; empty for an unbroken band. */
  readonly dashes: readonly number[];
}

/**
 * The geometry that every coat is made of. Paths are filled nonzero; results wind outers positive and counters
 * negative (shoelace, y down) and do not cross themselves. All operations are pure.
 */
export interface CurveKernel {
  /** @param at where the origin of each path lies, where they are not all at 0, 0 */
  union(paths: readonly Path[], at?: readonly Point[]): Path;
  intersect(a: Path, b: Path): Path;
  subtract(a: Path, b: Path): Path;
  /** The union of a path with itself. Returns the same object where no contours overlap. */
  weld(path: Path): Path;
  /** The parallel outline. @param distance units, outwards above 0, inwards below */
  grow(path: Path, distance: number, join: Join): Path;
  /** A stroke along the outline, made a shape. */
  band(path: Path, band: Band): Path;
  /** The shape without its counters. */
  plug(path: Path): Path;
  /** The filled area in square units. */
  area(path: Path): number;
}
