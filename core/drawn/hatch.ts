import { Budget } from "../curves/budget";
import { ContourBuilder, contoursOf, type Contour } from "../curves/contour";
import { CurveError } from "../curves/errors";
import { fitCubics, sketchCubic, type Sampler } from "../curves/fit";
import type { Path } from "../curves/path";
import { chance } from "../grain/noise";
import { fallingOf, stretchesAt, type Falling } from "./rows";
import { wanderWithSlope } from "./wander";

const { abs, ceil, cos, floor, hypot, max, min, PI, round, sign, sin } = Math;

export interface Hatch {
  /** Degrees, clockwise from level. */
  readonly angle: number;
  /** Units between the middles of two strokes, above 0. */
  readonly spacing: number;
  /** 0 for ruled, 1 for a loose hand: of the spacing, and of the curve of each stroke. */
  readonly loose: number;
  /** How far strokes end from the edge, in spacings: inside above 0, over it below; each by its own chance. */
  readonly ends: number;
  /** Whether a stroke goes on into the next, to and fro, where the letter lets it. */
  readonly joined: boolean;
  readonly seed: number;
  /** The letter's own number, which chance is drawn from. */
  readonly letter: number;
}

/** More rows than this on one letter are a slip, not art. */
const mostRows = 3000;

/** A stretch of a row that lies in the ink. */
export interface Stroke {
  readonly row: number;
  readonly y: number;
  readonly from: number;
  readonly to: number;
}

/** Strokes across a form, in the frame that they are level in. */
export interface Hatched {
  readonly rows: Rows;
  readonly falling: readonly Falling[];
  readonly hatch: Hatch;
}

/**
 * Strokes across a form. Rows keep their place and their chance by number in the letter's own space, so that a word that
 * is edited keeps the strokes of its letters. The spacing is put right once by what was drawn: strokes that end early cover less.
 * @param draft without that
 * @throws CurveError where there would be more than 3000 rows
 */
export function hatched(path: Path, hatch: Hatch, draft = false): Hatched {
  const contours = contoursOf(path, true);
  const falling = fallingOf(contours, (hatch.angle * PI) / 180);
  const rows = rowsOf(falling, hatch);
  if (draft || hatch.joined || hatch.ends <= 0) return { rows, falling, hatch };
  // Ends that are pulled in take from the weight what is here given back, within a fifth.
  let [whole, kept] = [0, 0];
  for (const stroke of rows.strokes.flat()) {
    const [low, high] = endsOf(stroke, hatch);
    whole += stroke.to - stroke.from;
    kept += high - low;
  }
  const ratio = whole > 0 ? kept / whole : 1;
  if (abs(ratio - 1) < 0.002) return { rows, falling, hatch };
  const closer = { ...hatch, spacing: hatch.spacing * min(1.2, max(0.8, ratio)) };
  return { rows: rowsOf(falling, closer), falling, hatch: closer };
}

/** The middles of strokes, on the page: joined ones go on into others. */
export function middlesOf({ rows: { first, strokes }, falling, hatch }: Hatched, draft = false): Contour[] {
  const pen = new Pen(hatch, draft);
  if (!hatch.joined) return strokes.flat().map((s) => pen.line([s]));
  const used = new Set<Stroke>();
  return strokes.flatMap((row) =>
    row.flatMap((s) => (used.has(s) ? [] : [pen.line(chain(s, strokes, first, falling, hatch.spacing, used))])),
  );
}

/** The wave of a stroke is this many spacings long, from one chance to the next. */
export const wave = 9;

/** From where to where a stroke is drawn: each end is pulled in, or reaches over the edge, by its own chance. */
export function endsOf(stroke: Stroke, { spacing, ends, seed, letter }: Hatch): [number, number] {
  const pull = (what: number) => {
    const own = chance(stroke.row, 4 * letter + what, seed);
    return min(0.35 * (stroke.to - stroke.from), ends * spacing * (ends > 0 ? 0.3 + 0.7 * own : 0.5 + 0.5 * own));
  };
  return [stroke.from + pull(2), stroke.to - pull(3)];
}

/** The height of a stroke's middle over the way across and its slope there, and how far from its row that is at most. */
export function middleOf(
  stroke: Stroke,
  { spacing, loose, seed, letter }: Hatch,
): { at: (x: number) => [height: number, slope: number]; most: number } {
  const length = stroke.to - stroke.from;
  // A stub strays less, or it would be a blot.
  const most = min(0.3 * spacing * loose, 0.15 * length);
  const cell = wave * spacing;
  const at = (x: number): [number, number] => {
    const v = (2 * (x - stroke.from)) / length - 1;
    // Straight at its ends, so that the next stroke finds it.
    const [fade, fading] = abs(v) <= 1 ? [1 - v ** 4, (-8 * v ** 3) / length] : [0, 0];
    const [stray, straying] = wanderWithSlope(x / cell, stroke.row * 8 + letter, seed);
    return [stroke.y + most * fade * stray, most * (fading * stray + (fade * straying) / cell)];
  };
  return { at, most };
}

