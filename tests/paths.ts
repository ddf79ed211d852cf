import { flatten } from "../core/curves/flatten";
import { type Path, PathBuilder } from "../core/curves/path";
import { perimeter, signedArea } from "../core/curves/polygon";

export const rectangle = (x: number, y: number, w: number, h: number): Path =>
  new PathBuilder()
    .move(x, y)
    .line(x + w, y)
    .line(x + w, y + h)
    .line(x, y + h)
    .close()
    .build();

export const polygonPath = (points: readonly (readonly [number, number])[]): Path => {
  const b = new PathBuilder().move(...(points[0] as [number, number]));
  for (const p of points.slice(1)) b.line(p[0], p[1]);
  return b.close().build();
};

/** The circle of four cubics; its handles are 4/3 (sqrt 2 - 1) of the radius. */
export function circle(cx: number, cy: number, r: number): Path {
  const k = (r * 4 * (Math.SQRT2 - 1)) / 3;
  return new PathBuilder()
    .move(cx + r, cy)
    .cubic(cx + r, cy + k, cx + k, cy + r, cx, cy + r)
    .cubic(cx - k, cy + r, cx - r, cy + k, cx - r, cy)
    .cubic(cx - r, cy - k, cx - k, cy - r, cx, cy - r)
    .cubic(cx + k, cy - r, cx + r, cy - k, cx + r, cy)
    .close()
    .build();
}

/** Sum of the signed areas of the contours; right for paths that do not overlap themselves. */
export const area = (path: Path, tolerance = 0.001): number => flatten(path, tolerance).reduce((a, p) => a + signedArea(p), 0);

export const around = (path: Path, tolerance = 0.001): number => flatten(path, tolerance).reduce((a, p) => a + perimeter(p), 0);

export const contours = (path: Path): number => path.verbs.filter((v) => v === 0).length;

/** Whether a place lies in polygons that are filled nonzero. */
export function inside(polygons: readonly Float64Array[], x: number, y: number): boolean {
  let turns = 0;
  for (const p of polygons)
    for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2)
      if (p[i + 1] > y !== p[j + 1] > y && x < p[i] + ((y - p[i + 1]) / (p[j + 1] - p[i + 1])) * (p[j] - p[i]))
        turns += p[i + 1] > p[j + 1] ? 1 : -1;
  return turns !== 0;
}
