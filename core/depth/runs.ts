import { directionAt } from "../curves/bezier";
import { stride, type Contour } from "../curves/contour";
import type { Cut, Side } from "./sides";

/** Sides that meet at less than this angle are one smooth surface: as the cosine of 12 degrees. */
const smooth = Math.cos((12 * Math.PI) / 180);

const before = new Float64Array(2);
const after = new Float64Array(2);

/** A smooth surface: sides that follow one another on an outline, in order, with no corner between them. */
export interface Run {
  readonly sides: readonly Side[];
}

/**
 * The smooth surfaces of a cut outline.
 * @param apart whether two sides that meet belong to different surfaces though no corner lies between them
 */
export function runsOf({ contours, sides }: Cut, apart: (a: Side, b: Side) => boolean = () => false): Run[] {
  const runs: Run[] = [];
  for (const [index, contour] of contours.entries()) {
    const own = sides.filter((s) => s.contour === index);
    const joins = own.map((s, i) => {
      const last = own[(i + own.length - 1) % own.length];
      return last !== s && (last.segment + 1) % contour.size === s.segment && isSmooth(contour, s.segment) && !apart(last, s);
    });
    // A surface that goes on past the contour's start begins before it.
    const start = Math.max(0, joins.indexOf(false));
    let open: Side[] = [];
    for (let i = 0; i < own.length; i++) {
      const at = (start + i) % own.length;
      if (i === 0 || !joins[at]) runs.push({ sides: (open = []) });
      open.push(own[at]);
    }
  }
  return runs;
}

/** Whether a contour goes on without a corner where a segment begins. */
function isSmooth({ points, degrees, size }: Contour, segment: number): boolean {
  const last = (segment + size - 1) % size;
  directionAt(points, last * stride, degrees[last], 1, before);
  directionAt(points, segment * stride, degrees[segment], 0, after);
  return before[0] * after[0] + before[1] * after[1] > smooth;
}
