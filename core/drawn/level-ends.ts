import { flat, type LevelEdge, type Sides } from "./flanks";
import { cutBy, near, roundEnd, type Edge, type End } from "./level-cut";
import { halfOf, heightOf, type LevelStroke } from "./level-stroke";

const { abs, ceil, max, min } = Math;

/** Both ends of a stroke, each cut by one side of the letter or by none; undefined where there is more in its way. */
export function endsWithin(stroke: LevelStroke, { flanks, level }: Sides): [End, End] | undefined {
  const thick = max(...stroke.halves.map((h) => h.half));
  const [low, high] = [stroke.low - thick, stroke.high + thick];
  const [from, to] = [stroke.from - halfOf(stroke, stroke.from), stroke.to + halfOf(stroke, stroke.to)];
  let [left, right]: (End | undefined)[] = [];
  for (const flank of flanks) {
    if (flank.right < from || flank.left > to) continue;
    const reach = flank.reach(low, high);
    if (!reach || reach[1] < from || reach[0] > to) continue;
    const across = reach[1] - reach[0];
    const cut = cutBy(stroke, flank, { low: max(low, flank.low), high: min(high, flank.high), across, thick });
    if (cut === "clear") continue;
    // The ink lies on the left of a side that runs down.
    if (cut === "unclear" || (flank.way > 0 ? right : left)) return undefined;
    if (flank.way > 0) right = cut;
    else left = cut;
  }
  if (!doTurnTogether(left?.edge, right?.edge)) return undefined;
  for (const edge of level) {
    if (edge.y <= low || edge.y >= high || edge.right < from || edge.left > to) continue;
    const inside = insideOf(stroke, edge, thick);
    if (isTurn(edge, left, right) ? inside !== "all" : inside !== "nothing") return undefined;
  }
  return [left ?? roundEnd(stroke, -1), right ?? roundEnd(stroke, 1)];
}

/** Whether sides of the letter that turn within a stroke turn into one another, at a point or along a level line. */
function doTurnTogether(left: Edge | undefined, right: Edge | undefined): boolean {
  return [0, 1].every((i) => {
    const [a, b] = [left?.turns[i] === true, right?.turns[i] === true];
    if (!a && !b) return true;
    if (!a || !b || !left || !right) return false;
    return i === 0 ? abs(left.from - right.from) < flat : abs(left.to - right.to) < flat;
  });
}

/** Whether two sides of the letter turn into one another along a level edge. */
function isTurn({ y, left, right }: LevelEdge, a: End | undefined, b: End | undefined): boolean {
  const isAt = (at: readonly [number, number]) => abs(at[1] - y) < flat && (abs(at[0] - left) < near || abs(at[0] - right) < near);
  if (!a?.edge || !b?.edge) return false;
  return (a.edge.turns[0] && isAt(a.upper) && isAt(b.upper)) || (a.edge.turns[1] && isAt(a.lower) && isAt(b.lower));
}

/** What of a level edge lies in a stroke, looked at in steps. What is not clear is some of it. */
function insideOf(stroke: LevelStroke, { y, left, right }: LevelEdge, step: number): "all" | "some" | "nothing" {
  const [from, to] = [max(left, stroke.from - step), min(right, stroke.to + step)];
  const count = max(1, ceil((to - from) / step));
  let [least, most] = [Infinity, 0];
  for (let i = 0; i <= count; i++) {
    const x = from + (i * (to - from)) / count;
    const share = abs(y - heightOf(stroke, x)) / halfOf(stroke, x);
    [least, most] = [min(least, share), max(most, share)];
  }
  if (most < 0.9 && from === left && to === right) return "all";
  return least < 1.1 ? "some" : "nothing";
}

/** Whether what is left between two ends lies in the ink. Loose strokes stray, and may lie wholly beside it. */
export function isInside(stroke: LevelStroke, left: End, right: End, { flanks }: Sides): boolean {
  const edges = [left.edge, right.edge].filter((e) => e !== undefined);
  const isInOrder = left.upper[0] < right.upper[0] && left.lower[0] < right.lower[0];
  // By a side of the letter that cuts one end, and none comes between, it does.
  if (edges.length && isInOrder && !edges.some((e) => e.turns.includes(true))) return true;
  const [x, y] = placeBetween(stroke, left, right);
  let winding = 0;
  for (const flank of flanks) if (flank.low <= y && y < flank.high && flank.at(y) < x) winding += flank.way;
  return winding !== 0;
}

function placeBetween(stroke: LevelStroke, left: End, right: End): readonly [number, number] {
  if (left.edge && right.edge && left.edge.turns.includes(true)) {
    const y = (max(left.edge.from, right.edge.from) + min(left.edge.to, right.edge.to)) / 2;
    return [(left.edge.flank.at(y) + right.edge.flank.at(y)) / 2, y];
  }
  const [a, b] = [left, right].map(({ upper, lower }) => (upper[0] + lower[0]) / 2);
  const x = (a + b) / 2;
  return [x, heightOf(stroke, x)];
}
