import type { Bounds } from "../curves/bounds";
import type { Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Grain } from "../grain/grain";

/**
 * The resolved display list: what every output reads. It knows colours and outlines, and nothing of coats or styles.
 * Board space: CSS pixels, y down; a layer's paths are in the space of their item and are placed by its matrix.
 */
export interface Scene {
  readonly width: number;
  readonly height: number;
  /** Colour of the ground, or null where there is none. */
  readonly ground: string | null;
  readonly items: readonly SceneItem[];
}

export interface SceneItem {
  readonly id: string;
  readonly label: string;
  readonly matrix: Matrix;
  /** Back to front. */
  readonly layers: readonly SceneLayer[];
}

export interface SceneLayer {
  readonly id: string;
  /** Layers of one group are shown and left out together. */
  readonly group: string;
  readonly label: string;
  /** 0 to 1. */
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly paths: readonly ScenePath[];
  /** What the paths refer to by index. */
  readonly fills: readonly SceneFill[];
  /** How many of the fills, the first ones, are of the coat's own paint; all of them where it is left out. */
  readonly own?: number;
  /**
   * What lies on the paths, back to front, each as it says: with them it is a picture of its own, with which opacity, fade and effects deal
   * as one.
   */
  readonly layers?: readonly SceneLayer[];
  /** The box of the paths and of what lies on them, with what effects reach beyond them, in the space of the item. */
  readonly bounds: Bounds;
  /** What is laid on the paths within their own outline, in turn, and mixes with them alone. */
  readonly over?: readonly SceneOverlay[];
  /** How much of the layer is seen from place to place. */
  readonly fade?: SceneFade;
  /** What is done to the whole layer before it is laid, in turn. */
  readonly effects?: readonly SceneEffect[];
}

/**
 * A colour on a layer that is kept within its outline. Its opacity at a place follows from the area that the paths cover, blurred by
 * `deviation`: of an edge it is `gain` times what is not covered; of a slope `gain` times how much more is covered, `rise` away, behind
 * than ahead, where that is above 0: as light falls on a rounded edge that faces `rise`. Lengths in the space of the item.
 */
export type SceneOverlay = {
  readonly colour: string;
  readonly ink?: string;
  /** 0 to 1. */
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly deviation: number;
  readonly gain: number;
} & ({ readonly kind: "edge" } | { readonly kind: "slope"; readonly rise: { readonly x: number; readonly y: number } });

/** Opacities along a line, in the space of the item: those of the ends go on beyond them. */
export interface SceneFade {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
  /** From 0 to 1, never falling; opacities from 0 to 1. */
  readonly stops: readonly { readonly offset: number; readonly opacity: number }[];
}

/** Lengths in the space of the item. */
export interface SceneEffect {
  readonly kind: "blur";
  /** Standard deviation. */
  readonly deviation: number;
}

export interface ScenePath {
  readonly path: Path;
  readonly x: number;
  readonly y: number;
  /** How the path is turned and sized about its origin before it is moved, where it is. */
  readonly matrix?: Matrix;
  /** Index into the layer's fills. */
  readonly fill: number;
}

export type SceneFill =
  | {
      readonly kind: "flat";
      readonly colour: string;
      /** The name of the ink that it is, unmixed. */
      readonly ink?: string;
      readonly opacity: number;
    }
  | {
      readonly kind: "linear" | "radial";
      /** Start and end of the line; for a radial fill its centre and a point on its rim. */
      readonly from: { readonly x: number; readonly y: number };
      readonly to: { readonly x: number; readonly y: number };
      /** What the fill stretches over, in the same space. */
      readonly box: Bounds;
      /** From the space of `from` and `to` into that of the item, where they differ. */
      readonly matrix?: Matrix;
      readonly stops: readonly SceneStop[];
    }
  | {
      /** Colours around a centre, clockwise from `turn` degrees, once round. */
      readonly kind: "angular";
      readonly centre: { readonly x: number; readonly y: number };
      readonly turn: number;
      /** What the fill stretches over, in the same space. */
      readonly box: Bounds;
      /** From the space of `centre` into that of the item, where they differ. */
      readonly matrix?: Matrix;
      readonly stops: readonly SceneStop[];
    }
  | {
      readonly kind: "picture";
      readonly source: PictureSource;
      /** Where the picture's edges lie. */
      readonly area: Bounds;
      /** What the fill stretches over, in the same space. */
      readonly box: Bounds;
      /** From the space of `area` into that of the item, where they differ. */
      readonly matrix?: Matrix;
      readonly opacity: number;
    };

export type PictureFill = Extract<SceneFill, { readonly kind: "picture" }>;

/** What pixels are shown: a photo, by its id, or a grain that is drawn for the pixels of the output. */
export type PictureSource = { readonly kind: "photo"; readonly photo: string } | { readonly kind: "grain"; readonly grain: Grain };

export interface SceneStop {
  /** 0 to 1, never falling. */
  readonly offset: number;
  readonly colour: string;
  /** The name of the ink that it is, unmixed. */
  readonly ink?: string;
  readonly opacity: number;
}

/** W3C Compositing and Blending Level 1. */
export const blendModes = [
  "normal",
  "multiply",
  "screen",
  "overlay",
  "darken",
  "lighten",
  "color-dodge",
  "color-burn",
  "hard-light",
  "soft-light",
  "difference",
  "exclusion",
  "hue",
  "saturation",
  "color",
  "luminosity",
] as const;
export type BlendMode = (typeof blendModes)[number];
