import { valueAt, norm } from "../../curves/bezier";
import { contoursOf, stride } from "../../curves/contour";
import type { Kernel } from "../../curves/kernel";
import { contains, nearest } from "../../curves/measure";
import type { Path } from "../../curves/path";
import { areaOf, chordsOf, type Strips } from "./strips";

/** What is thinner than this share of the strokes is a hairline. */
const hairline = 0.35;
/** The cosine of the angle between two sides that run alike, one forth and one back. */
const opposite = -0.85;
/** Hairlines that are together shorter than this, in widths of a stroke, are but notches where strokes join. */
const longEnough = 0.85;
/** Corners of strokes come back sharp down to 60 degrees. */
const join = { kind: "miter", limit: 2 } as const;

/**
 * A letter's thick strokes alone, where hairlines join them: lines would turn out of a stem into its serif, and end there. What
 * an opening leaves (Serra, Image analysis and mathematical morphology, 1982): shrunk by half the width of a hairline, and grown again.
 * @param path a welded form
 * @param strips its strips, nothing cut off
 * @returns the same path where it has none
 */
export function withoutHairlines(path: Path, strips: Strips, kernel: Kernel): Path {
  const widths = strips.triangles
    .map((_, i) => ({ width: widthOf(strips, i), area: areaOf(strips, i), along: liesAlong(strips, i) }))
    .sort((a, b) => a.width - b.width);
  let half = widths.reduce((sum, t) => sum + t.area, 0) / 2;
  const usual = widths.find((t) => (half -= t.area) <= 0)?.width ?? 0;
  const thin = widths.reduce((sum, t) => sum + (t.along && t.width < hairline * usual ? t.area / t.width : 0), 0);
  if (!(thin > longEnough * usual)) return path;
  const by = (hairline * usual) / 2;
  const opened = kernel.grow(kernel.grow(path, -by, join), by, join);
  if (opened.isEmpty) return path;
  // A sharp corner may come back longer than it was.
  return staysWithin(opened, path) ? opened : kernel.intersect([opened, path]);
}

/** Whether no node of a path lies outside another by more than half a unit, and no middle between two. */
function staysWithin(path: Path, of: Path): boolean {
  return contoursOf(path, true).every((c) => {
    for (let k = 0; k < c.size; k++)
      for (const t of [0, 0.5]) {
        const [x, y] = [0, 1].map((i) => valueAt(c.points, k * stride + i, c.degrees[k], t));
        if (!contains(of, x, y) && nearest(of, x, y)!.distance > 0.5) return false;
      }
    return true;
  });
}

/** How wide a stroke is at one of its triangles: its chords' mean. */
function widthOf(strips: Strips, triangle: number): number {
  const chords = chordsOf(strips, triangle);
  return chords.length ? chords.reduce((sum, c) => sum + c.width, 0) / chords.length : 0;
}

/** Whether the outline runs the other way on the other side of a triangle, as it does in a stroke and not in a corner. */
function liesAlong({ samples, triangles }: Strips, triangle: number): boolean {
  const ways = triangles[triangle].corners.map((i) => {
    const [a, b] = [samples[samples[i].before], samples[samples[i].next]];
    const l = norm(b.x - a.x, b.y - a.y) || 1;
    return [(b.x - a.x) / l, (b.y - a.y) / l];
  });
  return [0, 1, 2].some((i) => ways[i][0] * ways[(i + 1) % 3][0] + ways[i][1] * ways[(i + 1) % 3][1] < opposite);
}
