import { corners } from "@/core/curves/bounds";
import { apply, multiply, type Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { useStudio } from "../state/store";
import { scaleGesture, turnGesture, type Gesture } from "./gestures";
import { itemBox } from "./hit";
import { viewMatrix } from "./view";

const cursors = ["nwse-resize", "nesw-resize", "nwse-resize", "nesw-resize"];

/** The box of a selected lettering, with grips to scale it and to turn it. */
export function Handles({ item, grips, begin }: { item: ItemUpdate; grips: boolean; begin: (gesture: Gesture, event: React.PointerEvent) => void }) {
  const view = useStudio((s) => s.view);
  const toScreen = multiply(viewMatrix(view), item.matrix);
  const at = corners(itemBox(item)).map((p) => apply(toScreen, p));
  const top = { x: (at[0].x + at[1].x) / 2, y: (at[0].y + at[1].y) / 2 };
  const up = Math.hypot(at[0].x - at[3].x, at[0].y - at[3].y) || 1;
  const turn = { x: top.x + ((at[0].x - at[3].x) / up) * 26, y: top.y + ((at[0].y - at[3].y) / up) * 26 };
  const onBoard = (p: Point) => ({ x: (p.x - view.x) / view.zoom, y: (p.y - view.y) / view.zoom });
  return (
    <g>
      <polygon points={at.map((p) => `${p.x},${p.y}`).join(" ")} fill="none" stroke="var(--accent)" strokeWidth={1.25} pointerEvents="none" />
      {grips && (
        <>
          <line x1={top.x} y1={top.y} x2={turn.x} y2={turn.y} stroke="var(--accent)" strokeWidth={1.25} pointerEvents="none" />
          <circle cx={turn.x} cy={turn.y} r={6} fill="var(--sheet)" stroke="var(--accent)" strokeWidth={1.5} style={{ cursor: "grab" }} data-handle="turn" onPointerDown={(e) => begin(turnGesture(item.id, onBoard(turn)), e)}>
            <title>Turn (Shift: steps of 15°)</title>
          </circle>
          {at.map((p, i) => (
            <rect key={i} x={p.x - 5} y={p.y - 5} width={10} height={10} rx={2} fill="var(--sheet)" stroke="var(--accent)" strokeWidth={1.5} style={{ cursor: cursors[i] }} data-handle={`scale-${i}`} onPointerDown={(e) => begin(scaleGesture(item.id, i as 0), e)}>
              <title>Scale (Alt: about the middle)</title>
            </rect>
          ))}
        </>
      )}
    </g>
  );
}
