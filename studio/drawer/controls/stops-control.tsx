import { ArrowLeftRight, Minus, Plus } from "lucide-react";
import { Slider } from "radix-ui";
import { useState } from "react";
import type { Stop } from "@/core/params";
import { inkLookup } from "@/core/style/inks";
import { IconButton } from "../../parts/button";
import { Field } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { useStyleControls } from "./context";
import { InkPicker } from "./ink-picker";

/** The same inks the other way round: the stop at `i` comes to lie at `length - 1 - i`. */
const turned = (stops: readonly Stop[]): Stop[] => stops.map((s) => ({ ...s, at: percent(100 - s.at) })).reverse();

const percent = (v: number) => Math.round(v * 10) / 10;

/** The stops of a gradient: grips on a strip of its colours, and the settings of the chosen one. */
export function StopsControl({ value: stops, onChange }: { value: readonly Stop[]; onChange: (stops: Stop[]) => void }) {
  const { inks, settle } = useStyleControls();
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, stops.length - 1);
  const stop = stops[at];
  const ink = inkLookup(inks);
  /** Stops are kept in the order of their places. @param keep index of the stop that is chosen, wherever it comes to lie */
  const put = (next: readonly Stop[], keep: number) => {
    const order = next.map((_, i) => i).sort((a, b) => next[a].at - next[b].at);
    setChosen(order.indexOf(keep));
    onChange(order.map((i) => next[i]));
  };
  const change = (values: Partial<Stop>, index = at) =>
    put(
      stops.map((s, i) => (i === index ? { ...s, ...values } : s)),
      index,
    );
  const strip = stops.map((s) => `color-mix(in srgb, ${ink(s.ink)} ${s.opacity}%, transparent) ${s.at}%`).join(", ");

  const add = () => {
    const next = stops[at + 1] ?? stops[at - 1] ?? stop;
    const made: Stop = { at: percent((stop.at + next.at) / 2), ink: stop.ink, opacity: stop.opacity };
    put([...stops, made], stops.length);
  };

  return (
    <div className="space-y-1.5 rounded-lg border border-rule bg-sheet/60 p-2">
      <div className="flex items-center gap-1">
        <Slider.Root
          className="relative flex h-9 grow touch-none items-center"
          min={0}
          max={100}
          step={0.5}
          minStepsBetweenThumbs={0}
          value={stops.map((s) => s.at)}
          onValueChange={(values) => {
            // The slider keeps its values sorted; only the one that moved is taken over.
            const free = [...values];
            const moved = stops.findIndex((s) => {
              const i = free.indexOf(s.at);
              if (i >= 0) free.splice(i, 1);
              return i < 0;
            });
            if (moved >= 0 && free.length === 1) change({ at: free[0] }, moved);
          }}
          onValueCommit={settle}
        >
          <Slider.Track className="checker relative h-5 grow overflow-hidden rounded-md border border-rule">
            <span className="absolute inset-0" style={{ background: `linear-gradient(90deg, ${strip})` }} />
          </Slider.Track>
          {stops.map((s, i) => (
            <Slider.Thumb
              key={i}
              aria-label={`Stop ${i + 1}`}
              onPointerDown={() => setChosen(i)}
              onFocus={() => setChosen(i)}
              className={`block h-8 w-3.5 rounded-md border-2 border-sheet shadow-[0_0_0_1px_var(--graphite)] ${i === at ? "!shadow-[0_0_0_2px_var(--accent)]" : ""}`}
              style={{ background: ink(s.ink) }}
            />
          ))}
        </Slider.Root>
        <IconButton label="Reverse" className="!size-7" onClick={() => put(turned(stops), stops.length - 1 - at)}>
          <ArrowLeftRight />
        </IconButton>
        <IconButton label="Add a stop" className="!size-7" onClick={add} disabled={stops.length >= 64}>
          <Plus />
        </IconButton>
        <IconButton
          label="Take this stop away"
          className="!size-7"
          disabled={stops.length <= 2}
          onClick={() => {
            onChange(stops.filter((_, i) => i !== at));
            setChosen(Math.max(0, at - 1));
          }}
        >
          <Minus />
        </IconButton>
      </div>
      <Field label="Ink" hint="The ink of this stop">
        <InkPicker label="Ink of the stop" value={stop.ink} onChange={(id) => change({ ink: id })} />
      </Field>
      <Field label="At" hint="Where the stop lies along the gradient" htmlFor="stop-at">
        <NumberField
          id="stop-at"
          label="Place of the stop"
          suffix="%"
          min={0}
          max={100}
          value={stop.at}
          onChange={(v) => change({ at: percent(v) })}
          onSettle={settle}
        />
      </Field>
      <Field label="Opacity" hint="How much the stop covers" htmlFor="stop-opacity">
        <NumberField
          id="stop-opacity"
          label="Opacity of the stop"
          suffix="%"
          min={0}
          max={100}
          value={stop.opacity}
          onChange={(v) => change({ opacity: v })}
          onSettle={settle}
        />
      </Field>
    </div>
  );
}
