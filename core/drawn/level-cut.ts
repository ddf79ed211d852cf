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
  readonly edge?: Edge;
}

/** What of a side of the letter an end is cut off by. */
export interface Edge {
  readonly flank: Flank;
  readonly from: number;
  readonly to: number;
  /** Whether the outline turns within the stroke at its upper level, and at its lower one. */
  readonly turns: readonly [boolean, boolean];
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

/**
 * The end that a side of the letter makes, if it makes one alone.
 * @param across how far across it runs between the levels
 * @param thick half the stroke's thickness, where it is thickest
 */
export function cutBy(
  stroke: LevelStroke,
  flank: Flank,
  { low, high, across, thick }: { low: number; high: number; across: number; thick: number },
): End | "clear" | "unclear" {
  const depth = (y: number): number => depthAt(stroke, flank.at(y), y);
  const y = heightOf(stroke, flank.way > 0 ? stroke.to : stroke.from);
  // Mostly it runs past the round end, or through it from above to below. Beside the thin end of a tapered stroke it may still cut it.
  const isEven = stroke.halves.length === 2;
  if (isEven && low < y && y < high && across < 6 * thick && !flank.cornersIn(low, high).length) {
    const [above, below] = [depth(low), depth(high)];
    const inner = depth(y) < 0 ? y : nextToEnd(stroke, flank, low, high);
    const within = depth(inner);
    if (above > 0 && below > 0 && within < 0) {
      const [from, to] = [rootOf(depth, low, inner, above, within, near), rootOf(depth, high, inner, below, within, near)];
      return endBetween(stroke, { flank, from, to, turns: [false, false] });
    }
    if (above > 0 && below > 0 && within > thick / 8 && isBeyondEnd(stroke, flank, inner)) return "clear";
  }
  const places = placesOf(flank, low, high, 1.5 * thick);
  if (!places) return "unclear";
  const looked = lookedAt(places, depth);
  // In once and out once.
  const inside = looked.flatMap(({ depth }, i) => (depth < 0 ? [i] : []));
  if (!inside.length) return "clear";
  const [first, last, end] = [inside[0], inside[inside.length - 1], looked.length - 1];
  if (last - first + 1 > inside.length) return "unclear";
  const root = (i: number, k: number) => rootOf(depth, looked[i].y, looked[k].y, looked[i].depth, looked[k].depth, near);
  const turns = [first === 0, last === end] as const;
  return endBetween(stroke, { flank, from: turns[0] ? low : root(first - 1, first), to: turns[1] ? high : root(last + 1, last), turns });
}

/** The level at which a side, as straight as it is between two others, lies next to the middle of a round end. */
function nextToEnd(stroke: LevelStroke, flank: Flank, low: number, high: number): number {
  const at = flank.way > 0 ? stroke.to : stroke.from;
  const y = heightOf(stroke, at);
  const lean = (flank.at(high) - flank.at(low)) / (high - low);
  return min(high, max(low, y - ((flank.at(y) - at) * lean) / (1 + lean * lean)));
}

const isBeyondEnd = (stroke: LevelStroke, flank: Flank, level: number): boolean =>
  flank.way > 0 ? flank.at(level) > stroke.to : flank.at(level) < stroke.from;

/** Places and how deep they lie, and those between them that may lie on the other side, as slivers do. */
function lookedAt(places: readonly Place[], depth: (y: number) => number): { y: number; depth: number }[] {
  const found: { y: number; depth: number }[] = [];
  let before: (Place & { depth: number }) | undefined;
  for (const { x, y } of places) {
    const here = { x, y, depth: depth(y) };
    if (before && before.depth < 0 === here.depth < 0 && abs(before.depth + here.depth) < norm(x - before.x, y - before.y)) {
      const sign = here.depth < 0 ? -1 : 1;
      const [level, least] = lowestOf((at) => sign * depth(at), before.y, y, near);
      if (least < 0) found.push({ y: level, depth: sign * least });
    }
    found.push(here);
    before = here;
  }
  return found;
}

/** How far a place lies outside of a stroke; below 0 in it. */
function depthAt(stroke: LevelStroke, x: number, y: number): number {
  const { from, to } = stroke;
  if (x >= from && x <= to) return abs(y - heightOf(stroke, x)) - halfOf(stroke, x);
  const end = x < from ? from : to;
  return norm(x - end, y - heightOf(stroke, end)) - halfOf(stroke, end);
}

function endBetween(stroke: LevelStroke, edge: Edge): End | "unclear" {
  const { flank, from, to, turns } = edge;
  const { way } = flank;
  const [at, other] = way > 0 ? [stroke.to, stroke.from] : [stroke.from, stroke.to];
  const [fromX, toX] = [flank.at(from), flank.at(to)];
  const [fromRound, toRound] = [(fromX - at) * way > near, (toX - at) * way > near];
  // A side of the letter that comes in and goes out by one side of the stroke makes a notch, no end.
  if (!turns[0] && !fromRound && from > heightOf(stroke, fromX)) return "unclear";
  if (!turns[1] && !toRound && to < heightOf(stroke, toX)) return "unclear";
  // One that cuts off the other end too leaves less than has two sides.
  if ((fromX - other) * way < -near || (toX - other) * way < -near) return "unclear";
  const { upper, lower } = roundEnd(stroke, way > 0 ? 1 : -1);
  return {
    upper: fromRound && !turns[0] ? upper : [fromX, from],
    lower: toRound && !turns[1] ? lower : [toX, to],
    edge,
  };
}

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Places on a side, its corners among them, no farther from one another than a step; undefined where it has a level stretch. */
function placesOf(flank: Flank, low: number, high: number, step: number): Place[] | undefined {
  const some = Array.from({ length: looks + 1 }, (_, i) => low + ((high - low) * i) / looks);
  const corners = flank.cornersIn(low, high);
  const levels = corners.length ? [...some, ...corners].sort((a, b) => a - b) : some;
  const found = [{ x: flank.at(low), y: low }];
  const divide = (a: Place, b: Place): boolean => {
    if (abs(b.x - a.x) <= step) return found.push(b) > 0;
    if (b.y - a.y < near) return false;
    const y = (a.y + b.y) / 2;
    const m = { x: flank.at(y), y };
    return divide(a, m) && divide(m, b);
  };
  for (const y of levels.slice(1)) if (!divide(found[found.length - 1], { x: flank.at(y), y })) return undefined;
  return found;
}
