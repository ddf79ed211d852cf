import { directionAt, footNear, norm, slopeAt, valueAt } from "./bezier";
import type { Budget } from "./budget";
import { ContourBuilder, stride, type Contour } from "./contour";
import { fitOne, fitted, type Sampler } from "./fit";

/** Directions that differ by less count as one: half a degree, less than an eye sees in an outline. */
const smoothCos = Math.cos((0.5 * Math.PI) / 180);
/** Longest run that is tried as one cubic. */
const longestRun = 12;

const a = new Float64Array(2);
const b = new Float64Array(2);

/** Whether the contour carries on without a corner from segment k to the next. */
function isSmooth(c: Contour, k: number): boolean {
  const next = k + 1 === c.size ? 0 : k + 1;
  directionAt(c.points, k * stride, c.degrees[k], 1, a);
  directionAt(c.points, next * stride, c.degrees[next], 0, b);
  return a[0] * b[0] + a[1] * b[1] > smoothCos;
}

/**
 * Replaces runs of curves that join smoothly by single cubics where one lies within `tolerance` of them. Corners and lines
 * stay. Runs are grown from their start for as long as one cubic serves, so that few nodes are left.
 * @returns the same contour where nothing could be joined
 */
export function mergeSmooth(c: Contour, tolerance: number, budget: Budget): Contour {
  const n = c.size;
  if (n < 2) return c;
  const smooth = new Uint8Array(n);
  let first = -1;
  let any = false;
  for (let k = 0; k < n; k++) {
    const next = k + 1 === n ? 0 : k + 1;
    if (c.degrees[k] > 1 && c.degrees[next] > 1 && (c.closed || next !== 0) && isSmooth(c, k)) {
      smooth[k] = 1;
      any = true;
    } else if (first < 0) first = next;
  }
  if (!any) return c;
  // A closed run with no corner starts where it did before.
  if (first < 0 || !c.closed) first = 0;
  const out = new ContourBuilder();
  out.move(c.points[first * stride], c.points[first * stride + 1]);
  for (let done = 0; done < n;) {
    const k = (first + done) % n;
    let taken = 1;
    let merged = false;
    while (taken < longestRun && done + taken < n && smooth[(k + taken - 1) % n]) {
      budget.spend(10);
      if (fitOne(runOf(c, k, taken + 1), 0, taken + 1, tolerance) > tolerance || !serves(c, k, taken + 1, tolerance)) break;
      taken++;
      merged = true;
    }
    if (merged) {
      fitOne(runOf(c, k, taken), 0, taken, tolerance);
      out.cubic(fitted[2], fitted[3], fitted[4], fitted[5], fitted[6], fitted[7]);
    } else out.segment(c.points, k * stride, c.degrees[k]);
    done += taken;
  }
  return out.size === n ? c : out.build(c.closed);
}

/**
 * Whether the fitted cubic passes by the middle and the end of every segment of a run: where some are much shorter
 * than others, evenly spread samples miss them.
 */
function serves(c: Contour, k: number, count: number, tolerance: number): boolean {
  for (let i = 0; i < count; i++) {
    const o = ((k + i) % c.size) * stride;
    const degree = c.degrees[(k + i) % c.size];
    for (const t of i + 1 < count ? [0.25, 0.5, 0.75, 1] : [0.25, 0.5, 0.75]) {
      const x = valueAt(c.points, o, degree, t);
      const y = valueAt(c.points, o + 1, degree, t);
      let off = Infinity;
      for (const guess of [(i + t) / count, 0.1, 0.5, 0.9]) {
        const foot = footNear(fitted, 0, 3, x, y, guess);
        off = Math.min(off, norm(valueAt(fitted, 0, 3, foot) - x, valueAt(fitted, 1, 3, foot) - y));
        if (off <= tolerance) break;
      }
      if (off > tolerance) return false;
    }
  }
  return true;
}

