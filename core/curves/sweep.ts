import { positive, resolve } from "./arrange/resolve";
import { cut } from "./bezier";
import type { Budget } from "./budget";
import { ContourBuilder, stride, type Contour } from "./contour";
import { derivative, minus, signChanges, times, at, type Bernstein } from "./roots";

/**
 * Where a shape is swept to: along a vector, or towards a point by a fraction of the way (1 arrives there, below 0 goes away from
 * it). In units.
 */
export type Way =
  | { readonly kind: "vector"; readonly x: number; readonly y: number }
  | { readonly kind: "point"; readonly x: number; readonly y: number; readonly by: number };

/** One side of the swept body: the part of a segment that faces the way, swept. */
export interface SideFace {
  readonly outline: Contour;
  /** The segment it comes from: index of the contour, of the segment on it, and the part of t. */
  readonly contour: number;
  readonly segment: number;
  readonly from: number;
  readonly to: number;
}

export interface Swept {
  /** Contours of all that the shape covers on its way. */
  readonly silhouette: Contour[];
  readonly faces: SideFace[];
}

/**
 * The union of a shape at every point of its way. Pieces of the outline that face the way go along to its end, the others
 * stay behind, and straight lines join them where the outline turns from one to the other: the winding number of that is the
 * shape's own plus the number of faces that cover a point, and never less.
 * @param clean contours that do not cross, outers positive, counters negative
 */
export function sweepContours(clean: readonly Contour[], way: Way, budget: Budget): Swept {
  const faces: SideFace[] = [];
  const raw = clean.map((c, index) => sweepOne(c, index, way, faces, budget));
  return { silhouette: resolve(raw, positive, budget), faces };
}

const piece = new Float64Array(8);

function sweepOne(c: Contour, index: number, way: Way, faces: SideFace[], budget: Budget): Contour {
  const pieces: { segment: number; from: number; to: number; front: boolean }[] = [];
  for (let k = 0; k < c.size; k++) {
    budget.spend(4);
    const facing = facingOf(c, k, way);
    const cuts = [0, ...(c.degrees[k] === 1 ? [] : signChanges(facing)), 1];
    for (let i = 0; i + 1 < cuts.length; i++) {
      const [from, to] = [cuts[i], cuts[i + 1]];
      if (to - from < 1e-9) continue;
      const front = at(facing, (from + to) / 2) > 0;
      pieces.push({ segment: k, from, to, front });
    }
  }
  const out = new ContourBuilder();
  const toX = (x: number) => (way.kind === "vector" ? x + way.x : x + (way.x - x) * way.by);
  const toY = (y: number) => (way.kind === "vector" ? y + way.y : y + (way.y - y) * way.by);
  const move = (degree: number) => {
    for (let i = 0; i <= 2 * degree; i += 2) {
      piece[i] = toX(piece[i]);
      piece[i + 1] = toY(piece[i + 1]);
    }
  };
  pieces.forEach(({ segment, from, to, front }, i) => {
    const degree = c.degrees[segment];
    cut(c.points, segment * stride, degree, from, to, piece, 0);
    if (front) faces.push({ outline: faceOf(degree, toX, toY), contour: index, segment, from, to });
    if (front) move(degree);
    if (i === 0) out.move(piece[0], piece[1]);
    else if (front !== pieces[i - 1].front) out.line(piece[0], piece[1]);
    // What is swept to the point itself has no length left.
    if (!front || way.kind === "vector" || way.by !== 1) out.segment(piece, 0, degree);
    if (i === pieces.length - 1 && front !== pieces[0].front) {
      const x = c.points[0];
      const y = c.points[1];
      out.line(pieces[0].front ? toX(x) : x, pieces[0].front ? toY(y) : y);
    }
  });
  return out.build(true);
}

/** Above 0 where the outside of a contour looks along the way; a polynomial in t. */
function facingOf(c: Contour, k: number, way: Way): Bernstein {
  const o = k * stride;
  const degree = c.degrees[k];
  const xs: number[] = [];
  const ys: number[] = [];
  for (let i = 0; i <= degree; i++) {
    xs.push(c.points[o + 2 * i]);
    ys.push(c.points[o + 2 * i + 1]);
  }
  const dx = derivative(xs);
  const dy = derivative(ys);
  if (way.kind === "vector") return dy.map((v, i) => v * way.x - dx[i] * way.y);
  const s = Math.sign(way.by);
  return minus(
    times(
      dy,
      xs.map((x) => (way.x - x) * s),
    ),
    times(
      dx,
      ys.map((y) => (way.y - y) * s),
    ),
  );
}

const scratch = new Float64Array(8);

/** The four-sided outline of a swept piece: out along the end, back along the start. Leaves `piece` as it is. */
function faceOf(degree: number, toX: (x: number) => number, toY: (y: number) => number): Contour {
  const out = new ContourBuilder();
  out.move(piece[0], piece[1]);
  // Against the outline's own direction first, so that faces wind as outers do.
  out.line(toX(piece[0]), toY(piece[1]));
  for (let i = 0; i <= 2 * degree; i += 2) {
    scratch[i] = toX(piece[i]);
    scratch[i + 1] = toY(piece[i + 1]);
  }
  out.segment(scratch, 0, degree);
  out.line(piece[2 * degree], piece[2 * degree + 1]);
  for (let i = 0; i <= degree; i++) {
    scratch[2 * i] = piece[2 * (degree - i)];
    scratch[2 * i + 1] = piece[2 * (degree - i) + 1];
  }
  out.segment(scratch, 0, degree);
  return out.build(true);
}
