import { Budget } from "../curves/budget";
import type { Bounds } from "../curves/bounds";
import { ContourBuilder, stride, type Contour } from "../curves/contour";
import { fitCubics, sketchCubic, type Sampler } from "../curves/fit";
import { wander } from "./wander";

const { abs, cos, max, min, PI, sin } = Math;

export interface Ribbons {
  readonly count: number;
  /** Degrees, clockwise from level, in which they run. */
  readonly angle: number;
  /** Units from crest to crest, above 0, and from the middle to a crest. */
  readonly length: number;
  readonly height: number;
  /** How far each wave is moved along against the one before, as a share of a wave. */
  readonly drift: number;
  /** 0 for waves that are all alike; 1 for heights and places that wander. */
  readonly uneven: number;
  /** How wide the last ribbon is against the first. */
  readonly ratio: number;
  readonly seed: number;
}

export interface Ribbon {
  /** Of the upper edge, from left to right as it runs; nothing for the first, which covers all. */
  readonly edge: Contour | undefined;
  /** Along the edge: where each segment ends. */
  readonly ends: readonly number[];
  /** How far down the turned frame the edge begins at the soonest, and at the latest: all that lies lower is covered. */
  readonly begins: number;
  readonly covers: number;
}

/** Where a box lies in the frame that is turned by an angle. */
export interface Stretch {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly foot: number;
}

export function stretchOf({ minX, minY, maxX, maxY }: Bounds, angle: number): Stretch {
  const [c, s] = turnOf(angle);
  const along = [minY, maxY].flatMap((y) => [minX, maxX].map((x) => c * x + s * y));
  const across = [minY, maxY].flatMap((y) => [minX, maxX].map((x) => c * y - s * x));
  return { left: min(...along), right: max(...along), top: min(...across), foot: max(...across) };
}

const turnOf = (angle: number): [number, number] => [cos((angle * PI) / 180), sin((angle * PI) / 180)];

/**
 * Waves across a box, one below the other: each covers all that is below its upper edge, so that the next one covers it and no ground is
 * seen between two. Widths go evenly from the first to the last.
 * @param draft with edges that are only near their waves
 */
export function ribbonsOver(box: Bounds, ribbons: Ribbons, draft = false): Ribbon[] {
  const { left, right, top, foot } = stretchOf(box, ribbons.angle);
  const reach = abs(ribbons.height) * (1 + ribbons.uneven);
  const [low, high] = [top - reach, foot + reach];
  // Widths in an arithmetic row whose sum is the whole.
  const widths = Array.from(
    { length: ribbons.count },
    (_, i) => 1 + (ribbons.count > 1 ? ((ribbons.ratio - 1) * i) / (ribbons.count - 1) : 0),
  );
  const sum = widths.reduce((a, b) => a + b, 0);
  let at = low;
  return widths.map((width, i) => {
    const edge = at;
    at += ((high - low) * width) / sum;
    if (i === 0) return { edge: undefined, ends: [], begins: -Infinity, covers: -Infinity };
    return { ...wave(edge, i, ribbons, left - 1, right + 1, draft), begins: edge - 1.6 * reach, covers: edge + 1.6 * reach };
  });
}

/** What a ribbon covers of a stretch, and something around it; undefined where it begins below. */
export function ribbonOn({ edge, ends, begins, covers }: Ribbon, { left, right, top, foot }: Stretch, angle: number): Contour | undefined {
  if (begins >= foot) return undefined;
  const [c, s] = turnOf(angle);
  const out = new ContourBuilder();
  const line = (u: number, v: number): void => out.line(c * u - s * v, s * u + c * v);
  const first = edge
    ? max(
        0,
        ends.findIndex((end) => end > left),
      )
    : 0;
  const [startX, startY] = edge
    ? [edge.points[first * stride], edge.points[first * stride + 1]]
    : [c * (left - 1) - s * (top - 1), s * (left - 1) + c * (top - 1)];
  out.move(startX, startY);
  if (edge) {
    const last = ends.findIndex((end) => end >= right);
    for (let k = first; k <= (last < 0 ? edge.size - 1 : last); k++) out.segment(edge.points, k * stride, edge.degrees[k]);
  } else line(right + 1, top - 1);
  const below = max(foot, covers) + 1;
  line(c * out.x + s * out.y, below);
  line(c * startX + s * startY, below);
  out.line(startX, startY);
  return out.build(true);
}

/** How far down an edge lies at a place along it. */
function edgeAt(u: number, edge: number, i: number, { length, height, drift, uneven, seed }: Ribbons): number {
  const x = u / length + i * drift;
  const own = 1 + 0.6 * uneven * wander(x * 0.7, 2 * i, seed);
  return edge + height * own * sin(2 * PI * (x + 0.25 * uneven * wander(x * 0.5, 2 * i + 1, seed)));
}

function wave(edge: number, i: number, ribbons: Ribbons, from: number, to: number, draft: boolean): Pick<Ribbon, "edge" | "ends"> {
  const [c, s] = turnOf(ribbons.angle);
  const at: Sampler = (t, q) => {
    const u = from + (to - from) * t;
    const e = 1e-3 * ribbons.length;
    const v = edgeAt(u, edge, i, ribbons);
    const slope = (edgeAt(u + e, edge, i, ribbons) - edgeAt(u - e, edge, i, ribbons)) / (2 * e);
    [q[0], q[1]] = [c * u - s * v, s * u + c * v];
    [q[2], q[3]] = [c - s * slope, s + c * slope];
  };
  const out = new ContourBuilder();
  const start = new Float64Array(4);
  at(0, start);
  out.move(start[0], start[1]);
  // A piece for each half wave: fewer would be cut in two anyhow.
  const pieces = max(1, Math.round(((draft ? 3 : 2) * (to - from)) / ribbons.length));
  const budget = new Budget();
  for (let k = 0; k < pieces; k++)
    if (draft) sketchCubic(at, k / pieces, (k + 1) / pieces, out);
    else fitCubics(at, k / pieces, (k + 1) / pieces, max(0.1, ribbons.height / 80), out, budget);
  const drawn = out.build(false);
  const ends = Array.from({ length: drawn.size }, (_, k) => {
    const o = k * stride + 2 * drawn.degrees[k];
    return c * drawn.points[o] + s * drawn.points[o + 1];
  });
  return { edge: drawn, ends };
}
