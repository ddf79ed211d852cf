import { useEffect, useRef, useState, type PointerEvent } from "react";
import { pathOfStrands, type CurveNode } from "@/core/curves/nodes";
import { toSvgPath } from "@/core/curves/svg-path";
import { apply, type Point } from "@/core/curves/matrix";
import { addPath } from "../state/edits/items";
import { useStudio } from "../state/store";
import { targets } from "./gestures";
import { Lead, Trace } from "./grip";
import { snap } from "./snap";
import { toBoard, viewMatrix } from "./view";

const node = (p: Point): CurveNode => ({ x: p.x, y: p.y, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false });

/**
 * Draws a free path: a click sets a corner, a drag a smooth node with its handles. A click on the first node closes it; Enter or a double
 * click ends it open, Escape leaves it.
 */
export function Draw({ onDone }: { onDone: () => void }) {
  const view = useStudio((s) => s.view);
  const [nodes, setNodes] = useState<readonly CurveNode[]>([]);
  const [hover, setHover] = useState<Point | null>(null);
  const [dragging, setDragging] = useState(false);
  const lines = useRef<ReturnType<typeof targets> | null>(null);
  const latest = useRef(nodes);
  useEffect(() => void (latest.current = nodes), [nodes]);

  const finish = (closed: boolean, all: readonly CurveNode[] = latest.current) => {
    onDone();
    if (all.length < 2) return;
    const { work, change, select } = useStudio.getState();
    const made = addPath(work!, [{ closed, nodes: [...all] }], closed ? "Free path" : "Line");
    change(() => made.work);
    select([made.id]);
  };
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key === "Enter") finish(false);
      else if (e.key === "Escape") onDone();
      else if (e.key === "Backspace") setNodes((n) => n.slice(0, -1));
      else return;
      e.preventDefault();
      e.stopPropagation();
    };
    window.addEventListener("keydown", key, true);
    return () => window.removeEventListener("keydown", key, true);
  });

  const local = (e: PointerEvent): Point => {
    const box = e.currentTarget.getBoundingClientRect();
    const p = toBoard(view, { x: e.clientX - box.left, y: e.clientY - box.top });
    if (!useStudio.getState().snapping || e.altKey) return p;
    lines.current ??= targets([]);
    const pull = snap({ x: [p.x], y: [p.y] }, lines.current.lines, 6 / view.zoom, lines.current.grid);
    return { x: p.x + pull.dx, y: p.y + pull.dy };
  };
  const onDown = (e: PointerEvent) => {
    e.stopPropagation();
    e.preventDefault();
    if (e.button !== 0) return;
    const p = local(e);
    const first = nodes[0];
    if (first && nodes.length > 1 && Math.hypot(p.x - first.x, p.y - first.y) * view.zoom < 10) return finish(true, nodes);
    const last = nodes.at(-1);
    if (last && Math.hypot(p.x - last.x, p.y - last.y) * view.zoom < 4) return finish(false, nodes);
    setDragging(true);
    e.currentTarget.setPointerCapture(e.pointerId);
    setNodes([...nodes, node(p)]);
  };
  const onMove = (e: PointerEvent) => {
    const p = local(e);
    setHover(p);
    if (!dragging) return;
    setNodes((all) => {
      const last = all[all.length - 1];
      const [hx, hy] = [p.x - last.x, p.y - last.y];
      if (Math.hypot(hx, hy) * view.zoom < 4) return all;
      return [...all.slice(0, -1), { ...last, outX: hx, outY: hy, inX: -hx, inY: -hy, smooth: true }];
    });
  };
  const toScreen = viewMatrix(view);
  const shown = hover && !dragging && nodes.length ? [...nodes, node(hover)] : nodes;
  const path = pathOfStrands([{ closed: false, nodes: [...shown] }]).transform(toScreen);
  return (
    <svg
      role="application" aria-label="Draw a path" data-draw className="absolute inset-0 size-full cursor-crosshair" onPointerDown={onDown} onPointerMove={onMove}
      onPointerUp={() => setDragging(false)} onDoubleClick={(e) => e.stopPropagation()}
    >
      <rect width="100%" height="100%" fill="transparent" />
      <Trace d={toSvgPath(path)} />
      {nodes.map((n, i) => {
        const [p, a, b] = [n, { x: n.x + n.inX, y: n.y + n.inY }, { x: n.x + n.outX, y: n.y + n.outY }].map((q) => apply(toScreen, q));
        return (
          <g key={i}>
            {n.smooth && i === nodes.length - 1 && <Lead points={[a, p, b]} />}
            <circle cx={p.x} cy={p.y} r={i === 0 ? 6 : 4} fill={i === 0 ? "var(--accent)" : "var(--sheet)"} stroke="var(--accent)" strokeWidth={1.5} />
          </g>
        );
      })}
      <foreignObject x="50%" y={12} width={1} height={1} overflow="visible">
        <p role="status" className="w-max -translate-x-1/2 rounded-lg border border-rule bg-paper px-3 py-1.5 shadow-sm">
          Click for corners, drag for curves. Click the first node to close it, Enter to end it open, Esc to leave.
        </p>
      </foreignObject>
    </svg>
  );
}
