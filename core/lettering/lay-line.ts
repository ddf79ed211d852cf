import { empty, join, shifted, type Bounds } from "../curves/bounds";
import { multiply, type Matrix } from "../curves/matrix";
import type { Path } from "../curves/path";
import type { Face } from "./face";
import { changeMatrix, loosened, placed } from "./letter-forms";
import type { LetterChange, Loosen } from "./options";
import type { Piece } from "./spacing";

/** A line of text before it has its size and place: its clusters with the advances that spacing gave them. */
export interface Row {
  readonly face: Face;
  readonly pieces: readonly Piece[];
  /** Of each piece; undefined for most. */
  readonly changes: readonly (LetterChange | undefined)[];
  readonly loosen: Loosen | null;
  /** Number of its first piece in the whole text. */
  readonly first: number;
  readonly stretch: number;
  /** Of letters and advances alike. */
  readonly scale: number;
}

/** A letter in its line, which starts at 0, 0. */
export interface LaidLetter {
  readonly outline: Path;
  readonly x: number;
  readonly y: number;
}

/** The letters of a line one beside the other. Blank pieces have no outline and keep their place. */
export function layLine(row: Row): { letters: LaidLetter[]; starts: number[]; width: number; ink: Bounds } {
  const { scale, stretch } = row;
  const letters: LaidLetter[] = [];
  const starts: number[] = [];
  let x = 0;
  let ink = empty;
  row.pieces.forEach((piece, i) => {
    starts.push(x);
    letters.push(laid(piece.outline, row.changes[i], row.loosen, row.first + i, { x, scale, stretch }));
    const { outline, x: at, y } = letters[i];
    if (!outline.isEmpty) ink = join(ink, shifted(outline.bounds, at, y));
    x += piece.advance * scale;
  });
  return { letters, starts, width: x, ink };
}

function laid(
  drawn: Path,
  change: LetterChange | undefined,
  loosen: Loosen | null,
  index: number,
  at: { x: number; scale: number; stretch: number },
): LaidLetter {
  const { x, scale: k, stretch } = at;
  const base = placed(drawn, [stretch, 0, 0, 1, 0, 0]);
  let m: Matrix = change ? changeMatrix(base, change) : [1, 0, 0, 1, 0, 0];
  let [right, down] = change ? [change.right, change.down] : [0, 0];
  if (loosen) {
    const by = loosened(base, loosen, index);
    m = multiply(by.matrix, m);
    right += by.right;
    down += by.down;
  }
  return { outline: placed(base, multiply([k, 0, 0, k, 0, 0], m)), x: x + right * k, y: down * k };
}
