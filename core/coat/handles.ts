import type { Bounds } from "../curves/bounds";
import type { Matrix, Point } from "../curves/matrix";

/** Where a run of a paint, or a finish, lies on the letters, in the space of its fill. */
export interface PaintFrame {
  /** What it stretches over. */
  readonly box: Bounds;
  /** Where its picture's edges lie, where it has one. */
  readonly area?: Bounds;
  /** From that space into the item's, where they differ. */
  readonly matrix?: Matrix;
}

/** Where a share of a box lies. */
export const placeIn = (b: Bounds, p: Point): Point => ({
  x: b.minX + (b.maxX - b.minX) * p.x,
  y: b.minY + (b.maxY - b.minY) * p.y,
});

/** The share of a box at which a point lies. */
export const shareOf = (b: Bounds, p: Point): Point => ({
  x: (p.x - b.minX) / (b.maxX - b.minX || 1),
  y: (p.y - b.minY) / (b.maxY - b.minY || 1),
});

/** A setting of the type `place` as a grip on the art. */
export interface PlaceHandle {
  /** Which setting. */
  readonly param: string;
  /** What it is called, for a tooltip and a screen reader. */
  readonly label: string;
  readonly at: Point;
  /** By how much the value changes over a unit of the fill's space; 0 where it cannot. */
  readonly per: Point;
  /** With Shift it lies straight across from or above this; from where it was, where that is left out. */
  readonly straight?: Point;
  /** Settings that change with it, such as what was said by an angle and is now said by places. */
  readonly also?: Readonly<Record<string, unknown>>;
  /** Its value, where that is not simply the setting's. */
  readonly value?: Point;
  /** What a move of it changes, where that is not simply the setting. */
  set?(place: Point): Readonly<Record<string, unknown>>;
  /** From its own space into the item's, where that is not the one of the first run. */
  readonly matrix?: Matrix;
  /** The ink it is shown in, by its id. */
  readonly ink?: string;
}

/** What of a paint or a finish is set on the art itself. A kind says it; one component of the bench draws all of them. */
export interface Handles {
  readonly places: readonly PlaceHandle[];
  /** A line between the first two of them, with inks along it, in percent of the way. */
  readonly line?: readonly { readonly at: number; readonly ink: string }[];
  /** Edges that are shown. */
  readonly edges?: Bounds;
}
