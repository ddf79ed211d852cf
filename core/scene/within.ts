import { corners, isEmpty, joinAll, mapped, shifted, type Bounds } from "../curves/bounds";
import type { Kernel } from "../curves/kernel";
import { identity, invert, multiply, translation, type Point } from "../curves/matrix";
import { PathBuilder, type Path } from "../curves/path";
import { memoByIdentity } from "../memo";
import { withReach } from "./effects";
import type { SceneLayer, ScenePath } from "./scene";

const cut = memoByIdentity<Path, Path>(16);

/** What of a layer lies in an area without dents; what lies in it whole is the same object. @param area its corners, clockwise */
export function layerWithin(layer: SceneLayer, area: readonly Point[], kernel: Kernel): SceneLayer {
  const { effects = [] } = layer;
  const paths = layer.paths.flatMap((p) => pathWithin(p, area, kernel) ?? []);
  const layers = layer.layers?.map((l) => layerWithin(l, area, kernel));
  const covers = joinAll([...paths.map(boxOf), ...(layers ?? []).map((l) => l.bounds)]);
  return { ...layer, paths, ...(layers ? { layers } : {}), bounds: isEmpty(covers) ? covers : withReach(covers, effects) };
}

const boxOf = ({ path, x, y, matrix }: ScenePath): Bounds => shifted(matrix ? mapped(matrix, path.bounds) : path.bounds, x, y);

function pathWithin(p: ScenePath, area: readonly Point[], kernel: Kernel): ScenePath | undefined {
  const own = corners(boxOf(p));
  const sides = area.map((a, i) => {
    const b = area[(i + 1) % area.length];
    return own.map((q) => (b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x) >= 0);
  });
  if (sides.every((side) => side.every(Boolean))) return p;
  if (sides.some((side) => !side.some(Boolean))) return undefined;
  // In the path's own space, so that it stays one object where it repeats.
  const place = multiply(translation(p.x, p.y), p.matrix ?? identity);
  const frame = new PathBuilder();
  area.forEach((q, i) => (i ? frame.line(q.x, q.y) : frame.move(q.x, q.y)));
  const local = frame.close().build().transform(invert(place));
  const path = cut(p.path, `${kernel.name} ${local.coords.join()}`, () => kernel.intersect([p.path, local]));
  return path.isEmpty ? undefined : { ...p, path };
}
