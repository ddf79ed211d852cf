import {
  DataTexture,
  LinearFilter,
  LinearMipmapLinearFilter,
  MirroredRepeatWrapping,
  RepeatWrapping,
  RGBAFormat,
  SRGBColorSpace,
} from "three";
import { mixOklab } from "../../core/colour";
import { drawn } from "../../core/grain/draw";
import type { MaterialName } from "../../core/grain/materials";
import { chance } from "../../core/grain/noise";

const { abs, cos, floor, max, min, PI, round, sqrt } = Math;

/** What a surface is covered with: colours, and how high each place is, as grey. */
export interface Pattern {
  readonly colours: DataTexture;
  readonly heights: DataTexture;
  /** Units that one tile covers. */
  readonly size: number;
}

function texture(pixels: Uint8Array, side: number, isColour: boolean, mirrored = false): DataTexture {
  const made = new DataTexture(pixels as Uint8Array<ArrayBuffer>, side, side, RGBAFormat);
  made.wrapS = made.wrapT = mirrored ? MirroredRepeatWrapping : RepeatWrapping;
  made.magFilter = LinearFilter;
  made.minFilter = LinearMipmapLinearFilter;
  made.generateMipmaps = true;
  made.anisotropy = 4;
  if (isColour) made.colorSpace = SRGBColorSpace;
  made.needsUpdate = true;
  return made;
}

/** A grain, whose tiles are mirrored so that they meet. */
export function grained(material: MaterialName, colour: string, unit: number): Pattern {
  const [side, size] = [1024, 1600];
  const grain = {
    ...{ material, size: unit, angle: 0, contrast: 1.1, relief: 0, seed: 7 },
    inks: [mixOklab(colour, "#ffffff", 0.22), mixOklab(colour, "#140a04", 0.34), mixOklab(colour, "#140a04", 0.62)] as const,
    light: { x: 0, y: 0, z: 1, strength: 1, colour: "#ffffff" },
  };
  const rgb = drawn({ grain, area: { minX: 0, minY: 0, maxX: size, maxY: size }, width: side, height: side });
  const colours = new Uint8Array(4 * side * side);
  const heights = new Uint8Array(4 * side * side);
  for (let i = 0; i < side * side; i++) {
    const [r, g, b] = [rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]];
    // What is darker lies deeper: pores and veins.
    const height = round(0.3 * r + 0.6 * g + 0.1 * b);
    colours.set([r, g, b, 255], 4 * i);
    heights.set([height, height, height, 255], 4 * i);
  }
  return { colours: texture(colours, side, true, true), heights: texture(heights, side, false, true), size };
}

/** Satin stitch: threads side by side, each pulled down where it goes into the cloth, the rows shifted as they are by hand. */
export function stitched(colour: string): Pattern {
  const [side, threads, long, size] = [512, 32, 4, 190];
  const channels = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  const colours = new Uint8Array(4 * side * side);
  const heights = new Uint8Array(4 * side * side);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      // Threads lean: each row of pixels stands a little farther along. A whole turn over the tile closes it.
      const across = (((x + y) % side) / side) * threads;
      const thread = floor(across);
      const shift = chance(thread, 1, 11) * 0.35 + (thread % 2) * 0.5;
      const along = (y / side) * long + shift;
      const stitch = floor(along) % long;
      const u = 2 * (across - thread) - 1;
      const v = 2 * (along - floor(along)) - 1;
      const height = sqrt(max(0, 1 - u * u)) * (1 - (0.8 * max(0, abs(v) - 0.86)) / 0.14);
      const shade = (0.72 + 0.28 * height) * (0.93 + 0.14 * chance(thread, stitch, 5));
      const i = 4 * (y * side + x);
      channels.forEach((c, k) => (colours[i + k] = min(255, round(c * shade))));
      const level = round(255 * height);
      heights.set([level, level, level, 255], i);
      colours[i + 3] = 255;
    }
  return { colours: texture(colours, side, true), heights: texture(heights, side, false), size };
}

/** Lines of a brush, as grey: each fades in and out along its way. */
export function brushed(): { heights: DataTexture; size: number } {
  const side = 512;
  const heights = new Uint8Array(4 * side * side);
  for (let y = 0; y < side; y++) {
    const [own, fast, at] = [chance(y, 1, 3), 1 + floor(4 * chance(y, 2, 3)), chance(y, 3, 3)];
    for (let x = 0; x < side; x++) {
      const wave = 0.5 + 0.5 * cos(2 * PI * ((fast * x) / side + at));
      const level = round(255 * (0.35 + 0.65 * own) * (0.55 + 0.45 * wave));
      heights.set([level, level, level, 255], 4 * (y * side + x));
    }
  }
  return { heights: texture(heights, side, false), size: 420 };
}
