import { fromPx, toPx, decimalsOf } from "@/core/units";
import type { Lettering } from "@/core/piece/schema";
import { resized } from "../../bench/gestures";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field, Fold, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Switch } from "../../parts/switch";
import { editLettering } from "../../state/edits/items";
import { studioNow, useItem, useStudio } from "../../state/store";
import { unitFactors } from "../units";

const alignments = [
  { value: "left", label: "Left", hint: "Lines start at the same place" },
  { value: "centre", label: "Centre", hint: "Lines are centred on each other" },
  { value: "right", label: "Right", hint: "Lines end at the same place" },
  { value: "justified", label: "Full", hint: "All lines are as wide as the widest: words, or letters where there is one word, move apart" },
];
const gaps = [
  { value: "face", label: "The face's", hint: "Letters stand as the face has them, kerned" },
  { value: "even", label: "Even", hint: "The areas between neighbouring letters are made equal" },
];
const directions = [
  { value: "auto", label: "By text", hint: "As the first letter of each line runs" },
  { value: "ltr", label: "Right", hint: "Lines run from left to right" },
  { value: "rtl", label: "Left", hint: "Lines run from right to left" },
];

/** Size, spaces and lines. */
export function SettingSection({ lettering }: { lettering: Lettering }) {
  const item = useItem(lettering.id);
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const selection = useStudio((s) => s.selection);
  const { change, settle } = studioNow();
  const edit = (name: string, apply: (l: Lettering) => void) =>
    change((w) => editLettering(w, selection, apply), `${name} ${selection.join()}`);
  return (
    <>
      <Section title="Setting">
        <Field label="Size" hint="How large the letters are, to the em; every coat follows" htmlFor="words-size">
          <NumberField
            id="words-size"
            label="Size"
            suffix={unit}
            units={unitFactors(unit)}
            decimals={decimalsOf[unit]}
            step={unit === "in" ? 0.05 : 1}
            min={fromPx(1, unit)}
            max={fromPx(20_000, unit)}
            value={fromPx(lettering.size, unit)}
            onChange={(v) => edit("size", (l) => resized(l, item, (x) => void (x.size = Math.min(20_000, Math.max(1, toPx(v, unit))))))}
            onSettle={settle}
          />
        </Field>
        <Field label="Letter space" hint="Space added between letters, in thousandths of the em" htmlFor="words-letter">
          <NumberField
            id="words-letter"
            label="Letter space"
            suffix="‰"
            units={{ "%": 10 }}
            min={-500}
            max={5000}
            value={lettering.letterSpacing}
            onChange={(v) => edit("letter", (l) => void (l.letterSpacing = v))}
            onSettle={settle}
          />
        </Field>
        <Field label="Word space" hint="Space added between words, in thousandths of the em" htmlFor="words-word">
          <NumberField
            id="words-word"
            label="Word space"
            suffix="‰"
            units={{ "%": 10 }}
            min={-1000}
            max={5000}
            value={lettering.wordSpacing}
            onChange={(v) => edit("word", (l) => void (l.wordSpacing = v))}
            onSettle={settle}
          />
        </Field>
        <Field label="Line space" hint="From baseline to baseline, as a share of the size" htmlFor="words-line">
          <NumberField
            id="words-line"
            label="Line space"
            suffix="%"
            min={0}
            max={1000}
            value={lettering.lineSpacing * 100}
            onChange={(v) => edit("line", (l) => void (l.lineSpacing = v / 100))}
            onSettle={settle}
          />
        </Field>
        <Field label="Gaps" hint="How far letters stand apart before any space is added">
          <Choice label="Gaps" value={lettering.gaps} options={gaps} onChange={(v) => edit("gaps", (l) => void (l.gaps = v as "even"))} />
        </Field>
        <Field label="Align" hint="How the lines stand to each other">
          <Choice
            label="Align"
            value={lettering.align}
            options={alignments}
            onChange={(v) => edit("align", (l) => void (l.align = v as "left"))}
          />
        </Field>
        <Switch
          label="Join letters"
          hint="Letters that touch are one shape before the coats are built; off, each keeps its own outline and lies on the one before it"
          checked={lettering.joined}
          onChange={(on) => edit("joined", (l) => void (l.joined = on))}
        />
        <Switch
          label="Optical edges"
          hint="Round and open letters hang out over the edge, so that it looks straight"
          checked={lettering.optical}
          onChange={(on) => edit("optical", (l) => void (l.optical = on))}
        />
      </Section>
      <Fold title="Stretch and language">
        <Stretch lettering={lettering} edit={edit} />
        <Field
          label="Language"
          hint="A language as BCP 47 writes it, such as tr, ro, ur or mr, for faces whose letters differ by language"
          htmlFor="words-language"
        >
          <input
            id="words-language"
            aria-label="Language"
            placeholder="as the script has it"
            value={lettering.language ?? ""}
            maxLength={35}
            spellCheck={false}
            onChange={(e) => edit("language", (l) => void (l.language = e.target.value.replace(/[^a-zA-Z0-9-]/g, "") || null))}
            onBlur={settle}
            className="h-8 w-full rounded-md border border-rule bg-sheet px-2 outline-none focus:border-accent"
          />
        </Field>
        <Field label="Runs" hint="Which way each line runs; letters of either direction stand right within it">
          <Choice
            label="Runs"
            value={lettering.direction}
            options={directions}
            onChange={(v) => edit("direction", (l) => void (l.direction = v as "auto"))}
          />
        </Field>
      </Fold>
    </>
  );
}

/** Stretched letters have upright strokes of another weight than level ones: both are shown, and the stretch that makes them equal. */
function Stretch({ lettering, edit }: { lettering: Lettering; edit: (name: string, apply: (l: Lettering) => void) => void }) {
  const metrics = useItem(lettering.id)?.metrics;
  const { settle } = studioNow();
  const [upright, level] = [(metrics?.stem ?? 0) * lettering.stretch, metrics?.bar ?? 0];
  const equal = metrics && metrics.stem > 0 ? Math.min(10, Math.max(0.1, metrics.bar / metrics.stem)) : null;
  const ratio = level > 0 ? upright / level : 1;
  return (
    <>
      <Field label="Stretch" hint="Makes the letters wider or narrower, before they are bent and painted" htmlFor="words-stretch">
        <NumberField
          id="words-stretch"
          label="Stretch"
          suffix="%"
          min={10}
          max={1000}
          value={lettering.stretch * 100}
          onChange={(v) => edit("stretch", (l) => void (l.stretch = v / 100))}
          onSettle={settle}
        />
      </Field>
      {metrics && (
        <p data-stems className="text-xs text-pencil">
          Upright strokes {Math.round(upright)}, level ones {Math.round(level)}:{" "}
          {Math.abs(ratio - 1) < 0.02
            ? "as thick as each other."
            : `${ratio > 1 ? "uprights" : "levels"} are ${Math.round(Math.abs(ratio > 1 ? ratio - 1 : 1 / ratio - 1) * 100)}\u00a0% thicker.`}
        </p>
      )}
      {equal !== null && Math.abs(ratio - 1) >= 0.005 && (
        <div className="flex gap-1.5">
          <Button className="grow" onClick={() => edit("stretch", (l) => void (l.stretch = Number(equal.toFixed(4))))}>
            Make them equal ({Math.round(equal * 100)}&nbsp;%)
          </Button>
          {lettering.stretch !== 1 && <Button onClick={() => edit("stretch", (l) => void (l.stretch = 1))}>As the face has it</Button>}
        </div>
      )}
    </>
  );
}
