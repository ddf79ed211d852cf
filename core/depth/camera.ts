import type { Matrix, Point } from "../curves/matrix";
import type { Way } from "../curves/sweep";
import type { Warp } from "../curves/warp";

const { cos, hypot, max, PI, sign, sin } = Math;

/** A place or a direction in space: x to the right, y down, z towards who looks. */
export interface Point3 extends Point {
  readonly z: number;
}

/** How a body is turned, in degrees: first about the upright line, then about the level one, then in the picture, as it is seen. */
export interface Turn {
  /** The right side comes nearer below 0 and goes away above it. */
  readonly swing: number;
  /** The upper edge goes away above 0. */
  readonly tilt: number;
  /** Clockwise. */
  readonly roll: number;
}

/** How a body whose front lies in the plane of the letters, at z = 0, and whose back lies `depth` behind it, is looked at. */
export interface Sight extends Turn {
  /** Units, above 0. */
  readonly depth: number;
  /** Units from the pivot to the eye; 0 is infinitely far. */
  readonly eye: number;
  /** What it is turned about, in the middle of its depth; it stays where it is. */
  readonly pivot: Point;
}

/** A body as it is seen. */
export interface Camera {
  /** How the nearest face is swept in its own plane to cover what the whole body covers. */
  readonly way: Way;
  /** Of the body, in units. */
  readonly depth: number;
  /** Whether the back is what is nearest. */
  readonly behind: boolean;
  /** From the plane of the nearest face to the picture: a matrix where the eye is far, a map where it is near. */
  readonly matrix?: Matrix;
  readonly map: Warp;
  /** A direction of the body in the picture's frame. */
  readonly turned: (direction: Point3) => Point3;
  /** Where a place is seen. */
  readonly project: (place: Point3) => Point;
  /** Where lines of a direction of the body run together in the picture; undefined where they stay parallel. */
  readonly vanish: (direction: Point3) => Point | undefined;
  /** What tells it from others. */
  readonly key: string;
}

/** Seen more along its plane than this, a face is a line: as the sine of an angle of half a degree. */
const edgeOn = sin((0.5 * PI) / 180);

/** Lines that come nearer by less than this share of their length never meet on any board. */
const level = 0.01;

/**
 * A solid is a sweep in the plane of its nearest face: a place (b, z) is seen in that plane from the eye's own place, and all that is
 * hidden is found there. One map takes it to the picture (Hartley and Zisserman, Multiple View Geometry, on planes and their pictures).
 * A face that would be seen edge-on is taken half a degree off; an eye between the planes of front and back a little before the front.
 */
