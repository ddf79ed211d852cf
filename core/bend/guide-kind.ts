import type { Path } from "../curves/path";
import type { Kind, Params, Values } from "../params";
import type { Guide } from "./guide";

/** What a guide line may ask for besides its own settings. All in lettering space: 1000 units to the em, y down. */
export interface GuideContext {
  /** Where the first line of text starts and how long it is, laid straight. */
  readonly left: number;
  readonly width: number;
  /** Height of the capitals. */
  readonly capHeight: number;
  /** The outline of a shape on the board; undefined where there is none of that id. */
  readonly outline: (id: string) => Path | undefined;
}

/** A guide with the place on it that x = 0 of the straight setting comes to. */
export interface AnchoredGuide {
  readonly guide: Guide;
  readonly anchor: number;
  /** How far up from the guide the first baseline lies, in units. */
  readonly lift?: number;
  /** What the user should know. */
  readonly message?: string;
}

/** One kind of guide line: its settings and the line they give. */
export interface GuideKind<K extends string = string, P extends Params = Params> extends Kind<K, P> {
  make(values: Values<P>, context: GuideContext): AnchoredGuide;
}

/** A kind of guide line whose values have the types that its settings say. */
export const guideKindOf = <const K extends string, const P extends Params>(kind: GuideKind<K, P>): GuideKind<K, P> => kind;
