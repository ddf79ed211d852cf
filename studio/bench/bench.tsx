import { Maximize2, Magnet, Minus, Plus, AlignCenterHorizontal, AlignCenterVertical } from "lucide-react";
import { useEffect, useRef, useState, type PointerEvent } from "react";
import { isEmpty } from "@/core/curves/bounds";
import { apply, invert, type Point } from "@/core/curves/matrix";
import { matrixText } from "@/core/output/layer-svg";
import { layerKey, type ItemUpdate } from "@/worker/protocol";
import { centre, fitBoard, zoomBy } from "../state/commands";
import { letteringOf, shownStyle } from "../state/work";
import { useItem, useStudio } from "../state/store";
import { IconButton } from "../parts/button";
import { GradientHandle } from "./gradient-handle";
import { moveGesture, type Gesture } from "./gestures";
import { Handles } from "./handles";
import { caretAt, hit } from "./hit";
import { Layer } from "./layer";
import type { Guide } from "./snap";
import { useTyping } from "./typing";
import { toBoard, zoomed } from "./view";

/** The working view: the board with its letterings, and the handles of whatever the drawer edits. */
export function Bench() {
  const host = useRef<HTMLDivElement>(null);
  const { view, scene, selection, stage, typing } = useStudio();
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const [ask, setAsk] = useState<{ from: number; to: number; serial: number } | null>(null);
  const [panning, setPanning] = useState(false);
  const gesture = useRef<{ move: Gesture } | { pan: Point } | { mark: { item: ItemUpdate; from: number } } | null>(null);
  const boardSize = scene ? `${scene.width} ${scene.height}` : "";
  useFit(host, boardSize);
  usePanning(host, setPanning);

  const local = (e: { clientX: number; clientY: number }): Point => {
    const box = host.current!.getBoundingClientRect();
    return { x: e.clientX - box.left, y: e.clientY - box.top };
  };
  const onBoard = (e: { clientX: number; clientY: number }) => toBoard(useStudio.getState().view, local(e));
  const begin = (move: Gesture, e: PointerEvent) => {
    e.stopPropagation();
    e.preventDefault();
    host.current!.setPointerCapture(e.pointerId);
    gesture.current = { move };
  };
  const placeCaret = (item: ItemUpdate, e: PointerEvent, to?: number) => {
    const index = caretAt(item, apply(invert(item.matrix), onBoard(e)));
    setAsk({ from: to === undefined ? index : Math.min(to, index), to: to === undefined ? index : Math.max(to, index), serial: Date.now() });
    return index;
  };

  const onPointerDown = (e: PointerEvent) => {
    if (!scene) return;
    const { select, set } = useStudio.getState();
    if (e.button === 1 || panning) {
      host.current!.setPointerCapture(e.pointerId);
      gesture.current = { pan: { x: e.clientX - view.x, y: e.clientY - view.y } };
      e.preventDefault();
      return;
    }
    if (e.button !== 0) return;
    const at = onBoard(e);
    const found = hit(scene.items, at, 4 / view.zoom);
    if (typing && found?.id === typing) {
      e.preventDefault();
      host.current!.setPointerCapture(e.pointerId);
      gesture.current = { mark: { item: found, from: placeCaret(found, e) } };
      return;
    }
    if (typing) set({ typing: null });
    (document.activeElement as HTMLElement | null)?.blur();
    if (!found) return select([]);
    if (e.shiftKey) return select(selection.includes(found.id) ? selection.filter((i) => i !== found.id) : [...selection, found.id]);
    if (!selection.includes(found.id)) select([found.id]);
    begin(moveGesture(at), e);
  };
  const onPointerMove = (e: PointerEvent) => {
    const now = gesture.current;
    if (!now) return;
    if ("pan" in now) useStudio.getState().set({ view: { ...useStudio.getState().view, x: e.clientX - now.pan.x, y: e.clientY - now.pan.y } });
    else if ("mark" in now) placeCaret(now.mark.item, e, now.mark.from);
    else setGuides(now.move({ at: onBoard(e), shift: e.shiftKey, alt: e.altKey }));
  };
  const onPointerUp = () => {
    gesture.current = null;
    setGuides([]);
    useStudio.getState().settle();
  };
  const onDoubleClick = (e: React.MouseEvent) => {
    const found = scene && hit(scene.items, onBoard(e), 4 / view.zoom);
    if (!found || typing === found.id) return;
    useStudio.getState().select([found.id]);
    useStudio.getState().set({ typing: found.id, stage: "words" });
    setAsk(null);
  };

  const selected = scene?.items.filter((i) => selection.includes(i.id)) ?? [];
  const one = selected.length === 1 ? selected[0] : undefined;
  const typed = scene?.items.find((i) => i.id === typing);
  return (
    <div className="relative h-full overflow-hidden bg-bench">
      <div
        ref={host}
        role="application"
        aria-label="Bench"
        tabIndex={0}
        data-bench
        className="absolute inset-0 touch-none outline-offset-[-3px]"
        style={{ cursor: panning ? "grab" : undefined }}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onDoubleClick={onDoubleClick}
      >
        <Board />
        <svg className="absolute inset-0 size-full" style={{ pointerEvents: "none" }}>
          <g style={{ pointerEvents: "auto" }}>
            {guides.map((g, i) => (
              <GuideLine key={i} guide={g} />
            ))}
            {!typed && selected.map((item) => <Handles key={item.id} item={item} grips={item === one && !isEmpty(item.ink)} begin={begin} />)}
            {one && !typed && stage === "coats" && <GradientHandle item={one} begin={begin} />}
          </g>
        </svg>
        {typed && <Typing key={typed.id} item={typed} ask={ask} />}
      </div>
      <BenchTools />
      <Messages />
    </div>
  );
}

