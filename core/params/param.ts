import type { Strand } from "../curves/nodes";
import type { Photo } from "../photo";
import type { PictureSize } from "../picture-size";

/**
 * What a form step, a paint, a lay, a finish, a guide line, a shape or an output can be set to. One description gives the type of the
 * values, the Zod schema, the defaults, the controls of the drawer, the handles on the bench and the documentation, so that a new kind is
 * one file.
 */
interface Base {
  readonly label: string;
  /** What it does to the letters, as the tooltip says it. */
  readonly hint: string;
  /** Shown only where this holds of the other values. */
  readonly when?: (values: Readonly<Record<string, unknown>>) => boolean;
}

/** A length in hundredths of the style's measure (in points where the measure is fixed). */
export interface LengthParam extends Base {
  readonly type: "length";
  readonly default: number;
  readonly min: number;
  readonly max: number;
  /** How far its slider goes, where that is not what outlines and gaps take. */
  readonly reach?: number;
}
export interface NumberParam extends Base {
  readonly type: "number";
  readonly default: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly suffix?: string;
}
/** Degrees, clockwise on screen. */
export interface AngleParam extends Base {
  readonly type: "angle";
  readonly default: number;
  readonly min: number;
  readonly max: number;
}
/** What chance is drawn from: the same number gives the same picture, "again" takes another. */
export interface SeedParam extends Base {
  readonly type: "seed";
  readonly default: number;
}
export interface ToggleParam extends Base {
  readonly type: "toggle";
  readonly default: boolean;
}
export interface ChoiceParam<V extends string = string> extends Base {
  readonly type: "choice";
  readonly default: V;
  readonly options: readonly { readonly value: V; readonly label: string; readonly hint: string }[];
}
/** Lengths in turn, painted and left out. */
export interface LengthsParam extends Base {
  readonly type: "lengths";
  readonly default: readonly number[];
}
/** A way: degrees clockwise on screen from the right, and how far, as a length of the style. One grip on the bench. */
export interface DirectionParam extends Base {
  readonly type: "direction";
  readonly default: Direction;
  /** The farthest. */
  readonly max: number;
}
/** The id of one of the style's inks. */
export interface InkParam extends Base {
  readonly type: "ink";
  readonly default: string;
  /** The ink that a style is given where it has none of that id when the setting is first used. */
  readonly suggests?: { readonly name: string; readonly colour: string };
  /** Those that come in so besides, by their ids. */
  readonly others?: Readonly<Record<string, { readonly name: string; readonly colour: string }>>;
}
export interface StopsParam extends Base {
  readonly type: "stops";
  readonly default: readonly Stop[];
}
/** A place in the span: 0, 0 is its top left, 1, 1 its bottom right. */
export interface PlaceParam extends Base {
  readonly type: "place";
  readonly default: { readonly x: number; readonly y: number };
}
/** A curve given by its nodes, which is edited on the bench. */
export interface StrandParam extends Base {
  readonly type: "strand";
  readonly default: Strand;
}
/** Several curves given by their nodes. */
export interface StrandsParam extends Base {
  readonly type: "strands";
  readonly default: readonly Strand[];
  /** Key lines: two to eight, which are added and taken away in the drawer. */
  readonly shown?: "keys";
}
/** The id of a shape on the board; empty where none is chosen. */
export interface ShapeParam extends Base {
  readonly type: "shape";
  readonly default: "";
}
/** The id of another coat of the style; empty where none is chosen. */
export interface CoatParam extends Base {
  readonly type: "coat";
  readonly default: "";
}
/** Another item of the board, and what of it. */
export interface ItemParam extends Base {
  readonly type: "item";
  readonly default: ItemRef;
}
/** A photo, or none. */
export interface PhotoParam extends Base {
  readonly type: "photo";
  readonly default: null;
}
/** How large a picture is; null where it is as large as the board is. */
export interface SizeParam extends Base {
  readonly type: "size";
  readonly default: null;
}
/** Rows of the same settings. */
export interface ListParam extends Base {
  readonly type: "list";
  readonly of: Readonly<Record<string, Param>>;
  readonly default: readonly Readonly<Record<string, unknown>>[];
  /** The most rows. */
  readonly most: number;
  /** How they are shown: as pictures to choose one from. */
  readonly shown?: "photos";
}
/** A width or a height along something, in percent of both: at least two points in order. */
export interface ProfileParam extends Base {
  readonly type: "profile";
  readonly default: readonly ProfilePoint[];
  /** How it is shown in the drawer: as the section of an edge, from the outline at 0, 0 to the face at 100, 100, that never runs back. */
  readonly shown?: "edge";
}

