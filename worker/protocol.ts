import type { Bounds } from "../core/curves/bounds";
import type { Matrix, Point } from "../core/curves/matrix";
import type { Strand } from "../core/curves/nodes";
import type { Axis, NamedPlace } from "../core/lettering/axes";
import type { FaceMetrics } from "../core/lettering/face";
import type { CaretStop, Line } from "../core/lettering/setting";
import type { PaintFrame } from "../core/coat/handles";
import type { FileDelta } from "./delta";
import type { StudioBody } from "./studio/order";
import type { SvgNode } from "../core/output/svg-node";
import type { OutputStep } from "../core/output/outputs";
import type { ExportRequest, Wish } from "../core/piece/exported";
import type { Progress } from "../core/piece/compile";
import type { PieceFile } from "../core/piece/schema";
import type { DraftPicture } from "./draft-picture";
import type { BlendMode } from "../core/scene/scene";
import type { StepFacts } from "../core/coat/form-step";
import type { Strain } from "../core/style/carries";
import type { Style } from "../core/style/schema";

/**
 * One layer as the bench draws it. `node` is left out where the page has this version already, and where `picture` stands for it while
 * something is dragged.
 */
export interface LayerUpdate {
  readonly id: string;
  /** The coat it belongs to. */
  readonly coat: string;
  readonly version: number;
  readonly node?: SvgNode;
  readonly picture?: DraftPicture;
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly bounds: Bounds;
  /** Why the coat is not drawn, in the user's words. */
  readonly fault?: string;
  /** Why nothing of it is seen, in the user's words. */
  readonly nothing?: string;
  /** Where the runs of its paint lie, from which the handles of the paint are drawn. */
  readonly frames?: readonly PaintFrame[];
  /** The box of its paths, where a finish is set on it. */
  readonly covers?: Bounds;
}

/** A letter to be aimed at: four corners, clockwise from its top left, as it is seen. */
export interface LetterUpdate {
  readonly from: number;
  readonly to: number;
  readonly line: number;
  readonly quad: readonly Point[];
}

interface AnyItemUpdate {
  readonly id: string;
  readonly matrix: Matrix;
  readonly layers: readonly LayerUpdate[];
  readonly hidden: boolean;
  readonly locked: boolean;
  /** The inked box as it is seen; empty without ink. */
  readonly ink: Bounds;
  /** The inked box before the view in perspective, and the corners where it is seen; null where it is looked at straight. */
  readonly view: { readonly box: Bounds; readonly corners: readonly Point[] } | null;
  /** The box of all layers; empty without ink. */
  readonly painted: Bounds;
  readonly frame: Bounds;
  readonly metrics: FaceMetrics;
  /** Whether it is painted with a photo that is not here, for which a grey stands in. */
  readonly photoMissing: boolean;
}

export interface LetteringUpdate extends AnyItemUpdate {
  readonly kind: "lettering";
  readonly carets: readonly CaretStop[];
  readonly lines: readonly Line[];
  readonly letters: readonly LetterUpdate[];
  /** The straight boxes that envelopes are shares of: of each line, and of all. */
  readonly lineBoxes: readonly Bounds[];
  readonly block: Bounds;
  /** Where the outline of a filled shape is parted, clockwise from the top left. */
  readonly corners: readonly { readonly share: number; readonly x: number; readonly y: number }[] | null;
  /** Places along that outline at equal shares of its length. */
  readonly outline: readonly Point[] | null;
  /** Guide lines to be seen on the bench, as SVG path data. */
  readonly marks: readonly string[];
  readonly messages: readonly string[];
  readonly missing: readonly string[];
  /** False where a stand-in is shown for its face. */
  readonly faceHere: boolean;
}

export interface ShapeUpdate extends AnyItemUpdate {
  readonly kind: "shape";
  /** SVG path data. */
  readonly outline: string;
}

export type ItemUpdate = LetteringUpdate | ShapeUpdate;

export interface SceneUpdate {
  readonly width: number;
  readonly height: number;
  readonly ground: string | null;
  readonly items: readonly ItemUpdate[];
  /** Drawn quickly and not quite as it is exported: to be asked for again when the drag ends. */
  readonly draft: boolean;
  readonly times: Readonly<Record<string, number>>;
}

