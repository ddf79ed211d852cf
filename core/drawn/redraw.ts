import { Budget } from "../curves/budget";
import { ContourBuilder, contoursOf, pathOf, segmentOf, type Contour } from "../curves/contour";
import { directionAt, valueAt } from "../curves/bezier";
import { fitCubics, sketchCubic, type Sampler } from "../curves/fit";
import { lengthOf } from "../curves/length";
import type { Path } from "../curves/path";
import { Track } from "../curves/track";
import { memoByIdentity } from "../memo";
import { wander } from "./wander";

const { floor, max, min, round } = Math;

export interface Redraw {
  /** Units that the hand strays by at most. */
  readonly wander: number;
  /** Units over which it strays from one side to the other. */
  readonly length: number;
  readonly seed: number;
  /** What chance is drawn from: the letter's own number, and the pass. */
  readonly letter: number;
}

/** A contour with how far along each segment t is: the error is far below that of the hand. */
interface Measured {
  readonly contour: Contour;
  readonly track: Track;
  readonly shares: readonly ((t: number) => number)[];
}

/** Measured once, however often and however wildly it is drawn. */
const measured = memoByIdentity<Path, readonly Measured[]>(1);

function measure(contour: Contour): Measured {
  const shares = Array.from({ length: contour.size }, (_, k) => {
    const { p, o, degree } = segmentOf(contour, k);
    return degree === 1 ? (t: number) => t : tableOf(p, o, degree);
  });
  return { contour, track: new Track(contour), shares };
}

/**
 * An outline drawn again by a hand that strays: each place is moved by two noises of its length, in x and in y and not along the normal,
 * so that corners stay corners. On a closed outline the noises close, too. It may cross itself. A draft follows the hand less closely.
 */
export function redrawn(path: Path, { wander: by, length, seed, letter }: Redraw, draft = false): Path {
  const budget = new Budget();
  return pathOf(
    measured(path, "", () => contoursOf(path, true).map(measure)).map(({ contour: c, track, shares }, i): Contour => {
      const cells = max(3, round(track.length / length));
      const id = letter * 64 + i;
      const stray = (s: number, out: Float64Array) => {
        const u = (s / track.length) * cells;
        out[0] = by * wander(u, 2 * id, seed, cells);
        out[1] = by * wander(u + 0.37, 2 * id + 1, seed, cells);
      };
      const out = new ContourBuilder();
      const start = new Float64Array(4);
      const off = new Float64Array(2);
      const dir = new Float64Array(2);
      for (let k = 0; k < c.size; k++) {
        const { p, o, degree } = segmentOf(c, k);
        const [from, to] = [track.lengthTo(k), track.lengthTo(k + 1)];
        if (to - from < 1e-9) continue;
        const share = shares[k];
        const at: Sampler = (t, to4) => {
          const s = from + (to - from) * share(t);
          stray(s, off);
          const [x, y] = off;
          const e = 1e-3 * length;
          stray(s + e, off);
          const [nx, ny] = [(off[0] - x) / e, (off[1] - y) / e];
          directionAt(p, o, degree, t, dir);
          to4[0] = valueAt(p, o, degree, t) + x;
          to4[1] = valueAt(p, o + 1, degree, t) + y;
          to4[2] = dir[0] + nx;
          to4[3] = dir[1] + ny;
        };
        if (out.size === 0) {
          at(0, start);
          out.move(start[0], start[1]);
        }
        // A piece a cell: the noise has a shape of its own in each.
        const pieces = max(1, round((to - from) / (1.5 * length)));
        for (let i = 0; draft && i < pieces; i++) sketchCubic(at, i / pieces, (i + 1) / pieces, out);
        for (let i = 0; !draft && i < pieces; i++) fitCubics(at, i / pieces, (i + 1) / pieces, max(0.15, 0.05 * by), out, budget);
      }
      out.endAt(start[0], start[1]);
      return out.build(true);
    }),
  );
}

function tableOf(p: Float64Array, o: number, degree: number): (t: number) => number {
  const steps = 24;
  const table = new Float64Array(steps + 1);
  for (let i = 0; i < steps; i++) table[i + 1] = table[i] + lengthOf(p, o, degree, i / steps, (i + 1) / steps);
  return (t) => {
    const i = min(steps - 1, floor(t * steps));
    return (table[i] + (table[i + 1] - table[i]) * (t * steps - i)) / (table[steps] || 1);
  };
}
