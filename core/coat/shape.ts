import { joinAll, mapped, shifted, type Bounds } from "../curves/bounds";
import { apply, translation, multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Point3 } from "../depth/camera";
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
  readonly lies?: Plane;
  /** What a material takes from it that it is painted with, where it is a surface of a body. */
  readonly surface?: Surface;
  /** Which of the coat's passes it belongs to, by its id; the coat's own paint is for all others. */
  readonly pass?: string;
  /** What is shaded as one surface, where a step makes several. */
  readonly group?: number;
}

/** A plane that is turned. */
export interface Plane {
  readonly box: Bounds;
  /** From the plane into the space of the path. */
  readonly matrix: Matrix;
  /** In lettering space, where it is known: along the plane's x and its y, and out of the body. */
  readonly axes?: { readonly along: Point3; readonly away: Point3; readonly out: Point3 };
}

/** A surface of a body, as it is to a material that lies in it. */
export interface Surface {
  /** Whether `along` and `lit` say how much light there is on it, and not only which colour it has. */
  readonly lighted: boolean;
  /** The plane that a material lies in; parts that share one object share one piece of it. */
  readonly plane?: Plane;
  /** Whether it is of the colour of its material alone: what is seen by a hair between others, and what follows a hand. */
  readonly plain?: boolean;
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
  const { lit, lies, surface } = part;
  const placed = (plane: Plane): Plane => ({ ...plane, matrix: multiply(matrix, plane.matrix) });
  return {
    ...rest,
    ...(lies ? { lies: placed(lies) } : {}),
    ...(surface?.plane ? { surface: { ...surface, plane: placed(surface.plane) } } : {}),
    path: turned(part.path, matrix.join(), () => part.path.transform(matrix)),
    ...(lit ? { lit: { ...lit, from: apply(matrix, lit.from), to: apply(matrix, lit.to) } } : {}),
  };
}
