import { PathBuilder, type Path } from "../curves/path";
import { sidesOf } from "./flanks";
import { endsOf, middleOf, wave, type Hatched, type Stroke } from "./hatch";
import { LevelInk } from "./level-ink";
import type { LevelStroke } from "./level-stroke";
import { Spline } from "./spline";

const { ceil, min, PI } = Math;

/** How a stroke is drawn. */
export interface HatchPen {
  /** Units. */
  readonly weight: number;
  /** Its width along the way from its left end to its right one, as shares of both; undefined for one width. */
  readonly taper?: readonly { readonly at: number; readonly width: number }[];
}

/** Cubics to a wave of the hand, and one more. */
const perWave = 1;

/**
 * The ink of strokes that are not joined, each for itself, cut off by the letter's outline.
 * @returns what was drawn, and the whole strokes that more than two sides of the letter cut
 */
export function hatchInk({ rows, falling, hatch }: Hatched, pen: HatchPen): { ink: Path; uncut: Path } {
  const [out, left] = [new PathBuilder(), new PathBuilder()];
  const ink = new LevelInk(out, (hatch.angle * PI) / 180);
  const whole = new LevelInk(left, (hatch.angle * PI) / 180);
  const sides = sidesOf(falling);
  for (const stroke of rows.strokes.flat()) {
    const drawn = levelOf(stroke, hatch, pen);
    if (!ink.draw(drawn, sides)) whole.draw(drawn);
  }
  return { ink: out.build(), uncut: left.build() };
}

/** The ink of strokes that end where they will. */
export function looseInk({ rows, hatch }: Hatched, pen: HatchPen): Path {
  const out = new PathBuilder();
  const ink = new LevelInk(out, (hatch.angle * PI) / 180);
  for (const stroke of rows.strokes.flat()) ink.draw(levelOf(stroke, hatch, pen));
  return out.build();
}

function levelOf(stroke: Stroke, hatch: Hatched["hatch"], { weight, taper }: HatchPen): LevelStroke {
  const [from, to] = endsOf(stroke, hatch);
  // A tapered stroke is no thicker than it is long.
  const full = taper ? min(weight, to - from) : weight;
  const halves = (taper ?? even).map(({ at, width }) => ({ x: from + at * (to - from), half: (full * width) / 2 }));
  if (hatch.loose === 0) return { from, to, middle: stroke.y, halves, low: stroke.y, high: stroke.y };
  const { at, most } = middleOf(stroke, hatch);
  const pieces = 1 + ceil((perWave * (to - from)) / (wave * hatch.spacing));
  const [xs, ys, slopes] = [new Float64Array(pieces + 1), new Float64Array(pieces + 1), new Float64Array(pieces + 1)];
  for (let i = 0; i <= pieces; i++) {
    xs[i] = i < pieces ? from + (i * (to - from)) / pieces : to;
    [ys[i], slopes[i]] = at(xs[i]);
  }
  return { from, to, middle: new Spline(xs, ys, slopes), halves, low: stroke.y - most, high: stroke.y + most };
}

const even: HatchPen["taper"] & {} = [
  { at: 0, width: 1 },
  { at: 1, width: 1 },
];
