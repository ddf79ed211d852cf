import { stride, type Contour } from "./contour";

const kept = new WeakMap<Contour, Float64Array>();

/** Boxes of the control points of each segment, minX minY maxX maxY, and of the whole at the end. Curves lie within them. */
export function boxesOf(c: Contour): Float64Array {
  let boxes = kept.get(c);
  if (boxes) return boxes;
  kept.set(c, (boxes = new Float64Array(4 * (c.size + 1))));
  let wMinX = Infinity;
  let wMinY = Infinity;
  let wMaxX = -Infinity;
  let wMaxY = -Infinity;
  const p = c.points;
  for (let k = 0; k < c.size; k++) {
    let o = k * stride;
    let minX = p[o];
    let minY = p[o + 1];
    let maxX = minX;
    let maxY = minY;
    for (let i = c.degrees[k]; i > 0; i--) {
      o += 2;
      if (p[o] < minX) minX = p[o];
      else if (p[o] > maxX) maxX = p[o];
      if (p[o + 1] < minY) minY = p[o + 1];
      else if (p[o + 1] > maxY) maxY = p[o + 1];
    }
    boxes[4 * k] = minX;
    boxes[4 * k + 1] = minY;
    boxes[4 * k + 2] = maxX;
    boxes[4 * k + 3] = maxY;
    if (minX < wMinX) wMinX = minX;
    if (minY < wMinY) wMinY = minY;
    if (maxX > wMaxX) wMaxX = maxX;
    if (maxY > wMaxY) wMaxY = maxY;
  }
  boxes[4 * c.size] = wMinX;
  boxes[4 * c.size + 1] = wMinY;
  boxes[4 * c.size + 2] = wMaxX;
  boxes[4 * c.size + 3] = wMaxY;
  return boxes;
}
