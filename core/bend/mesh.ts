import * as z from "zod";
import type { Warp } from "../curves/kernel";
import type { Bounds } from "../curves/bounds";

const number = z.number().min(-1000).max(1000);

/**
 * A node of a mesh: where it lies and how the mesh leaves it, as its derivatives across and down. In shares of the box that is bent:
 * 0, 0 is its top left, 1, 1 its bottom right.
 */
export const meshNodeSchema = z.object({ x: number, y: number, acrossX: number, acrossY: number, downX: number, downY: number });
export type MeshNode = z.infer<typeof meshNodeSchema>;

const knots = z.array(z.number().min(0).max(1)).min(2).max(24);

/** A sheet of curves: columns and rows of nodes, at rising places of the box from 0 to 1, row by row. */
export const meshSchema = z
  .object({ across: knots, down: knots, nodes: z.array(meshNodeSchema).max(576) })
  .refine((m) => m.nodes.length === m.across.length * m.down.length, "A mesh has one node for each column and row.")
  .refine(
    (m) => [m.across, m.down].every((k) => k[0] === 0 && k.at(-1) === 1 && k.every((v, i) => i === 0 || v > k[i - 1])),
    "The columns and rows of a mesh rise from 0 to 1.",
  );
export type Mesh = z.infer<typeof meshSchema>;

/** A mesh laid on a map of the unit square, with its derivatives found by central differences. */
export function meshOf(
  map: (u: number, v: number) => readonly [number, number],
  across: readonly number[] = [0, 1],
  down: readonly number[] = [0, 1],
): Mesh {
  const h = 1e-5;
  // Rounded to what a document shows: a ten-thousandth of a thousand units is beyond any eye.
  const round = (v: number) => Math.round(v * 1e6) / 1e6 || 0;
  const nodes = down.flatMap((v) =>
    across.map((u): MeshNode => {
      const [x, y] = map(u, v);
      const [right, left] = [map(u + h, v), map(u - h, v)];
      const [low, high] = [map(u, v + h), map(u, v - h)];
      const d = (a: number, b: number) => round((a - b) / (2 * h));
      return {
        x: round(x),
        y: round(y),
        acrossX: d(right[0], left[0]),
        acrossY: d(right[1], left[1]),
        downX: d(low[0], high[0]),
        downY: d(low[1], high[1]),
      };
    }),
  );
  return { across: [...across], down: [...down], nodes };
}

export const flatMesh = (): Mesh => meshOf((u, v) => [u, v]);

/** A mesh with its twists found, made ready to be evaluated at many places. */
export class Sheet {
  /** For each patch 16 coefficients of x and 16 of y, by powers of the place within the patch. */
  readonly #patches: Float64Array[];

  constructor(readonly mesh: Mesh) {
    const [n, m] = [mesh.across.length, mesh.down.length];
    const twists = mesh.nodes.map((_, i) => twistAt(mesh, i % n, Math.floor(i / n)));
    this.#patches = [];
    for (let j = 0; j + 1 < m; j++) for (let i = 0; i + 1 < n; i++) this.#patches.push(patch(mesh, twists, i, j));
  }

  /**
   * The image of u, v with its derivatives: x, y, dx/du, dy/du, dx/dv, dy/dv. Outside of the unit square the outermost patches go on.
   */
  at(u: number, v: number, out: Float64Array): void {
    const { across, down } = this.mesh;
    const i = span(across, u);
    const j = span(down, v);
    const du = across[i + 1] - across[i];
    const dv = down[j + 1] - down[j];
    const c = this.#patches[j * (across.length - 1) + i];
    const s = (u - across[i]) / du;
    const t = (v - down[j]) / dv;
    for (let axis = 0; axis < 2; axis++) {
      let value = 0;
      let slopeU = 0;
      let slopeV = 0;
      const o = axis * 16;
      for (let a = 3; a >= 0; a--) {
        const k = o + 4 * a;
        const row = ((c[k + 3] * t + c[k + 2]) * t + c[k + 1]) * t + c[k];
        slopeU = slopeU * s + value;
        value = value * s + row;
        slopeV = slopeV * s + ((3 * c[k + 3] * t + 2 * c[k + 2]) * t + c[k + 1]);
      }
      out[axis] = value;
      out[2 + axis] = slopeU / du;
      out[4 + axis] = slopeV / dv;
    }
  }
}

function span(knots: readonly number[], at: number): number {
  let i = 0;
  while (i + 2 < knots.length && at >= knots[i + 1]) i++;
  return i;
}

/**
 * The mixed derivative at a node by Adini's rule: that of the Coons patch around it, bounded by the nodes beside it (Farin, Curves and
 * Surfaces for CAGD, "Twist estimation"). A sheet of one patch is then the Coons patch of its four edges exactly.
 */
