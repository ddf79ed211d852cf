import type { Path } from "../curves/path";
import type { Edge } from "./bevel";
import type { Point3, Sight } from "./camera";

/** A body, how it is looked at, and the light that falls on it: all that a picture of it is made from. */
export interface TurnedBody {
  /** Of its face, welded. */
  readonly outline: Path;
  readonly sight: Sight;
  /** Undefined where face and sides meet in one edge. */
  readonly edge: Edge | undefined;
  readonly light: {
    /** Towards it, a unit of length in the picture's frame. */
    readonly from: Point3;
    /** 1 is common daylight. */
    readonly strength: number;
    /** From 0 to 1: light from all around. */
    readonly ambient: number;
    readonly colour: string;
  };
}
