import { useEffect, useMemo, useRef, useState, type DragEvent, type PointerEvent } from "react";
import { isEmpty } from "@/core/curves/bounds";
import { shapeOf } from "@/core/bend/bend";
import { apply, invert, type Point } from "@/core/curves/matrix";
import type { ItemUpdate, LetteringUpdate } from "@/worker/protocol";
import { fitBoard } from "../state/commands";
import { isCancelled } from "../state/holding";
import { dropFiles } from "../state/files";
import { groupedWith } from "../state/edits/groups";
import { nodesOfPath, setNodes } from "../state/edits/shapes";
import { studioNow, useParts, useShape, useStudio } from "../state/store";
import { letteringOf } from "../state/work";
import { BenchContext } from "./bench-context";
import { BendHandles } from "./bend/bend-handles";
import { BenchTools } from "./bench-tools";
import { Board } from "./board";
import { Draw } from "./draw";
import { moveGesture, type Gesture } from "./gestures";
import { BoardGuides, Grid } from "./grid";
import { Handles, TogetherHandles } from "./handles";
import { caretAt, hit } from "./hit";
import { LettersLayer } from "./letters-layer";
import { Marquee } from "./marquee";
import { Messages } from "./messages";
import { NodeEditor } from "./node-editor";
import { usePanning } from "./panning";
import { LampHandle } from "./lamp-handle";
import { DirectionHandles } from "./direction-handles";
import { PaintHandles } from "./paint-handles";
import { StepBalls } from "./step-balls";
import { StepMarks } from "./step-marks";
import { StepPlaces } from "./step-places";
import { StepStrands } from "./step-strands";
import { placeOf } from "./place";
import { SharedStyle } from "./shared-style";
import type { Guide } from "./snap";
import { useTyping } from "./typing";
import { ViewHandles } from "./view-handles";
import { toBoard } from "./view";

type Drag = { move: Gesture } | { pan: Point } | { mark: { item: LetteringUpdate; from: number } } | { frame: Point };

/** The working view: the board with its items, and the handles of whatever the drawer edits. */
export function Bench() {
  const host = useRef<HTMLDivElement>(null);
  const { view, scene, selection, typing, tool, stage } = useParts("view", "scene", "selection", "typing", "tool", "stage");
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const [ask, setAsk] = useState<{ from: number; to: number; serial: number } | null>(null);
  const [panning, setPanning] = useState(false);
  const [frame, setFrame] = useState<{ from: Point; to: Point } | null>(null);
  const gesture = useRef<Drag | null>(null);
  const boardSize = scene ? `${scene.width} ${scene.height}` : "";
  useFit(host, boardSize);
  usePanning(host, setPanning);

  const local = (e: { clientX: number; clientY: number }): Point => {
    const box = host.current!.getBoundingClientRect();
    return { x: e.clientX - box.left, y: e.clientY - box.top };
  };
  const onBoard = (e: { clientX: number; clientY: number }) => toBoard(studioNow().view, local(e));
  const actions = useMemo(
    () => ({
      begin: (move: Gesture, e: PointerEvent) => {
        e.stopPropagation();
        host.current!.setPointerCapture(e.pointerId);
        gesture.current = { move };
      },
    }),
    [],
  );
  const placeCaret = (item: LetteringUpdate, e: PointerEvent, to?: number) => {
    const index = caretAt(item, apply(invert(item.matrix), onBoard(e)));
    setAsk({
      from: to === undefined ? index : Math.min(to, index),
      to: to === undefined ? index : Math.max(to, index),
      serial: Date.now(),
    });
    return index;
  };

  const onPointerDown = (e: PointerEvent) => {
    // Nothing is drawn yet that could be meant: what is typed goes on.
    if (!scene) return e.preventDefault();
    const { select, set, entered, work } = studioNow();
    const capture = (drag: Drag) => {
      host.current!.setPointerCapture(e.pointerId);
      gesture.current = drag;
    };
    if (e.button === 1 || panning) {
      capture({ pan: { x: e.clientX - view.x, y: e.clientY - view.y } });
      e.preventDefault();
      return;
    }
    if (e.button !== 0) return;
    const at = onBoard(e);
    const found = hit(scene.items, at, 4 / view.zoom);
    if (typing && found?.id === typing && found.kind === "lettering") {
      e.preventDefault();
      capture({ mark: { item: found, from: placeCaret(found, e) } });
      return;
    }
    if (typing) set({ typing: null });
    (document.activeElement as HTMLElement | null)?.blur();
    if (tool === "letters" && found && selection.at(-1) === found.id) return set({ letters: [] });
    if (!found) {
      if (!e.shiftKey) select([]);
      set({ entered: null });
      capture({ frame: at });
      return;
    }
    const ids = groupedWith(work!.piece.items, found.id, entered).filter((id) => !work!.piece.items.find((i) => i.id === id)?.locked);
    if (!ids.some((id) => work!.piece.items.find((i) => i.id === id)?.groups.includes(entered ?? ""))) set({ entered: null });
    if (e.shiftKey)
      return select(
        selection.includes(found.id)
          ? selection.filter((i) => !ids.includes(i))
          : [...selection, ...ids.filter((i) => !selection.includes(i))],
      );
    if (!selection.includes(found.id)) select([...ids.filter((i) => i !== found.id), found.id]);
    capture({ move: moveGesture(at) });
  };
  const onPointerMove = (e: PointerEvent) => {
    const now = gesture.current;
    if (!now) return;
    // A drag that Escape has taken back.
    if (isCancelled()) return onPointerUp();
    if ("pan" in now) studioNow().set({ view: { ...studioNow().view, x: e.clientX - now.pan.x, y: e.clientY - now.pan.y } });
    else if ("mark" in now) placeCaret(now.mark.item, e, now.mark.from);
    else if ("frame" in now) setFrame({ from: now.frame, to: onBoard(e) });
    else setGuides(now.move({ at: onBoard(e), shift: e.shiftKey, alt: e.altKey }));
  };
  const onPointerUp = () => {
    gesture.current = null;
    setGuides([]);
    setFrame(null);
    studioNow().settle();
  };
  const onDoubleClick = (e: React.MouseEvent) => {
    const found = scene && hit(scene.items, onBoard(e), 4 / view.zoom);
    if (!found || typing === found.id || tool === "letters") return;
    const { select, set, work, entered } = studioNow();
    // Into a group first, then into what it holds.
    const { groups } = work!.piece.items.find((i) => i.id === found.id)!;
    const next = groups[entered === null ? 0 : groups.indexOf(entered) + 1];
    select([found.id]);
    if (next !== undefined) return set({ entered: next });
    if (found.kind === "shape")
      return set(
        work!.piece.items.some((i) => i.id === found.id && i.kind === "shape" && i.shape.kind === "path")
          ? { tool: "nodes", node: null }
          : { stage: "words" },
      );
    set({ typing: found.id, stage: "words" });
    setAsk(null);
  };
  const onDrop = (e: DragEvent) => {
    e.preventDefault();
    void dropFiles([...e.dataTransfer.files]);
  };

  const typed = scene?.items.find((i) => i.id === typing);
  return (
    <BenchContext.Provider value={actions}>
      <div
        className="relative h-full overflow-hidden bg-bench"
        onDragOver={(e) => e.dataTransfer.types.includes("Files") && e.preventDefault()}
        onDrop={onDrop}
      >
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
          <Grid />
          <svg className="absolute inset-0 size-full" style={{ pointerEvents: "none" }}>
            <g style={{ pointerEvents: "auto" }}>
              <BoardGuides />
              {guides.map((g, i) => (
                <GuideLine key={i} guide={g} />
              ))}
              {!typed && scene && tool !== "draw" && stage !== "export" && <SelectionHandles />}
            </g>
          </svg>
          {frame && <Marquee {...frame} />}
          {typing && <Typing key={typing} id={typing} item={typed?.kind === "lettering" ? typed : undefined} ask={ask} />}
        </div>
        {tool === "draw" && <Draw onDone={() => studioNow().set({ tool: "items" })} />}
        <BenchTools />
        <Messages />
        <SharedStyle />
      </div>
    </BenchContext.Provider>
  );
}

