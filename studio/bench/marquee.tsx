import { useEffect } from "react";
import { meet, type Bounds } from "@/core/curves/bounds";
import { apply, type Point } from "@/core/curves/matrix";
import { groupedWith } from "../state/edits/groups";
import { studioNow, useStudio } from "../state/store";
import { boardBox } from "./hit";
import { viewMatrix } from "./view";

/** A frame drawn over the bench: what it touches is selected. In board pixels. */
export function Marquee({ from, to }: { from: Point; to: Point }) {
  const view = useStudio((s) => s.view);
  const box: Bounds = {
    minX: Math.min(from.x, to.x),
    maxX: Math.max(from.x, to.x),
    minY: Math.min(from.y, to.y),
    maxY: Math.max(from.y, to.y),
  };
  const { minX, minY, maxX, maxY } = box;
  useEffect(() => {
    const { scene, work, select } = studioNow();
    const touched = scene!.items.filter((i) => !i.locked && !i.hidden && meet(boardBox(i), { minX, minY, maxX, maxY })).map((i) => i.id);
    select([...new Set(touched.flatMap((id) => groupedWith(work!.piece.items, id, null)))]);
  }, [minX, minY, maxX, maxY]);
  const [a, b] = [apply(viewMatrix(view), { x: minX, y: minY }), apply(viewMatrix(view), { x: maxX, y: maxY })];
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
      <rect
        x={a.x}
        y={a.y}
        width={b.x - a.x}
        height={b.y - a.y}
        fill="var(--accent)"
        fillOpacity={0.08}
        stroke="var(--accent)"
        strokeDasharray="4 3"
      />
    </svg>
  );
}
