import { boxesOf } from "./boxes";
import type { Contour } from "./contour";

/**
 * How far a contour may stick out of one that it touches from inside, where both were cut on a grid: in units, and as a share of the size.
 */
const rounding = { least: 0.01, share: 1e-6 };

/**
 * Which contours of several shapes may have to do with another shape: those whose curves may meet one of another's, those that may
 * lie inside one or round one, and those of the same shape that may lie round any of these. All others are part of the union as they are.
 *
 * What is left out winds 0 about all that is kept. Of the same shape: a contour that goes round another has the other's points in its box,
 * and is kept with it; a counter without its outer would be no border. Of another shape: where it goes round a kept contour without
 * crossing it, either its box holds the other's, or a segment's box of the other reaches out of it, over its curve, and so meets the box of
 * one of its segments.
 * @param owner for each contour, the number of its shape
 */
export function involved(contours: readonly Contour[], owner: readonly number[]): Uint8Array {
  const n = contours.length;
  const marks = new Uint8Array(n);
  const boxes = contours.map(boxesOf);
  const at = (i: number, side: number) => boxes[i][4 * contours[i].size + side];
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => at(a, 0) - at(b, 0));
  const around = new Links(n);
  /** Whether contour i may go round contour j: the box of control points of i holds a point of j. */
  const mayGoRound = (i: number, j: number) => {
    const [x, y] = contours[j].points;
    const slack = rounding.least + rounding.share * (at(i, 2) - at(i, 0) + at(i, 3) - at(i, 1));
    return x >= at(i, 0) - slack && x <= at(i, 2) + slack && y >= at(i, 1) - slack && y <= at(i, 3) + slack;
  };
  let active: number[] = [];
  for (const i of order) {
    const left = at(i, 0);
    active = active.filter((j) => at(j, 2) >= left);
    for (const j of active) {
      if (at(j, 3) < at(i, 1) || at(i, 3) < at(j, 1)) continue;
      if (owner[i] === owner[j]) {
        if (mayGoRound(i, j)) around.add(j, i);
        if (mayGoRound(j, i)) around.add(i, j);
      } else if (marks[i] === 0 || marks[j] === 0) {
        if (
          holds(boxes[i], contours[i].size, boxes[j], contours[j].size) ||
          holds(boxes[j], contours[j].size, boxes[i], contours[i].size) ||
          segmentsMeet(boxes[i], contours[i].size, boxes[j], contours[j].size)
        )
          marks[i] = marks[j] = 1;
      }
    }
    active.push(i);
  }
  around.carry(marks);
  return marks;
}

/** Links from some of n things to others, a list for each. */
class Links {
  readonly #first: Int32Array;
  readonly #next: number[] = [];
  readonly #to: number[] = [];

  constructor(n: number) {
    this.#first = new Int32Array(n).fill(-1);
  }

  add(from: number, to: number): void {
    this.#next.push(this.#first[from]);
    this.#first[from] = this.#to.length;
    this.#to.push(to);
  }

  /** Marks all that marked things are linked to, near or far. */
  carry(marks: Uint8Array): void {
    const open: number[] = [];
    for (let i = 0; i < marks.length; i++) if (marks[i]) open.push(i);
    for (let i = open.pop(); i !== undefined; i = open.pop())
      for (let k = this.#first[i]; k >= 0; k = this.#next[k]) {
        const to = this.#to[k];
        if (marks[to]) continue;
        marks[to] = 1;
        open.push(to);
      }
  }
}

/** Whether the box of one contour holds that of another. */
function holds(a: Float64Array, n: number, b: Float64Array, m: number): boolean {
  return a[4 * n] <= b[4 * m] && a[4 * n + 1] <= b[4 * m + 1] && a[4 * n + 2] >= b[4 * m + 2] && a[4 * n + 3] >= b[4 * m + 3];
}

function segmentsMeet(a: Float64Array, n: number, b: Float64Array, m: number): boolean {
  // Only segments in the part that both boxes share can meet.
  const minX = Math.max(a[4 * n], b[4 * m]);
  const minY = Math.max(a[4 * n + 1], b[4 * m + 1]);
  const maxX = Math.min(a[4 * n + 2], b[4 * m + 2]);
  const maxY = Math.min(a[4 * n + 3], b[4 * m + 3]);
  for (let i = 0; i < 4 * n; i += 4) {
    if (a[i] > maxX || a[i + 2] < minX || a[i + 1] > maxY || a[i + 3] < minY) continue;
    for (let j = 0; j < 4 * m; j += 4)
      if (a[i] <= b[j + 2] && b[j] <= a[i + 2] && a[i + 1] <= b[j + 3] && b[j + 1] <= a[i + 3]) return true;
  }
  return false;
}
