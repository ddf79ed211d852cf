import type { Way } from "../curves/sweep";
import type { Arc } from "./sides";

const { abs, cos, max, min, sin } = Math;

const cross = (ax: number, ay: number, bx: number, by: number): number => ax * by - ay * bx;

/** Arcs that lie side by side by less than this share of the shorter one only touch. */
const touching = 1e-6;

/**
 * Sides from the nearest to the farthest. All are equally deep, so of two that lie on one line along the way the one that begins farther
 * along hides the other; arcs of an outline do not cross, and cut at one ray about a vanishing point they are never each before the next
 * (de Berg and others, Computational Geometry, on depth orders).
 */
export function nearestFirst(arcs: readonly Arc[], way: Way): number[] {
  const ranges = arcs.map(({ across }) => ({ low: min(across[0], across.at(-1)!), high: max(across[0], across.at(-1)!) }));
  const byLow = arcs.map((_, i) => i).sort((a, b) => ranges[a].low - ranges[b].low);
  const behind: number[][] = arcs.map(() => []);
  const before = new Int32Array(arcs.length);
  const active: number[] = [];
  for (const i of byLow) {
    let still = 0;
    for (const k of active) if (ranges[k].high > ranges[i].low) active[still++] = k;
    active.length = still;
    for (const k of active) {
      const [low, high] = [max(ranges[i].low, ranges[k].low), min(ranges[i].high, ranges[k].high)];
      const narrow = min(ranges[i].high - ranges[i].low, ranges[k].high - ranges[k].low);
      if (high - low <= touching * narrow) continue;
      const nearer = compare(arcs[i], arcs[k], low, high, way);
      if (nearer === 0) continue;
      const [first, second] = nearer > 0 ? [i, k] : [k, i];
      behind[first].push(second);
      before[second]++;
    }
    active.push(i);
  }
  // Kahn's order. Where rounding made a circle, what begins farthest along comes first.
  const order: number[] = [];
  const free = arcs.map((_, i) => i).filter((i) => before[i] === 0);
  const done = new Uint8Array(arcs.length);
  while (order.length < arcs.length) {
    let next = free.pop();
    if (next === undefined) {
      const farthest = (i: number) => max(...arcs[i].along);
      next = arcs
        .map((_, i) => i)
        .filter((i) => !done[i])
        .reduce((a, b) => (farthest(b) > farthest(a) ? b : a));
    }
    if (done[next]) continue;
    done[next] = 1;
    order.push(next);
    for (const k of behind[next]) if (--before[k] === 0 && !done[k]) free.push(k);
  }
  return order;
}

/** Above 0 where the first lies farther along where both lie side by side. */
function compare(a: Arc, b: Arc, low: number, high: number, way: Way): number {
  let most = 0;
  for (const share of [0.5, 0.1, 0.9]) {
    const u = low + share * (high - low);
    const d = alongAt(a, u, way) - alongAt(b, u, way);
    if (abs(d) > abs(most)) most = d;
  }
  return most;
}

function alongAt(arc: Arc, u: number, way: Way): number {
  const { across, along, x, y } = arc;
  const rising = across[across.length - 1] > across[0];
  let [i, end] = [0, across.length - 2];
  while (i < end) {
    const middle = (i + end) >> 1;
    if (rising ? across[middle + 1] < u : across[middle + 1] > u) i = middle + 1;
    else end = middle;
  }
  if (way.kind === "vector") {
    const t = across[i + 1] === across[i] ? 0.5 : (u - across[i]) / (across[i + 1] - across[i]);
    return along[i] + min(1, max(0, t)) * (along[i + 1] - along[i]);
  }
  // Where the ray meets the chord: over a long straight line the distance is no straight function of the angle.
  const [dx, dy, ex, ey] = [cos(u), sin(u), x[i + 1] - x[i], y[i + 1] - y[i]];
  const det = cross(dx, dy, ex, ey);
  if (abs(det) < 1e-12) return (along[i] + along[i + 1]) / 2;
  return -Math.sign(way.by) * (cross(x[i] - way.x, y[i] - way.y, ex, ey) / det);
}
