import { Budget } from "../curves/budget";
import { areaOf } from "../curves/arrange/tidy";
import { ContourBuilder, contoursOf, pathOf, type Contour } from "../curves/contour";
import { fitCubics, type Sampler } from "../curves/fit";
import type { Kernel } from "../curves/kernel";
import type { Path } from "../curves/path";
import { Track, trackPoint } from "../curves/track";
import { chance, ramp } from "../grain/noise";
import { cornersOf } from "./corners";
import { softened } from "./softened";

const { abs, ceil, floor, max, min, PI, round, sin, sqrt } = Math;

/** Waves along an outline. */
export interface Ripple {
  /** Units from crest to crest, above 0; fitted so that each outline closes. */
  readonly length: number;
  /** Units from the outline to a crest. */
  readonly height: number;
  readonly shape: "smooth" | "pointed" | "bumps";
  /** How far the waves are moved along, as a share of one; of no use where corners are kept. */
  readonly phase: number;
  readonly corners: "kept" | "softened";
  /** 0 for waves that are all alike, 1 for heights from nothing to twice as high. */
  readonly uneven: number;
  readonly edge: "all" | "upper" | "lower";
  readonly seed: number;
  /** The letter's own number, which chance is drawn from. */
  readonly letter: number;
}

/** The base that waves are drawn on: x, y and the unit direction at a length. */
type Base = (s: number, out: Float64Array) => void;

/** A stretch of waves. */
interface Run {
  readonly from: number;
  readonly to: number;
  /** Half waves, each from one crossing of the base to the next; bumps are whole ones. */
  readonly count: number;
  /** 1 where the first goes outwards, -1 where it goes inwards. */
  readonly first: 1 | -1;
  readonly height: number;
  readonly base: Base;
}

const point = trackPoint();
/** Stretches that a segment is measured in for a draft. */
const inDraft = 3;

/**
 * An outline with waves along it, that does not cross itself. Where corners are kept, waves end at them: outwards at a corner that points
 * out, inwards at one that points in, so that the waves of its two sides never meet. In narrow bends waves are kept lower.
 * @param budget that the curves of several outlines may share @throws BudgetError
 */
export function rippled(path: Path, ripple: Ripple, kernel: Kernel, budget = new Budget()): Path {
  const draft = kernel !== kernel.exact;
  const clean = contoursOf(draft ? path : kernel.weld(path), true);
  const waved = pathOf(clean.map((c, i) => waves(c, i, ripple, draft ? undefined : budget)));
  // Filled, waves that meet look united.
  if (draft) return waved;
  const [seen] = kernel.stack([{ path: waved, label: "ink" }]);
  if (!seen) return waved;
  // Waves of two sides that meet leave crumbs and pinholes, which no hand would draw.
  const crumb = min(ripple.length * ripple.height, 0.5 * min(...clean.map((c) => abs(areaOf(c)))));
  const contours = contoursOf(seen.path, true);
  const kept = contours.filter((c) => abs(areaOf(c)) > crumb);
  return kept.length === contours.length ? seen.path : pathOf(kept);
}

/** @param budget for its curves; a draft without one is drawn in straight steps */
function waves(c: Contour, index: number, ripple: Ripple, budget: Budget | undefined): Contour {
  const track = new Track(c, budget ? undefined : inDraft);
  const step = ripple.shape === "bumps" ? ripple.length : ripple.length / 2;
  const all = cornersOf(c);
  const runs =
    all.length && ripple.corners === "kept"
      ? between(track, all, ripple, step)
      : [around(track, all.length > 0, ripple, step, budget ? 1.5 : 6)];
  const out = new ContourBuilder();
  const start = new Float64Array(4);
  const first = new Float64Array(4);
  runs.forEach((run, r) => {
    const width = (run.to - run.from) / run.count;
    const wave = waveOf(run, width, r * 7919 + index * 104729, track, ripple, !budget);
    // From crest to trough, where a wave is drawn with the fewest nodes and a pointed one has its corners.
    const stops = [run.from];
    const own = ripple.shape === "bumps" ? 1 : 0.5;
    for (let i = own; i < run.count; i++) stops.push(run.from + width * i);
    stops.push(run.to);
    for (let i = 0; i + 1 < stops.length; i++) {
      const [from, to] = [stops[i], stops[i + 1]];
      if (to - from < 1e-9) continue;
      const along: Sampler = (t, at) => wave.sample(from + (to - from) * t, from, to, at);
      if (r === 0 && i === 0) {
        along(0, first);
        out.move(first[0], first[1]);
      }
      if (!budget) {
        // The flank of a pointed wave is all but straight.
        const steps = ripple.shape === "pointed" ? 1 : 3;
        for (let k = 1; k <= steps; k++) {
          wave.place(from + ((to - from) * k) / steps - (k === steps ? 1e-9 : 0), start);
          out.line(start[0], start[1]);
        }
      } else fitCubics(along, 0, 1, max(0.05, ripple.height / 60), out, budget);
    }
  });
  out.endAt(first[0], first[1]);
  return out.build(true);
}

