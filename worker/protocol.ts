import type { Bounds } from "../core/curves/bounds";
import type { Matrix } from "../core/curves/matrix";
import type { FaceMetrics } from "../core/lettering/face";
import type { CaretStop, Line } from "../core/lettering/setting";
import type { SvgNode } from "../core/output/svg-node";
import type { PieceFile } from "../core/piece/schema";
import type { BlendMode } from "../core/scene/scene";

/** One layer as the bench draws it. `node` is left out where the page has this version already. */
export interface LayerUpdate {
  /** The coat it comes from. */
  readonly id: string;
  readonly version: number;
  readonly node?: SvgNode;
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly bounds: Bounds;
  /** Where the paint's own handle lies: its line and the box that it is relative to. */
  readonly line?: {
    readonly from: { readonly x: number; readonly y: number };
    readonly to: { readonly x: number; readonly y: number };
    readonly box: Bounds;
    readonly matrix?: Matrix;
  };
}

export interface ItemUpdate {
  readonly id: string;
  readonly matrix: Matrix;
  readonly layers: readonly LayerUpdate[];
  readonly ink: Bounds;
  /** The box of all layers, in lettering space; empty without ink. */
  readonly painted: Bounds;
  readonly frame: Bounds;
  readonly carets: readonly CaretStop[];
  readonly lines: readonly Line[];
  readonly missing: readonly string[];
  readonly metrics: FaceMetrics;
  /** False where a stand-in is shown for its face. */
  readonly faceHere: boolean;
}

export interface SceneUpdate {
  readonly width: number;
  readonly height: number;
  readonly ground: string | null;
  readonly items: readonly ItemUpdate[];
  readonly times: Readonly<Record<string, number>>;
}

/** Versions that the page holds, by item id and layer id. */
export type Known = Readonly<Record<string, number>>;
export const layerKey = (itemId: string, layerId: string) => `${itemId}/${layerId}`;

export interface SvgRequest {
  readonly file: PieceFile;
  readonly items: readonly string[] | null;
  readonly ground: boolean;
  readonly withPiece: boolean;
}

/** A problem that the user can read crosses from the worker as a value; errors lose their class on the way. */
export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

export interface SceneWorker {
  compile(file: PieceFile, known: Known): Promise<Answer<SceneUpdate>>;
  svg(request: SvgRequest): Promise<Answer<string>>;
}
