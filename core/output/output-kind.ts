import { isEmpty, joinAll, mapped, type Bounds } from "../curves/bounds";
import type { Kind, Params, Values } from "../params";
import type { Pixels } from "../picture-size";
import type { Scene } from "../scene/scene";
import type { Unit } from "../units";
import type { PdfDocument, PdfOptions } from "./pdf/document";

/** How much of a board is exported: all of it, or some items, cut to their ink. */
export type Area = { readonly kind: "board" } | { readonly kind: "items"; readonly ids: readonly string[] };

/** What is exported, whatever it is written as. */
export interface Exported {
  readonly scene: Scene;
  readonly area: Area;
  /** Whether the colour of the board is a part of it. */
  readonly ground: boolean;
  readonly title: string;
  /** The board's own. */
  readonly unit: Unit;
  readonly dpi: number;
  /** Names of the faces that the outlines come from. */
  readonly faces: readonly string[];
  /** The piece as JSON, from which it is opened again live. */
  readonly piece: () => string;
  /** Photos as data URLs by their ids. */
  readonly photos: ReadonlyMap<string, string>;
}

/** What an output may need of where it is written: core draws no pixels and packs no files itself. */
export interface OutputTools {
  /** An SVG of exact pixels as a PNG. @throws Problem where it cannot be drawn */
  raster(svg: string, pixels: Pixels): Promise<Uint8Array>;
  /** A PDF to be filled, and its bytes when it has been ended. */
  pdf(options: PdfOptions): { readonly document: PdfDocument; readonly bytes: Promise<Uint8Array> };
}
export type Tool = keyof OutputTools;

/** What every output is handed. */
export interface Host {
  /** Lets others have a turn, in what takes long. */
  pause(): Promise<void>;
}

/** A way to take a piece out of the application: one file. */
export interface OutputKind<K extends string = string, P extends Params = Params, N extends readonly Tool[] = readonly Tool[]> extends Kind<
  K,
  P
> {
  /** What its files' names end in, without the point. */
  readonly extension: string;
  readonly mediaType: string;
  /** What a file's name says of it besides the piece and the faces, where its ending does not say enough. */
  readonly remark?: string;
  /** What it cannot be written without: one that needs nothing is written in the browser. */
  readonly needs?: N;
  /** Why this is not written, in the user's words; null where it is. */
  refuses?(exported: Exported, box: Bounds, values: Values<P>): string | null;
  /** Pixels to one of the board that photos are needed in; where it is not said they stay as they are. */
  photoDensity?(exported: Exported, box: Bounds, values: Values<P>): number;
  /** @param box what is shown, in board pixels; not empty */
  write(exported: Exported, box: Bounds, values: Values<P>, tools: Pick<OutputTools, N[number]> & Host): Promise<string | Uint8Array>;
}

/** An output whose values and tools have the types that it says itself. */
export const output = <const K extends string, const P extends Params, const N extends readonly Tool[] = readonly []>(
  kind: OutputKind<K, P, N>,
): OutputKind<K, P, N> => kind;

/** The box that an export shows, in board pixels; empty where the chosen items have no ink. */
export function exportArea(scene: Scene, area: Area): Bounds {
  if (area.kind === "board") return { minX: 0, minY: 0, maxX: scene.width, maxY: scene.height };
  return joinAll(scene.items.filter((i) => area.ids.includes(i.id)).flatMap((i) => i.layers.map((l) => mapped(i.matrix, l.bounds))));
}

/** The items that are exported, back to front. */
export const exportedItems = (scene: Scene, area: Area): Scene["items"] =>
  area.kind === "board" ? scene.items : scene.items.filter((i) => area.ids.includes(i.id));

export const hasInk = (box: Bounds): boolean => !isEmpty(box);
