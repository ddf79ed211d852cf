import * as z from "zod";
import { contoursOf, stride } from "./contour";
import { PathBuilder, type Path } from "./path";

const coordinate = z.number().min(-1e6).max(1e6);

/**
 * A point of a drawn curve with its two handles, which are given as offsets from it: `in` shapes the curve that arrives, `out` the one
 * that leaves. A smooth node keeps its handles in one line.
 */
export const nodeSchema = z.object({
  x: coordinate,
  y: coordinate,
  inX: coordinate.default(0),
  inY: coordinate.default(0),
  outX: coordinate.default(0),
  outY: coordinate.default(0),
  smooth: z.boolean().default(false),
});
export type CurveNode = z.infer<typeof nodeSchema>;

export const strandSchema = z.object({ nodes: z.array(nodeSchema).max(20_000), closed: z.boolean() });
/** A run of nodes: one contour of a drawn path. */
export type Strand = z.infer<typeof strandSchema>;

/** Strands as a path: lines where neither end has a handle, cubics elsewhere. Strands of one node draw nothing. */
export function pathOfStrands(strands: readonly Strand[]): Path {
  const out = new PathBuilder();
  for (const { nodes, closed } of strands) {
    if (nodes.length < 2) continue;
    out.move(nodes[0].x, nodes[0].y);
    for (let i = 1; i < nodes.length; i++) segment(out, nodes[i - 1], nodes[i]);
    if (closed) {
      segment(out, nodes[nodes.length - 1], nodes[0]);
      out.close();
    }
  }
  return out.build();
}

function segment(out: PathBuilder, a: CurveNode, b: CurveNode): void {
  if (a.outX === 0 && a.outY === 0 && b.inX === 0 && b.inY === 0) out.line(b.x, b.y);
  else out.cubic(a.x + a.outX, a.y + a.outY, b.x + b.inX, b.y + b.inY, b.x, b.y);
}

/** Handles whose directions differ by less than this, in radians, are one smooth line. */
const straight = 0.01;

/** A path as strands of nodes; quadratics become the cubics that they are. */
export function strandsOf(path: Path): Strand[] {
  return contoursOf(path, false).map((c): Strand => {
    const nodes: Draft[] = [];
    const add = (x: number, y: number) => nodes.push({ x, y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });
    add(c.points[0], c.points[1]);
    for (let k = 0; k < c.size; k++) {
      const p = c.points.subarray(k * stride, (k + 1) * stride);
      const d = c.degrees[k];
      const from = nodes[nodes.length - 1];
      if (c.closed && k === c.size - 1 && p[2 * d] === nodes[0].x && p[2 * d + 1] === nodes[0].y) handles(from, nodes[0], p, d);
      else {
        add(p[2 * d], p[2 * d + 1]);
        handles(from, nodes[nodes.length - 1], p, d);
      }
    }
    return { closed: c.closed, nodes: nodes.map((n) => ({ ...n, smooth: isSmooth(n) })) };
  });
}

type Draft = { -readonly [K in keyof CurveNode]: CurveNode[K] };

function handles(a: Draft, b: Draft, p: ArrayLike<number>, degree: number): void {
  if (degree === 1) return;
  // A quadratic raised to a cubic: handles at two thirds of the way to its one (Farin, Curves and Surfaces for CAGD, "Degree elevation").
  const [ax, ay, bx, by] =
    degree === 3 ? [p[2], p[3], p[4], p[5]] : [(p[0] + 2 * p[2]) / 3, (p[1] + 2 * p[3]) / 3, (p[4] + 2 * p[2]) / 3, (p[5] + 2 * p[3]) / 3];
  [a.outX, a.outY] = [ax - a.x, ay - a.y];
  [b.inX, b.inY] = [bx - b.x, by - b.y];
}

function isSmooth({ inX, inY, outX, outY }: CurveNode): boolean {
  const [a, b] = [Math.hypot(inX, inY), Math.hypot(outX, outY)];
  if (a < 1e-9 || b < 1e-9) return false;
  return inX * outX + inY * outY < 0 && Math.abs(inX * outY - inY * outX) < straight * a * b;
}
