import { matrixOfSeeing } from "@/core/seen-as";
import { matrixText } from "@/core/output/numbers";
import { layerKey } from "@/worker/protocol";
import { useParts } from "../state/store";
import { itemOf, shownStyle } from "../state/work";
import { Layer } from "./layer";

/** The board: one svg layer a coat, in one isolated group, as the exported SVG has it. */
export function Board() {
  const { view, scene, nodes, pictures, work, shownUpTo, selection, seenAs } = useParts(
    "view",
    "scene",
    "nodes",
    "pictures",
    "work",
    "shownUpTo",
    "selection",
    "seenAs",
  );
  if (!scene) return null;
  const { width, height } = scene;
  const matrix = matrixOfSeeing(seenAs);
  const viewBox = `0 0 ${width} ${height}`;
  return (
    <>
      {matrix && (
        <svg className="absolute size-0" aria-hidden>
          <filter id="seen-as" colorInterpolationFilters="sRGB" x="0" y="0" width="1" height="1">
            <feColorMatrix values={`${matrix.map((row) => `${row.join(" ")} 0 0`).join(" ")} 0 0 0 1 0`} />
          </filter>
        </svg>
      )}
      <div
        data-board
        data-seen-as={seenAs}
        className={`absolute left-0 top-0 shadow-[0_1px_12px_#0003] ${scene.ground ? "" : "checker"}`}
        style={{
          width: width * view.zoom,
          height: height * view.zoom,
          transform: `translate(${view.x}px, ${view.y}px)`,
          isolation: "isolate",
          background: scene.ground ?? undefined,
          filter: matrix && "url(#seen-as)",
        }}
      >
        {scene.items.map((item) => {
          const style = work && shownStyle(work, itemOf(work, item.id));
          const last = shownUpTo && item.id === selection.at(-1) ? (style?.coats.findIndex((c) => c.id === shownUpTo) ?? -1) : -1;
          const upTo = new Set(style?.coats.slice(0, last + 1).map((c) => c.id));
          const layers = last < 0 ? item.layers : item.layers.filter((l) => upTo.has(l.coat));
          return layers.map((layer) => {
            const node = nodes.get(layerKey(item.id, layer.id));
            return (
              node && (
                <Layer
                  key={layerKey(item.id, layer.id)}
                  id={`b-${item.id}-${layer.id}`}
                  node={node}
                  picture={pictures.get(layerKey(item.id, layer.id))}
                  viewBox={viewBox}
                  transform={matrixText(item.matrix)}
                  opacity={layer.opacity}
                  blend={layer.blend}
                  className="absolute inset-0 size-full"
                  apart={item.id === selection.at(-1)}
                  zoom={view.zoom}
                />
              )
            );
          });
        })}
      </div>
      <Surround />
    </>
  );
}

/** Veils what lies off the board: it is not exported. */
function Surround() {
  const { view, scene } = useParts("view", "scene");
  const [w, h] = [scene!.width * view.zoom, scene!.height * view.zoom];
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
      <path
        d={`M-9999-9999h29999v29999h-29999zM${view.x} ${view.y}h${w}v${h}h${-w}z`}
        fill="var(--bench)"
        fillOpacity={0.78}
        fillRule="evenodd"
      />
    </svg>
  );
}
