import { addNode, deleteNode, moveHandle, moveNode, type NodeAt } from "@/core/curves/edit-nodes";
import { pathOfStrands, type Strand } from "@/core/curves/nodes";
import { toSvgPath } from "@/core/curves/svg-path";
import type { Point } from "@/core/curves/matrix";
import { studioNow, useStudio } from "../state/store";
import { newKey, targets, type Gesture } from "./gestures";
import { Grip, Lead, Trace } from "./grip";
import { snap } from "./snap";

interface Props {
  /** In the space that `toScreen` and `fromBoard` know. */
  strands: readonly Strand[];
  toScreen: (p: Point) => Point;
  toBoard: (p: Point) => Point;
  fromBoard: (p: Point) => Point;
  /** Ids that nodes are not drawn to. */
  except: readonly string[];
  onChange: (strands: readonly Strand[], key: string | null) => void;
}

/** The nodes of a curve with their handles: drag them, double-click the line for a new one, Del takes one out. */
export function NodeEditor({ strands, toScreen, toBoard, fromBoard, except, onChange }: Props) {
  const picked = useStudio((s) => s.node);
  const { set } = studioNow();
  const view = useStudio((s) => s.view);
  const screen = strands.map((s): Strand => ({
    closed: s.closed,
    nodes: s.nodes.map((n) => {
      const p = toScreen(n);
      const [a, b] = [toScreen({ x: n.x + n.inX, y: n.y + n.inY }), toScreen({ x: n.x + n.outX, y: n.y + n.outY })];
      return { x: p.x, y: p.y, inX: a.x - p.x, inY: a.y - p.y, outX: b.x - p.x, outY: b.y - p.y, smooth: n.smooth };
    }),
  }));
  const d = toSvgPath(pathOfStrands(screen));

  const dragNode =
    (at: NodeAt) =>
    (start: Point): Gesture => {
      const key = newKey("node");
      const from = fromBoard(start);
      const here = strands[at.strand].nodes[at.node];
      const { lines, grid } = targets(except);
      return ({ at: to, shift, alt }) => {
        const { snapping } = studioNow();
        let p = fromBoard(to);
        if (shift) p = Math.abs(p.x - from.x) > Math.abs(p.y - from.y) ? { x: p.x, y: from.y } : { x: from.x, y: p.y };
        const wanted = toBoard({ x: here.x + p.x - from.x, y: here.y + p.y - from.y });
        const pull =
          snapping && !alt && !shift ? snap({ x: [wanted.x], y: [wanted.y] }, lines, 6 / view.zoom, grid) : { dx: 0, dy: 0, guides: [] };
        const end = fromBoard({ x: wanted.x + pull.dx, y: wanted.y + pull.dy });
        onChange(moveNode(strands, at, end.x - here.x, end.y - here.y), key);
        return pull.guides;
      };
    };
  const dragHandle =
    (at: NodeAt, which: "in" | "out") =>
    (start: Point): Gesture => {
      const key = newKey("handle");
      const from = fromBoard(start);
      const n = strands[at.strand].nodes[at.node];
      const [hx, hy] = which === "in" ? [n.inX, n.inY] : [n.outX, n.outY];
      return ({ at: to, shift }) => {
        const p = fromBoard(to);
        onChange(moveHandle(strands, at, which, hx + p.x - from.x, hy + p.y - from.y, shift), key);
        return [];
      };
    };
  const onDoubleClick = (e: React.MouseEvent) => {
    e.stopPropagation();
    const box = (e.currentTarget as Element).closest("[data-bench]")!.getBoundingClientRect();
    const near = nearestOn(screen, { x: e.clientX - box.left, y: e.clientY - box.top });
    if (!near) return;
    onChange(addNode(strands, near.at, near.t), null);
    set({ node: { strand: near.at.strand, node: near.at.node + 1 } });
  };

  return (
    <g>
      <path
        d={d}
        fill="none"
        stroke="transparent"
        strokeWidth={14}
        data-curve
        style={{ cursor: "copy", pointerEvents: "stroke" }}
        onDoubleClick={onDoubleClick}
        onPointerDown={(e) => e.stopPropagation()}
      >
        <title>Double-click for a new node</title>
      </path>
      <Trace d={d} />
      {screen.flatMap((s, strand) =>
        s.nodes.map((p, node) => {
          const on = picked?.strand === strand && picked.node === node;
          const near = on || (picked?.strand === strand && Math.abs(picked.node - node) === 1);
          const at = { strand, node };
          const handle = (which: "in" | "out") => {
            const [hx, hy] = which === "in" ? [p.inX, p.inY] : [p.outX, p.outY];
            if (!near || Math.hypot(hx, hy) < 0.5) return null;
            const tip = { x: p.x + hx, y: p.y + hy };
            return (
              <g key={which}>
                <Lead points={[p, tip]} />
                <Grip
                  at={tip}
                  look="small"
                  name={`handle-${which}-${strand}-${node}`}
                  label="Handle of the curve (Shift: on its own)"
                  gesture={dragHandle(at, which)}
                />
              </g>
            );
          };
          return (
            <g key={`${strand} ${node}`}>
              {handle("in")}
              {handle("out")}
              <Grip
                at={p}
                look={p.smooth ? "round" : "square"}
                picked={on}
                name={`node-${strand}-${node}`}
                label={`${p.smooth ? "Smooth node" : "Corner"} ${node + 1}`}
                gesture={dragNode(at)}
                onPick={() => set({ node: at })}
                onDelete={() => (onChange(deleteNode(strands, at), null), set({ node: null }))}
              />
            </g>
          );
        }),
      )}
    </g>
  );
}

/** The place on drawn strands nearest to a point: the node that its segment starts from and the parameter on it. */
function nearestOn(strands: readonly Strand[], p: Point): { at: NodeAt; t: number } | undefined {
  let best: { at: NodeAt; t: number; distance: number } | undefined;
  strands.forEach((s, strand) =>
    s.nodes.forEach((a, node) => {
      const b = s.nodes[node + 1] ?? (s.closed ? s.nodes[0] : undefined);
      if (!b) return;
      for (let i = 1; i < 40; i++) {
        const t = i / 40;
        const u = 1 - t;
        const mix = (p0: number, p1: number, p2: number, p3: number) =>
          u * u * u * p0 + 3 * u * u * t * p1 + 3 * u * t * t * p2 + t * t * t * p3;
        const distance = Math.hypot(mix(a.x, a.x + a.outX, b.x + b.inX, b.x) - p.x, mix(a.y, a.y + a.outY, b.y + b.inY, b.y) - p.y);
        if (!best || distance < best.distance) best = { at: { strand, node }, t, distance };
      }
    }),
  );
  return best;
}
