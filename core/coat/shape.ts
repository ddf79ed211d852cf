import { joinAll, shifted, type Bounds } from "../curves/bounds";
import type { Path } from "../curves/path";

/** A part of a coat's shape that is drawn as one path: a letter, or letters welded together. */
export interface Part {
  readonly path: Path;
  /** Where the path's origin lies in lettering space. */
  readonly x: number;
  readonly y: number;
  /** The line of text it belongs to; the first one where it joins several. */
  readonly line: number;
  /** Inks of the style that are another ink here, by id; the first letter's where it joins several. */
  readonly inks?: Readonly<Record<string, string>>;
}

/** The shape of a coat, in lettering space: 1000 units to the em, y down. */
export interface Shape {
  readonly parts: readonly Part[];
}

export const boundsOfPart = (p: Part): Bounds => shifted(p.path.bounds, p.x, p.y);

export const boundsOf = (parts: readonly Part[]): Bounds => joinAll(parts.map(boundsOfPart));

/** A shape without parts. */
export const noShape: Shape = { parts: [] };
