import { contoursOf, stride, type Contour } from "../curves/contour";
import type { Kernel } from "../curves/kernel";
import { lengthOf } from "../curves/length";
import type { Path } from "../curves/path";
import { derivative, minus, signChanges } from "../curves/roots";
import type { Camera, Point3 } from "./camera";
import { litAcross } from "./lit";
import { runsOf, type Run } from "./runs";
import { seenAfter, skinOn, type Skin } from "./skin";
import { normalsOf, sidesOf, type Cut, type CutsAt, type Side } from "./sides";
import { wholesOf, type SeenSides, type Shading, type SolidParts } from "./solid";
import { litTones, sidesByWay, sideWays, stretched } from "./tones";
import { visibleOf } from "./visible-sides";

const { atan2, cos, floor, PI, sin } = Math;

/** Degrees that a strip turns by at most: within so little what lies on it looks as on a curve. */
const widest = 15;
const step = (widest * PI) / 180;
/** Strips whose materials are drawn each for itself. */
const most = 1000;

/** Cuts curves where they turn from one strip to the next: half a strip off the ways that letters look most. */
const stripCuts: CutsAt = (p, o, degree) => {
  const axis = (which: 0 | 1) => derivative(Array.from({ length: degree + 1 }, (_, i) => p[o + 2 * i + which]));
  const [dx, dy] = [axis(0), axis(1)];
  return Array.from({ length: PI / step }, (_, k) => (k + 0.5) * step).flatMap((angle) =>
    signChanges(
      minus(
        dx.map((v) => v * sin(angle)),
        dy.map((v) => v * cos(angle)),
      ),
    ),
  );
};

const stripOf = ({ normal }: Side): number => floor(atan2(normal.y, normal.x) / step + 0.5);

/** A side of a solid that is nearly flat, with its own plane, so that a material can lie in it. */
export interface Strip extends SeenSides {
  readonly skin?: Skin;
}

export interface Strips extends SolidParts {
  readonly sides: readonly Strip[];
}

/**
 * The sides of a solid as nearly flat strips.
 * @param front the welded outline, in its own plane
 * @param light towards the light, in the body's frame
 * @returns nothing where there would be too many to draw each for itself
 */
export function solidStrips(front: Path, camera: Camera, kernel: Kernel, light: Point3, shading: Shading): Strips | undefined {
  const { way } = camera;
  const clean = contoursOf(front, true);
  const normals = normalsOf(sidesOf(clean, way));
  const tones = shading.kind === "tones" ? litTones(light, shading.count, normals) : undefined;
  const more = tones?.cutsAt ?? (shading.kind === "ways" ? sideWays.cutsAt : undefined);
  const cut = sidesOf(clean, way, (p, o, degree) => [...stripCuts(p, o, degree), ...(more?.(p, o, degree) ?? [])]);
  const smooth = stretched(light, normals);
  const of = tones?.of ?? (shading.kind === "ways" ? (n: Side["normal"]) => sidesByWay.indexOf(sideWays.of(n)) : () => 0);
  const runs = runsOf(cut, (a, b) => stripOf(a) !== stripOf(b) || of(a.normal) !== of(b.normal));
  if (runs.length > most) return undefined;
  const runOf = new Map<Side, Run>(runs.flatMap((run) => run.sides.map((s) => [s, run] as const)));
  const walked = cut.contours.map(startsOf);
  const lightOf = (run: Run): Omit<SeenSides, "path"> => {
    const { normal } = run.sides[run.sides.length >> 1];
    const own = { facing: camera.turned({ ...normal, z: 0 }) };
    if (shading.kind === "ways") {
      const side = sideWays.of(normal);
      return { ...own, side, tone: sidesByWay.indexOf(side) / (sidesByWay.length - 1) };
    }
    const lit = tones ? tones.of(normal) : litAcross(run, cut.contours, camera, smooth);
    return typeof lit === "number" ? { ...own, tone: lit } : { ...own, tone: smooth(normal), lit };
  };
  const seen = visibleOf(cut, way, kernel, (side) => runOf.get(side)!);
  const whole = runsOf(cut, (a, b) => of(a.normal) !== of(b.normal));
  return {
    sides: [...seen].map(([run, path]) => ({ path, ...lightOf(run), skin: skinOf(run, cut, walked, camera) })),
    beneath: wholesOf(whole, runOf, seen).map(({ run, of: parts }) => ({ of: parts, ...lightOf(run) })),
  };
}

/** How far along a contour each of its segments begins; one more for its end. */
function startsOf({ points, degrees, size }: Contour): number[] {
  const starts = [0];
  for (let k = 0; k < size; k++) starts.push(starts[k] + lengthOf(points, k * stride, degrees[k]));
  return starts;
}

function skinOf({ sides }: Run, { contours }: Cut, walked: readonly number[][], camera: Camera): Skin | undefined {
  const [first, last] = [sides[0], sides[sides.length - 1]];
  const { points, degrees } = contours[first.contour];
  const starts = walked[first.contour];
  const end = last.segment * stride + 2 * degrees[last.segment];
  return skinOn(
    {
      from: { x: points[first.segment * stride], y: points[first.segment * stride + 1] },
      to: { x: points[end], y: points[end + 1] },
      start: starts[first.segment],
      length: sides.reduce((sum, s) => sum + starts[s.segment + 1] - starts[s.segment], 0),
      normal: { ...sides[sides.length >> 1].normal, z: 0 },
    },
    seenAfter(camera, 0),
    seenAfter(camera, 1),
    camera.depth,
    { x: 0, y: 0, z: camera.behind ? 1 : -1 },
    camera.turned,
  );
}
