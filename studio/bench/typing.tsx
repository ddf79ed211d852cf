import { useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { apply, multiply, type Matrix } from "@/core/curves/matrix";
import { longestText } from "@/core/lettering/options";
import type { LetteringUpdate } from "@/worker/protocol";
import { setText } from "../state/edits/letters";
import { letteringOf } from "../state/work";
import { studioNow, useStudio } from "../state/store";
import { takeTypeAhead } from "./type-ahead";
import { viewMatrix } from "./view";

interface Props {
  id: string;
  /** Undefined until it is drawn: the keys are taken from the first moment on. */
  item: LetteringUpdate | undefined;
  /** Where the caret is to be put, as a range of the text; counts up so that the same place can be asked for twice. */
  ask: { from: number; to: number; serial: number } | null;
}

/**
 * Typing on the bench. An unseen text field takes the keys, so that every input method, the clipboard and screen
 * readers work; the caret and the marked letters are drawn on the lettering itself.
 */
export function useTyping({ id, item, ask }: Props) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [range, setRange] = useState<{ from: number; to: number }>({ from: 0, to: 0 });
  const text = useStudio((s) => (s.work ? (letteringOf(s.work, id)?.text ?? "") : ""));
  const view = useStudio((s) => s.view);
  const { change, set } = studioNow();

  useEffect(() => {
    const t = field.current!;
    t.focus({ preventScroll: true });
    const { from, to } = ask ?? { from: 0, to: t.value.length };
    t.setSelectionRange(from, to);
    setRange({ from, to });
  }, [ask]);

  useEffect(() => {
    takeTypeAhead((ahead) => {
      // It comes after what is there, and is written even where the typing has ended meanwhile.
      if (ahead)
        flushSync(() => change((w) => setText(w, id, ((letteringOf(w, id)?.text ?? "") + ahead).slice(0, longestText)), `text ${id}`));
      const t = field.current;
      if (!t) return;
      t.focus({ preventScroll: true });
      t.setSelectionRange(t.value.length, t.value.length);
      setRange({ from: t.value.length, to: t.value.length });
    });
  }, [id, change]);

  const toScreen = item && multiply(viewMatrix(view), item.matrix);
  const corner = item && toScreen ? apply(toScreen, { x: item.frame.minX, y: item.frame.minY }) : { x: 0, y: 0 };

  const input = (
    <textarea
      ref={field}
      aria-label="Text of the lettering"
      value={text}
      maxLength={longestText}
      spellCheck={false}
      autoCapitalize="off"
      className="pointer-events-none absolute h-8 w-40 resize-none opacity-0"
      style={{ left: Math.max(0, corner.x), top: Math.max(0, corner.y) }}
      onChange={(e) => {
        const value = e.target.value;
        change((w) => setText(w, id, value), `text ${id}`);
      }}
      onSelect={(e) => setRange({ from: e.currentTarget.selectionStart, to: e.currentTarget.selectionEnd })}
      onKeyDown={(e) => {
        if (e.key === "Escape") {
          e.preventDefault();
          set({ typing: null });
        }
        const undo = (e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z";
        if (!undo) e.stopPropagation();
        else e.preventDefault();
      }}
      onBlur={() => {
        studioNow().settle();
        // Leaving the window is not leaving the text; going to another control is.
        if (document.activeElement !== field.current) set({ typing: null });
      }}
    />
  );
  const drawing = item && toScreen && <Marks item={item} toScreen={toScreen} range={range} empty={text === ""} serial={text.length} />;
  return { input, drawing };
}

/** The caret and the marked letters, on the lettering itself. */
function Marks({
  item,
  toScreen,
  range,
  empty,
  serial,
}: {
  item: LetteringUpdate;
  toScreen: Matrix;
  range: { from: number; to: number };
  empty: boolean;
  /** Another one shows the caret at once, whatever its blinking. */
  serial: number;
}) {
  const bar = (c: Caret) => [apply(toScreen, c.foot), apply(toScreen, c.head)];
  const caret = item.carets.find((c) => c.index === range.to) ?? item.carets.at(-1);
  const marked = range.from === range.to ? [] : markedBoxes(item, range.from, range.to);
  return (
    <g pointerEvents="none">
      {marked.map((m, i) => {
        const [a, b] = [bar(m.from), bar(m.to)];
        return (
          <polygon
            key={i}
            points={[a[0], a[1], b[1], b[0]].map((p) => `${p.x},${p.y}`).join(" ")}
            fill="var(--accent)"
            fillOpacity={0.25}
          />
        );
      })}
      {empty && caret && <Invitation at={bar(caret)} turn={Math.atan2(item.matrix[1], item.matrix[0])} />}
      {caret && <CaretLine key={`${caret.index} ${serial}`} ends={bar(caret)} />}
    </g>
  );
}

/** Where nothing is written yet, what to do. */
function Invitation({ at: [low, high], turn }: { at: { x: number; y: number }[]; turn: number }) {
  const x = (low.x + high.x) / 2;
  const y = (low.y + high.y) / 2;
  return (
    <text
      x={x}
      y={y}
      textAnchor="middle"
      dominantBaseline="central"
      transform={`rotate(${(turn * 180) / Math.PI} ${x} ${y})`}
      fill="var(--pencil)"
      fontSize={18}
      dy={Math.hypot(high.x - low.x, high.y - low.y) / 2 + 22}
    >
      Type the words
    </text>
  );
}

function CaretLine({ ends: [a, b] }: { ends: { x: number; y: number }[] }) {
  return (
    <g className="caret" data-caret>
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#fff" strokeWidth={4} strokeOpacity={0.8} />
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--accent)" strokeWidth={2} />
    </g>
  );
}

type Caret = LetteringUpdate["carets"][number];

/** Between neighbouring places of the caret that are marked, so that the mark bends with the words. */
function markedBoxes(item: LetteringUpdate, from: number, to: number): { from: Caret; to: Caret }[] {
  return item.lines.flatMap((_, line) => {
    const stops = item.carets.filter((c) => c.line === line && c.index >= from && c.index <= to);
    return stops.slice(1).map((c, i) => ({ from: stops[i], to: c }));
  });
}