export function cameraOf(sight: Sight): Camera {
  const { depth, eye, pivot } = sight;
  const r = rotationOf(sight);
  const turned = ({ x, y, z }: Point3): Point3 => ({
    x: r[0] * x + r[1] * y + r[2] * z,
    y: r[3] * x + r[4] * y + r[5] * z,
    z: r[6] * x + r[7] * y + r[8] * z,
  });
  const key = JSON.stringify(sight);
  // Where the eye is, in the body's own frame.
  let e: Point3 = { x: r[6], y: r[7], z: r[8] };
  if (eye === 0) {
    if (Math.abs(e.z) < edgeOn) e = { ...e, z: edgeOn * (sign(e.z) || 1) };
    const behind = e.z < 0;
    const way: Way = { kind: "vector", x: (depth * e.x) / Math.abs(e.z), y: (depth * e.y) / Math.abs(e.z) };
    const seen = (x: number, y: number, z: number): Point => {
      const [a, b, c] = [x - pivot.x, y - pivot.y, z + depth / 2];
      return { x: pivot.x + r[0] * a + r[1] * b + r[2] * c, y: pivot.y + r[3] * a + r[4] * b + r[5] * c };
    };
    const origin = seen(0, 0, behind ? -depth : 0);
    const matrix: Matrix = [r[0], r[3], r[1], r[4], origin.x, origin.y];
    const map: Warp = (x, y, out) => {
      out[0] = matrix[0] * x + matrix[2] * y + matrix[4];
      out[1] = matrix[1] * x + matrix[3] * y + matrix[5];
      [out[2], out[3], out[4], out[5]] = matrix;
    };
    return { way, depth, behind, matrix, map, turned, project: ({ x, y, z }) => seen(x, y, z), vanish: () => undefined, key };
  }
  e = { x: pivot.x + e.x * eye, y: pivot.y + e.y * eye, z: e.z * eye - depth / 2 };
  const near = edgeOn * eye;
  if (e.z > -depth / 2) e = { ...e, z: max(e.z, near) };
  else e = { ...e, z: Math.min(e.z, -depth - near) };
  const behind = e.z < 0;
  const height = behind ? -(e.z + depth) : e.z;
  const way: Way = { kind: "point", x: e.x, y: e.y, by: depth / (height + depth) };
  // Seen from there on the plane through the pivot that looks at it.
  const from = turned({ x: e.x - pivot.x, y: e.y - pivot.y, z: e.z + depth / 2 });
  const seen = (x: number, y: number, z: number): Point => {
    const p = turned({ x: x - pivot.x, y: y - pivot.y, z: z + depth / 2 });
    const w = from.z - p.z;
    return { x: pivot.x + (p.x * from.z - from.x * p.z) / w, y: pivot.y + (p.y * from.z - from.y * p.z) / w };
  };
  const plane = behind ? -depth : 0;
  const base = turned({ x: -pivot.x, y: -pivot.y, z: plane + depth / 2 });
  const h = [
    ...[r[0] * from.z - from.x * r[6], r[1] * from.z - from.x * r[7], base.x * from.z - from.x * base.z],
    ...[r[3] * from.z - from.y * r[6], r[4] * from.z - from.y * r[7], base.y * from.z - from.y * base.z],
    ...[-r[6], -r[7], from.z - base.z],
  ];
  const map: Warp = (x, y, out) => {
    const w = h[6] * x + h[7] * y + h[8];
    const [u, v] = [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
    out[0] = pivot.x + u;
    out[1] = pivot.y + v;
    out[2] = (h[0] - u * h[6]) / w;
    out[3] = (h[3] - v * h[6]) / w;
    out[4] = (h[1] - u * h[7]) / w;
    out[5] = (h[4] - v * h[7]) / w;
  };
  const vanish = (direction: Point3): Point | undefined => {
    const d = turned(direction);
    if (Math.abs(d.z) < level * hypot(d.x, d.y, d.z)) return undefined;
    return { x: pivot.x + from.x - (d.x * from.z) / d.z, y: pivot.y + from.y - (d.y * from.z) / d.z };
  };
  return { way, depth, behind, map, turned, project: ({ x, y, z }) => seen(x, y, z), vanish, key };
}

/** Rows of the turn about the upright line, then the level one, then the line of sight. */
function rotationOf({ swing, tilt, roll }: Turn): readonly number[] {
  const rad = PI / 180;
  const [sx, cx, sy, cy, sz, cz] = [sin(tilt * rad), cos(tilt * rad), sin(swing * rad), cos(swing * rad), sin(roll * rad), cos(roll * rad)];
  return product([cz, -sz, 0, sz, cz, 0, 0, 0, 1], product([1, 0, 0, 0, cx, -sx, 0, sx, cx], [cy, 0, sy, 0, 1, 0, -sy, 0, cy]));
}

const product = (a: readonly number[], b: readonly number[]): number[] =>
  Array.from({ length: 9 }, (_, i) => {
    const [row, column] = [3 * Math.floor(i / 3), i % 3];
    return a[row] * b[column] + a[row + 1] * b[3 + column] + a[row + 2] * b[6 + column];
  });

/** How much of the light that falls on it a face throws back, from -1 to 1 (Lambert's cosine law). */
export const cosine = (a: Point3, b: Point3): number =>
  (a.x * b.x + a.y * b.y + a.z * b.z) / (hypot(a.x, a.y, a.z) * hypot(b.x, b.y, b.z) || 1);