/** Versions that the page holds, by item id and layer id. */
export type Known = Readonly<Record<string, number>>;
export const layerKey = (itemId: string, layerId: string) => `${itemId}/${layerId}`;

/** An outline as SVG path data with its box, for a small picture. */
export interface Picture {
  readonly d: string;
  readonly box: Bounds;
}

/** What the face of a lettering offers. */
export interface FaceFacts {
  readonly axes: readonly Axis[];
  readonly places: readonly NamedPlace[];
  readonly features: readonly {
    readonly tag: string;
    readonly name: string;
    readonly on: boolean;
    readonly changes: readonly string[];
    readonly picture: Picture | null;
  }[];
}

export interface AlternateChoice {
  readonly tag: string;
  readonly value: number;
  readonly name: string;
  readonly picture: Picture;
}

/** What the worker posts of itself, besides its answers, while a scene takes long. */
export interface ProgressMessage {
  readonly progress: Progress;
}

/** What it posts while a file takes long to write. */
export interface AliveMessage {
  readonly alive: true;
}

/** What it posts when there are grains of more pixels than the last scene shows. */
export interface FinerMessage {
  readonly finer: true;
}

/** A problem that the user can read crosses from the worker as a value; errors lose their class on the way. */
export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** What is held by the pointer while a scene is asked for. */
export interface Held {
  readonly dragging: boolean;
  /** Whether the page falls behind with painting it. */
  readonly behind: boolean;
}

export interface SceneWorker {
  /**
   * @param held while something is dragged a scene that takes longer than a frame is drawn as a draft
   * @param density pixels of the screen to one of the board, for which grains are drawn
   * @returns null where it was left
   */
  compile(delta: FileDelta, known: Known, held: Held, density: number): Promise<Answer<SceneUpdate | null>>;
  /** Nobody waits for the scene that is being drawn: what is done of it stays known. */
  leave(): Promise<void>;
  /** A file in an output that needs nothing of a server. */
  write(request: ExportRequest): Promise<Answer<string | Uint8Array>>;
  /** Why each of some outputs does not write this; null where it does. */
  refusals(file: PieceFile, wish: Wish, outputs: readonly OutputStep[]): Promise<Answer<(string | null)[]>>;
  /**
   * A small picture, as an SVG, of an item as it would look in a style.
   * @param width that it is seen at, in pixels of the screen
   * @param face that it is set in instead of its own
   */
  look(file: PieceFile, itemId: string, style: Style, width: number, face?: string): Promise<Answer<string>>;
  /** What the face of a lettering offers for its text. */
  faceFacts(file: PieceFile, itemId: string): Promise<Answer<FaceFacts>>;
  /** The other forms of the letter at a place of a lettering's text. */
  alternates(file: PieceFile, itemId: string, at: number): Promise<Answer<readonly AlternateChoice[]>>;
  /** Whether a face, or its own, would carry the style of a lettering on its text; null where the style goes into no letter. */
  strain(file: PieceFile, itemId: string, face?: string): Promise<Answer<(Strain & { readonly letters: readonly string[] }) | null>>;
  /** What there is to say of the steps of a coat, by the steps' ids. */
  facts(file: PieceFile, of: { readonly item: string; readonly coat: string }): Promise<Answer<Readonly<Record<string, StepFacts>>>>;
  /** The body that a coat makes of its item, as triangles, and the light on it. */
  body(file: PieceFile, of: { readonly item: string; readonly coat: string }): Promise<Answer<StudioBody>>;
  /** The style of a lettering with its insets as deep as its letters carry, and the share left; null where it has none. */
  ease(file: PieceFile, itemId: string): Promise<Answer<{ readonly style: Style; readonly share: number } | null>>;
  /** The geometry of an SVG file as strands in pixels of the file, with its box and what was left out. */
  svgShapes(text: string): Promise<Answer<{ strands: readonly Strand[]; box: Bounds; leftOut: readonly string[] }>>;
  /** Photos were brought in. */
  photosChanged(): Promise<Answer<null>>;
  /** Faces were added or taken away. */
  facesChanged(): Promise<Answer<null>>;
}
