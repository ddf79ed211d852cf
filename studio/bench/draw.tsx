import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { pathOfStrands, type CurveNode } from "@/core/curves/nodes";
import { toSvgPath } from "@/core/curves/svg-path";
import { apply, type Point } from "@/core/curves/matrix";
import { addPath } from "../state/edits/items";
import { studioNow, useStudio } from "../state/store";
import { targets } from "./gestures";
import { arrows, Lead, Trace } from "./grip";
import { snap } from "./snap";
import { toBoard, viewMatrix } from "./view";

const corner = (p: Point): CurveNode => ({ x: p.x, y: p.y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });

/** The nodes with handles of the last one drawn out to `p`, alike on both sides. */
function pulled(nodes: readonly CurveNode[], p: Point): readonly CurveNode[] {
  const last = nodes[nodes.length - 1];
  const [outX, outY] = [p.x - last.x, p.y - last.y];
  return [...nodes.slice(0, -1), { ...last, outX, outY, inX: -outX, inY: -outY, smooth: outX !== 0 || outY !== 0 }];
}

/** How far an arrow key moves the cross in board pixels; Shift makes it ten times that. */
const step = 5;

/**
 * Draws a free path: a click sets a corner, a drag a smooth node with its handles. A click on the first node closes it; Enter or a double
 * click ends it open, Escape leaves it. By keyboard the arrows move a cross, Space sets a corner there, Alt with the arrows draws out
 * its handles, and Shift+Enter closes.
 */
export function Draw({ onDone }: { onDone: () => void }) {
  const view = useStudio((s) => s.view);
  const [nodes, setNodes] = useState<readonly CurveNode[]>([]);
  /** Where the next node would be: under the pointer, or at the cross that keys move. */
  const [next, setNext] = useState<{ at: Point; byKeys: boolean } | null>(null);
  const [dragging, setDragging] = useState(false);
  const lines = useRef<ReturnType<typeof targets> | null>(null);
  const field = useRef<SVGSVGElement>(null);
  useEffect(() => field.current?.focus({ preventScroll: true }), []);

  const finish = (closed: boolean) => {
    onDone();
    if (nodes.length < 2) return;
    const { work, change, select } = studioNow();
    const made = addPath(work!, [{ closed, nodes: [...nodes] }], closed ? "Free path" : "Line");
    change(() => made.work);
    select([made.id]);
  };
  const near = (p: Point, q: Point | undefined, pixels: number) => q !== undefined && Math.hypot(p.x - q.x, p.y - q.y) * view.zoom < pixels;
  /** Sets a node, or ends the path where there is one already. @returns whether a node was set */
  const place = (p: Point): boolean => {
    if (nodes.length > 1 && near(p, nodes[0], 10)) finish(true);
    else if (near(p, nodes.at(-1), 4)) finish(false);
    else {
      setNodes([...nodes, corner(p)]);
      return true;
    }
    return false;
  };

  const onKeyDown = (e: KeyboardEvent) => {
    const way = arrows[e.key];
    const scene = studioNow().scene;
    const at = next?.at ?? { x: (scene?.width ?? 0) / 2, y: (scene?.height ?? 0) / 2 };
    if (way) {
      const by = step * (e.shiftKey ? 10 : 1);
      const last = nodes.at(-1);
      if (!e.altKey) setNext({ at: { x: at.x + way[0] * by, y: at.y + way[1] * by }, byKeys: true });
      else if (last) setNodes(pulled(nodes, { x: last.x + last.outX + way[0] * by, y: last.y + last.outY + way[1] * by }));
    } else if (e.key === " ") {
      setNext({ at, byKeys: true });
      place(at);
    } else if (e.key === "Enter") finish(e.shiftKey);
    else if (e.key === "Escape") onDone();
    else if (e.key === "Backspace" || e.key === "Delete") setNodes(nodes.slice(0, -1));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  const local = (e: PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    const p = toBoard(view, { x: e.clientX - box.left, y: e.clientY - box.top });
    if (!studioNow().snapping || e.altKey) return p;
    const drawnTo = lines.current ?? targets([]);
    lines.current = drawnTo;
    const pull = snap({ x: [p.x], y: [p.y] }, drawnTo.lines, 6 / view.zoom, drawnTo.grid);
    return { x: p.x + pull.dx, y: p.y + pull.dy };
  };
  const onDown = (e: PointerEvent) => {
    e.stopPropagation();
    e.preventDefault();
    field.current?.focus({ preventScroll: true });
    if (e.button !== 0 || !place(local(e))) return;
    setDragging(true);
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const onMove = (e: PointerEvent) => {
    const p = local(e);
    setNext({ at: p, byKeys: false });
    if (dragging) setNodes((all) => (near(p, all.at(-1), 4) ? all : pulled(all, p)));
  };
  const toScreen = viewMatrix(view);
  const shown = next && !dragging && nodes.length ? [...nodes, corner(next.at)] : nodes;
  const path = pathOfStrands([{ closed: false, nodes: [...shown] }]).transform(toScreen);
  const cross = next?.byKeys ? apply(toScreen, next.at) : null;
  return (
    <svg
      ref={field}
      tabIndex={0}
      role="application"
      aria-label="Draw a path"
      data-draw
      className="absolute inset-0 size-full cursor-crosshair outline-offset-[-3px]"
      onKeyDown={onKeyDown}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={() => setDragging(false)}
      onDoubleClick={(e) => e.stopPropagation()}
    >
      <rect width="100%" height="100%" fill="transparent" />
      <Trace d={toSvgPath(path)} />
      {nodes.map((n, i) => {
        const [p, a, b] = [n, { x: n.x + n.inX, y: n.y + n.inY }, { x: n.x + n.outX, y: n.y + n.outY }].map((q) => apply(toScreen, q));
        return (
          <g key={i}>
            {n.smooth && i === nodes.length - 1 && <Lead points={[a, p, b]} />}
            <circle
              cx={p.x}
              cy={p.y}
              r={i === 0 ? 6 : 4}
              fill={i === 0 ? "var(--accent)" : "var(--sheet)"}
              stroke="var(--accent)"
              strokeWidth={1.5}
            />
          </g>
        );
      })}
      {cross && <Trace d={`M${cross.x - 12} ${cross.y}h24M${cross.x} ${cross.y - 12}v24`} />}
      <foreignObject x="50%" y={12} width={1} height={1} overflow="visible">
        <div role="status" className="w-max -translate-x-1/2 rounded-lg border border-rule bg-paper px-3 py-1.5 shadow-sm">
          <p>Click for corners, drag for curves. Click the first node to close it, Enter to end it open, Esc to leave.</p>
          <p className="text-pencil">
            {cross
              ? `At ${Math.round(next!.at.x)}, ${Math.round(next!.at.y)}. Space sets a corner, Alt+arrows draw out its handles, Shift+Enter closes.`
              : "By keyboard: arrows move a cross, Space sets a corner, Alt+arrows draw out its handles, Shift+Enter closes."}
          </p>
        </div>
      </foreignObject>
    </svg>
  );
}