function Typing(props: { item: ItemUpdate; ask: { from: number; to: number; serial: number } | null }) {
  const { input, drawing } = useTyping(props);
  return (
    <>
      {input}
      <svg className="pointer-events-none absolute inset-0 size-full">{drawing}</svg>
    </>
  );
}

/** The board: one svg layer a coat, in one isolated group, as the exported SVG has it. */
function Board() {
  const { view, scene, nodes, work, shownUpTo, selection } = useStudio();
  if (!scene) return null;
  const { width, height } = scene;
  const viewBox = `0 0 ${width} ${height}`;
  return (
    <>
      <div
        data-board
        className={`absolute left-0 top-0 shadow-[0_1px_12px_#0003] ${scene.ground ? "" : "checker"}`}
        style={{ width: width * view.zoom, height: height * view.zoom, transform: `translate(${view.x}px, ${view.y}px)`, isolation: "isolate", background: scene.ground ?? undefined }}
      >
        {scene.items.map((item) => {
          const style = work && shownStyle(work, letteringOf(work, item.id));
          const last = shownUpTo && item.id === selection.at(-1) ? (style?.coats.findIndex((c) => c.id === shownUpTo) ?? -1) : -1;
          const layers = last < 0 ? item.layers : item.layers.filter((l) => (style?.coats.findIndex((c) => c.id === l.id) ?? 0) <= last);
          return layers.map((layer) => {
            const node = nodes.get(layerKey(item.id, layer.id));
            return (
              node && (
                <Layer key={layerKey(item.id, layer.id)} node={node} viewBox={viewBox} transform={matrixText(item.matrix)} opacity={layer.opacity} blend={layer.blend} className="absolute inset-0 size-full" />
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
  const { view, scene } = useStudio();
  const [w, h] = [scene!.width * view.zoom, scene!.height * view.zoom];
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
      <path d={`M-9999-9999h29999v29999h-29999zM${view.x} ${view.y}h${w}v${h}h${-w}z`} fill="var(--bench)" fillOpacity={0.78} fillRule="evenodd" />
    </svg>
  );
}

function GuideLine({ guide: { axis, at } }: { guide: Guide }) {
  const view = useStudio((s) => s.view);
  const place = at * view.zoom + view[axis];
  const ends = axis === "x" ? { x1: place, x2: place, y1: -9999, y2: 9999 } : { y1: place, y2: place, x1: -9999, x2: 9999 };
  return <line {...ends} stroke="var(--guide)" strokeWidth={1.25} strokeDasharray="6 4" pointerEvents="none" />;
}

function BenchTools() {
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

/** What the user should know of the lettering in hand. */
function Messages() {
  const problem = useStudio((s) => s.problem);
  const id = useStudio((s) => s.selection.at(-1));
  const item = useItem(id);
  const messages: string[] = [];
  if (problem) messages.push(problem);
  if (item && !item.faceHere) messages.push("The face of this lettering is not here; a stand-in is shown and its settings are kept.");
  if (item && !item.layers.length && item.carets.length > 1) messages.push("Nothing is painted: choose a style or add a coat under Coats (2).");
  if (item?.missing.length) {
    const names = item.missing.slice(0, 6).map((c) => `${c} (${[...c].map((k) => `U+${k.codePointAt(0)!.toString(16).toUpperCase().padStart(4, "0")}`).join(" ")})`);
    messages.push(`This face has no ${names.join(", ")}${item.missing.length > 6 ? " and others" : ""}; a box stands in its place.`);
  }
  if (!messages.length) return null;
  return (
    <div role="status" className="absolute left-1/2 top-3 max-w-[80%] -translate-x-1/2 space-y-1 rounded-lg border border-warn bg-sheet px-3 py-2 text-warn shadow-sm">
      {messages.map((m) => (
        <p key={m}>{m}</p>
      ))}
    </div>
  );
}

/** Keeps the size of the bench, and fits the board when the piece opens or its board gets another size. */
function useFit(host: React.RefObject<HTMLDivElement | null>, boardSize: string): void {
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry.contentRect;
      const first = useStudio.getState().benchSize.width === 0;
      useStudio.getState().set({ benchSize: { width, height } });
      if (first) fitBoard();
    });
    observer.observe(host.current!);
    return () => {
      observer.disconnect();
      useStudio.getState().set({ benchSize: { width: 0, height: 0 } });
    };
  }, [host]);
  useEffect(fitBoard, [boardSize]);
}

/** The wheel pans, with Ctrl it zooms about the pointer; the space bar held turns the pointer into a hand. */
function usePanning(host: React.RefObject<HTMLDivElement | null>, setPanning: (on: boolean) => void): void {
  useEffect(() => {
    const h = host.current!;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const { view, set } = useStudio.getState();
      const box = h.getBoundingClientRect();
      if (e.ctrlKey || e.metaKey) set({ view: zoomed(view, Math.exp(-e.deltaY * 0.004), { x: e.clientX - box.left, y: e.clientY - box.top }) });
      else set({ view: { ...view, x: view.x - (e.shiftKey ? e.deltaY : e.deltaX), y: view.y - (e.shiftKey ? 0 : e.deltaY) } });
    };
    const key = (e: KeyboardEvent) => {
      if (e.code !== "Space" || (e.target as HTMLElement).closest("input, textarea, button, [role=slider], [role=radio]")) return;
      setPanning(e.type === "keydown");
      e.preventDefault();
    };
    h.addEventListener("wheel", wheel, { passive: false });
    window.addEventListener("keydown", key);
    window.addEventListener("keyup", key);
    return () => {
      h.removeEventListener("wheel", wheel);
      window.removeEventListener("keydown", key);
      window.removeEventListener("keyup", key);
    };
  }, [host, setPanning]);
}
