import type { Path } from "../curves/path";
import type { Cluster } from "./shape-line";
import { areaBetween, leastGap, profileOf } from "./profile";

/** A cluster of a line with its outline, before it has a place. */
export interface Piece {
  readonly cluster: Cluster;
  readonly outline: Path;
  /** A space between words. */
  readonly blank: boolean;
  /** From its origin to that of the next one, in units. */
  readonly advance: number;
}

/** Letters nearer than this touch, whatever the areas are. */
const least = 12;

interface Pair {
  readonly line: number;
  readonly index: number;
  readonly area: number;
  readonly nearest: number;
}

/**
 * Even gaps: the advances that make the areas between neighbouring letters of a word equal, in the band from the baseline to the cap
 * height. The area that all get is the mean of what the face gives, so that the words keep about their length; where letters would
 * touch they keep a hair's breadth instead.
 * @param height of the band, in units
 */
export function evenGaps(lines: readonly (readonly Piece[])[], height: number): Piece[][] {
  const pairs: Pair[] = [];
  lines.forEach((pieces, line) =>
    pieces.forEach((a, index) => {
      const b = pieces[index + 1];
      if (!b || a.blank || b.blank || a.outline.isEmpty || b.outline.isEmpty) return;
      const [left, right] = [profileOf(a.outline, height), profileOf(b.outline, height)];
      pairs.push({ line, index, area: areaBetween(left, right, height), nearest: leastGap(left, right) });
    }),
  );
  if (!pairs.length) return lines.map((l) => [...l]);
  const target = pairs.reduce((sum, p) => sum + p.area + lines[p.line][p.index].advance * height, 0) / pairs.length;
  const out = lines.map((l) => [...l]);
  for (const p of pairs) {
    const advance = Math.max((target - p.area) / height, least - p.nearest);
    out[p.line][p.index] = { ...out[p.line][p.index], advance };
  }
  return out;
}