/** Data that is kept as it came, of which nothing is known. It is an object that names its kind. */
export interface HeldParam extends Base {
  readonly type: "held";
  readonly default: Held;
}

/** Places on letters, wherever they come in the words; they are set by clicks on the bench. */
export interface MarksParam extends Base {
  readonly type: "marks";
  readonly default: readonly Mark[];
}

export type Param =
  | LengthParam
  | NumberParam
  | AngleParam
  | SeedParam
  | ToggleParam
  | ChoiceParam
  | LengthsParam
  | DirectionParam
  | InkParam
  | StopsParam
  | PlaceParam
  | StrandParam
  | StrandsParam
  | ShapeParam
  | CoatParam
  | ItemParam
  | PhotoParam
  | SizeParam
  | ListParam
  | ProfileParam
  | HeldParam
  | MarksParam;
export type Params = Readonly<Record<string, Param>>;

/** What a program of another age has said, under a name that is not known here. */
export interface Held {
  readonly kind: string;
  readonly [setting: string]: unknown;
}
/** A place on every letter that stands for this text, as shares of its box: 0, 0 is the top left, 1, 1 the bottom right. */
export interface Mark {
  readonly of: string;
  readonly x: number;
  readonly y: number;
}
/** One colour of a gradient; `at` and `opacity` in percent. */
export interface Stop {
  at: number;
  ink: string;
  opacity: number;
}
/** An item by its id, which is empty where none is chosen: its bare letters or outline, or all that its coats cover. */
export interface ItemRef {
  readonly id: string;
  readonly what: "letters" | "painted";
}
export interface Direction {
  readonly angle: number;
  readonly distance: number;
}
/** `at` and `value` in percent. */
export interface ProfilePoint {
  readonly at: number;
  readonly value: number;
}

/** The type of what a setting is set to. */
export type ValueOf<P> = P extends { type: "length" | "number" | "angle" | "seed" }
  ? number
  : P extends { type: "toggle" }
    ? boolean
    : P extends { type: "choice"; options: readonly { value: infer V }[] }
      ? V
      : P extends { type: "lengths" }
        ? number[]
        : P extends { type: "direction" }
          ? Direction
          : P extends { type: "ink" | "shape" | "coat" }
            ? string
            : P extends { type: "item" }
              ? ItemRef
              : P extends { type: "stops" }
                ? Stop[]
                : P extends { type: "place" }
                  ? { readonly x: number; readonly y: number }
                  : P extends { type: "strand" }
                    ? Strand
                    : P extends { type: "strands" }
                      ? Strand[]
                      : P extends { type: "photo" }
                        ? Photo | null
                        : P extends { type: "size" }
                          ? PictureSize | null
                          : P extends { type: "list"; of: infer Q }
                            ? Values<Q>[]
                            : P extends { type: "profile" }
                              ? ProfilePoint[]
                              : P extends { type: "held" }
                                ? Held
                                : P extends { type: "marks" }
                                  ? Mark[]
                                  : never;

/** The values of settings, by their names. */
export type Values<P> = { readonly [K in keyof P]: ValueOf<P[K]> };

/** Whether a setting is of use beside the others: it is shown only then, and what it refers to counts only then. */
export const isOfUse = (param: Param, values: Readonly<Record<string, unknown>>): boolean => param.when?.(values) ?? true;
