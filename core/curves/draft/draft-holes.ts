import { chordsOf } from "./chords";
import type { DraftPath } from "./draft-path";
import type { Pen } from "./pen";

/** The side of a square of the grid in units, and the most of them along a side of the shape. */
const finest = 10;
const most = 240;

/** Used again for each shape: how the winding changes at each square, and the open runs of all rows. */
let turns = new Int16Array(0);
let runs = new Int32Array(3 * 1024);

/**
 * Writes what fills the places that the outers of a draft close in: a grown letter whose opening has closed, letters that have grown
 * together. They are found on a grid: runs of squares that are not covered belong together where they touch in rows that are neighbours
 * (connected components by union and find), and those that the outside does not reach are filled, each by a bar that reaches one square
 * under what is covered. What is closed by less than two squares is left open: a place that fills for a moment is seen more than one that
 * does not.
 * @returns how many contours were written
 */
export function fillHoles(path: DraftPath, out: Pen): number {
  if (path.isEmpty) return 0;
  const { minX, minY, maxX, maxY } = path.bounds;
  const cell = Math.max(finest, (maxX - minX) / most, (maxY - minY) / most);
  // A margin of one square all round, for the outside to go about in.
  const left = minX - cell;
  const top = minY - cell;
  const w = Math.ceil((maxX - minX) / cell) + 2;
  const h = Math.ceil((maxY - minY) / cell) + 2;
  readWinding(path, left, top, cell, w, h);

  let written = 0;
  const rows = new Int32Array(h + 1);
  for (let row = 0; row < h; row++) {
    const own = rows[row];
    const n = openRuns(turns, row * w, w, own);
    for (let k = own + 1; k < n; k++) if (touch(k - 1, k)) unite(k - 1, k);
    for (let up = 1; up <= 2 && up <= row; up++) linkRows(rows[row - up], rows[row - up + 1], own, n);
    rows[row + 1] = n;
  }
  for (let row = 0; row < h; row++)
    for (let k = rows[row]; k < rows[row + 1]; k++) {
      if (rootOf(k) === 0) continue;
      const x0 = left + (runs[3 * k] - 1) * cell;
      const x1 = left + (runs[3 * k + 1] + 1) * cell;
      const y0 = top + (row - 1) * cell;
      const y1 = y0 + 3 * cell;
      out.move(x0, y0);
      out.line(x1, y0);
      out.line(x1, y1);
      out.line(x0, y1);
      out.line(x0, y0);
      out.close();
      written++;
    }
  return written;
}

/** Squares that may lie between two runs that still belong together: channels narrower than a square show in some rows only. */
const between = 1;

const touch = (a: number, b: number): boolean => runs[3 * a] < runs[3 * b + 1] + between + 1 && runs[3 * b] < runs[3 * a + 1] + between + 1;

/** Unites the runs of one row, from `a` on, with those of another, from `b` on, that they touch. */
function linkRows(a: number, aEnd: number, b: number, bEnd: number): void {
  for (let i = a, k = b; i < aEnd && k < bEnd;) {
    if (touch(i, k)) unite(i, k);
    if (runs[3 * i + 1] < runs[3 * k + 1]) i++;
    else k++;
  }
}

/**
 * Adds the open runs of a row to `runs`: of each its start, its end and an earlier run that it belongs to, at first itself. The very
 * first is the margin above all, the outside.
 * @returns how many there are now
 */
function openRuns(turns: Int16Array, at: number, w: number, count: number): number {
  let n = count;
  let winding = 0;
  let start = 0;
  for (let i = 0; i < w; i++) {
    const turn = turns[at + i];
    if (turn === 0) continue;
    if (winding === 0 && i > start) addRun(n++, start, i);
    winding += turn;
    start = i;
  }
  if (winding === 0) addRun(n++, start, w);
  return n;
}

function addRun(run: number, start: number, end: number): void {
  if (3 * run + 3 > runs.length) runs = longer(runs);
  runs[3 * run] = start;
  runs[3 * run + 1] = end;
  runs[3 * run + 2] = run;
}

function longer(from: Int32Array): Int32Array<ArrayBuffer> {
  const to = new Int32Array(2 * from.length);
  to.set(from);
  return to;
}

function rootOf(run: number): number {
  let k = run;
  while (runs[3 * k + 2] !== k) k = runs[3 * k + 2] = runs[3 * runs[3 * k + 2] + 2];
  return k;
}

/** The earlier run is the root, so that what touches the outside is the outside. */
function unite(a: number, b: number): void {
  const [p, q] = [rootOf(a), rootOf(b)];
  if (p < q) runs[3 * q + 2] = p;
  else runs[3 * p + 2] = q;
}

/** Writes how the winding of the outers changes from the middle of each square to that of the next to the right. */
function readWinding(path: DraftPath, left: number, top: number, cell: number, w: number, h: number): void {
  if (turns.length < w * h) turns = new Int16Array(w * h);
  turns.fill(0, 0, w * h);
  for (const p of chordsOf(path, false))
    for (let i = 2; i < p.length; i += 2) {
      const down = p[i + 1] > p[i - 1];
      const from = down ? i - 2 : i;
      const to = down ? i : i - 2;
      const x0 = (p[from] - left) / cell;
      const y0 = (p[from + 1] - top) / cell - 0.5;
      const y1 = (p[to + 1] - top) / cell - 0.5;
      const slope = ((p[to] - left) / cell - x0) / (y1 - y0);
      const way = down ? 1 : -1;
      for (let row = Math.ceil(y0); row < y1; row++) {
        const column = Math.ceil(x0 + (row - y0) * slope - 0.5);
        if (row >= 0 && row < h && column < w) turns[row * w + Math.max(0, column)] += way;
      }
    }
}
