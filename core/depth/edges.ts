import { contoursOf } from "../curves/contour";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Way } from "../curves/sweep";
import { runsOf } from "./runs";
import { sidesOf, type Side } from "./sides";
import { visibleOf } from "./visible-sides";

/** What is seen of each smooth surface of a swept shape, whose outlines are its edges; the front is not among them. */
export function visibleSurfaces(front: Path, way: Way, kernel: Kernel): Path[] {
  const cut = sidesOf(contoursOf(front, true), way);
  const runOf = new Map<Side, number>(runsOf(cut).flatMap((run, i) => run.sides.map((s) => [s, i] as const)));
  return [...visibleOf(cut, way, kernel, (side) => runOf.get(side)!).values()];
}

/** The lines along the borders of paths, of one width, as one outline. @param width units, above 0 */
export function linesAlong(paths: readonly Path[], width: number, kernel: Kernel): Path {
  const line = { width, side: "centre", join: { kind: "round" }, cap: "round", dashes: [] } as const;
  return kernel.union(paths.map((p) => kernel.band(p, line)));
}
