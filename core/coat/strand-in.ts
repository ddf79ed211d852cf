import type { Bounds } from "../curves/bounds";
import type { Strand } from "../curves/nodes";

/** A drawn line in a box, from thousandths of it. */
export function strandIn({ closed, nodes }: Strand, { minX, minY, maxX, maxY }: Bounds): Strand {
  const [kx, ky] = [(maxX - minX) / 1000, (maxY - minY) / 1000];
  return {
    closed,
    nodes: nodes.map((n) => ({
      ...n,
      x: minX + n.x * kx,
      y: minY + n.y * ky,
      inX: n.inX * kx,
      inY: n.inY * ky,
      outX: n.outX * kx,
      outY: n.outY * ky,
    })),
  };
}
