import { useEffect, useRef, useState, type PointerEvent } from "react";
import { isEmpty } from "@/core/curves/bounds";
import { apply, invert, type Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { fitBoard } from "../state/commands";
import { useStudio } from "../state/store";
import { BenchTools } from "./bench-tools";
import { Board } from "./board";
import { moveGesture, type Gesture } from "./gestures";
import { GradientHandle } from "./gradient-handle";
import { Handles } from "./handles";
import { caretAt, hit } from "./hit";
import { Messages } from "./messages";
import { usePanning } from "./panning";
import type { Guide } from "./snap";
import { useTyping } from "./typing";
import { toBoard } from "./view";

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

function GuideLine({ guide: { axis, at } }: { guide: Guide }) {
  const view = useStudio((s) => s.view);
  const place = at * view.zoom + view[axis];
  const ends = axis === "x" ? { x1: place, x2: place, y1: -9999, y2: 9999 } : { y1: place, y2: place, x1: -9999, x2: 9999 };
  return <line {...ends} stroke="var(--guide)" strokeWidth={1.25} strokeDasharray="6 4" pointerEvents="none" />;
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
