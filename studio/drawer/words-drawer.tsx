import { BringToFront, Plus, SendToBack } from "lucide-react";
import { longestText } from "@/core/piece/schema";
import { decimalsOf, fromPx, toPx } from "@/core/units";
import { boardBox } from "../bench/hit";
import { resized } from "../bench/gestures";
import { Button, IconButton } from "../parts/button";
import { Choice } from "../parts/choice";
import { Field, Section } from "../parts/field";
import { NumberField } from "../parts/number-field";
import { newLettering } from "../state/commands";
import { editLettering, raiseLettering } from "../state/edits/lettering";
import { useItem, useLettering, useStudio } from "../state/store";
import { BoardSection } from "./board-section";
import { FacePicker } from "./face-picker";
import { unitFactors } from "./units";

const alignments = [
  { value: "left", label: "Left", hint: "Lines start at the same place" },
  { value: "centre", label: "Centre", hint: "Lines are centred on each other" },
  { value: "right", label: "Right", hint: "Lines end at the same place" },
];

/** What the words are, in which face and how they are set. */
export function WordsDrawer() {
  const lettering = useLettering();
  return (
    <>
      {lettering ? <Lettering /> : <NothingSelected />}
      <BoardSection />
    </>
  );
}

function NothingSelected() {
  return (
    <Section title="Words">
      <p className="text-pencil">Click a lettering on the bench to work on it, or add one. Double-click it to type on the bench itself.</p>
      <Button look="primary" className="mt-2 w-full" onClick={newLettering}>
        <Plus className="size-4" /> Add a lettering
      </Button>
    </Section>
  );
}

function Lettering() {
  const lettering = useLettering()!;
  const item = useItem(lettering.id);
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const count = useStudio((s) => s.selection.length);
  const selection = useStudio((s) => s.selection);
  const { change, settle } = useStudio.getState();
  const edit = (name: string, apply: (l: typeof lettering) => void) =>
    change((w) => editLettering(w, selection, apply), `${name} ${selection.join()}`);
  const box = item && boardBox(item);
  const middle = box && { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const place = (axis: "x" | "y", label: string, hint: string) => (
    <Field label={label} hint={hint} htmlFor={`place-${axis}`}>
      <NumberField
        id={`place-${axis}`} label={label} suffix={unit} units={unitFactors(unit)} decimals={decimalsOf[unit]} step={unit === "in" ? 0.05 : 1}
        value={middle ? fromPx(middle[axis], unit) : 0}
        onChange={(v) => middle && edit(`place-${axis}`, (l) => void (l[axis] += toPx(v, unit) - middle[axis]))}
        onSettle={settle}
      />
    </Field>
  );
  return (
    <>
      <Section
        title={count > 1 ? `Words (${count} letterings)` : "Words"}
        actions={
          <IconButton label="Add a lettering" keys="N" onClick={newLettering}>
            <Plus />
          </IconButton>
        }
      >
        <textarea
          id="words-text"
          aria-label="Text"
          placeholder="Type the words"
          className="h-[72px] w-full resize-y rounded-md border border-rule bg-sheet px-3 py-2 text-[15px] outline-none focus:border-accent"
          value={lettering.text}
          maxLength={longestText}
          spellCheck={false}
          onChange={(e) => {
            const text = e.target.value;
            change((w) => editLettering(w, [lettering.id], (l) => void (l.text = text)), `text ${lettering.id}`);
          }}
          onBlur={settle}
        />
        {lettering.text.length >= longestText && <p className="text-warn">A lettering holds at most {longestText} characters; the rest was left out.</p>}
        <FacePicker id="words-face" value={lettering.face} word={lettering.text} onChange={(face) => edit("face", (l) => void (l.face = face))} />
      </Section>
      <Section title="Setting">
        <Field label="Size" hint="How large the letters are, to the em; every coat follows" htmlFor="words-size">
          <NumberField
            id="words-size" label="Size" suffix={unit} units={unitFactors(unit)} decimals={decimalsOf[unit]} step={unit === "in" ? 0.05 : 1}
            min={fromPx(1, unit)} max={fromPx(20_000, unit)} value={fromPx(lettering.size, unit)}
            onChange={(v) => edit("size", (l) => resized(l, item, (x) => void (x.size = Math.min(20_000, Math.max(1, toPx(v, unit))))))}
            onSettle={settle}
          />
        </Field>
        <Field label="Letter space" hint="Space added between letters, in thousandths of the em" htmlFor="words-letter">
          <NumberField id="words-letter" label="Letter space" suffix="‰" units={{ "%": 10 }} min={-500} max={5000} value={lettering.letterSpacing} onChange={(v) => edit("letter", (l) => void (l.letterSpacing = v))} onSettle={settle} />
        </Field>
        <Field label="Line space" hint="From baseline to baseline, as a share of the size" htmlFor="words-line">
          <NumberField id="words-line" label="Line space" suffix="%" min={0} max={1000} value={lettering.lineSpacing * 100} onChange={(v) => edit("line", (l) => void (l.lineSpacing = v / 100))} onSettle={settle} />
        </Field>
        <Field label="Align" hint="How the lines stand to each other">
          <Choice label="Align" value={lettering.align} options={alignments} onChange={(v) => edit("align", (l) => void (l.align = v as "left"))} />
        </Field>
      </Section>
      <Section
        title="Place"
        actions={
          <>
            <IconButton label="One to the back" keys="[" onClick={() => change((w) => raiseLettering(w, lettering.id, -1))}>
              <SendToBack />
            </IconButton>
            <IconButton label="One to the front" keys="]" onClick={() => change((w) => raiseLettering(w, lettering.id, 1))}>
              <BringToFront />
            </IconButton>
          </>
        }
      >
        {place("x", "Across", "Where the middle of the letters lies, from the left edge of the board")}
        {place("y", "Down", "Where the middle of the letters lies, from the top edge of the board")}
        <Field label="Turn" hint="Clockwise, about the middle of the letters" htmlFor="words-turn">
          <NumberField id="words-turn" label="Turn" suffix="°" min={-360} max={360} value={lettering.turn} onChange={(v) => edit("turn", (l) => resized(l, item, (x) => void (x.turn = v)))} onSettle={settle} />
        </Field>
      </Section>
    </>
  );
}
