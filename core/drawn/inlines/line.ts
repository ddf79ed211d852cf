/** A place on a line, and how wide the stroke is there. */
export interface LinePoint {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly corner: boolean;
  /** Whether it lies in a junction, where chords are no measure of the stroke. */
  readonly joint?: boolean;
  /** Where the line ends on the outline, the straight stretch of it there, from end to end. */
  readonly edge?: readonly [{ readonly x: number; readonly y: number }, { readonly x: number; readonly y: number }];
}

export interface Line {
  readonly points: readonly LinePoint[];
  readonly closed: boolean;
  /** 0 for the lines next to the edge, counted inwards. */
  readonly depth: number;
}

export interface Weave {
  /** Lines in each stroke. */
  readonly count: number;
  /** The space at both edges, as a share of that between two lines. */
  readonly margin: number;
  /** Whether lines go round at the ends of strokes, instead of running out of them. */
  readonly closed: boolean;
  /** Places in units: the ends of strokes that are nearest to them do the other thing. */
  readonly flipped?: readonly { readonly x: number; readonly y: number }[];
  /** How far before the end an open line stops, as a share of the space between two. */
  readonly endGap: number;
  /** Units: lines stop where their stroke is thinner. */
  readonly thinnest: number;
  /** Whether lines may run into others for now: while they are dragged. */
  readonly rough?: boolean;
}

/** Where lines lie across a stroke, from 0 to 1. */
export const shares = (count: number, margin: number): number[] =>
  Array.from({ length: count }, (_, k) => (count === 1 ? 0.5 : (margin + k) / (count - 1 + 2 * margin)));
