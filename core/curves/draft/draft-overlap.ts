import { meet, shifted, type Bounds } from "../bounds";
import type { Point } from "../matrix";
import { chordsOf, type Chords } from "./chords";
import { boxOf, type DraftPath } from "./draft-path";

/** Whether any two of several drafts cover some place together, as near as their chords tell. */
export function anyOverlap(paths: readonly DraftPath[], at: readonly Point[]): boolean {
  const boxes = paths.map((p, i) => shifted(p.bounds, at[i].x, at[i].y));
  const chords: (Chords | undefined)[] = [];
  const chordsFor = (i: number) => (chords[i] ??= chordsOf(paths[i], true).map((c) => c.map((v, k) => v + (k % 2 ? at[i].y : at[i].x))));
  for (let i = 0; i < paths.length; i++)
    for (let j = i + 1; j < paths.length; j++)
      if (meet(boxes[i], boxes[j]) && overlap(chordsFor(i), chordsFor(j), common(boxes[i], boxes[j]))) return true;
  return false;
}

/** Whether any two outers of a draft overlap, or cross. */
export function outersOverlap(path: DraftPath): boolean {
  const outers = chordsOf(path, false);
  const boxes = outers.map(boxOf);
  for (let i = 0; i < outers.length; i++)
    for (let j = i + 1; j < outers.length; j++)
      if (meet(boxes[i], boxes[j]) && overlap([outers[i]], [outers[j]], common(boxes[i], boxes[j]))) return true;
  return false;
}

const common = (a: Bounds, b: Bounds): Bounds => ({
  minX: Math.max(a.minX, b.minX),
  minY: Math.max(a.minY, b.minY),
  maxX: Math.min(a.maxX, b.maxX),
  maxY: Math.min(a.maxY, b.maxY),
});

/** @param box where the two boxes meet: nowhere else can they cross */
function overlap(a: Chords, b: Chords, box: Bounds): boolean {
  const near = b.map((q) => chordsIn(q, box));
  for (const p of a) {
    const own = chordsIn(p, box);
    for (const q of near) if (cross(own, q)) return true;
  }
  // None crosses the other: one may lie within the other.
  return within(a[0], b) || within(b[0], a);
}

/** The chords of a contour that come into a box, as x, y, x, y for each. */
function chordsIn(p: Float64Array, { minX, minY, maxX, maxY }: Bounds): number[] {
  const out: number[] = [];
  for (let i = 2; i < p.length; i += 2) {
    const ax = p[i - 2];
    const ay = p[i - 1];
    const bx = p[i];
    const by = p[i + 1];
    if ((ax < minX && bx < minX) || (ax > maxX && bx > maxX) || (ay < minY && by < minY) || (ay > maxY && by > maxY)) continue;
    out.push(ax, ay, bx, by);
  }
  return out;
}

function cross(p: readonly number[], q: readonly number[]): boolean {
  for (let i = 0; i < p.length; i += 4) {
    const ax = p[i];
    const ay = p[i + 1];
    const bx = p[i + 2];
    const by = p[i + 3];
    const minX = Math.min(ax, bx);
    const maxX = Math.max(ax, bx);
    const minY = Math.min(ay, by);
    const maxY = Math.max(ay, by);
    for (let k = 0; k < q.length; k += 4) {
      const cx = q[k];
      const cy = q[k + 1];
      const dx = q[k + 2];
      const dy = q[k + 3];
      if ((cx < minX && dx < minX) || (cx > maxX && dx > maxX) || (cy < minY && dy < minY) || (cy > maxY && dy > maxY)) continue;
      const side = (x: number, y: number) => (bx - ax) * (y - ay) - (by - ay) * (x - ax);
      const other = (x: number, y: number) => (dx - cx) * (y - cy) - (dy - cy) * (x - cx);
      if (side(cx, cy) > 0 !== side(dx, dy) > 0 && other(ax, ay) > 0 !== other(bx, by) > 0) return true;
    }
  }
  return false;
}

/** Whether the first point of a contour lies where others wind. */
function within(p: Float64Array | undefined, others: Chords): boolean {
  if (!p) return false;
  const [x, y] = p;
  let winding = 0;
  for (const q of others)
    for (let k = 2; k < q.length; k += 2) {
      const [x0, y0, x1, y1] = [q[k - 2], q[k - 1], q[k], q[k + 1]];
      if (y0 <= y !== y1 <= y && (x1 - x0) * (y - y0) - (y1 - y0) * (x - x0) > 0 === y1 > y0) winding += y1 > y0 ? 1 : -1;
    }
  return winding !== 0;
}
