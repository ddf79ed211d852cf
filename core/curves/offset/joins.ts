import { norm } from "../bezier";

/** What writes lines and cubics on from where it stands. */
export interface Tip {
  readonly x: number;
  readonly y: number;
  line(x: number, y: number): void;
  cubic(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
}

/**
 * How an outline turns a corner, as SVG 2 defines it: a miter whose length over the width, 1 / sin(theta / 2),
 * exceeds the limit becomes a bevel.
 */
export type Join = { readonly kind: "miter"; readonly limit: number } | { readonly kind: "round" } | { readonly kind: "bevel" };

/** Equal for joins that are alike. */
export const joinKey = (join: Join) => (join.kind === "miter" ? `miter${join.limit}` : join.kind);

export type Cap = "butt" | "round" | "square";

/** Gaps that are left to the next segment to close, in units. */
const noGap = 0.012;

/** Corners that turn by more than 170 degrees. */
const needleCos = Math.cos((170 * Math.PI) / 180);

/** Whether two directions differ so much that their parallels at d do not meet by themselves. */
export const opens = ([ax, ay]: Float64Array, [bx, by]: Float64Array, d: number): boolean => Math.abs(d) * norm(bx - ax, by - ay) > noGap;

/** A corner that an outline turns. */
export interface Corner {
  readonly x: number;
  readonly y: number;
  /** Unit direction of travel into it, and out of it. */
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  /** Whether the way to it ends on the corner itself, and whether the way from it starts there; on the parallels otherwise. */
  readonly fromCorner: boolean;
  readonly toCorner: boolean;
}

/**
 * Writes what joins two parallels at a corner, from the first's end, where `out` stands, to the start of
 * the second: a join where the corner opens towards d; where it closes the way runs through the corner itself, so that what the
 * two strips cover is counted and nothing else.
 * @returns whether it wrote the two lines through the corner
 */
export function addJoin(out: Tip, { x, y, ax, ay, bx, by, fromCorner, toCorner }: Corner, d: number, join: Join): boolean {
  const cos = ax * bx + ay * by;
  const sin = ax * by - ay * bx;
  const toX = x + d * by;
  const toY = y - d * bx;
  const gap = Math.abs(d) * norm(bx - ax, by - ay);
  if (gap <= noGap && cos > 0) {
    if (toCorner !== fromCorner) out.line(toCorner ? x : toX, toCorner ? y : toY);
    return false;
  }
  const straightBack = cos < 0 && Math.abs(sin) < 1e-6;
  if (sin * d <= 0 && !straightBack) {
    // A needle's tip: which way it turns is less than the curves are known by. All about it is within reach in any case.
    if (join.kind === "round" && cos < needleCos) {
      const turn = 2 * Math.PI - Math.abs(Math.atan2(sin, cos));
      if (fromCorner) out.line(x + d * ay, y - d * ax);
      addArc(out, x, y, d > 0 ? turn : -turn, toX, toY);
      return false;
    }
    if (!fromCorner) out.line(x, y);
    if (!toCorner) out.line(toX, toY);
    return !fromCorner && !toCorner;
  }
  if (fromCorner) out.line(x + d * ay, y - d * ax);
  // A chord so short that it, the arc and the miter are all the same.
  if (cos > 0 && (gap * gap) / Math.abs(d) < 0.02) {
    out.line(toX, toY);
    return false;
  }
  if (join.kind === "round") {
    const turn = straightBack ? Math.PI : Math.abs(Math.atan2(sin, cos));
    addArc(out, x, y, d > 0 ? turn : -turn, toX, toY);
    return false;
  }
  // 1 / sin(theta / 2), squared, where theta is the angle between the edges and pi - theta the turn.
  if (join.kind === "miter" && 2 <= join.limit * join.limit * (1 + cos) && !straightBack) {
    const k = d / (1 + cos);
    out.line(x + (ay + by) * k, y - (ax + bx) * k);
  }
  out.line(toX, toY);
  return false;
}

/**
 * An arc round (x, y) from where `out` stands to (toX, toY), through `turn` radians, as cubics within a hundredth of a
 * unit: a quarter of a circle by one cubic is off by 2.7e-4 of the radius, and half the angle by a 64th of that (Goldapp,
 * Approximation of circular arcs by cubic polynomials, CAGD 8, 1991).
 */
export function addArc(out: Tip, x: number, y: number, turn: number, toX: number, toY: number): void {
  const startX = out.x - x;
  const startY = out.y - y;
  const radius = norm(startX, startY);
  const quarters = Math.abs(turn) / (Math.PI / 2);
  let n = Math.max(1, Math.ceil(quarters - 1e-9));
  while (radius * 2.72e-4 * (quarters / n) ** 6 > 0.015) n++;
  const step = turn / n;
  const h = (4 / 3) * Math.tan(step / 4);
  let cx = startX;
  let cy = startY;
  for (let i = 1; i <= n; i++) {
    const c = Math.cos(step * i);
    const s = Math.sin(step * i);
    const nx = i === n ? toX - x : startX * c - startY * s;
    const ny = i === n ? toY - y : startX * s + startY * c;
    out.cubic(x + cx - h * cy, y + cy + h * cx, x + nx + h * ny, y + ny - h * nx, x + nx, y + ny);
    cx = nx;
    cy = ny;
  }
}

/** Writes the end of a band from its right side, where `out` stands, to its left: (x, y) is the middle, (ax, ay) the way out. */
export function addCap(out: Tip, x: number, y: number, ax: number, ay: number, half: number, cap: Cap): void {
  const toX = x - half * ay;
  const toY = y + half * ax;
  if (cap === "round") return addArc(out, x, y, Math.PI, toX, toY);
  if (cap === "square") {
    out.line(out.x + half * ax, out.y + half * ay);
    out.line(toX + half * ax, toY + half * ay);
  }
  out.line(toX, toY);
}
