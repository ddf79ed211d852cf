import { contoursOf } from "../curves/contour";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import type { Camera, Point3 } from "./camera";
import { litAcross, litRoughly, type Lit } from "./lit";
import { paintedSides } from "./painted-sides";
import { runsOf, type Run } from "./runs";
import { normalsOf, sidesOf, type Side } from "./sides";
import { litTones, sidesByWay, sideWays, stretched, type SideWay, type Tones } from "./tones";
import { visibleOf } from "./visible-sides";
import { wedgeOf, wedgesAbout } from "./wedges";

/** How sides are told apart. */
export type Shading =
  /** Light that runs over each smooth surface. */
  | { readonly kind: "smooth" }
  /** So many flat tones, from 2 on. */
  | { readonly kind: "tones"; readonly count: number }
  /** The four ways that they look in the letters' own frame. */
  | { readonly kind: "ways" };

/** What is seen of the sides, in the plane of the nearest face. */
export interface SeenSides {
  readonly path: Path;
  /** From 0, the darkest side, to 1, the lightest. */
  readonly tone: number;
  /** Where it is one surface, its outward normal in the picture's frame. */
  readonly facing?: Point3;
  readonly lit?: Lit;
  readonly side?: SideWay;
}

export interface SolidParts {
  /** What is seen of the sides, with no overlap. */
  readonly sides: readonly SeenSides[];
  /** Smooth surfaces whole that are several of them, to lie beneath: as light as they are, so that no seam is seen. */
  readonly beneath: readonly WholeSide[];
}

/** A surface that is several sides, by their places among these. */
export interface WholeSide extends Omit<SeenSides, "path"> {
  readonly of: readonly number[];
}

/** What is seen of the sides of a solid, with no overlap: see `solidParts`. */
export const solidSides = (...of: Parameters<typeof solidParts>): readonly SeenSides[] => solidParts(...of).sides;

/**
 * What is seen of the sides of a solid.
 * @param front the welded outline, in its own plane
 * @param light towards the light, in the body's frame
 */
export function solidParts(front: Path, camera: Camera, kernel: Kernel, light: Point3, shading: Shading): SolidParts {
  const { way } = camera;
  const clean = contoursOf(front, true);
  if (shading.kind === "ways") {
    const seen = visibleOf(sidesOf(clean, way, sideWays.cutsAt), way, kernel, (side) => sideWays.of(side.normal));
    return { sides: [...seen].map(([side, path]) => byWay(side, path)), beneath: [] };
  }
  const near = way.kind === "point" ? way : undefined;
  const cut = sidesOf(clean, way, near && shading.kind === "smooth" ? wedgesAbout(near) : undefined);
  const normals = normalsOf(cut);
  if (shading.kind === "tones") {
    const tones = litTones(light, shading.count, normals);
    const seen = visibleOf(sidesOf(clean, way, tones.cutsAt), way, kernel, (side) => tones.of(side.normal));
    return { sides: [...seen].map(([tone, path]) => ({ path, tone })), beneath: [] };
  }
  const tone = stretched(light, normals);
  const runs = runsOf(cut, near && ((a, b) => wedgeOf(cut.contours, a, near) !== wedgeOf(cut.contours, b, near)));
  const runOf = new Map<Side, Run>(runs.flatMap((run) => run.sides.map((s) => [s, run] as const)));
  const seen = visibleOf(cut, way, kernel, (side) => runOf.get(side)!);
  const lightOf = (run: Run, lighted = litAcross): Omit<SeenSides, "path"> => {
    const lit = lighted(run, cut.contours, camera, tone);
    const { normal } = run.sides[run.sides.length >> 1];
    const facing = camera.turned({ ...normal, z: 0 });
    return typeof lit === "number" ? { tone: lit, facing } : { tone: tone(normal), facing, lit };
  };
  return {
    sides: [...seen].map(([run, path]) => ({ path, ...lightOf(run) })),
    beneath: !near ? [] : wholesOf(runsOf(cut), runOf, seen).map(({ run, of }) => ({ of, ...lightOf(run, litRoughly) })),
  };
}

/** Surfaces that are cut into several, whole. @param parts what each side belongs to as it was cut @param seen what is seen of those */
export function wholesOf(
  whole: readonly Run[],
  parts: ReadonlyMap<Side, Run>,
  seen: ReadonlyMap<Run, Path>,
): { readonly run: Run; readonly of: readonly number[] }[] {
  const index = new Map([...seen.keys()].map((run, i) => [run, i] as const));
  return whole.flatMap((run) => {
    const of = [...new Set(run.sides.map((s) => parts.get(s)!))].flatMap((r) => index.get(r) ?? []);
    return of.length > 1 ? [{ run, of }] : [];
  });
}

/** The same as a quick picture, from the farthest to the nearest, to be painted in that order: see `paintedSides`. */
export function solidPainted(front: Path, camera: Camera, light: Point3, shading: Shading, tolerance?: number): SeenSides[] {
  const { way } = camera;
  if (shading.kind === "ways")
    return paintedSides(front, way, (n) => sideWays.of(n), tolerance).map(({ label, path }) => byWay(label, path));
  const normals = normalsOf(sidesOf(contoursOf(front, true), way));
  // What runs from tone to tone is drawn in some.
  const tones: Tones = litTones(light, shading.kind === "tones" ? shading.count : 12, normals);
  return paintedSides(front, way, tones.of, tolerance).map(({ label, path }) => ({ path, tone: label }));
}

const byWay = (side: SideWay, path: Path): SeenSides => ({ path, side, tone: sidesByWay.indexOf(side) / (sidesByWay.length - 1) });
