import { contoursOf } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import { Course } from "../../curves/length";
import type { Path } from "../../curves/path";
import { memoByIdentity } from "../../memo";
import { dotsOf } from "./dots";
import { strokeEnds, type StrokeEnd } from "./ends";
import { withoutHairlines } from "./hairlines";
import { prune } from "./prune";
import type { Sample } from "./samples";
import { stripsOf, type Strips } from "./strips";

/** Units between places on an outline; coarser on what is larger than letters. */
const finest = 8;
const mostSamples = 1500;

/** A letter's strokes: its strips without what is none, where each ends, and the dots. */
export interface Strokes {
  readonly strips: Strips;
  /** By the triangle that is a stroke's last. */
  readonly ends: ReadonlyMap<number, StrokeEnd>;
  /** Their outlines. */
  readonly dots: readonly (readonly Sample[])[];
  /** Units between places on the outline. */
  readonly step: number;
}

const known = memoByIdentity<Path, Strokes>(1);

/** The strokes of a letter without its hairlines. @param path a welded form */
export const strokesOf = (path: Path, kernel: Kernel): Strokes =>
  known(path, "", () => {
    const whole = inStrips(path);
    const thick = withoutHairlines(path, whole.strips, kernel);
    const { strips, step } = thick === path ? whole : inStrips(thick);
    prune(strips);
    const ends = strokeEnds(strips);
    const dots = dotsOf(strips, thick !== path);
    return { strips, ends: new Map(ends.map((e) => [e.triangle, e])), dots, step };
  });

function inStrips(path: Path): { strips: Strips; step: number } {
  const contours = contoursOf(path, true);
  const around = contours.reduce((sum, c) => sum + new Course(c).length, 0);
  const step = Math.max(finest, around / mostSamples);
  return { strips: stripsOf(contours, step), step };
}
