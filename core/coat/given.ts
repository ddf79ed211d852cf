import type { Bounds } from "../curves/bounds";
import type { Kernel } from "../curves/kernel";
import type { Matrix } from "../curves/matrix";
import type { Param, Params } from "../params";
import type { Shape } from "./shape";

/** The board as an item's coats see it: its size in pixels, and the way from its space into the item's. */
export interface BoardSeen {
  readonly width: number;
  readonly height: number;
  readonly toItem: Matrix;
}

/** What an item is grouped with, the item among it: the box around all of it on the board, and the way from there into the item's space. */
export interface GroupSeen {
  readonly box: Bounds;
  readonly toItem: Matrix;
}

/** The lamp as an item's coats see it. */
export interface LampSeen {
  /** Towards the lamp, a unit of length in the item's space. */
  readonly x: number;
  readonly y: number;
  /** Degrees over the board. */
  readonly height: number;
  /** 1 is common daylight. */
  readonly strength: number;
  /** From 0 to 1: light from all around. */
  readonly ambient: number;
  readonly colour: string;
}

/** What a kind may read besides its input and its own settings. It says which of these it needs, and is given those alone. */
export interface Givens {
  /** The letters as they were set; of a shape its outline. */
  readonly letters: Shape;
  /** The shape on the board that the letters fill or run along; without parts where there is none. */
  readonly ground: Shape;
  readonly board: BoardSeen;
  readonly lamp: LampSeen;
  /** The letters of what else is in the item's group and lies behind it, as they are seen; without parts where there is none. */
  readonly others: Shape;
  /** Passes of the coat whose paint is a material that lies in the surfaces of a body; "" for its own paint. */
  readonly materials: readonly string[];
  /** Undefined where the item is in no group. */
  readonly group: GroupSeen | undefined;
}
export type Need = keyof Givens;

type Referring = Extract<Param, { readonly type: "coat" | "item" }>;

/**
 * What a kind's settings refer to, under their names: the form of another coat, or of another item; undefined where none is chosen or it is
 * gone. Of a kind that is not known nothing can be read.
 */
export type Referred<P> = string extends keyof P
  ? never
  : { readonly [K in keyof P as P[K] extends Referring ? K : never]: Shape | undefined };

/** What a form step or a lay works with. A result is kept by the identity of all of it, so that none is drawn that has become stale. */
export type Given<N extends readonly Need[], P extends Params> = Pick<Givens, N[number]> & {
  readonly kernel: Kernel;
  /** A length of the style in units of lettering space. */
  readonly units: (length: number) => number;
  readonly referred: Referred<P>;
};
