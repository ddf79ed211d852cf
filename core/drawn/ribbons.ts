import { Budget } from "../curves/budget";
import type { Bounds } from "../curves/bounds";
import { ContourBuilder, type Contour } from "../curves/contour";
import { fitCubics, type Sampler } from "../curves/fit";
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
  readonly area: Contour;
  /** How far down the frame that is turned by the angle its upper edge begins at the latest: all that lies lower is covered. */
  readonly covers: number;
}

/** The highest place of a box in the frame that is turned by an angle. */
export function topOf(box: Bounds, angle: number): number {
  const turn = (angle * PI) / 180;
  const [c, s] = [cos(turn), sin(turn)];
  return min(...[box.minY, box.maxY].flatMap((y) => [box.minX, box.maxX].map((x) => c * y - s * x)));
}

/**
 * Waves across a box, one below the other: each the area from its upper edge to beyond the foot of the box, so that the next one covers it
 * and no ground is seen between two. Widths go evenly from the first to the last.
 */
export function ribbonsOver(box: Bounds, ribbons: Ribbons): Ribbon[] {
  const turn = (ribbons.angle * PI) / 180;
  const [c, s] = [cos(turn), sin(turn)];
  const corners = [
    [box.minX, box.minY],
    [box.maxX, box.minY],
    [box.minX, box.maxY],
    [box.maxX, box.maxY],
  ];
  const along = corners.map(([x, y]) => c * x + s * y);
  const across = corners.map(([x, y]) => c * y - s * x);
  const [from, to] = [min(...along) - 1, max(...along) + 1];
  const reach = abs(ribbons.height) * (1 + ribbons.uneven);
  const [low, high] = [min(...across) - reach, max(...across) + reach];
  const back = (u: number, v: number): [number, number] => [c * u - s * v, s * u + c * v];
  // Widths in an arithmetic row whose sum is the whole.
  const widths = Array.from(
    { length: ribbons.count },
    (_, i) => 1 + (ribbons.count > 1 ? ((ribbons.ratio - 1) * i) / (ribbons.count - 1) : 0),
  );
  const sum = widths.reduce((a, b) => a + b, 0);
  const budget = new Budget();
  let at = low;
  return widths.map((width, i) => {
    const edge = at;
    at += ((high - low) * width) / sum;
    const out = new ContourBuilder();
    // The first covers all, however its wave runs.
    if (i === 0) {
      out.move(...back(from, low - reach));
      out.line(...back(to, low - reach));
    } else wave(out, edge, i, ribbons, from, to, back, budget);
    out.line(...back(to, high + 2 * reach + 1));
    out.line(...back(from, high + 2 * reach + 1));
    out.line(...back(from, i === 0 ? low - reach : edgeAt(from, edge, i, ribbons)));
    return { area: out.build(true), covers: i === 0 ? -Infinity : edge + 1.6 * reach };
  });
}

/** How far down an edge lies at a place along it. */
function edgeAt(u: number, edge: number, i: number, { length, height, drift, uneven, seed }: Ribbons): number {
  const x = u / length + i * drift;
  const own = 1 + 0.6 * uneven * wander(x * 0.7, 2 * i, seed);
  return edge + height * own * sin(2 * PI * (x + 0.25 * uneven * wander(x * 0.5, 2 * i + 1, seed)));
}

function wave(
  out: ContourBuilder,
  edge: number,
  i: number,
  ribbons: Ribbons,
  from: number,
  to: number,
  back: (u: number, v: number) => [number, number],
  budget: Budget,
): void {
  const at: Sampler = (t, q) => {
    const u = from + (to - from) * t;
    const e = 1e-3 * ribbons.length;
    const slope = (edgeAt(u + e, edge, i, ribbons) - edgeAt(u - e, edge, i, ribbons)) / (2 * e);
    [q[0], q[1]] = back(u, edgeAt(u, edge, i, ribbons));
    [q[2], q[3]] = back(1, slope);
  };
  out.move(...back(from, edgeAt(from, edge, i, ribbons)));
  // A piece for each half wave: fewer would be cut in two anyhow.
  const pieces = max(1, Math.round((2 * (to - from)) / ribbons.length));
  for (let k = 0; k < pieces; k++) fitCubics(at, k / pieces, (k + 1) / pieces, max(0.1, ribbons.height / 80), out, budget);
}