/** The stretches between corners, each with as many half waves as its two ends let it have. */
function between(track: Track, corners: readonly { segment: number; convex: boolean }[], ripple: Ripple, step: number): Run[] {
  return corners.map((corner, i) => {
    const end = corners[(i + 1) % corners.length];
    const from = track.lengthTo(corner.segment);
    const to = track.lengthTo(end.segment) + (i + 1 < corners.length ? 0 : track.length);
    const halves = (to - from) / step;
    const odd = ripple.shape !== "bumps" && corner.convex === end.convex;
    const even = ripple.shape !== "bumps" && !odd;
    const count = odd ? 2 * round((halves - 1) / 2) + 1 : even ? 2 * max(1, round(halves / 2)) : max(1, round(halves));
    const base: Base = (s, out) => {
      track.at(min(to - 1e-6, max(from + 1e-6, s)), point);
      out.set(point.subarray(0, 4));
    };
    const short = min(1, halves / count);
    return { from, to, count: max(1, count), first: corner.convex ? 1 : -1, height: ripple.height * short * short, base };
  });
}

/** One run around an outline whose corners, where it has some, are let go. */
function around(track: Track, cornered: boolean, ripple: Ripple, step: number, fine: number): Run {
  const base: Base = cornered
    ? softened(track, max(ripple.length / 5, 0.9 * ripple.height), fine)
    : (s, out) => {
        track.at(s, point);
        out.set(point.subarray(0, 4));
      };
  const period = ripple.length;
  const whole = max(2, round(track.length / period));
  const shift = (-ripple.phase * track.length) / whole;
  const count = step === period ? whole : 2 * whole;
  return { from: shift, to: shift + track.length, count, first: 1, height: ripple.height, base };
}

/** Places on the waves: x, y and a direction by differences that stay within one piece. */
function waveOf(run: Run, width: number, id: number, track: Track, ripple: Ripple, draft: boolean) {
  const { shape, uneven, seed, letter, edge, length } = ripple;
  const heights = Array.from({ length: run.count }, (_, i) => {
    const own = 1 + uneven * (2 * chance(letter * 31 + id, i, seed) - 1);
    return (shape === "bumps" || i % 2 === 0 ? run.first : -run.first) * (shape === "bumps" ? abs(run.height) : run.height) * own;
  });
  // A draft may fold in the tightest bends.
  const bendAt = draft ? () => 0 : bendsOf(track, run, length / 4);
  const at = new Float64Array(4);
  const position = (s: number, out: Float64Array, o: number) => {
    const i = min(run.count - 1, max(0, floor((s - run.from) / width)));
    const u = min(1, max(0, (s - run.from) / width - i));
    const form = shape === "pointed" ? 1 - abs(2 * u - 1) : shape === "bumps" ? 4 * u * (1 - u) : sin(PI * u);
    const way = shape === "bumps" || heights[i] > 0 ? 1 : -1;
    run.base(s, at);
    const facing = edge === "all" ? 1 : ramp(0.02, 0.55, edge === "upper" ? at[2] : -at[2]);
    let a = abs(heights[i]) * way * form * facing;
    // Bends tighter than the wave is high would fold it.
    const bend = bendAt(s);
    if (a * bend < 0) a /= sqrt(1 + ((a * bend) / 0.7) ** 2);
    out[o] = at[0] + a * at[3];
    out[o + 1] = at[1] - a * at[2];
  };
  const ends = new Float64Array(4);
  return {
    place: (s: number, out: Float64Array) => position(s, out, 0),
    sample: (s: number, from: number, to: number, out: Float64Array) => {
      const e = 1e-3 * width;
      position(max(from, s - e), ends, 0);
      position(min(to, s + e), ends, 2);
      out[2] = ends[2] - ends[0];
      out[3] = ends[3] - ends[1];
      // At its ends a piece belongs to one wave.
      position(s <= from ? from + 1e-9 : s >= to ? to - 1e-9 : s, out, 0);
    },
  };
}

/**
 * How an outline bends, in radians a unit, clockwise above 0: the turn within a window, which no step of curvature shakes. From a table,
 * straight between its places, four to a window: it only keeps waves low.
 */
function bendsOf(track: Track, run: Run, window: number): (s: number) => number {
  const count = max(8, ceil((4 * (run.to - run.from)) / window));
  const step = (run.to - run.from) / count;
  const bends = Float64Array.from({ length: count + 1 }, (_, i) => {
    const s = run.from + i * step;
    const low = max(run.from + 1e-6, s - window);
    const high = min(run.to - 1e-6, s + window);
    track.at(low, point);
    const before = point[5];
    track.at(high, point);
    return (point[5] - before) / max(1e-6, high - low);
  });
  return (s) => {
    const u = min(count, max(0, (s - run.from) / step));
    const i = min(count - 1, floor(u));
    return bends[i] + (bends[i + 1] - bends[i]) * (u - i);
  };
}
