import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  BringToFront,
  Group,
  Lock,
  SendToBack,
  Ungroup,
} from "lucide-react";
import { useState } from "react";
import { shapeOf } from "@/core/bend/bend";
import type { Item } from "@/core/piece/schema";
import { decimalsOf, fromPx, toPx } from "@/core/units";
import { resized } from "../../bench/gestures";
import { boardBox } from "../../bench/hit";
import { Button, IconButton } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field, Fold, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import {
  alignSelected,
  distributeSelected,
  groupSelected,
  lockSelected,
  raiseSelected,
  repeatSelected,
  ungroupSelected,
} from "../../state/commands";
import type { Alignment } from "../../state/edits/arrange";
import { boundTo, editItems, withGrounds } from "../../state/edits/items";
import { studioNow, useItem, useParts, useStudio } from "../../state/store";
import { unitFactors } from "../units";

/** Where an item lies, and how several lie to each other. */
export function PlaceSection({ item }: { item: Item }) {
  const ground = shapeOf(item.kind === "lettering" ? item.bend : null);
  const [under, own] = [useItem(ground), useItem(item.id)];
  const update = under ?? own;
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const selection = useStudio((s) => s.selection);
  const { change, settle } = studioNow();
  const box = update && boardBox(update);
  const middle = box && { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const edit = (name: string, apply: (l: Item) => void) =>
    change((w) => editItems(w, withGrounds(w, selection), apply), `${name} ${selection.join()}`);
  // By as much as the item in hand turns, so that words keep their stand in the shape that they fill.
  const turnTo = (v: number) => {
    const by = v - item.turn;
    const inHand = (l: Item) => studioNow().scene?.items.find((i) => i.id === l.id);
    const turned = (x: Item) => void (x.turn = ((((x.turn + by + 180) % 360) + 360) % 360) - 180);
    change(
      (w) =>
        editItems(w, boundTo(w, selection), (l) => resized(l, inHand(l), selection.includes(l.id) ? (x) => void (x.turn = v) : turned)),
      `turn ${selection.join()}`,
    );
  };
  const place = (axis: "x" | "y", label: string, hint: string) => (
    <Field label={label} hint={hint} htmlFor={`place-${axis}`}>
      <NumberField
        id={`place-${axis}`}
        label={label}
        suffix={unit}
        units={unitFactors(unit)}
        decimals={decimalsOf[unit]}
        step={unit === "in" ? 0.05 : 1}
        value={middle ? fromPx(middle[axis], unit) : 0}
        onChange={(v) => middle && edit(`place-${axis}`, (l) => void (l[axis] += toPx(v, unit) - middle[axis]))}
        onSettle={settle}
      />
    </Field>
  );
  return (
    <>
      <Section
        title="Place"
        actions={
          <>
            <IconButton
              label="One to the back (Shift: all the way)"
              keys="["
              onClick={(e) => raiseSelected(e.shiftKey ? "back" : "backward")}
            >
              <SendToBack />
            </IconButton>
            <IconButton
              label="One to the front (Shift: all the way)"
              keys="]"
              onClick={(e) => raiseSelected(e.shiftKey ? "front" : "forward")}
            >
              <BringToFront />
            </IconButton>
            <IconButton
              label={item.locked ? "Unlock" : "Lock: nothing moves or changes it"}
              keys="Ctrl L"
              active={item.locked}
              onClick={lockSelected}
            >
              <Lock />
            </IconButton>
            <IconButton label="Group" keys="Ctrl G" disabled={selection.length < 2} onClick={groupSelected}>
              <Group />
            </IconButton>
            <IconButton label="Ungroup" keys="Ctrl Shift G" disabled={!item.groups.length} onClick={ungroupSelected}>
              <Ungroup />
            </IconButton>
          </>
        }
      >
        {place("x", "Across", "Where the middle of the ink lies, from the left edge of the board")}
        {place("y", "Down", "Where the middle of the ink lies, from the top edge of the board")}
        <Field label="Turn" hint="Clockwise, about the middle of the ink" htmlFor="words-turn">
          <NumberField id="words-turn" label="Turn" suffix="°" min={-360} max={360} value={item.turn} onChange={turnTo} onSettle={settle} />
        </Field>
        <Align />
      </Section>
      <Repeat />
    </>
  );
}

const alignments: readonly [Alignment, string, typeof AlignStartVertical][] = [
  ["left", "Left edges", AlignStartVertical],
  ["middle", "Middles, left to right", AlignCenterVertical],
  ["right", "Right edges", AlignEndVertical],
  ["top", "Top edges", AlignStartHorizontal],
  ["centre", "Middles, top to bottom", AlignCenterHorizontal],
  ["bottom", "Bottom edges", AlignEndHorizontal],
];

function Align() {
  const { selection, alignBy, set } = useParts("selection", "alignBy", "set");
  const several = selection.length > 1;
  return (
    <>
      <div className="flex justify-between" role="group" aria-label="Align">
        {alignments.map(([to, label, Icon]) => (
          <IconButton
            key={to}
            label={several ? `Align: ${label.toLowerCase()} (Shift: with the board)` : `Align with the board: ${label.toLowerCase()}`}
            onClick={(e) => alignSelected(to, e.shiftKey)}
          >
            <Icon />
          </IconButton>
        ))}
        <IconButton label="Even gaps, left to right" disabled={selection.length < 3} onClick={() => distributeSelected("x")}>
          <AlignHorizontalSpaceBetween />
        </IconButton>
        <IconButton label="Even gaps, top to bottom" disabled={selection.length < 3} onClick={() => distributeSelected("y")}>
          <AlignVerticalSpaceBetween />
        </IconButton>
      </div>
      <Field label="Align by" hint="What is seen of the letters, or the frame from their feet to their heads">
        <Choice
          label="Align by"
          value={alignBy}
          onChange={(v) => set({ alignBy: v as "ink" })}
          options={[
            { value: "ink", label: "What is seen", hint: "The inked box" },
            { value: "frame", label: "The frame", hint: "From below the baseline to above the capitals, inked or not" },
          ]}
        />
      </Field>
    </>
  );
}

/** Copies of the selection, each a step further on. */
function Repeat() {
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const [step, setStep] = useState({ x: 0, y: 40 });
  const [count, setCount] = useState(1);
  const side = (axis: "x" | "y", label: string) => (
    <Field label={label} hint="From one copy to the next" htmlFor={`repeat-${axis}`}>
      <NumberField
        id={`repeat-${axis}`}
        label={label}
        suffix={unit}
        units={unitFactors(unit)}
        decimals={decimalsOf[unit]}
        min={-1e5}
        max={1e5}
        value={fromPx(step[axis], unit)}
        onChange={(v) => setStep({ ...step, [axis]: toPx(v, unit) })}
      />
    </Field>
  );
  return (
    <Fold title="Repeat">
      {side("x", "Step across")}
      {side("y", "Step down")}
      <Field label="Copies" hint="How many copies are made" htmlFor="repeat-count">
        <NumberField
          id="repeat-count"
          label="Copies"
          min={1}
          max={100}
          decimals={0}
          value={count}
          onChange={(v) => setCount(Math.round(v))}
        />
      </Field>
      <div className="flex gap-1.5">
        <Button className="min-w-0 grow" onClick={() => repeatSelected(step, count)}>
          Make {count === 1 ? "a copy" : `${count} copies`}
        </Button>
        <Button className="min-w-0 grow" title="A copy right on top of what is selected" onClick={() => repeatSelected({ x: 0, y: 0 }, 1)}>
          Copy in place
        </Button>
      </div>
    </Fold>
  );
}
