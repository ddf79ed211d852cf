import type { Camera, Point3 } from "./camera";

/** Where light comes from, as the coats of an item see it. */
export interface Lamp {
  /** Towards it, a unit of length in the plane of the letters. */
  readonly x: number;
  readonly y: number;
  /** Degrees over that plane. */
  readonly height: number;
}

/** What becomes of a tone under a lamp: how strong it is, and how much light comes from all around. */
export const toneUnder = (tone: number, { strength, ambient }: { readonly strength: number; readonly ambient: number }): number =>
  Math.min(1, Math.max(0, ambient + (1 - ambient) * tone * strength));

/** Towards the light, a unit of length, in the picture's frame. */
export function lightOf({ x, y, height }: Lamp): Point3 {
  const up = (height * Math.PI) / 180;
  return { x: x * Math.cos(up), y: y * Math.cos(up), z: Math.sin(up) };
}

/** Towards the light in the frame of a body that is turned. */
export function lightOn({ turned }: Camera, l: Point3): Point3 {
  // The turn's inverse is its transpose: its columns are the turned axes.
  const along = (axis: Point3): number => {
    const a = turned(axis);
    return a.x * l.x + a.y * l.y + a.z * l.z;
  };
  return { x: along({ x: 1, y: 0, z: 0 }), y: along({ x: 0, y: 1, z: 0 }), z: along({ x: 0, y: 0, z: 1 }) };
}
