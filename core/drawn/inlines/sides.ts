import { norm } from "../../curves/bezier";
import type { Sample } from "./samples";
import { edgeTo, ends, isNotch, onwards, type Strips, type Triangle } from "./strips";

const { abs, atan2, cos, exp, max, min, sin } = Math;

/** A place on the side of a stroke. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly corner: boolean;
}

export const cross = (ax: number, ay: number, bx: number, by: number): number => ax * by - ay * bx;
const angleBetween = (ax: number, ay: number, bx: number, by: number): number => atan2(cross(ax, ay, bx, by), ax * bx + ay * by);

/** How far the outline turns over a run of samples, 0 to pi: a bump turns back, a corner does not. */
export function turnOver({ samples }: Strips, run: readonly number[]): number {
  const [a, b] = [samples[run[0]], samples[run[run.length - 1]]];
  const forward = a.next === run[1];
  const before = samples[forward ? a.before : a.next];
  const after = samples[forward ? b.next : b.before];
  return abs(angleBetween(a.x - before.x, a.y - before.y, after.x - b.x, after.y - b.y));
}

/** Less than this is a bump on a side, which lines pass straight by. */
const bump = 0.35;

/**
 * The side of a stroke between two chords that share the corner `from`, as what can be seen from there: lines lie on its way to the side by
 * their shares. Where something nearer hides a part, the side comes back to it little by little, or all lines would lie on one ray.
 */
export function sideSeen(strips: Strips, from: number, run: readonly number[]): Place[] {
  const { samples } = strips;
  const [a, b] = [samples[run[0]], samples[run[run.length - 1]]];
  const place = (p: { x: number; y: number }, corner = false): Place => ({ x: p.x, y: p.y, corner });
  if (run.length <= 2) return [place(a), place(b)];
  if (turnOver(strips, run) < bump) return [place(a), place(b)];
  const v = samples[from];
  const side = withoutSerifs(strips, run, norm(a.x - v.x, a.y - v.y));
  const start = atan2(a.y - v.y, a.x - v.x);
  const whole = angleBetween(a.x - v.x, a.y - v.y, b.x - v.x, b.y - v.y);
  const way = whole < 0 ? -1 : 1;
  const most = whole * way;
  const wanted: { u: number; corner: boolean }[] = [];
  for (const p of side.slice(1, -1)) {
    const u = way * angleBetween(a.x - v.x, a.y - v.y, p.x - v.x, p.y - v.y);
    if (u > 1e-4 && u < most - 1e-4) wanted.push({ u, corner: p.corner });
  }
  for (let k = 1; k < 24; k++) wanted.push({ u: (most * k) / 24, corner: false });
  wanted.sort((p, q) => p.u - q.u);

  const rays: Ray[] = [{ u: 0, reach: norm(a.x - v.x, a.y - v.y), corner: false, held: false }];
  let last = 0;
  for (const { u, corner } of wanted) {
    if (u - last < 1e-3 && !corner) continue;
    last = u;
    const reach = nearest(v, start + way * u, side);
    if (reach < Infinity) rays.push({ u, reach, corner, held: false });
  }
  rays.push({ u: most, reach: norm(b.x - v.x, b.y - v.y), corner: false, held: false });
  hold(rays);
  const between = rays.slice(1, -1).map(({ u, reach, corner }) => {
    const angle = start + way * u;
    return place({ x: v.x + cos(angle) * reach, y: v.y + sin(angle) * reach }, corner);
  });
  return [place(a), ...between, place(b)];
}

interface Ray {
  readonly u: number;
  reach: number;
  corner: boolean;
  held: boolean;
}

/** What stands in the way throws a shadow: nearer parts hold farther ones back, from both sides. */
function hold(rays: Ray[]): void {
  const from = (before: Ray, at: Ray) => {
    const step = abs(at.u - before.u);
    const most = before.reach * exp(1.8 * step);
    const jumps = at.reach > before.reach * 1.12 && step < 0.05;
    if (at.reach <= most * 1.0001 || !(jumps || before.held)) return;
    at.reach = most;
    at.held = true;
    at.corner = false;
  };
  for (let k = 1; k < rays.length; k++) {
    from(rays[k - 1], rays[k]);
    from(rays[rays.length - k], rays[rays.length - 1 - k]);
  }
}

/** How far a ray goes until it meets a line of places; infinity where it meets none. */
function nearest(v: Sample, angle: number, side: readonly Place[]): number {
  const [dx, dy] = [cos(angle), sin(angle)];
  let best = Infinity;
  for (let i = 0; i + 1 < side.length; i++) {
    const [p, q] = [side[i], side[i + 1]];
    const [ex, ey] = [q.x - p.x, q.y - p.y];
    const det = cross(dx, dy, ex, ey);
    if (abs(det) < 1e-9) continue;
    const reach = cross(p.x - v.x, p.y - v.y, ex, ey) / det;
    const at = cross(p.x - v.x, p.y - v.y, dx, dy) / det;
    if (at >= -1e-6 && at <= 1 + 1e-6 && reach > 1e-6 && reach < best) best = reach;
  }
  return best;
}

