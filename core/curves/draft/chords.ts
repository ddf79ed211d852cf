import { chords, valueAt } from "../bezier";
import { ContourBuilder, contoursOf, pathOf, stride } from "../contour";
import type { Path } from "../path";
import { counter, eachContour, filler, type DraftPath } from "./draft-path";

/** A polygon beside each contour of a draft: closed, as x, y, x, y, ... with its first point at the end again. */
export type Chords = readonly Float64Array[];

/** Parts of a cubic: its chords lie within a unit or two of it in letters. */
const parts = 4;

/** Draft outlines as polygons, roughly: for what is asked of them by area and not by edge. Fillers are left out. */
export function chordsOf(path: DraftPath, counters: boolean): Chords {
  const { verbs, coords: p, kinds } = path;
  const all: Float64Array[] = [];
  eachContour(path, (contour, at, from, close) => {
    if (kinds[contour] === filler || (!counters && kinds[contour] === counter)) return;
    const out = new Float64Array(2 * (1 + parts * (close - from)));
    let n = 0;
    out[n++] = p[at];
    out[n++] = p[at + 1];
    for (let v = from, o = at; v < close; v++) {
      if (verbs[v] === 1) {
        out[n++] = p[o + 2];
        out[n++] = p[o + 3];
        o += 2;
        continue;
      }
      for (let k = 1; k <= parts; k++) {
        const t = k / parts;
        const u = 1 - t;
        const a = u * u * u;
        const b = 3 * u * u * t;
        const c = 3 * u * t * t;
        const d = t * t * t;
        out[n++] = a * p[o] + b * p[o + 2] + c * p[o + 4] + d * p[o + 6];
        out[n++] = a * p[o + 1] + b * p[o + 3] + c * p[o + 5] + d * p[o + 7];
      }
      o += 6;
    }
    all.push(out.subarray(0, n));
  });
  return all;
}

/** How far chords that are cut along may lie from their curves, in units. */
const cutIn = 0.5;

/** Any path as polygons. */
export function inChords(path: Path): Path {
  const contours = contoursOf(path, true);
  if (contours.every((c) => c.degrees.every((d) => d === 1))) return path;
  const out = new ContourBuilder();
  return pathOf(
    contours.map(({ points, degrees, size }) => {
      out.move(points[0], points[1]);
      for (let k = 0; k < size; k++) {
        const [o, degree] = [k * stride, degrees[k]];
        const n = degree === 1 ? 1 : chords(points, o, degree, cutIn);
        for (let i = 1; i < n; i++) out.line(valueAt(points, o, degree, i / n), valueAt(points, o + 1, degree, i / n));
        out.line(points[o + 2 * degree], points[o + 2 * degree + 1]);
      }
      return out.build(true);
    }),
  );
}
