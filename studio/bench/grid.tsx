import { useId } from "react";
import { produce } from "immer";
import { toPx } from "@/core/units";
import { studioNow, useStudio } from "../state/store";
import { newKey, type Gesture } from "./gestures";
import { Grip } from "./grip";

/** The grid of the board, where it is shown. Lines that would stand closer than a few pixels are left out. */
export function Grid() {
  const view = useStudio((s) => s.view);
  const board = useStudio((s) => s.work!.piece.board);
  const scene = useStudio((s) => s.scene);
  const id = useId();
  if (!board.grid?.on || !scene) return null;
  const step = toPx(board.grid.step, board.unit) * view.zoom;
  const shown = step * Math.max(1, 2 ** Math.ceil(Math.log2(6 / step)));
  return (
    <svg aria-hidden data-grid className="pointer-events-none absolute inset-0 size-full">
      <defs>
        <pattern id={id} x={view.x} y={view.y} width={shown} height={shown} patternUnits="userSpaceOnUse">
          <path d={`M${shown} 0H0V${shown}`} fill="none" stroke="var(--guide)" strokeOpacity={0.4} />
        </pattern>
      </defs>
      <rect x={view.x} y={view.y} width={scene.width * view.zoom} height={scene.height * view.zoom} fill={`url(#${id})`} />
    </svg>
  );
}

/** The guides of the board, each with a grip at its edge. */
export function BoardGuides() {
  const view = useStudio((s) => s.view);
  const guides = useStudio((s) => s.work!.piece.board.guides);
  const size = useStudio((s) => s.benchSize);
  const { change } = studioNow();
  return guides.map(({ axis, at }, i) => {
    const place = at * view.zoom + view[axis];
    const drag = (): Gesture => {
      const key = newKey("guide");
      return ({ at: to }) => {
        change((w) => produce(w, (d) => void (d.piece.board.guides[i].at = Math.round(to[axis] * 10) / 10)), key);
        return [];
      };
    };
    const ends = axis === "x" ? { x1: place, x2: place, y1: 0, y2: size.height } : { y1: place, y2: place, x1: 0, x2: size.width };
    return (
      <g key={i}>
        <line {...ends} stroke="var(--guide)" strokeWidth={1} pointerEvents="none" data-guide={axis} />
        <Grip
          at={axis === "x" ? { x: place, y: 10 } : { x: 10, y: place }}
          look="diamond"
          name={`guide-${i}`}
          cursor={axis === "x" ? "ew-resize" : "ns-resize"}
          label={`Guide at ${Math.round(at)} px ${axis === "x" ? "across" : "down"} (Del takes it away)`}
          gesture={drag}
          onDelete={() => change((w) => produce(w, (d) => void d.piece.board.guides.splice(i, 1)))}
        />
      </g>
    );
  });
}
