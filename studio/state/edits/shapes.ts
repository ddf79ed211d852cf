import type { Strand } from "@/core/curves/nodes";
import { strandsOf } from "@/core/curves/nodes";
import { newShape, type ShapeItem } from "@/core/piece/schema";
import { outlineOf } from "@/core/shape/outline";
import type { Work } from "../work";
import { editShape } from "./items";

/** The nodes of a shape in its own space, thousandths of the em; those of a drawn one, or those that its outline has. */
export const strandsOfShape = (s: ShapeItem): Strand[] => strandsOf(outlineOf(s.shape, s));

const scaled = (strands: readonly Strand[], kx: number, ky: number): Strand[] =>
  strands.map((s) => ({
    closed: s.closed,
    nodes: s.nodes.map((n) => ({
      x: n.x * kx,
      y: n.y * ky,
      inX: n.inX * kx,
      inY: n.inY * ky,
      outX: n.outX * kx,
      outY: n.outY * ky,
      smooth: n.smooth,
    })),
  }));

/** The nodes of a free path in its own space. */
export const nodesOfPath = (s: ShapeItem): Strand[] =>
  s.shape.kind === "path" ? scaled(s.shape.strands, s.width / 1000, s.height / 1000) : [];

/** Makes any shape a free path with the same outline, so that its nodes can be moved. */
export const asFreePath = (work: Work, id: string): Work =>
  editShape(work, [id], (s) => {
    if (s.shape.kind === "path") return;
    const strands = scaled(strandsOfShape(s), 1000 / s.width, 1000 / s.height);
    s.shape = newShape("path", { strands });
  });

/** Sets the nodes of a free path, given in its own space. */
export const setNodes = (work: Work, id: string, strands: readonly Strand[]): Work =>
  editShape(work, [id], (s) => {
    if (s.shape.kind === "path") s.shape = { ...s.shape, strands: scaled(strands, 1000 / s.width, 1000 / s.height) };
  });
