import type { Kernel } from "../curves/kernel";
import type { Face } from "../lettering/face";
import type { HarfBuzz } from "../lettering/harfbuzz";

/** All that turns a piece into a scene besides the piece itself. */
export interface Engine {
  readonly hb: HarfBuzz;
  readonly kernel: Kernel;
  /** An opened face; undefined where it is not here. */
  readonly face: (id: string) => Face | undefined;
  /** The face that stands in for one that is not here. */
  readonly standIn: Face;
  /** Steps of work that one coat may take, where it is not the common bound. */
  readonly steps?: number;
}