/** Strokes by rows, of which the first has a number. */
export interface Rows {
  readonly first: number;
  readonly strokes: readonly Stroke[][];
}

function rowsOf(falling: readonly Falling[], { spacing, loose, seed, letter }: Hatch): Rows {
  const [low, high] = falling.reduce(([a, b], f) => [min(a, f.low), max(b, f.high)], [Infinity, -Infinity]);
  const [first, last] = [ceil(low / spacing - 0.5), floor(high / spacing - 0.5)];
  if (last - first > mostRows) throw new CurveError(`Strokes this close would be more than ${mostRows} in one letter.`);
  const strokes: Stroke[][] = [];
  for (let row = first; row <= last; row++) {
    const y = (row + 0.5 + 0.22 * loose * (2 * chance(row, 4 * letter + 1, seed) - 1)) * spacing;
    strokes.push(
      stretchesAt(falling, y)
        .filter((s) => s.to - s.from > 0.05 * spacing)
        .map((s) => ({ row, y, ...s })),
    );
  }
  return { first, strokes };
}

/** The strokes that one goes on into, to and fro: each begins by the end of the one before, and the way between lies in the ink. */
function chain(
  begin: Stroke,
  rows: readonly Stroke[][],
  first: number,
  falling: readonly Falling[],
  spacing: number,
  used: Set<Stroke>,
): Stroke[] {
  const found = [begin];
  used.add(begin);
  let right = true;
  for (let at = begin; ; right = !right) {
    const end = right ? at.to : at.from;
    const side = right;
    const next: Stroke | undefined = (rows[at.row + 1 - first] ?? []).find(
      (s) => !used.has(s) && abs((side ? s.to : s.from) - end) < 1.6 * spacing && s.from < at.to && s.to > at.from,
    );
    if (!next) return found;
    const inner = side ? min(at.to, next.to) - 0.3 * spacing : max(at.from, next.from) + 0.3 * spacing;
    if (!stretchesAt(falling, (at.y + next.y) / 2).some((s) => s.from <= inner && inner <= s.to)) return found;
    used.add(next);
    found.push(next);
    at = next;
  }
}

/** Draws strokes in the frame that they are level in. */
class Pen {
  readonly #budget = new Budget();
  readonly #cos: number;
  readonly #sin: number;

  constructor(
    private readonly hatch: Hatch,
    private readonly draft: boolean,
  ) {
    const turn = (hatch.angle * PI) / 180;
    this.#cos = cos(turn);
    this.#sin = sin(turn);
  }

  #back(x: number, y: number): [number, number] {
    return [this.#cos * x - this.#sin * y, this.#sin * x + this.#cos * y];
  }

  line(strokes: readonly Stroke[]): Contour {
    const { spacing: g, loose } = this.hatch;
    const out = new ContourBuilder();
    const start = new Float64Array(4);
    strokes.forEach((stroke, i) => {
      const right = i % 2 === 0;
      const [low, high] = endsOf(stroke, this.hatch);
      const [from, to] = right ? [low, high] : [high, low];
      const y = middleOf(stroke, this.hatch).at;
      const at: Sampler = (t, q) => {
        const x = from + (to - from) * t;
        const [height, slope] = y(x);
        const way = sign(to - from) || 1;
        [q[0], q[1]] = this.#back(x, height);
        q[2] = way * (this.#cos - this.#sin * slope);
        q[3] = way * (this.#sin + this.#cos * slope);
      };
      at(0, start);
      if (i === 0) out.move(start[0], start[1]);
      else this.#turnTo(out, start[0], start[1], right);
      if (loose === 0) {
        const [x, y0] = this.#back(to, stroke.y);
        out.line(x, y0);
      } else if (this.draft) {
        const pieces = max(1, round((stroke.to - stroke.from) / (wave * g)));
        for (let k = 0; k < pieces; k++) sketchCubic(at, k / pieces, (k + 1) / pieces, out);
      } else fitCubics(at, 0, 1, 0.04 * g, out, this.#budget);
    });
    return out.build(false);
  }

  /** A hairpin into the next row, rounder the looser the hand. */
  #turnTo(out: ContourBuilder, x: number, y: number, right: boolean): void {
    const reach = 0.35 * min(1, 0.4 + this.hatch.loose) * hypot(x - out.x, y - out.y) * (right ? -1 : 1);
    const [dx, dy] = [this.#cos * reach, this.#sin * reach];
    out.cubic(out.x + dx, out.y + dy, x + dx, y + dy, x, y);
  }
}
