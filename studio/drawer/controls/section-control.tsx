import { Plus } from "lucide-react";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { ProfileParam, ProfilePoint } from "@/core/params";
import { IconButton } from "../../parts/button";
import { focusNext } from "../../parts/focus-next";
import { Tip } from "../../parts/tip";
import { useStyleControls } from "./context";

/** Pixels of the square that the section is drawn in, and around it. */
const side = 132;
const margin = 10;
/** More points than these are slopes that no eye tells apart. */
const most = 9;

interface Props {
  readonly label: string;
  readonly param: ProfileParam;
  readonly value: readonly ProfilePoint[];
  readonly onChange: (value: ProfilePoint[]) => void;
}

const rounded = (v: number): number => Number(v.toFixed(1));

/** A point that lies no farther than those before and after it. */
const between = (p: ProfilePoint, a: ProfilePoint, b: ProfilePoint): ProfilePoint => ({
  at: rounded(Math.min(b.at, Math.max(a.at, p.at))),
  value: rounded(Math.min(b.value, Math.max(a.value, p.value))),
});

function distance(p: ProfilePoint, a: ProfilePoint, b: ProfilePoint): number {
  const [dx, dy] = [b.at - a.at, b.value - a.value];
  const t = Math.min(1, Math.max(0, ((p.at - a.at) * dx + (p.value - a.value) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(p.at - a.at - t * dx, p.value - a.value - t * dy);
}

const least = <T,>(all: readonly T[], of: (t: T) => number): T => all.reduce((a, b) => (of(b) < of(a) ? b : a));

/** The section of an edge: points that are dragged, or moved by the arrow keys, between the outline and the face. */
export function SectionControl({ label, param, value, onChange }: Props) {
  const { settle } = useStyleControls();
  const frame = useRef<SVGSVGElement>(null);
  const ends = [{ at: 0, value: 0 }, ...value, { at: 100, value: 100 }];
  const x = (p: ProfilePoint) => margin + (p.at / 100) * side;
  const y = (p: ProfilePoint) => margin + (1 - p.value / 100) * side;
  const line = ends.map((p) => `${x(p).toFixed(1)} ${y(p).toFixed(1)}`).join("L");

  const put = (i: number, p: ProfilePoint) => onChange(value.map((q, k) => (k === i ? between(p, ends[i], ends[i + 2]) : q)));
  const placeOf = (e: { clientX: number; clientY: number }): ProfilePoint => {
    const box = frame.current!.getBoundingClientRect();
    return { at: ((e.clientX - box.left - margin) / side) * 100, value: (1 - (e.clientY - box.top - margin) / side) * 100 };
  };
  /** A point more: where it is clicked, on the stretch that is nearest, or in the middle of the longest one. */
  const add = (p?: ProfilePoint) => {
    if (value.length >= most) return;
    const stretches = ends.slice(1).map((b, i) => ({ a: ends[i], b, i }));
    const { a, b, i } = p
      ? least(stretches, (s) => distance(p, s.a, s.b))
      : least(stretches, (s) => -Math.hypot(s.b.at - s.a.at, s.b.value - s.a.value));
    const middle = p ?? { at: (a.at + b.at) / 2, value: (a.value + b.value) / 2 };
    onChange([...value.slice(0, i), between(middle, a, b), ...value.slice(i)]);
    settle();
  };
  const remove = (i: number) => {
    // The schema asks for two.
    if (value.length <= 2) return;
    const take = () => onChange(value.filter((_, k) => k !== i));
    focusNext(take, "[data-section-point]", i, "[data-bench]");
    settle();
  };
  const onKeyDown = (i: number) => (e: KeyboardEvent) => {
    const by = e.shiftKey ? 10 : 1;
    const ways: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const way = ways[e.key];
    if (way) put(i, { at: value[i].at + way[0], value: value[i].value + way[1] });
    else if (e.key === "Delete" || e.key === "Backspace") remove(i);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const drag = (i: number) => ({
    onPointerDown: (e: PointerEvent<SVGCircleElement>) => e.currentTarget.setPointerCapture(e.pointerId),
    onPointerMove: (e: PointerEvent<SVGCircleElement>) => e.currentTarget.hasPointerCapture(e.pointerId) && put(i, placeOf(e)),
    onPointerUp: settle,
  });
  return (
    <div className="grid grid-cols-[92px_minmax(0,1fr)] gap-2">
      <div className="flex flex-col items-start gap-1 pt-1">
        <Tip text={param.hint} side="right">
          <span className="text-pencil">{label}</span>
        </Tip>
        <IconButton label="Add a point to the section" disabled={value.length >= most} onClick={() => add()}>
          <Plus />
        </IconButton>
      </div>
      <svg
        ref={frame}
        role="group"
        aria-label={label}
        width={side + 2 * margin}
        height={side + 2 * margin}
        className="touch-none rounded-md border border-rule bg-sheet"
        onDoubleClick={(e) => e.target instanceof SVGCircleElement || add(placeOf(e))}
      >
        <path d={`M${line}L${margin + side} ${margin + side}Z`} fill="var(--wash)" />
        <path d={`M${line}`} fill="none" stroke="var(--graphite)" strokeWidth={1.5} />
        {value.map((p, i) => (
          <circle
            key={i}
            {...drag(i)}
            cx={x(p)}
            cy={y(p)}
            r={6}
            tabIndex={0}
            role="button"
            aria-label={`Point ${i + 1}: ${p.at} % in, ${p.value} % up`}
            data-section-point={i}
            onKeyDown={onKeyDown(i)}
            className="cursor-move fill-paper stroke-accent stroke-2 outline-none focus-visible:fill-accent"
          />
        ))}
      </svg>
    </div>
  );
}
