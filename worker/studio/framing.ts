import { Euler, Matrix4, Vector3 } from "three";
import { surfaceNames } from "../../core/depth/mesh";
import type { StudioBody } from "./order";

/** What of a picture lies around the body, against its size: no edge touches the frame. */
const margin = 0.012;
/** A shadow farther away than so many times the body's size is cut off: low lamps throw them to the horizon. */
const farthest = 1.6;

const around = [
  [-1, 0],
  [1, 0],
  [0, -1],
  [0, 1],
] as const;

/** Where a body stands before the camera: its middle in 0, y up, z towards the eye. */
export interface Framing {
  /** From the mesh into the room. */
  readonly toRoom: Matrix4;
  /** Units from the middle to the eye; 0 is infinitely far. */
  readonly eye: number;
  /** Of the board behind it. */
  readonly floor: number;
  /** The radius of a ball around the middle that holds it. */
  readonly radius: number;
  /** What the picture shows of the plane through the middle, y up. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** From the body's own space, y up, into the room: turned about the upright line, then the level one, then in the picture. */
export function roomMatrix({ tilt, swing, roll, pivot, depth }: StudioBody["sight"]): Matrix4 {
  const rad = Math.PI / 180;
  // Here y runs up: turns about the level axis and about the line of sight run the other way round.
  return new Matrix4()
    .makeRotationFromEuler(new Euler(-tilt * rad, swing * rad, -roll * rad, "ZXY"))
    .multiply(new Matrix4().makeTranslation(-pivot.x, pivot.y, depth / 2));
}

/** Where a place of the room is seen on the plane through the middle. */
function seen(p: Vector3, eye: number): { x: number; y: number } {
  const k = eye > 0 ? eye / Math.max(eye - p.z, eye * 0.02) : 1;
  return { x: p.x * k, y: p.y * k };
}

/**
 * @param shadow whether its shadow on the board is to be in the picture, and how wide the lamp is, as the tangent of the angle from its
 * middle to its edge
 */
export function framingOf({ mesh, sight, light }: StudioBody, shadow: { readonly wide: number } | undefined): Framing {
  const toRoom = roomMatrix(sight);
  const places: Vector3[] = [];
  for (const name of surfaceNames) {
    const p = mesh[name].positions;
    for (let i = 0; i < p.length; i += 3) places.push(new Vector3(p[i], p[i + 1], p[i + 2]).applyMatrix4(toRoom));
  }
  const [floor, radius] = places.reduce(([low, r], p) => [Math.min(low, p.z), Math.max(r, p.length())], [0, 1e-6]);
  const [from, box] = [light.from, { left: Infinity, right: -Infinity, top: -Infinity, bottom: Infinity }];
  const take = (p: Vector3) => {
    const { x, y } = seen(p, sight.eye);
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.bottom = Math.min(box.bottom, y);
    box.top = Math.max(box.top, y);
  };
  for (const p of places) take(p);
  if (shadow) {
    const most = farthest * radius;
    for (const p of places) {
      const high = (p.z - floor) / Math.max(0.05, from.z);
      const way = Math.min(high * Math.hypot(from.x, from.y), most) / (Math.hypot(from.x, from.y) || 1);
      // A lamp that is a little lower throws it farther by the square of its height.
      const soft = Math.min((1.3 * high * shadow.wide) / Math.max(0.2, from.z), most);
      const [x, y] = [p.x - from.x * way, p.y + from.y * way];
      for (const [dx, dy] of around) take(new Vector3(x + dx * soft, y + dy * soft, floor));
    }
  }
  const edge = margin * Math.max(box.right - box.left, box.top - box.bottom);
  return {
    ...{ toRoom, floor, radius, eye: sight.eye },
    ...{ left: box.left - edge, right: box.right + edge, top: box.top + edge, bottom: box.bottom - edge },
  };
}
