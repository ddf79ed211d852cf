import type { Matrix } from "../curves/matrix";
import type { SceneFill, ScenePath } from "../scene/scene";
import type { Params } from "../params";
import type { Shape } from "./shape";

/** What a paint may ask for besides its own settings. */
export interface PaintContext {
  /** The colour of an ink as #rrggbb; a grey where the style has no such ink. */
  readonly ink: (id: string) => string;
  /** Size of the board in pixels, and the way from its space into the lettering's. */
  readonly board: { readonly width: number; readonly height: number; readonly toItem: Matrix };
}

export interface Painted {
  readonly fills: readonly SceneFill[];
  readonly paths: readonly ScenePath[];
}

/** One kind of paint: its settings and how it colours a shape. */
export interface PaintKind {
  readonly kind: string;
  readonly label: string;
  readonly hint: string;
  readonly params: Params;
  readonly apply: (shape: Shape, values: Record<string, unknown>, context: PaintContext) => Painted;
}
