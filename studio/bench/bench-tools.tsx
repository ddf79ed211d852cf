import { AlignCenterHorizontal, AlignCenterVertical, Magnet, Maximize2, Minus, Plus } from "lucide-react";
import { IconButton } from "../parts/button";
import { centre, fitBoard, zoomBy } from "../state/commands";
import { useStudio } from "../state/store";

/** Centring, snapping and zoom, in the corner of the bench. */
export function BenchTools() {
  const { view, snapping, selection, set } = useStudio();
  return (
    <div className="absolute bottom-3 right-3 flex items-center rounded-lg border border-rule bg-paper p-0.5 shadow-sm">
      <IconButton side="top" label="Centre on the board, left to right" disabled={!selection.length} onClick={() => centre("x")}>
        <AlignCenterVertical />
      </IconButton>
      <IconButton side="top" label="Centre on the board, top to bottom" disabled={!selection.length} onClick={() => centre("y")}>
        <AlignCenterHorizontal />
      </IconButton>
      <IconButton side="top" label={snapping ? "Snapping is on: moves are drawn to edges and middles" : "Snapping is off"} active={snapping} onClick={() => set({ snapping: !snapping })}>
        <Magnet />
      </IconButton>
      <span className="mx-1 h-5 w-px bg-rule" />
      <IconButton side="top" label="Zoom out" keys="-" onClick={() => zoomBy(1 / 1.25)}>
        <Minus />
      </IconButton>
      <output aria-label="Zoom" className="w-12 text-center tabular-nums">
        {Math.round(view.zoom * 100)}%
      </output>
      <IconButton side="top" label="Zoom in" keys="+" onClick={() => zoomBy(1.25)}>
        <Plus />
      </IconButton>
      <IconButton side="top" label="Show the whole board" keys="0" onClick={fitBoard}>
        <Maximize2 />
      </IconButton>
    </div>
  );
}
