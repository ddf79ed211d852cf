import { joinAll, mapped, shifted, type Bounds } from "../curves/bounds";
import { apply, translation, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Lit } from "../depth/lit";
import { memoByIdentity } from "../memo";

/** A part of a coat's shape that is drawn as one path: a letter, letters welded together, or one of many copies. */
export interface Part {
  readonly path: Path;
  /** Where the path's origin lies in lettering space. */
  readonly x: number;
  readonly y: number;
  /** How the path is turned and sized about its origin, where it is: a path that repeats is one object, which is written once. */
  readonly matrix?: Matrix;
  /** The line of text it belongs to; the first one where it joins several. */
  readonly line: number;
  /** The word of the text that it belongs to, counted from 0; the first one where it joins several. */
  readonly word?: number;
  /** What chance is drawn from for it: the letter's own number, the first one's where it joins several. */
  readonly letter?: number;
  /** The text that it stands for; of letters that are joined all of theirs. */
  readonly text?: string;
  /** Inks of the style that are another ink here, by id; the first letter's where it joins several. */
  readonly inks?: Readonly<Record<string, string>>;
  /** How far along it is, from 0 to 1, where a step makes many of one. */
  readonly along?: number;
  /** The way that it faces, as a unit normal in lettering space, where it is a side of something. */
  readonly facing?: { readonly x: number; readonly y: number; readonly z: number };
  /**
   * How light lies across it, in the space of its path, where that is not one tone: its tones are places of the way that `along` is one
   * of.
   */
  readonly lit?: Lit;
  /** The colour of the light on it, where that is not white: the lighter its tone, the more of it. */
  readonly tint?: string;
  /**
   * The plane that it lies in, where that is turned: its box there, and from there into the space of its path. What it is painted with lies
   * in that plane, too.
   */
  readonly lies?: { readonly box: Bounds; readonly matrix: Matrix };
  /** Which of the coat's passes it belongs to, by its id; the coat's own paint is for all others. */
  readonly pass?: string;
  /** What is shaded as one surface, where a step makes several. */
  readonly group?: number;
}

/** The shape of a coat, in lettering space: 1000 units to the em, y down. */
export interface Shape {
  readonly parts: readonly Part[];
}

export const boundsOfPart = (p: Part): Bounds => shifted(p.matrix ? mapped(p.matrix, p.path.bounds) : p.path.bounds, p.x, p.y);

export const boundsOf = (parts: readonly Part[]): Bounds => joinAll(parts.map(boundsOfPart));

/** A shape without parts. */
export const noShape: Shape = { parts: [] };

/** From a part's path to lettering space. */
export const placeOfPart = ({ x, y, matrix }: Part): Matrix => (matrix ? multiply(translation(x, y), matrix) : translation(x, y));

const turned = memoByIdentity<Path, Path>(600);

/** The part with its turn and size in its path: what is built on its outline knows no other. */
export function plain(part: Part): Part {
  if (!part.matrix) return part;
  const { matrix, ...rest } = part;
  const { lit } = part;
  return {
    ...rest,
    path: turned(part.path, matrix.join(), () => part.path.transform(matrix)),
    ...(lit ? { lit: { ...lit, from: apply(matrix, lit.from), to: apply(matrix, lit.to) } } : {}),
  };
}
