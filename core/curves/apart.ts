import { boxesOf } from "./boxes";
import type { Contour } from "./contour";

/**
 * Which contours of several shapes may have to do with another shape: those whose curves may meet one of another's, and those that may
 * lie inside one or round one. All others are part of the union as they are.
 * @param owner for each contour, the number of its shape
 */
export function involved(contours: readonly Contour[], owner: readonly number[]): Uint8Array {
  const n = contours.length;
  const marks = new Uint8Array(n);
  const boxes = contours.map(boxesOf);
  const at = (i: number, side: number) => boxes[i][4 * contours[i].size + side];
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => at(a, 0) - at(b, 0));
  let active: number[] = [];
  for (const i of order) {
    const left = at(i, 0);
    active = active.filter((j) => at(j, 2) >= left);
    for (const j of active) {
      if (owner[i] === owner[j] || (marks[i] && marks[j])) continue;
      if (at(j, 3) < at(i, 1) || at(i, 3) < at(j, 1)) continue;
      if (holds(boxes[i], contours[i].size, boxes[j], contours[j].size) || holds(boxes[j], contours[j].size, boxes[i], contours[i].size) || segmentsMeet(boxes[i], contours[i].size, boxes[j], contours[j].size))
        marks[i] = marks[j] = 1;
    }
    active.push(i);
  }
  return marks;
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
    for (let j = 0; j < 4 * m; j += 4) if (a[i] <= b[j + 2] && b[j] <= a[i + 2] && a[i + 1] <= b[j + 3] && b[j + 1] <= a[i + 3]) return true;
  }
  return false;
}
