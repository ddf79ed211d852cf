import { clsx } from "clsx";
import { useEffect, useEffectEvent, useLayoutEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { flushSync } from "react-dom";
import { readExpression, type UnitFactors } from "./number-expression";

interface Props {
  id?: string;
  label: string;
  value: number;
  onChange: (value: number) => void;
  /** A drag, or a run of arrow keys, has ended. */
  onSettle?: () => void;
  min?: number;
  max?: number;
  step?: number;
  decimals?: number;
  suffix?: string;
  units?: UnitFactors;
  className?: string;
}

const formats = new Map<number, Intl.NumberFormat>();

function format(value: number, decimals: number): string {
  const known =
    formats.get(decimals) ?? new Intl.NumberFormat("en", { maximumFractionDigits: decimals, useGrouping: false, signDisplay: "negative" });
  formats.set(decimals, known);
  return known.format(value);
}

/** A field's own unit may be typed like any other. */
const withOwn = (units: UnitFactors, suffix: string | undefined): UnitFactors => (suffix ? { [suffix.toLowerCase()]: 1, ...units } : units);

const noUnits: UnitFactors = {};

/**
 * A number that can be typed (with units and sums), stepped with the arrow keys (Shift ten times, Alt a tenth) and
 * dragged sideways by its suffix.
 */
export function NumberField({
  id,
  label,
  value,
  onChange,
  onSettle,
  min = -Infinity,
  max = Infinity,
  step = 1,
  decimals = 2,
  suffix,
  units = noUnits,
  className,
}: Props) {
  const [draft, setShown] = useState<string | null>(null);
  // Beside the state, since leaving the field by Escape blurs it before the state has changed.
  const typed = useRef<string | null>(null);
  const setDraft = (text: string | null) => {
    typed.current = text;
    setShown(text);
  };
  /** What was typed and is no number. */
  const [fault, setFault] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const drag = useRef<{ x: number; value: number } | null>(null);
  // Reading may take a while, and what is around the field may have changed when it is done.
  const latest = useRef({ value, onChange, onSettle });
  useLayoutEffect(() => void (latest.current = { value, onChange, onSettle }));
  const clamp = (v: number) => Math.min(max, Math.max(min, Number(v.toFixed(6))));

  const commit = async () => {
    const text = typed.current;
    if (text === null) return;
    const read = await readExpression(text, withOwn(units, suffix));
    if (read === undefined) {
      setFault(text.trim());
      setDraft(null);
      return;
    }
    setFault("");
    setDraft(null);
    const now = latest.current;
    // Drawn at once, so that what is read next puts its part into this.
    if (clamp(read) !== now.value) flushSync(() => now.onChange(clamp(read)));
    now.onSettle?.();
  };

  const onKeyDown = (event: KeyboardEvent) => {
    // Reading takes a while the first time, and selecting takes the focus in some browsers: whoever has gone on is not called back.
    if (event.key === "Enter") void commit().then(() => document.activeElement === input.current && input.current?.select());
    else if (event.key === "Escape") {
      setDraft(null);
      input.current?.blur();
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      const by = step * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1) * (event.key === "ArrowUp" ? 1 : -1);
      setDraft(null);
      onChange(clamp(value + by));
    }
  };

  const dragged = (event: PointerEvent) => {
    if (!drag.current) return;
    const by = Math.round((event.clientX - drag.current.x) / 2) * step * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
    onChange(clamp(drag.current.value + by));
  };

  return (
    <div
      className={clsx(
        "relative flex h-8 min-w-0 items-center rounded-md border bg-sheet focus-within:border-accent",
        fault ? "border-accent" : "border-rule",
        className,
      )}
    >
      <input
        ref={input}
        id={id}
        aria-label={label}
        aria-invalid={fault !== ""}
        inputMode="decimal"
        autoComplete="off"
        className="h-full w-full min-w-0 rounded-md bg-transparent px-2 outline-none"
        value={draft ?? format(value, decimals)}
        onChange={(e) => {
          setFault("");
          setDraft(e.target.value);
        }}
        onFocus={(e) => e.target.select()}
        onBlur={() => void commit()}
        onKeyDown={onKeyDown}
        onKeyUp={(e) => e.key.startsWith("Arrow") && onSettle?.()}
      />
      <span
        aria-hidden
        title="Drag sideways"
        className="flex h-full cursor-ew-resize touch-none select-none items-center whitespace-nowrap rounded-r-md px-2 text-pencil hover:bg-wash"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag.current = { x: e.clientX, value };
        }}
        onPointerMove={dragged}
        onPointerUp={() => {
          drag.current = null;
          onSettle?.();
        }}
      >
        {suffix ?? "↔"}
      </span>
      {fault && <Fault text={fault} onOver={() => setFault("")} />}
    </div>
  );
}

/** How long a message stays that nobody answers, in milliseconds. */
const read = 6000;

/** Says that what was typed has been put back, and why. */
function Fault({ text, onOver }: { text: string; onOver: () => void }) {
  const over = useEffectEvent(onOver);
  useEffect(() => {
    const timer = setTimeout(() => over(), read);
    return () => clearTimeout(timer);
  }, [text]);
  return (
    <span
      role="alert"
      className="pointer-events-none absolute right-0 top-full z-20 mt-0.5 whitespace-nowrap rounded bg-graphite px-1.5 py-0.5 text-xs text-paper shadow"
    >
      “{text.length > 12 ? `${text.slice(0, 12)}…` : text}” is not a number
    </span>
  );
}