/** Segments k, k + 1, ... as one curve over [0, count]. */
function runOf(c: Contour, k: number, count: number): Sampler {
  // Time in proportion to length, so that the points to fit are spread evenly.
  const ends = new Float64Array(count + 1);
  for (let i = 0; i < count; i++) {
    const o = ((k + i) % c.size) * stride;
    let length = 0;
    for (let j = 0; j < c.degrees[(k + i) % c.size]; j++)
      length += norm(c.points[o + 2 * j + 2] - c.points[o + 2 * j], c.points[o + 2 * j + 3] - c.points[o + 2 * j + 1]);
    ends[i + 1] = ends[i] + length;
  }
  return (t, out) => {
    const at = (t / count) * ends[count];
    let i = 0;
    while (i < count - 1 && ends[i + 1] <= at) i++;
    const o = ((k + i) % c.size) * stride;
    const degree = c.degrees[(k + i) % c.size];
    const local = t >= count ? 1 : Math.min(1, (at - ends[i]) / (ends[i + 1] - ends[i] || 1));
    out[0] = valueAt(c.points, o, degree, local);
    out[1] = valueAt(c.points, o + 1, degree, local);
    out[2] = slopeAt(c.points, o, degree, local);
    out[3] = slopeAt(c.points, o + 1, degree, local);
    if (local === 0 || local === 1) {
      directionAt(c.points, o, degree, local, a);
      out[2] = a[0];
      out[3] = a[1];
    }
  };
}

/**
 * Drops segments shorter than `speck`, in units; and short runs of them; their neighbours meet in the middle. Returns the same contour
 * where there are none.
 */
export function withoutSpecks(c: Contour, speck: number): Contour {
  const { degrees, points, size: n } = c;
  if (n < 3) return c;
  const small = new Uint8Array(n);
  let any = false;
  // Where a run of small segments starts: many small steps may lead somewhere, and are dropped only while they do not.
  let fromX = 0;
  let fromY = 0;
  for (let k = 0; k < n; k++) {
    const o = k * stride;
    if (k === 0 || !small[k - 1]) {
      fromX = points[o];
      fromY = points[o + 1];
    }
    let far = 0;
    for (let i = 1; i <= degrees[k]; i++)
      far = Math.max(far, Math.abs(points[o + 2 * i] - fromX) + Math.abs(points[o + 2 * i + 1] - fromY));
    if (far < speck && !(k === n - 1 && small[0])) {
      small[k] = 1;
      any = true;
    }
  }
  if (!any) return c;
  const kept: number[] = [];
  for (let k = 0; k < n; k++) if (!small[k]) kept.push(k);
  if (kept.length < 2) return c;
  // The point where segment k starts: in the middle between the ends of the small ones before it, if there are any.
  const startOf = (k: number, i: 0 | 1) => {
    let first = k;
    for (let before = k === 0 ? n - 1 : k - 1; small[before] && before !== k; before = before === 0 ? n - 1 : before - 1) first = before;
    return (points[first * stride + i] + points[k * stride + i]) / 2;
  };
  const out = new ContourBuilder();
  out.move(startOf(kept[0], 0), startOf(kept[0], 1));
  const part = new Float64Array(8);
  kept.forEach((k, at) => {
    const next = kept[(at + 1) % kept.length];
    const d = degrees[k];
    const o = k * stride;
    for (let i = 0; i <= 2 * d + 1; i++) part[i] = points[o + i];
    const ex = startOf(next, 0) - part[2 * d];
    const ey = startOf(next, 1) - part[2 * d + 1];
    if (d === 3) {
      part[2] += out.x - part[0];
      part[3] += out.y - part[1];
      part[4] += ex;
      part[5] += ey;
    }
    part[2 * d] += ex;
    part[2 * d + 1] += ey;
    out.segment(part, 0, d);
  });
  out.endAt(startOf(kept[0], 0), startOf(kept[0], 1));
  return out.build(true);
}
