import { corners, joinAll } from "@/core/curves/bounds";
import { apply, multiply, type Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { useStudio } from "../state/store";
import { scaleGesture, scaleTogether, sideGesture, turnGesture, turnTogether } from "./gestures";
import { Grip, Lead } from "./grip";
import { boardBox, itemBox } from "./hit";
import { viewMatrix } from "./view";

const cursors = ["nwse-resize", "nesw-resize", "nwse-resize", "nesw-resize"];
const sides = ["top", "right side", "bottom", "left side"];
const cornerNames = ["top left", "top right", "lower right", "lower left"];
const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

/** Above the upper side, away from the box. */
function above(at: readonly Point[]): { top: Point; turn: Point } {
  const top = between(at[0], at[1]);
  const up = Math.hypot(at[0].x - at[3].x, at[0].y - at[3].y) || 1;
  return { top, turn: { x: top.x + ((at[0].x - at[3].x) / up) * 26, y: top.y + ((at[0].y - at[3].y) / up) * 26 } };
}

/** The box of a selected item, with grips to scale, widen and turn it. `target` is what they change: the shape that words fill, say. */
export function Handles({ item, target, grips }: { item: ItemUpdate; target: ItemUpdate; grips: boolean }) {
  const view = useStudio((s) => s.view);
  const outlineOf = (i: ItemUpdate) => corners(itemBox(i)).map((p) => apply(multiply(viewMatrix(view), i.matrix), p));
  const at = outlineOf(target);
  const { top, turn } = above(at);
  return (
    <g>
      {item !== target && <Lead points={outlineOf(item)} dashed closed />}
      <Lead points={at} closed />
      {grips && (
        <>
          <Lead points={[top, turn]} />
          <Grip
            passive
            at={turn}
            name="turn"
            label="Turn (Shift: in steps)"
            cursor="grab"
            gesture={(start) => turnGesture(target.id, start)}
          />
          {at.map((p, i) => (
            <Grip
              passive
              key={`side ${i}`}
              at={between(p, at[(i + 1) % 4])}
              name={`side-${i}`}
              look="small"
              cursor={i % 2 ? "ew-resize" : "ns-resize"}
              label={`${target.kind === "shape" ? "Widen" : "Stretch"} by the ${sides[i]} (Alt: about the middle)`}
              gesture={() => sideGesture(target.id, i as 0)}
            />
          ))}
          {at.map((p, i) => (
            <Grip
              passive
              key={i}
              at={p}
              name={`scale-${i}`}
              look="square"
              cursor={cursors[i]}
              label={`Scale by the ${cornerNames[i]} corner (Alt: about the middle)`}
              gesture={() => scaleGesture(target.id, i as 0)}
            />
          ))}
        </>
      )}
    </g>
  );
}

/** One box around several items, to scale and turn them together. */
export function TogetherHandles({ items }: { items: readonly ItemUpdate[] }) {
  const view = useStudio((s) => s.view);
  const box = joinAll(items.map(boardBox));
  const at = corners(box).map((p) => apply(viewMatrix(view), p));
  const { top, turn } = above(at);
  return (
    <g>
      <Lead points={at} closed />
      <Lead points={[top, turn]} />
      <Grip
        passive
        at={turn}
        name="turn"
        label="Turn together (Shift: in steps)"
        cursor="grab"
        gesture={(start) => turnTogether(box, start)}
      />
      {at.map((p, i) => (
        <Grip
          passive
          key={i}
          at={p}
          name={`scale-${i}`}
          look="square"
          cursor={cursors[i]}
          label={`Scale together by the ${cornerNames[i]} corner`}
          gesture={() => scaleTogether(box, i)}
        />
      ))}
    </g>
  );
}
