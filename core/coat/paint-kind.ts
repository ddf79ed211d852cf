import type { SceneFill } from "../scene/scene";
import type { Kind, Params, Values } from "../params";
import type { Handles, PaintFrame } from "./handles";
import type { Givens, Need } from "./given";
import type { Part, Shape } from "./shape";

/** What a paint works with. */
export type PaintGiven<N extends readonly Need[]> = Pick<Givens, N[number]> & {
  /** The colour of an ink as #rrggbb; a grey where the style has no such ink. */
  readonly ink: (id: string) => string;
  /** What an ink is called; undefined where the style has no such ink. */
  readonly inkName: (id: string) => string | undefined;
  /** A length of the style in units of lettering space. */
  readonly units: (length: number) => number;
};

export interface Painted {
  readonly fills: readonly SceneFill[];
  /** Which of the fills a part takes, by its index; the first where it is left out. */
  readonly fillOf?: (part: Part) => number;
  /** Which of the fills is laid over that, where one is. */
  readonly lightOf?: (part: Part) => number | undefined;
}

/** One kind of paint: its settings, what it needs to know, and how it colours a shape. */
export interface PaintKind<K extends string = string, P extends Params = Params, N extends readonly Need[] = readonly Need[]> extends Kind<
  K,
  P
> {
  readonly needs?: N;
  /** Whether it is a material, which lies in the surfaces of a body. */
  readonly material?: boolean;
  /** What of that it has no use for at these values: it is not handed over then, and a change of it changes nothing. */
  spares?(values: Values<P>): readonly Need[];
  /** Some of its settings as they are where it is chosen by hand, and not those that a document leaves out. */
  readonly fresh?: Readonly<Record<string, unknown>>;
  /** Settings that change with one that is set by hand. */
  follow?(values: Values<P>, name: string, value: unknown): Readonly<Record<string, unknown>>;
  /** What of it is set on the art itself; null where nothing is at these values. There is one run at least. */
  handles?(values: Values<P>, runs: readonly PaintFrame[]): Handles | null;
  apply(shape: Shape, values: Values<P>, given: PaintGiven<N>): Painted;
}

/** A kind of paint whose values and givens have the types that it says itself. */
export const paint = <const K extends string, const P extends Params, const N extends readonly Need[] = readonly []>(
  kind: PaintKind<K, P, N>,
): PaintKind<K, P, N> => kind;
