import { isEmpty } from "../curves/bounds";
import { flatten } from "../curves/flatten";
import type { Path } from "../curves/path";
import { memoByIdentity } from "../memo";

/** Rows that an outline is looked at in, from the cap height down to the baseline. */
const rows = 160;
/** How far into an outline white counts as the space beside it, in thousandths of the em: what lies deeper belongs to the letter. */
const deepest = 150;

/** How far in the ink begins, row by row from the top, on either side. */
export interface Profile {
  /** From the left and from the right end of the ink, at most `deepest` further in. */
  readonly left: Float64Array;
  readonly right: Float64Array;
}

const kept = memoByIdentity<Path, Profile>(4);

/** @param height of the band above the baseline that is looked at, in units */
export const profileOf = (outline: Path, height: number): Profile => kept(outline, height.toFixed(2), () => measure(outline, height));

function measure(outline: Path, height: number): Profile {
  const left = new Float64Array(rows).fill(Infinity);
  const right = new Float64Array(rows).fill(-Infinity);
  const step = height / rows;
  for (const p of flatten(outline, 0.5))
    for (let i = 0, n = p.length; i < n; i += 2) {
      const [ax, ay] = [p[i], p[i + 1]];
      const [bx, by] = [p[(i + 2) % n], p[(i + 3) % n]];
      if (ay === by) continue;
      const [top, low] = ay < by ? [ay, by] : [by, ay];
      // Row r looks along y = -height + (r + 1/2) step.
      const first = Math.max(0, Math.ceil((top + height) / step - 0.5));
      const last = Math.min(rows - 1, Math.floor((low + height) / step - 0.5));
      for (let r = first; r <= last; r++) {
        const x = ax + ((bx - ax) * (-height + (r + 0.5) * step - ay)) / (by - ay);
        if (x < left[r]) left[r] = x;
        if (x > right[r]) right[r] = x;
      }
    }
  const { minX, maxX } = isEmpty(outline.bounds) ? { minX: 0, maxX: 0 } : outline.bounds;
  return { left: left.map((x) => Math.min(x, minX + deepest)), right: right.map((x) => Math.max(x, maxX - deepest)) };
}

/** The area between two letters in the band, were their origins at the same place: it grows by the band's height with every unit apart. */
export function areaBetween(a: Profile, b: Profile, height: number): number {
  let sum = 0;
  for (let r = 0; r < rows; r++) sum += b.left[r] - a.right[r];
  return (sum * height) / rows;
}

/** The least distance between two letters in any row, were their origins at the same place. */
export function leastGap(a: Profile, b: Profile): number {
  let least = Infinity;
  for (let r = 0; r < rows; r++) least = Math.min(least, b.left[r] - a.right[r]);
  return least;
}

/**
 * How far a letter hangs out over the edge of a line so that it looks flush: half of what its edge lies further in than its outermost
 * point on the average, which is nothing for a stem and some hundredths of the em for round and open letters. Common practice of
 * optical margins; the half is Vextal's own choice.
 */
export function hang(outline: Path, height: number, side: "left" | "right"): number {
  if (isEmpty(outline.bounds)) return 0;
  const profile = profileOf(outline, height);
  const edge = side === "left" ? profile.left.map((x) => x - outline.bounds.minX) : profile.right.map((x) => outline.bounds.maxX - x);
  return edge.reduce((a, b) => a + b, 0) / rows / 2;
}