/** A run with its small bumps bridged: a side that ends in a notch runs straight on to where it meets the run again. */
function withoutSerifs({ samples }: Strips, run: readonly number[], width: number): Place[] {
  const [first, last] = [samples[run[0]], samples[run[run.length - 1]]];
  const forward = first.next === run[1];
  const indexes = [forward ? first.before : first.next, ...run, forward ? last.next : last.before];
  let side = indexes.map((i) => ({ x: samples[i].x, y: samples[i].y, corner: samples[i].turn > 0.45, inner: samples[i].turn < -0.45 }));
  for (let way = 0; way < 2; way++) {
    for (let i = 1; i + 2 < side.length; i++) {
      const met = side[i].inner ? bridge(side, i, 0.42 * width) : undefined;
      if (met) side = [...side.slice(0, i), { ...met.at, corner: true, inner: false }, ...side.slice(met.after)];
    }
    side = side.reverse();
  }
  return side.slice(1, -1);
}

/** Where the side that comes to place `i` meets the run again, straight on, past a bump less than `most` deep. */
function bridge(side: readonly Place[], i: number, most: number): { at: { x: number; y: number }; after: number } | undefined {
  const [p, before] = [side[i], side[i - 1]];
  const l = norm(p.x - before.x, p.y - before.y) || 1;
  const [dx, dy] = [(p.x - before.x) / l, (p.y - before.y) / l];
  let depth = 0;
  for (let j = i + 1; j + 1 < side.length; j++) {
    const [a, b] = [side[j], side[j + 1]];
    const [ex, ey] = [b.x - a.x, b.y - a.y];
    depth = max(depth, abs(cross(dx, dy, a.x - p.x, a.y - p.y)));
    const det = cross(dx, dy, ex, ey);
    if (abs(det) < 1e-9) continue;
    const along = cross(a.x - p.x, a.y - p.y, ex, ey) / det;
    const at = cross(a.x - p.x, a.y - p.y, dx, dy) / det;
    if (at > 0 && at <= 1 && along > 1 && depth < most && j > i + 1)
      return { at: { x: p.x + dx * along, y: p.y + dy * along }, after: j + 1 };
  }
  return undefined;
}

/** Where lines round the notch of a junction meet, as a way from the notch at a share of 1: parallel to both of its edges. */
export function mitreOf({ samples }: Strips, notch: number, left: number, right: number): { x: number; y: number } | undefined {
  const a = samples[notch];
  if (!isNotch(a)) return undefined;
  const to = (i: number) => [samples[i].x - a.x, samples[i].y - a.y] as const;
  const [b, c] = [to(left), to(right)];
  let [e, g] = [to(a.next), to(a.before)];
  const alike = (p: readonly [number, number], q: readonly [number, number]) => (p[0] * q[0] + p[1] * q[1]) / (norm(...p) * norm(...q));
  if (alike(b, e) + alike(c, g) < alike(b, g) + alike(c, e)) [e, g] = [g, e];
  const det = cross(e[0], e[1], g[0], g[1]);
  if (abs(det) < 0.05 * norm(...e) * norm(...g)) return undefined;
  const along = cross(c[0] - b[0], c[1] - b[1], g[0], g[1]) / det;
  const [x, y] = [b[0] + along * e[0], b[1] + along * e[1]];
  // Within the triangle's reach, or a corner is cut off straight.
  const whole = cross(b[0], b[1], c[0], c[1]);
  const [left0, right0] = [cross(x, y, c[0], c[1]) / whole, cross(b[0], b[1], x, y) / whole];
  if (left0 < 0.2 || right0 < 0.2 || left0 + right0 < 1) return undefined;
  const k = min(1, 1 / max(left0, right0), 1.6 / (left0 + right0));
  return k < 0.75 ? undefined : { x: x * k, y: y * k };
}

/** The direction in which a stroke leaves a junction: from its chord to one about a stroke's width on. */
export function wayOut(strips: Strips, junction: number, edge: number): [number, number] {
  const { samples, triangles } = strips;
  const middle = (t: Triangle, e: number) => {
    const [p, q] = ends(t, e).map((i) => samples[i]);
    return { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2, width: norm(p.x - q.x, p.y - q.y), nx: q.y - p.y, ny: p.x - q.x };
  };
  const start = middle(triangles[junction], edge);
  let far = start;
  for (let from = junction, at = triangles[junction].beside[edge]; at >= 0;) {
    const next = onwards(strips, at, from);
    if (next < 0) break;
    far = middle(triangles[at], edgeTo(triangles[at], next));
    if (triangles[at].degree !== 2 || norm(far.x - start.x, far.y - start.y) > start.width) break;
    [from, at] = [at, next];
  }
  const l = norm(far.x - start.x, far.y - start.y);
  if (l > 1e-6) return [(far.x - start.x) / l, (far.y - start.y) / l];
  const w = start.width || 1;
  return [start.nx / w, start.ny / w];
}
