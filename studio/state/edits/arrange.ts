import { join, joinAll, type Bounds } from "@/core/curves/bounds";
import type { Work } from "../work";
import { editItems, withGrounds } from "./items";

export type Alignment = "left" | "middle" | "right" | "top" | "centre" | "bottom";

/** Items that move as one, with the box that they are aligned by, on the board. */
export interface Block {
  readonly ids: readonly string[];
  readonly box: Bounds;
}

const moved = (work: Work, block: Block, dx: number, dy: number): Work =>
  dx === 0 && dy === 0
    ? work
    : editItems(work, withGrounds(work, block.ids), (i) => {
        i.x += dx;
        i.y += dy;
      });

/** Aligns blocks to each other, or to `frame` where there is one. */
export function align(work: Work, blocks: readonly Block[], to: Alignment, frame: Bounds = joinAll(blocks.map((b) => b.box))): Work {
  return blocks.reduce((w, b) => {
    const { box } = b;
    const dx =
      to === "left"
        ? frame.minX - box.minX
        : to === "right"
          ? frame.maxX - box.maxX
          : to === "middle"
            ? (frame.minX + frame.maxX - box.minX - box.maxX) / 2
            : 0;
    const dy =
      to === "top"
        ? frame.minY - box.minY
        : to === "bottom"
          ? frame.maxY - box.maxY
          : to === "centre"
            ? (frame.minY + frame.maxY - box.minY - box.maxY) / 2
            : 0;
    return moved(w, b, dx, dy);
  }, work);
}

/** Makes the gaps between blocks equal; the first and the last stay. */
export function distribute(work: Work, blocks: readonly Block[], axis: "x" | "y"): Work {
  if (blocks.length < 3) return work;
  const [low, high] = axis === "x" ? (["minX", "maxX"] as const) : (["minY", "maxY"] as const);
  const sorted = [...blocks].sort((a, b) => a.box[low] + a.box[high] - b.box[low] - b.box[high]);
  const whole = sorted.map((b) => b.box).reduce(join);
  const gap = (whole[high] - whole[low] - sorted.reduce((sum, b) => sum + b.box[high] - b.box[low], 0)) / (sorted.length - 1);
  let at = whole[low];
  return sorted.reduce((w, b) => {
    const by = at - b.box[low];
    at += b.box[high] - b.box[low] + gap;
    return moved(w, b, axis === "x" ? by : 0, axis === "y" ? by : 0);
  }, work);
}
