import { slopeAt } from "../curves/bezier";
import { contoursOf, stride, type Contour } from "../curves/contour";
import { partOf } from "../curves/length";
import type { Path } from "../curves/path";
import { signChanges } from "../curves/roots";
import type { Point } from "../curves/matrix";

/**
 * The stretches of the outlines of a clean shape that face a direction: where the outward normal has a part along it. A contour that
 * turns towards it all the way round, which none does that bounds an area, is left out.
 */
export function facing(path: Path, to: Point): Contour[] {
  return contoursOf(path, true).flatMap((c) => stretches(c, to));
}

function stretches(c: Contour, to: Point): Contour[] {
  /** Places where it may turn towards or away: the nodes, and where a curve runs along the direction. */
  const places: number[] = [];
  const faces: boolean[] = [];
  for (let k = 0; k < c.size; k++) {
    const [o, degree] = [k * stride, c.degrees[k]];
    const along = Array.from({ length: degree }, (_, i) => {
      const at = o + 2 * i;
      return (c.points[at + 3] - c.points[at + 1]) * to.x - (c.points[at + 2] - c.points[at]) * to.y;
    });
    const turns = [0, ...signChanges(along).filter((t) => t > 1e-9 && t < 1 - 1e-9), 1];
    for (let i = 0; i + 1 < turns.length; i++) {
      const t = (turns[i] + turns[i + 1]) / 2;
      const [dx, dy] = [slopeAt(c.points, o, degree, t), slopeAt(c.points, o + 1, degree, t)];
      places.push(k + turns[i]);
      // An edge along the direction faces nothing; its slope is rounding.
      faces.push(dy * to.x - dx * to.y > 1e-9 * (Math.abs(dx) + Math.abs(dy)));
    }
  }
  const first = faces.findIndex((f, i) => f && !faces[(i + faces.length - 1) % faces.length]);
  if (first < 0) return [];
  const out: Contour[] = [];
  for (let i = 0; i < faces.length; i++) {
    const at = (first + i) % faces.length;
    if (!faces[at] || (i > 0 && faces[(at + faces.length - 1) % faces.length])) continue;
    let many = 1;
    while (faces[(at + many) % faces.length]) many++;
    const end = (at + many) % faces.length;
    const stretch = partOf(c, places[at], places[end] + (end <= at ? c.size : 0));
    if (stretch) out.push(stretch);
    i += many - 1;
  }
  return out;
}