/** The handles of what is selected, by what the pointer works on. */
function SelectionHandles() {
  const { scene, work, selection, stage, tool } = useParts("scene", "work", "selection", "stage", "tool");
  const items = scene!.items;
  const selected = items.filter((i) => selection.includes(i.id));
  if (selected.length > 1) return <TogetherHandles items={selected} />;
  const [item] = selected;
  if (!item) return null;
  const bend = letteringOf(work!, item.id)?.bend ?? null;
  const ground = items.find((i) => i.id === shapeOf(bend));
  // Words that fill a shape, or run along it, are placed by it: their handles are its handles.
  const target: ItemUpdate = ground ?? item;
  const free = !item.locked && !isEmpty(target.ink);
  if (tool === "letters" && item.kind === "lettering") return <LettersLayer item={item} />;
  if (tool === "nodes" && item.kind === "shape") return <ShapeNodes item={item} />;
  if (tool === "view") return <ViewHandles item={item} />;
  if (stage === "bend" && item.kind === "lettering" && bend && !item.locked) return <BendHandles item={item} />;
  return (
    <>
      <Handles item={item} target={target} grips={free} />
      {stage === "coats" && <StepMarks item={item} />}
      {stage === "coats" && <StepStrands item={item} />}
      {stage === "coats" && <StepPlaces item={item} />}
      {stage === "coats" && <StepBalls item={item} />}
      {stage === "coats" && <PaintHandles item={item} />}
      {stage === "coats" && <DirectionHandles item={item} />}
      {stage === "coats" && <LampHandle item={item} />}
    </>
  );
}

/** The nodes of a free path. */
function ShapeNodes({ item }: { item: ItemUpdate }) {
  const view = useStudio((s) => s.view);
  const shape = useShape();
  if (!shape || shape.id !== item.id || shape.shape.kind !== "path") return null;
  return (
    <NodeEditor
      strands={nodesOfPath(shape)}
      except={[item.id]}
      {...placeOf(item, view)}
      onChange={(strands, key) => studioNow().change((w) => setNodes(w, item.id, strands), key)}
    />
  );
}

function Typing(props: { id: string; item: LetteringUpdate | undefined; ask: { from: number; to: number; serial: number } | null }) {
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
      const first = studioNow().benchSize.width === 0;
      studioNow().set({ benchSize: { width, height } });
      if (first) fitBoard();
    });
    observer.observe(host.current!);
    return () => {
      observer.disconnect();
      studioNow().set({ benchSize: { width: 0, height: 0 } });
    };
  }, [host]);
  useEffect(fitBoard, [boardSize]);
}
