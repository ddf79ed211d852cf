import type { Path } from "../curves/path";
import type { Bounds } from "../curves/bounds";
import type { Point } from "../curves/matrix";
import type { TurnedBody } from "../depth/turned-body";
import type { Kind, Mark, Params, Values } from "../params";
import type { SceneLayer } from "../scene/scene";
import type { Given, Need } from "./given";
import { plain, type Part, type Shape } from "./shape";

/** A part of a coat that can have a paint of its own: the face of a trail, the sides of a solid. */
export interface Pass {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
}

/** A place of the art that can be clicked, where the setting `param` of a step holds marks. */
export interface StepMark extends Mark {
  readonly param: string;
  /** In the item's space. */
  readonly at: Point;
  /** What a click does there. */
  readonly label: string;
  readonly on: boolean;
}

/** What there is to say of a step on these letters, and what of it is set on the art. */
export interface StepFacts {
  readonly marks?: readonly StepMark[];
  /** Settings of the type `place` that are set on the art, and the box that they are shares of, in the item's space. */
  readonly places?: readonly { readonly param: string; readonly box: Bounds }[];
  /** The setting of drawn lines that are edited on the art, and the box that they are thousandths of, in the item's space. */
  readonly strands?: { readonly param: string; readonly box: Bounds };
  /** Where a body is turned by hand: about its middle, in the item's space, and the settings in degrees that say how. */
  readonly ball?: {
    readonly at: Point;
    readonly tilt: string;
    readonly swing: string;
    readonly roll: string;
    /** Its face before it is turned, how deep it is, and how far the eye is, 0 for infinitely far, in units. */
    readonly box: Bounds;
    readonly depth: number;
    readonly eye: number;
  };
  /** In the user's words, with settings that would be better. */
  readonly remark?: {
    readonly message: string;
    readonly offer?: { readonly label: string; readonly values: Readonly<Record<string, unknown>> };
  };
}

/** A map of the plane, point by point. */
export type PointMap = (p: Point) => Point;

/** One kind of form step: its settings, what it needs to know, and what it does to a shape. */
export interface FormStepKind<
  K extends string = string,
  P extends Params = Params,
  N extends readonly Need[] = readonly Need[],
> extends Kind<K, P> {
  /** What it is about, for menus: steps of one group stand together. */
  readonly group?: "outline" | "place" | "edge" | "fill" | "depth" | "others";
  /** Whether it starts a form: it takes no shape from before it. */
  readonly starts?: boolean;
  readonly needs?: N;
  /** What of that it has no use for at these values: it is not handed over then, and a change of it changes nothing. */
  spares?(values: Values<P>): readonly Need[];
  /** How many copies of one it makes, at these values, where each is painted in a colour of its own. */
  copies?(values: Values<P>): number | undefined;
  /** What of its result can be painted for itself, at these values: the parts that it puts into a pass. */
  passes?(values: Values<P>): readonly Pass[];
  /** The paint, with some of its settings, in which it is first seen where it is added to a coat of one flat ink. */
  readonly suits?: { readonly paint: string; readonly values: Readonly<Record<string, unknown>> };
  /** Where it shows the plane of the letters, where it turns it: what lies on them is seen there. */
  stance?(letters: Shape, values: Values<P>, units: (length: number) => number): PointMap;
  /** What there is to say of it on these letters. */
  facts?(shape: Shape, values: Values<P>, given: Given<N, P>): StepFacts;
  /** The body that it makes, where it makes one. */
  body?(shape: Shape, values: Values<P>, given: Given<N, P>): TurnedBody | undefined;
  /** What becomes of its coat's layer once it is painted, where it changes that as well. @param shape what the layer's paths are of */
  ofLayer?(layer: SceneLayer, values: Values<P>, given: Given<N, P>, shape: Shape): SceneLayer;
  /**
   * What becomes of all that is shown, where it changes the picture and not the form: of the layers of the other coats, back to front,
   * where its coat is nothing but the letters, else of its own coat's. What is made is one layer.
   */
  ofLayers?(layers: readonly SceneLayer[], values: Values<P>, given: Given<N, P>): SceneLayer;
  // Values have been checked against `params` when this is called.
  apply(shape: Shape, values: Values<P>, given: Given<N, P>): Shape;
}

/** A kind of form step whose values and givens have the types that it says itself. */
export const formStep = <const K extends string, const P extends Params, const N extends readonly Need[] = readonly []>(
  kind: FormStepKind<K, P, N>,
): FormStepKind<K, P, N> => kind;

/** Runs `change` on each part, with its turn and size in its path, dropping those that vanish. */
export function eachPart(shape: Shape, change: (path: Path, part: Part) => Path): Shape {
  const parts: Part[] = [];
  for (const part of shape.parts.map(plain)) {
    const path = change(part.path, part);
    if (!path.isEmpty) parts.push(path === part.path ? part : { ...part, path });
  }
  return { parts };
}
