import { directionAt, valueAt } from "../curves/bezier";
import { stride, type Contour } from "../curves/contour";
import type { Point } from "../curves/matrix";
import type { Camera } from "./camera";
import type { Run } from "./runs";
import { seenAfter } from "./skin";

const { cos, hypot, max, min, PI } = Math;

/** How light lies across a surface: tones from 0, the darkest, to 1 along a line. */
export interface Lit {
  readonly from: Point;
  readonly to: Point;
  /** Shares of the line, from 0 to 1, never falling. */
  readonly stops: readonly { readonly at: number; readonly tone: number }[];
  /** Whether colours may be mixed straight between stops, for a picture while something is dragged. */
  readonly rough?: boolean;
}

/** Places on a curve at most at which its light is asked for, closer by its ends: where it turns away light changes fastest. */
const places = 16;
/** How far straight runs between stops may be off, in tones: less than an eye can tell. */
const tolerance = 0.008;
/** Less than this between the lightest and the darkest place is one tone. */
const even = 0.012;
const evenInDraft = 0.06;
/** How deep in the body its light is right where the view is in perspective, as a share of the depth. */
const depthShare = 0.35;

const direction = new Float64Array(2);

/**
 * The light on a smooth surface of a swept body, in the picture. The surface is ruled along the way, so its light changes across it alone:
 * along one line, which is exact where the eye is far. Where it is near the rules run together, and the line is right a third down.
 * @param toneOf of an outward normal in the body's plane
 * @returns one tone where it hardly changes
 */
export function litAcross({ sides }: Run, contours: readonly Contour[], camera: Camera, toneOf: (normal: Point) => number): Lit | number {
  const samples: { x: number; y: number; tone: number }[] = [];
  const third = seenAfter(camera, depthShare);
  let middle: Point = { x: 0, y: 0 };
  sides.forEach(({ contour, segment }, i) => {
    const { points, degrees } = contours[contour];
    const [o, degree] = [segment * stride, degrees[segment]];
    const n = degree === 1 ? 1 : placesOn(points, o, degree);
    for (let k = 0; k <= n; k++) {
      const t = (1 - cos((PI * k) / n)) / 2;
      const [x, y] = [valueAt(points, o, degree, t), valueAt(points, o + 1, degree, t)];
      directionAt(points, o, degree, t, direction);
      samples.push({ ...third({ x, y }), tone: toneOf({ x: direction[1], y: -direction[0] }) });
      if (i === sides.length >> 1 && k === n >> 1) middle = { x, y };
    }
  });
  const tones = samples.map((s) => s.tone);
  const [low, high] = [min(...tones), max(...tones)];
  const mean = tones.reduce((a, b) => a + b, 0) / tones.length;
  if (high - low < even) return mean;
  const [near, far] = [seenAfter(camera, 0)(middle), seenAfter(camera, 1)(middle)];
  const length = hypot(far.x - near.x, far.y - near.y);
  if (length < 1e-9) return mean;
  let [ux, uy] = [-(far.y - near.y) / length, (far.x - near.x) / length];
  const first = samples[0];
  const last = samples[samples.length - 1];
  if ((last.x - first.x) * ux + (last.y - first.y) * uy < 0) [ux, uy] = [-ux, -uy];
  const across = samples.map((s) => (s.x - first.x) * ux + (s.y - first.y) * uy);
  // Where rules run together places can come a little out of their order.
  for (let i = 1; i < across.length; i++) across[i] = max(across[i], across[i - 1]);
  const whole = across[across.length - 1];
  if (whole < 1e-6) return mean;
  const all = across.map((u, i) => ({ at: u / whole, tone: tones[i] }));
  return {
    from: { x: first.x, y: first.y },
    to: { x: first.x + ux * whole, y: first.y + uy * whole },
    stops: thinned(all),
  };
}

/** Degrees that a curve turns by from one place to the next. */
const turnOfPlaces = 6;

/** How many places a curve is looked at in: as it turns. */
function placesOn(points: Float64Array, o: number, degree: number): number {
  let turn = 0;
  let [x, y] = [0, 0];
  for (let i = 0; i <= 4; i++) {
    directionAt(points, o, degree, i / 4, direction);
    if (i > 0) turn += Math.abs(Math.atan2(x * direction[1] - y * direction[0], x * direction[0] + y * direction[1]));
    x = direction[0];
    y = direction[1];
  }
  return min(places, max(2, Math.ceil((turn * 180) / PI / turnOfPlaces)));
}

/** The light on a smooth surface as `litAcross` has it, by one place of each of its sides: for what is seen by a hair between others. */
export function litRoughly({ sides }: Run, contours: readonly Contour[], camera: Camera, toneOf: (normal: Point) => number): Lit | number {
  const at = seenAfter(camera, depthShare);
  return litAlong(
    sides.map(({ contour, segment, normal }) => {
      const { points, degrees } = contours[contour];
      const [o, degree] = [segment * stride, degrees[segment]];
      return { at: at({ x: valueAt(points, o, degree, 0.5), y: valueAt(points, o + 1, degree, 0.5) }), tone: toneOf(normal) };
    }),
  );
}

/**
 * The light along a row of places, such as the middle of a slope.
 * @param draft whether it may run straight from its first place to its last
 * @returns one tone where it hardly changes
 */
export function litAlong(samples: readonly { readonly at: Point; readonly tone: number }[], draft = false): Lit | number {
  const [first, last] = [samples[0], samples[samples.length - 1]];
  const tones = samples.map((s) => s.tone);
  const mean = tones.reduce((a, b) => a + b, 0) / tones.length;
  const [dx, dy] = [last.at.x - first.at.x, last.at.y - first.at.y];
  const square = dx * dx + dy * dy;
  if (max(...tones) - min(...tones) < (draft ? evenInDraft : even) || square < 1e-9) return mean;
  if (draft) {
    const ends = [first, last].map((s, at) => ({ at, tone: s.tone }));
    return { from: first.at, to: last.at, stops: ends, rough: true };
  }
  const all = samples.map((s) => ({
    at: min(1, max(0, ((s.at.x - first.at.x) * dx + (s.at.y - first.at.y) * dy) / square)),
    tone: s.tone,
  }));
  for (let i = 1; i < all.length; i++) all[i].at = max(all[i].at, all[i - 1].at);
  return { from: first.at, to: last.at, stops: thinned(all) };
}

/** The stops that are needed so that those between them lie near (Douglas and Peucker, 1973). */
export function thinned<S extends { readonly at: number; readonly tone: number }>(stops: readonly S[]): S[] {
  const kept = new Set([0, stops.length - 1]);
  const look = (from: number, to: number): void => {
    let [worst, at] = [tolerance, -1];
    const [a, b] = [stops[from], stops[to]];
    for (let i = from + 1; i < to; i++) {
      const width = b.at - a.at;
      const straight = width > 1e-9 ? a.tone + ((b.tone - a.tone) * (stops[i].at - a.at)) / width : a.tone;
      const off = Math.abs(straight - stops[i].tone);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) return;
    kept.add(at);
    look(from, at);
    look(at, to);
  };
  look(0, stops.length - 1);
  return [...kept].sort((a, b) => a - b).map((i) => stops[i]);
}
