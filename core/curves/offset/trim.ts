import { cut, directionAt, norm } from "../bezier";
import { ContourBuilder, stride, type Contour } from "../contour";
import { crossingNear } from "../crossing";

/** No more than this share of a piece is trimmed at either end. */
const most = 0.6;

const da = new Float64Array(2);
const db = new Float64Array(2);

/** A closed way of segments: the degree of each, and where it starts in the numbers. */
export interface ClosedWay {
  readonly size: number;
  readonly points: Float64Array;
  readonly degree: (k: number) => number;
  readonly start: (k: number) => number;
}

/** The part that is left of each segment of a way, or nothing of it: arrays of at least its size. */
export interface Trims {
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly drop: Uint8Array;
}

let shared: Trims = { from: new Float64Array(0), to: new Float64Array(0), drop: new Uint8Array(0) };

/** Whole segments. Used again for each: outlines are trimmed by the hundred. */
function wholes(n: number): Trims {
  if (shared.drop.length < n) shared = { from: new Float64Array(2 * n), to: new Float64Array(2 * n), drop: new Uint8Array(2 * n) };
  shared.from.fill(0, 0, n);
  shared.to.fill(1, 0, n);
  shared.drop.fill(0, 0, n);
  return shared;
}

/**
 * Finds what to leave out of a raw outline where it runs through a corner that closes: if the two pieces beside it cross close by, the
 * loop from where they cross to the corner and back goes round what both their strips cover, which is covered without it.
 * @param closings the first of the two lines at each such corner, by index
 * @returns null where nothing is to be left out; what is returned holds until the next call
 */
export function loopsOf({ size: n, points: p, degree, start }: ClosedWay, closings: readonly number[]): Trims | null {
  if (closings.length === 0) return null;
  const trims = wholes(n);
  const { from, to, drop } = trims;
  let any = false;
  for (const k of closings) {
    const a = k === 0 ? n - 1 : k - 1;
    const b = (k + 2) % n;
    if (a === b || drop[a] || drop[b]) continue;
    const oa = start(a);
    const ob = start(b);
    const na = degree(a);
    const nb = degree(b);
    // From where the tangents at the two ends cross.
    directionAt(p, oa, na, 1, da);
    directionAt(p, ob, nb, 0, db);
    const det = da[0] * db[1] - da[1] * db[0];
    if (Math.abs(det) < 0.02) continue;
    const gx = p[ob] - p[oa + 2 * na];
    const gy = p[ob + 1] - p[oa + 2 * na + 1];
    const back = (gx * db[1] - gy * db[0]) / det;
    const on = (gx * da[1] - gy * da[0]) / det;
    // Both run on past the crossing: the first has to be cut short, the second starts later.
    if (back > 0 || on < 0) continue;
    const la = norm(p[oa + 2 * na] - p[oa], p[oa + 2 * na + 1] - p[oa + 1]);
    const lb = norm(p[ob + 2 * nb] - p[ob], p[ob + 2 * nb + 1] - p[ob + 1]);
    if (-back > most * la || on > most * lb) continue;
    const crossing = crossingNear({ p, o: oa, degree: na }, 1 + back / la, { p, o: ob, degree: nb }, on / lb);
    if (!crossing) continue;
    const { a: ta, b: tb } = crossing;
    if (ta < 1 - most || tb > most || ta <= from[a] + 1e-6 || tb >= to[b] - 1e-6) continue;
    to[a] = ta;
    from[b] = tb;
    drop[k] = 1;
    drop[(k + 1) % n] = 1;
    any = true;
  }
  return any ? trims : null;
}

const part = new Float64Array(8);

/** A raw outline without the loops at its closing corners: fewer crossings to find. @param closings as for `loopsOf` */
export function withoutLoops(raw: Contour, closings: readonly number[]): Contour {
  const trims = loopsOf({ size: raw.size, points: raw.points, degree: (k) => raw.degrees[k], start: (k) => k * stride }, closings);
  if (!trims) return raw;
  const out = new ContourBuilder();
  let started = false;
  let startX = 0;
  let startY = 0;
  for (let k = 0; k < raw.size; k++) {
    if (trims.drop[k]) continue;
    cut(raw.points, k * stride, raw.degrees[k], trims.from[k], trims.to[k], part, 0);
    if (!started) {
      out.move(part[0], part[1]);
      startX = part[0];
      startY = part[1];
      started = true;
    }
    out.segment(part, 0, raw.degrees[k]);
  }
  // Newton's method ends a hair apart on the two curves.
  if (norm(out.x - startX, out.y - startY) < 1e-6) out.endAt(startX, startY);
  else out.line(startX, startY);
  return out.build(true);
}
