import { norm } from "../curves/bezier";
import { lowestOf, rootOf } from "../curves/search";
import type { Flank } from "./flanks";
import { halfOf, heightOf, type LevelStroke } from "./level-stroke";

const { abs, max, min } = Math;

/** The end of a stroke: round, or cut off by the outline between two levels. */
export interface End {
  /** Where the upper side ends, and the lower one. */
  readonly upper: readonly [number, number];
  readonly lower: readonly [number, number];
  readonly edge?: { readonly flank: Flank; readonly from: number; readonly to: number };
}

/** Units: what a place on the outline may lie off a stroke's side. */
export const near = 2e-3;
/** Places between the levels of a stroke at which an outline is looked at. */
const looks = 6;

export function roundEnd(stroke: LevelStroke, way: -1 | 1): End {
  const at = way > 0 ? stroke.to : stroke.from;
  const [y, r] = [heightOf(stroke, at), halfOf(stroke, at)];
  return { upper: [at, y - r], lower: [at, y + r] };
}

/** Both ends of a stroke, each cut by one side of the letter or by none; undefined where there is more in its way. */
export function endsWithin(stroke: LevelStroke, flanks: readonly Flank[]): [End, End] | undefined {
  const thick = max(...stroke.halves.map((h) => h.half));
  const [low, high] = [stroke.low - thick, stroke.high + thick];
  const [from, to] = [stroke.from - halfOf(stroke, stroke.from), stroke.to + halfOf(stroke, stroke.to)];
  const middle = (stroke.from + stroke.to) / 2;
  let [left, right]: (End | undefined)[] = [];
  for (const flank of flanks) {
    if (flank.right < from || flank.left > to) continue;
    const reach = flank.reach(low, high);
    if (!reach || reach[1] < from || reach[0] > to) continue;
    const way = reach[0] + reach[1] > 2 * middle ? 1 : -1;
    const cut = cutBy(stroke, flank, way, max(low, flank.low), min(high, flank.high));
    if (cut === "clear") continue;
    // What runs along the stroke may cut it more often than is looked at.
    if (cut === "unclear" || reach[1] - reach[0] > 8 * thick || (reach[0] < middle && reach[1] > middle)) return undefined;
    if (way > 0 ? right : left) return undefined;
    if (way > 0) right = cut;
    else left = cut;
  }
  return [left ?? roundEnd(stroke, -1), right ?? roundEnd(stroke, 1)];
}

/** Whether what is left between two ends lies in the ink. Loose strokes stray, and may lie wholly beside it. */
export function isInside(stroke: LevelStroke, left: End, right: End, flanks: readonly Flank[]): boolean {
  const [a, b] = [left, right].map(({ upper, lower }) => (upper[0] + lower[0]) / 2);
  const x = (a + b) / 2;
  const y = heightOf(stroke, x);
  let winding = 0;
  for (const flank of flanks) if (flank.low <= y && y < flank.high && flank.at(y) < x) winding += flank.way;
  return winding !== 0;
}

/** The end that a side of the letter makes, if it makes one alone. */
function cutBy(stroke: LevelStroke, flank: Flank, way: -1 | 1, low: number, high: number): End | "clear" | "unclear" {
  const { from: start, to: stop } = stroke;
  /** Below 0 in the stroke. */
  const depth = (y: number): number => {
    const x = flank.at(y);
    if (x >= start && x <= stop) return abs(y - heightOf(stroke, x)) - halfOf(stroke, x);
    const end = x < start ? start : stop;
    return norm(x - end, y - heightOf(stroke, end)) - halfOf(stroke, end);
  };
  const at = way > 0 ? stop : start;
  const ends = (from: number, to: number): End | "unclear" => {
    const [fromX, toX] = [flank.at(from), flank.at(to)];
    const [fromRound, toRound] = [(fromX - at) * way > near, (toX - at) * way > near];
    // A side of the letter that comes in and goes out by one side of the stroke makes a notch, no end.
    if ((!fromRound && from > heightOf(stroke, fromX)) || (!toRound && to < heightOf(stroke, toX))) return "unclear";
    const { upper, lower } = roundEnd(stroke, way);
    return {
      upper: fromRound ? upper : [fromX, from],
      lower: toRound ? lower : [toX, to],
      edge: { flank, from, to },
    };
  };
  const y = heightOf(stroke, at);
  // Mostly it runs through the end from above to below.
  if (low < y && y < high) {
    const [above, within, below] = [depth(low), depth(y), depth(high)];
    if (above > 0 && within < 0 && below > 0)
      return ends(rootOf(depth, low, y, above, within, near), rootOf(depth, high, y, below, within, near));
  }
  const levels = Array.from({ length: looks + 1 }, (_, i) => low + ((high - low) * i) / looks);
  const depths = levels.map(depth);
  let first = depths.findIndex((d) => d < 0);
  for (let i = 0; i <= looks && first < 0; i++) {
    // Where it comes near between two places, it may cut off a sliver.
    const [before, after] = [max(0, i - 1), min(looks, i + 1)];
    if (depths[i] > depths[before] || depths[i] > depths[after] || depths[i] > levels[1] - levels[0]) continue;
    const [level, least] = lowestOf(depth, levels[before], levels[after], near);
    if (least < 0) [first, levels[i], depths[i]] = [i, level, least];
  }
  if (first < 0) return "clear";
  let last = first;
  while (last < looks && depths[last + 1] < 0) last++;
  if (first === 0 || last === looks || depths.slice(last + 1).some((d) => d < 0)) return "unclear";
  const from = rootOf(depth, levels[first - 1], levels[first], depths[first - 1], depths[first], near);
  const to = rootOf(depth, levels[last + 1], levels[last], depths[last + 1], depths[last], near);
  return ends(from, to);
}
