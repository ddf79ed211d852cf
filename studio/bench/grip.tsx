import type { KeyboardEvent, MouseEvent, PointerEvent } from "react";
import type { Point } from "@/core/curves/matrix";
import { focusNext } from "../parts/focus-next";
import { studioNow } from "../state/store";
import { useBench } from "./bench-context";
import type { Gesture } from "./gestures";
import { toBoard } from "./view";

/** What the arrow keys point to, y down. */
export const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Props {
  /** On the screen. */
  at: Point;
  /** What it is, for a screen reader and as its tooltip. */
  label: string;
  name: string;
  /** Makes the drag that starts at a point of the board. */
  gesture: (start: Point) => Gesture;
  look?: "round" | "square" | "diamond" | "small" | "ink";
  /** Of one that looks like an ink. */
  colour?: string;
  picked?: boolean;
  cursor?: string;
  /** It was pressed, or reached by Tab. */
  onPick?: () => void;
  onDelete?: () => void;
  /** Leaves the focus where it is when it is pressed, so that the arrow keys still move the item and not the handle. */
  passive?: boolean;
}

/**
 * A handle on the art itself. It is dragged, or, when it has the focus, moved by the arrow keys, by a pixel of the board or with Shift by
 * ten.
 */
export function Grip({ at, label, name, gesture, look = "round", colour, picked, cursor = "move", onPick, onDelete, passive }: Props) {
  const { begin } = useBench();
  const onKeyDown = (e: KeyboardEvent) => {
    const way = arrows[e.key];
    if (way) {
      e.preventDefault();
      e.stopPropagation();
      const start = toBoard(studioNow().view, at);
      const by = e.shiftKey ? 10 : 1;
      gesture(start)({ at: { x: start.x + way[0] * by, y: start.y + way[1] * by }, shift: false, alt: true });
    } else if ((e.key === "Delete" || e.key === "Backspace") && onDelete) {
      e.preventDefault();
      e.stopPropagation();
      const index = [...document.querySelectorAll("[data-deletable]")].indexOf(e.currentTarget);
      focusNext(onDelete, "[data-deletable]", index, "[data-bench]");
    }
  };
  const shared = {
    fill: picked ? "var(--accent)" : "var(--sheet)",
    stroke: "var(--accent)",
    strokeWidth: 1.5,
    style: { cursor },
    tabIndex: 0,
    role: "button",
    "aria-label": label,
    "data-handle": name,
    "data-deletable": onDelete ? "" : undefined,
    onKeyDown,
    onKeyUp: () => studioNow().settle(),
    onFocus: onPick,
    onMouseDown: (e: MouseEvent) => passive && e.preventDefault(),
    onPointerDown: (e: PointerEvent) => {
      if (e.button !== 0) return;
      onPick?.();
      begin(gesture(toBoard(studioNow().view, at)), e);
    },
  };
  const focusHandle = (e: MouseEvent) => {
    e.preventDefault();
    if (!passive) (e.currentTarget.nextElementSibling as SVGElement | null)?.focus();
  };
  const tip = <title>{label}</title>;
  // A ring around it that is taken hold of too: fingers and hands are not exact.
  const reach = (
    <circle
      cx={at.x}
      cy={at.y}
      r={11}
      fill="transparent"
      style={{ cursor }}
      onPointerDown={shared.onPointerDown}
      onMouseDown={focusHandle}
      data-reach={name}
    />
  );
  if (look === "square" || look === "diamond")
    return (
      <>
        {reach}
        <rect
          x={at.x - 5}
          y={at.y - 5}
          width={10}
          height={10}
          rx={2}
          transform={look === "diamond" ? `rotate(45 ${at.x} ${at.y})` : undefined}
          {...shared}
        >
          {tip}
        </rect>
      </>
    );
  if (look === "ink")
    return (
      <>
        {reach}
        <circle
          cx={at.x}
          cy={at.y}
          r={8}
          {...shared}
          fill={colour}
          stroke="#fff"
          strokeWidth={2.5}
          style={{ cursor, filter: "drop-shadow(0 0 1.5px #000)" }}
        >
          {tip}
        </circle>
      </>
    );
  return (
    <>
      {reach}
      <circle cx={at.x} cy={at.y} r={look === "small" ? 4 : 6} {...shared}>
        {tip}
      </circle>
    </>
  );
}

/** A line with inks along it, in percent of the way. */
export function InkLine({ from, to, inks }: { from: Point; to: Point; inks: readonly { at: number; colour: string }[] }) {
  const ends = { x1: from.x, y1: from.y, x2: to.x, y2: to.y, pointerEvents: "none" as const };
  return (
    <>
      <line {...ends} stroke="#000" strokeOpacity={0.55} strokeWidth={4} />
      <line {...ends} stroke="#fff" strokeWidth={1.75} />
      {inks.map(({ at, colour }, i) => (
        <circle
          key={i}
          cx={from.x + ((to.x - from.x) * at) / 100}
          cy={from.y + ((to.y - from.y) * at) / 100}
          r={4}
          fill={colour}
          stroke="#fff"
          strokeWidth={1.5}
          pointerEvents="none"
        />
      ))}
    </>
  );
}

/** A thin line of the handles, seen on dark and light art. */
export function Lead({ points, dashed, closed }: { points: readonly Point[]; dashed?: boolean; closed?: boolean }) {
  const d = points.map((p, i) => `${i ? "L" : "M"}${p.x} ${p.y}`).join("") + (closed ? "Z" : "");
  return <Trace d={d} dashed={dashed} />;
}

export function Trace({ d, dashed, transform }: { d: string; dashed?: boolean; transform?: string }) {
  const shared = { d, transform, fill: "none", vectorEffect: "non-scaling-stroke" as const, pointerEvents: "none" as const };
  return (
    <>
      <path {...shared} stroke="#fff" strokeOpacity={0.75} strokeWidth={3} />
      <path {...shared} stroke="var(--accent)" strokeWidth={1.25} strokeDasharray={dashed ? "5 4" : undefined} />
    </>
  );
}
