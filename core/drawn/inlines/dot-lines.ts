import { norm } from "../../curves/bezier";
import { shares, type Line, type Weave } from "./line";
import type { Sample } from "./samples";

const { PI, abs, cos, floor, max, min, sin, sqrt } = Math;

/** Corners that a notch makes. */
const notch = 3;
/** How much of the circle with its girth a part fills that is drawn as round: a square fills 0.79, a ball with a notch over 0.85. */
const roundness = 0.83;

/** Round dots have rings; dots with corners upright lines, as a stem has. */
export function linesInDot(ring: readonly Sample[], weave: Weave): Line[] {
  // A single line is as good as a point in a dot, and a ring in a ball.
  if (!ring.some((p) => p.turn > 0.45)) return ringsIn(ring, weave, 0.4);
  const round = circleOf(ring, min(shares(weave.count, weave.margin)[0], halfWay));
  return round ? ringsIn(round, weave, halfWay) : uprightsIn(ring, weave);
}

interface Place {
  readonly x: number;
  readonly y: number;
}

const boxOf = (ring: readonly Place[]) =>
  ring.reduce(([a, b, c, d], { x, y }) => [min(a, x), min(b, y), max(c, x), max(d, y)], [Infinity, Infinity, -Infinity, -Infinity]);

/** How wide a dot is, the shorter way. */
export function widthOfDot(ring: readonly Place[]): number {
  const [minX, minY, maxX, maxY] = boxOf(ring);
  return min(maxX - minX, maxY - minY);
}

/** How large a ring is, to its dot, by its share of the way across. */
const sizeAt = (across: number): number => 1 - 2 * across;
/** The share of the way across at which a ring is half as large as its dot. */
const halfWay = 0.25;

/** @param most the share of the way across that rings lie at, at most */
function ringsIn(ring: readonly Place[], { count, margin }: Weave, most: number): Line[] {
  const [minX, minY, maxX, maxY] = boxOf(ring);
  const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const width = min(maxX - minX, maxY - minY);
  return shares(count, margin)
    .slice(0, max(1, floor(count / 2)))
    .map((share, depth) => {
      const k = sizeAt(min(share, most));
      return { closed: true, depth, points: ring.map((p) => ({ x: x + k * (p.x - x), y: y + k * (p.y - y), width, corner: false })) };
    });
}

/**
 * The circle of a ball with a notch where a hairline joined it; undefined where a dot is not round.
 * @param outermost the share across at which the outermost ring lies, which is to lie clear of the notch
 */
function circleOf(ring: readonly Sample[], outermost: number): Place[] | undefined {
  let [area, girth, x, y] = [0, 0, 0, 0];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length];
    const own = (p.x * q.y - q.x * p.y) / 2;
    area += own;
    [x, y] = [x + (own * (p.x + q.x)) / 3, y + (own * (p.y + q.y)) / 3];
    girth += norm(q.x - p.x, q.y - p.y);
  });
  const sharp = ring.filter((p) => p.turn > 0.45).length;
  if (sharp > notch || (4 * PI * abs(area)) / girth ** 2 < roundness || flatness(ring) < roundness) return undefined;
  [x, y] = [x / area, y / area];
  const clear = min(...ring.map((p) => norm(p.x - x, p.y - y)));
  const radius = min(sqrt(abs(area) / PI), (0.9 * clear) / sizeAt(outermost));
  return Array.from({ length: 48 }, (_, i) => ({
    x: x + radius * cos((i * PI) / 24),
    y: y + radius * sin((i * PI) / 24),
  }));
}

/** The shorter side of the box around a dot, over its longer one. */
function flatness(ring: readonly Place[]): number {
  const [minX, minY, maxX, maxY] = boxOf(ring);
  return min(maxX - minX, maxY - minY) / max(maxX - minX, maxY - minY);
}

function uprightsIn(ring: readonly Sample[], { count, margin, endGap }: Weave): Line[] {
  const [minX, , maxX] = boxOf(ring);
  const across = shares(count, margin);
  const gap = endGap * (maxX - minX) * (count > 1 ? across[1] - across[0] : 0.5);
  return across.flatMap((share, rank): Line[] => {
    const at = minX + share * (maxX - minX);
    const met = ring
      .flatMap((p, i) => {
        const q = ring[(i + 1) % ring.length];
        return p.x <= at !== q.x <= at ? [p.y + ((at - p.x) / (q.x - p.x)) * (q.y - p.y)] : [];
      })
      .sort((a, b) => a - b);
    const point = (down: number) => ({ x: at, y: down, width: maxX - minX, corner: false });
    return met.flatMap((from, i): Line[] => {
      const to = met[i + 1];
      if (i % 2 || !(to - from > 2 * gap + 5)) return [];
      return [{ closed: false, depth: min(rank, count - 1 - rank), points: [point(from + gap), point(to - gap)] }];
    });
  });
}
