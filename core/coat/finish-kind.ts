import type { SceneLayer } from "../scene/scene";
import type { Kind, Params, Values } from "../params";
import type { Given, Need } from "./given";
import type { Handles, PaintFrame } from "./handles";
import type { Shape } from "./shape";

/** A coat that is painted and about to be finished. */
export interface Laid {
  /** What the paint covers. */
  readonly shape: Shape;
  /** What lies behind the coat for itself and mixes with what is below: shadows. Back to front. */
  readonly behind: readonly SceneLayer[];
  /** The coat itself. */
  readonly body: SceneLayer;
}

/** What a finish works with. */
export type FinishGiven<N extends readonly Need[], P extends Params> = Given<N, P> & {
  /** The colour of an ink as #rrggbb; a grey where the style has no such ink. */
  readonly ink: (id: string) => string;
  readonly inkName: (id: string) => string | undefined;
};

/** One way in which a coat lies on what is below. Every coat has each of them; the defaults do nothing. */
export interface FinishKind<K extends string = string, P extends Params = Params, N extends readonly Need[] = readonly Need[]> extends Kind<
  K,
  P
> {
  readonly needs?: N;
  /** Where it lays something of its own, which lies over or under what other finishes lay there. */
  readonly side?: "behind" | "over";
  /** What of that it has no use for at these values: it is not handed over then, and a change of it changes nothing. */
  spares?(values: Values<P>): readonly Need[];
  /** What is set on the art itself; null where nothing is at these values. `frame` is what the coat covers. */
  handles?(values: Values<P>, frame: PaintFrame): Handles | null;
  apply(coat: Laid, values: Values<P>, given: FinishGiven<N, P>): Laid;
}

/** A kind of finish whose values and givens have the types that it says itself. */
export const finish = <const K extends string, const P extends Params, const N extends readonly Need[] = readonly []>(
  kind: FinishKind<K, P, N>,
): FinishKind<K, P, N> => kind;
