import type { Bounds } from "../curves/bounds";
import { apply, invert, type Matrix, type Point } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Camera, Point3 } from "./camera";

const { abs, hypot, max, min } = Math;

/** The plane of a surface, in which the material that it is of lies. */
export interface Skin {
  /** From places on the surface to the picture: first along its edge, then away from it, in units. */
  readonly matrix: Matrix;
  /** Directions in the picture's frame, of length 1: along the edge, away from it, and out of the body. */
  readonly along: Point3;
  readonly away: Point3;
  readonly out: Point3;
}

/** Less of a surface than this share is seen of one that is nearly edge-on: no material can be told on it. */
const edgeOn = 0.02;

/** A stretch of an edge: from where to where, how far along the outline it begins, how long it is, and which way is out. */
export interface Stretch {
  readonly from: Point;
  readonly to: Point;
  readonly start: number;
  readonly length: number;
  readonly normal: Point3;
}

/**
 * The plane through a stretch of the edge of a body, and through what it becomes on its way: flat in a parallel view, and in perspective as
 * it is in the middle.
 * @param first where a place of the edge is seen on the nearer border of the surface, and `second` on the farther one
 * @param apart units from the one to the other
 * @param away the direction from the one to the other, in the body's frame
 * @returns nothing where it is nearly edge-on
 */
export function skinOn(
  { from, to, start, length, normal }: Stretch,
  first: (p: Point) => Point,
  second: (p: Point) => Point,
  apart: number,
  away: Point3,
  turned: Camera["turned"],
): Skin | undefined {
  const [a, b, c, d] = [first(from), first(to), second(from), second(to)];
  const chord = hypot(to.x - from.x, to.y - from.y);
  if (!(chord > 1e-9 && length > 1e-9 && apart > 1e-9)) return undefined;
  const ux = (b.x + d.x - a.x - c.x) / (2 * length);
  const uy = (b.y + d.y - a.y - c.y) / (2 * length);
  const vx = (c.x + d.x - a.x - b.x) / (2 * apart);
  const vy = (c.y + d.y - a.y - b.y) / (2 * apart);
  if (abs(ux * vy - uy * vx) < edgeOn) return undefined;
  const [mx, my] = [(a.x + b.x + c.x + d.x) / 4, (a.y + b.y + c.y + d.y) / 4];
  const middle = start + length / 2;
  return {
    matrix: [ux, uy, vx, vy, mx - ux * middle - (vx * apart) / 2, my - uy * middle - (vy * apart) / 2],
    along: turned({ x: (to.x - from.x) / chord, y: (to.y - from.y) / chord, z: 0 }),
    away: turned(away),
    out: turned(normal),
  };
}

/** Where places of the plane of the face are seen after a share of their way. */
export function seenAfter({ way, map }: Pick<Camera, "way" | "map">, share: number): (p: Point) => Point {
  const out = new Float64Array(6);
  return ({ x, y }) => {
    if (way.kind === "vector") map(x + way.x * share, y + way.y * share, out);
    else map(x + (way.x - x) * way.by * share, y + (way.y - y) * way.by * share, out);
    return { x: out[0], y: out[1] };
  };
}

/**
 * One plane for all the sides of a body: along what lies across its way, and down its way as it runs in the middle.
 * @returns nothing where the body is seen from straight ahead
 */
export function skinAcross(camera: Camera, { minX, minY, maxX, maxY }: Bounds): Skin | undefined {
  const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
  const [near, far] = [seenAfter(camera, 0)(middle), seenAfter(camera, 1)(middle)];
  const length = hypot(far.x - near.x, far.y - near.y);
  if (length < edgeOn * camera.depth) return undefined;
  const [vx, vy] = [(far.x - near.x) / length, (far.y - near.y) / length];
  const away = camera.turned({ x: 0, y: 0, z: camera.behind ? 1 : -1 });
  const along = { x: vy, y: -vx, z: 0 };
  const by = length / camera.depth;
  return { matrix: [along.x, along.y, vx * by, vy * by, near.x, near.y], along, away, out: across(along, away) };
}

/** Upright to two directions, towards who looks. */
function across(a: Point3, b: Point3): Point3 {
  const n = { x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x };
  const length = hypot(n.x, n.y, n.z) * (n.z < 0 ? -1 : 1) || 1;
  return { x: n.x / length, y: n.y / length, z: n.z / length };
}

/** Units that a material goes on beyond the border of a surface, so that none is bare. */
const beyond = 1;

/** The box in its own plane of what is seen of a surface. */
export function boxOn({ coords }: Path, { matrix }: Pick<Skin, "matrix">): Bounds {
  const back = invert(matrix);
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < coords.length; i += 2) {
    const { x, y } = apply(back, { x: coords[i], y: coords[i + 1] });
    [minX, minY, maxX, maxY] = [min(minX, x), min(minY, y), max(maxX, x), max(maxY, y)];
  }
  return { minX: minX - beyond, minY: minY - beyond, maxX: maxX + beyond, maxY: maxY + beyond };
}
