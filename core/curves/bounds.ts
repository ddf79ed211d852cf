import { apply, type Matrix } from "./matrix";

/** An upright box; `empty` has minX > maxX, so that `join` needs no special case. */
export interface Bounds {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

export const empty: Bounds = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };

export const isEmpty = (b: Bounds): boolean => !(b.minX <= b.maxX && b.minY <= b.maxY);

export const join = (a: Bounds, b: Bounds): Bounds => ({
  minX: Math.min(a.minX, b.minX),
  minY: Math.min(a.minY, b.minY),
  maxX: Math.max(a.maxX, b.maxX),
  maxY: Math.max(a.maxY, b.maxY),
});

export const joinAll = (all: Iterable<Bounds>): Bounds => {
  let sum = empty;
  for (const b of all) sum = join(sum, b);
  return sum;
};

export const shifted = (b: Bounds, x: number, y: number): Bounds => ({
  minX: b.minX + x,
  minY: b.minY + y,
  maxX: b.maxX + x,
  maxY: b.maxY + y,
});

export const meet = (a: Bounds, b: Bounds): boolean => a.minX <= b.maxX && b.minX <= a.maxX && a.minY <= b.maxY && b.minY <= a.maxY;

/** The four corners, clockwise on screen from the top left. */
export const corners = (b: Bounds) => [
  { x: b.minX, y: b.minY },
  { x: b.maxX, y: b.minY },
  { x: b.maxX, y: b.maxY },
  { x: b.minX, y: b.maxY },
];

/** The upright box around the mapped box. */
export function mapped(m: Matrix, b: Bounds): Bounds {
  if (isEmpty(b)) return empty;
  const at = corners(b).map((p) => apply(m, p));
  const xs = at.map((p) => p.x);
  const ys = at.map((p) => p.y);
  return { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
}
