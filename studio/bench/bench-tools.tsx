import { AlignCenterHorizontal, AlignCenterVertical, Check, Glasses, Magnet, Maximize2, Minus, Plus, Ruler } from "lucide-react";
import { useRef } from "react";
import { waysOfSeeing } from "@/core/seen-as";
import { shapeKinds } from "@/core/shape/kinds";
import { IconButton } from "../parts/button";
import { Menu } from "../parts/menu";
import { bringSvg, centre, fitBoard, newLettering, newShape, setTool, zoomBy } from "../state/commands";
import { bringPhoto, photoFiles } from "../state/photos";
import { useParts } from "../state/store";

/** Adding, centring, snapping and zoom, along the lower edge of the bench. */
export function BenchTools() {
  const { view, snapping, increments, selection, seenAs, set } = useParts("view", "snapping", "increments", "selection", "seenAs", "set");
  return (
    <>
      <AddMenu />
      <div className="absolute bottom-3 right-3 flex items-center rounded-lg border border-rule bg-paper p-0.5 shadow-sm">
        <IconButton side="top" label="Centre on the board, left to right" disabled={!selection.length} onClick={() => centre("x")}>
          <AlignCenterVertical />
        </IconButton>
        <IconButton side="top" label="Centre on the board, top to bottom" disabled={!selection.length} onClick={() => centre("y")}>
          <AlignCenterHorizontal />
        </IconButton>
        <IconButton
          side="top"
          label={snapping ? "Snapping is on: moves are drawn to edges, middles, baselines, guides and the grid" : "Snapping is off"}
          active={snapping}
          onClick={() => set({ snapping: !snapping })}
        >
          <Magnet />
        </IconButton>
        <IconButton
          side="top"
          label={increments.on ? "Moves, turns and scales go in steps" : "Moves, turns and scales are free; press for steps"}
          active={increments.on}
          onClick={() => set({ increments: { ...increments, on: !increments.on } })}
        >
          <Ruler />
        </IconButton>
        <Menu
          trigger={
            <IconButton side="top" label="Look at it with other eyes" active={seenAs !== "plain"}>
              <Glasses />
            </IconButton>
          }
          items={waysOfSeeing.map(({ id, label, hint }) => ({
            label,
            hint,
            icon: <Check className={id === seenAs ? "" : "invisible"} />,
            onSelect: () => set({ seenAs: id }),
          }))}
        />
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
    </>
  );
}

/** Letterings, shapes, drawn paths, and photos and shapes from files. */
function AddMenu() {
  const file = useRef<HTMLInputElement>(null);
  const photo = useRef<HTMLInputElement>(null);
  return (
    <div className="absolute bottom-3 left-3 rounded-lg border border-rule bg-paper p-0.5 shadow-sm">
      <Menu
        align="start"
        trigger={
          <button type="button" className="inline-flex h-8 items-center gap-1.5 rounded-md px-3 font-medium hover:bg-wash">
            <Plus className="size-4" /> Add
          </button>
        }
        items={[
          { label: "Lettering", keys: "N", focuses: true, onSelect: newLettering },
          null,
          ...shapeKinds.filter((k) => k.kind !== "path").map((k) => ({ label: k.label, onSelect: () => newShape(k.kind) })),
          { label: "Draw a path", keys: "P", focuses: true, onSelect: () => setTool("draw") },
          null,
          { label: "Photo from a file…", onSelect: () => photo.current?.click() },
          { label: "Shape from an SVG file…", onSelect: () => file.current?.click() },
        ]}
      />
      <input
        ref={photo}
        type="file"
        accept={photoFiles}
        aria-label="Photo file"
        className="hidden"
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          if (chosen) void bringPhoto(chosen);
          e.target.value = "";
        }}
      />
      <input
        ref={file}
        type="file"
        accept=".svg,image/svg+xml"
        aria-label="SVG file"
        className="hidden"
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          if (chosen) void chosen.text().then((text) => bringSvg(text, chosen.name));
          e.target.value = "";
        }}
      />
    </div>
  );
}