function twistAt({ across, down, nodes }: Mesh, i: number, j: number): [number, number] {
  const n = across.length;
  const [l, r] = [Math.max(0, i - 1), Math.min(n - 1, i + 1)];
  const [t, b] = [Math.max(0, j - 1), Math.min(down.length - 1, j + 1)];
  const du = across[r] - across[l];
  const dv = down[b] - down[t];
  const at = (x: number, y: number) => nodes[y * n + x];
  return [
    (at(r, j).downX - at(l, j).downX) / du +
      (at(i, b).acrossX - at(i, t).acrossX) / dv -
      (at(r, b).x - at(l, b).x - at(r, t).x + at(l, t).x) / (du * dv),
    (at(r, j).downY - at(l, j).downY) / du +
      (at(i, b).acrossY - at(i, t).acrossY) / dv -
      (at(r, b).y - at(l, b).y - at(r, t).y + at(l, t).y) / (du * dv),
  ];
}

/** Hermite's cubic basis by powers: rows are the value and slope at 0 and at 1. */
const basis = [
  [1, 0, -3, 2],
  [0, 0, 3, -2],
  [0, 1, -2, 1],
  [0, 0, -1, 1],
];

function patch({ across, down, nodes }: Mesh, twists: readonly (readonly [number, number])[], i: number, j: number): Float64Array {
  const n = across.length;
  const du = across[i + 1] - across[i];
  const dv = down[j + 1] - down[j];
  const out = new Float64Array(32);
  for (let axis = 0; axis < 2; axis++) {
    const value = (k: number) => (axis ? nodes[k].y : nodes[k].x);
    const slopeU = (k: number) => (axis ? nodes[k].acrossY : nodes[k].acrossX) * du;
    const slopeV = (k: number) => (axis ? nodes[k].downY : nodes[k].downX) * dv;
    const twist = (k: number) => twists[k][axis] * du * dv;
    const [p00, p10, p01, p11] = [j * n + i, j * n + i + 1, (j + 1) * n + i, (j + 1) * n + i + 1];
    // Rows: value at 0, value at 1, slope at 0, slope at 1, across; columns the same, down.
    const g = [
      [value(p00), value(p01), slopeV(p00), slopeV(p01)],
      [value(p10), value(p11), slopeV(p10), slopeV(p11)],
      [slopeU(p00), slopeU(p01), twist(p00), twist(p01)],
      [slopeU(p10), slopeU(p11), twist(p10), twist(p11)],
    ];
    for (let a = 0; a < 4; a++)
      for (let b = 0; b < 4; b++) {
        let sum = 0;
        for (let r = 0; r < 4; r++) for (let c = 0; c < 4; c++) sum += basis[r][a] * g[r][c] * basis[c][b];
        out[axis * 16 + 4 * a + b] = sum;
      }
  }
  return out;
}

/** A sheet as a map of the plane: `from` is the box whose places it takes, `box` what its shares are of. */
export function sheetWarp(sheet: Sheet, from: Bounds, box: Bounds): Warp {
  const [w, h] = [from.maxX - from.minX, from.maxY - from.minY];
  const [sx, sy] = [box.maxX - box.minX, box.maxY - box.minY];
  return (x, y, out) => {
    sheet.at((x - from.minX) / w, (y - from.minY) / h, out);
    out[0] = box.minX + out[0] * sx;
    out[1] = box.minY + out[1] * sy;
    out[2] *= sx / w;
    out[3] *= sy / w;
    out[4] *= sx / h;
    out[5] *= sy / h;
  };
}

/** The mesh with one more column, or row, at a place of it: the sheet stays nearly as it is, and has nodes to be pulled there. */
export function refined(mesh: Mesh, way: "across" | "down", at: number): Mesh {
  const knots = [...new Set([...mesh[way], Math.round(at * 1e6) / 1e6])].sort((a, b) => a - b);
  if (knots.length === mesh[way].length || !(at > 0 && at < 1)) return mesh;
  return sampled(mesh, way === "across" ? knots : mesh.across, way === "down" ? knots : mesh.down);
}

/** The mesh with an inner column, or row, taken out. */
export function coarsened(mesh: Mesh, way: "across" | "down", index: number): Mesh {
  if (index <= 0 || index >= mesh[way].length - 1) return mesh;
  const knots = mesh[way].filter((_, i) => i !== index);
  return sampled(mesh, way === "across" ? knots : mesh.across, way === "down" ? knots : mesh.down);
}

function sampled(mesh: Mesh, across: readonly number[], down: readonly number[]): Mesh {
  const sheet = new Sheet(mesh);
  const p = new Float64Array(6);
  const nodes = down.flatMap((v) =>
    across.map((u): MeshNode => {
      sheet.at(u, v, p);
      return { x: p[0], y: p[1], acrossX: p[2], acrossY: p[3], downX: p[4], downY: p[5] };
    }),
  );
  return { across: [...across], down: [...down], nodes };
}
