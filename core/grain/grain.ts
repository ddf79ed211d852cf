import type { Bounds } from "../curves/bounds";
import type { MaterialName } from "./materials";

/** A material as it is to be drawn: plain data, by which its picture is told apart. In the space of what it is laid on. */
export interface Grain {
  readonly material: MaterialName;
  /** The length of the material's unit. */
  readonly size: number;
  /** Degrees, clockwise on screen: which way the grain runs. */
  readonly angle: number;
  /** As #rrggbb: two that its tones lie between, and that of its marks. */
  readonly inks: readonly [string, string, string];
  /** 0, one even colour, to 1 and over. */
  readonly contrast: number;
  /** How deep it is, 0 to 1 and over, where it is lit. */
  readonly relief: number;
  readonly light: GrainLight;
  readonly seed: number;
}

export interface GrainLight {
  /** Towards the lamp, a unit vector; z over the surface. */
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** 1 is common daylight. */
  readonly strength: number;
  readonly colour: string;
}

/** A picture of a grain: which part, in how many pixels. */
export interface GrainPicture {
  readonly grain: Grain;
  readonly area: Bounds;
  readonly width: number;
  readonly height: number;
}

/** Told apart by all that it is made of. */
export const grainKey = (picture: GrainPicture): string => JSON.stringify(picture);

/**
 * The picture of a part of a grain.
 * @param density pixels to a unit of the area
 * @param most pixels in all, for which it may be drawn coarser
 */
export function grainPicture(grain: Grain, area: Bounds, density: number, most: number): GrainPicture {
  const [w, h] = [area.maxX - area.minX, area.maxY - area.minY];
  const k = Math.min(density, Math.sqrt(most / Math.max(1e-9, w * h)));
  const side = (length: number) => Math.max(1, Math.min(16_384, Math.round(length * k)));
  return { grain, area, width: side(w), height: side(h) };
}
