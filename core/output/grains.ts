import { multiply, type Matrix } from "../curves/matrix";
import { drawing } from "../grain/draw";
import { grainKey, grainPicture, type GrainPicture } from "../grain/grain";
import type { PictureFill, Scene } from "../scene/scene";
import { fillsIn } from "../scene/walk";
import { pxPer } from "../units";
import { exportedItems, type Area, type Exported } from "./output-kind";
import { encodePng } from "./png";

/** The grains of a document, each drawn once for the pixels that it is seen in. */
export interface Grains {
  /** Pixels to a pixel of the board. */
  readonly density: number;
  /** PNGs by `grainKey`. */
  readonly images: ReadonlyMap<string, Uint8Array>;
}

export const noGrains: Grains = { density: 1, images: new Map() };

/** Pixels of one grain at most: some ten seconds' work. */
const most = 16_000_000;

/** The picture that a fill's grain is drawn as; undefined where it is none. @param item from the space of the fill's layer to the board */
export function grainOf({ source, area, matrix }: PictureFill, item: Matrix, density: number): GrainPicture | undefined {
  if (source.kind !== "grain") return undefined;
  const [a, b, c, d] = matrix ? multiply(item, matrix) : item;
  return grainPicture(source.grain, area, density * Math.sqrt(Math.abs(a * d - b * c)), most);
}

/** Draws what grains of a scene are exported. @param pause lets others have a turn */
export async function grainsFor(scene: Scene, area: Area, density: number, pause: () => Promise<void>): Promise<Grains> {
  const images = new Map<string, Uint8Array>();
  for (const { layers, matrix } of exportedItems(scene, area))
    for (const layer of layers)
      for (const fill of fillsIn(layer)) {
        const picture = fill.kind === "picture" && grainOf(fill, matrix, density);
        if (picture && !images.has(grainKey(picture))) images.set(grainKey(picture), await drawnPng(picture, pause));
      }
  return { density, images };
}

/** Of a file that is no picture itself: boards in pixels may be seen at twice their size, what is printed is as fine as its board. */
export const fileGrains = ({ scene, area, unit, dpi }: Exported, pause: () => Promise<void>): Promise<Grains> =>
  grainsFor(scene, area, unit === "px" ? 2 : Math.min(4, Math.max(1, dpi / pxPer.in)), pause);

async function drawnPng(picture: GrainPicture, pause: () => Promise<void>): Promise<Uint8Array> {
  const rows = drawing(picture);
  for (let drawn = 0; ; drawn += picture.width) {
    const { done, value } = rows.next();
    if (done) return encodePng(picture.width, picture.height, value);
    if (drawn >= 30_000) {
      drawn = 0;
      await pause();
    }
  }
}
