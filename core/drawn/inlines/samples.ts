import { directionAt, valueAt } from "../../curves/bezier";
import { stride, type Contour } from "../../curves/contour";
import { lengthOf } from "../../curves/length";

const { atan2, max, round } = Math;

/** A place on an outline, in a ring with those before and after it. */
export interface Sample {
  readonly x: number;
  readonly y: number;
  next: number;
  before: number;
  /** Radians that the outline turns here at once; above 0 at a corner that points out of the ink. */
  readonly turn: number;
  readonly contour: number;
  /** Segment and parameter, so that places between two samples can be found. */
  readonly segment: number;
  readonly t: number;
}

const direction = new Float64Array(2);
const arriving = new Float64Array(2);

/** Places on outlines about every `step` units, every node among them. @param contours clean: outers positive, counters negative */
export function samplesOf(contours: readonly Contour[], step: number): Sample[] {
  const all: Sample[] = [];
  contours.forEach((c, contour) => {
    const first = all.length;
    for (let k = 0; k < c.size; k++) {
      const length = lengthOf(c.points, k * stride, c.degrees[k]);
      if (length < 1e-6) continue;
      const count = max(1, round(length / step));
      for (let i = 0; i < count; i++) all.push(sampleAt(c, contour, k, i / count));
    }
    link(all, first);
  });
  return all;
}

export function sampleAt(c: Contour, contour: number, segment: number, t: number): Sample {
  const o = segment * stride;
  const degree = c.degrees[segment];
  let turn = 0;
  if (t === 0) {
    const before = (segment + c.size - 1) % c.size;
    directionAt(c.points, o, degree, 0, direction);
    directionAt(c.points, before * stride, c.degrees[before], 1, arriving);
    turn = atan2(arriving[0] * direction[1] - arriving[1] * direction[0], arriving[0] * direction[0] + arriving[1] * direction[1]);
  }
  return { x: valueAt(c.points, o, degree, t), y: valueAt(c.points, o + 1, degree, t), next: 0, before: 0, turn, contour, segment, t };
}

/** Makes a ring of the samples from `first` on. */
export function link(all: readonly Sample[], first: number): void {
  const count = all.length - first;
  for (let i = 0; i < count; i++) {
    all[first + i].next = first + ((i + 1) % count);
    all[first + i].before = first + ((i + count - 1) % count);
  }
}
