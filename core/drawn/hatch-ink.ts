import { PathBuilder, type Path } from "../curves/path";
import { flanksOf } from "./flanks";
import { endsOf, middleOf, wave, type Hatched, type Stroke } from "./hatch";
import { LevelInk } from "./level-ink";
import type { LevelStroke } from "./level-stroke";
import { Spline } from "./spline";

const { ceil, PI } = Math;

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
  const flanks = flanksOf(falling);
  for (const stroke of rows.strokes.flat()) {
    const drawn = levelOf(stroke, hatch, pen);
    if (!ink.draw(drawn, flanks)) whole.draw(drawn);
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
  const stops = taper ?? [
    { at: 0, width: 1 },
    { at: 1, width: 1 },
  ];
  const halves = stops.map(({ at, width }) => ({ x: from + at * (to - from), half: (weight * width) / 2 }));
  if (hatch.loose === 0) return { from, to, middle: stroke.y, halves, low: stroke.y, high: stroke.y };
  const { at, most } = middleOf(stroke, hatch);
  const pieces = 1 + ceil((perWave * (to - from)) / (wave * hatch.spacing));
  const xs = Array.from({ length: pieces + 1 }, (_, i) => from + (i * (to - from)) / pieces);
  const middle = xs.map(at);
  const spline = new Spline(
    xs,
    middle.map((m) => m[0]),
    middle.map((m) => m[1]),
  );
  return { from, to, middle: spline, halves, low: stroke.y - most, high: stroke.y + most };
}
