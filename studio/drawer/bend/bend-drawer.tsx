import { guideKinds, guideKind } from "@/core/bend/guides";
import { newGuideLine, type GuideBend } from "@/core/bend/schema";
import { withValue } from "@/core/params";
import type { Lettering } from "@/core/piece/schema";
import { Choice } from "../../parts/choice";
import { Field, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { Switch } from "../../parts/switch";
import { editGuide, newEnvelope, newGuideBend, runAlong, setBend } from "../../state/edits/bend";
import { studioNow, useLettering, useSelectedItem, useStudio } from "../../state/store";
import { shapeItemOf } from "../../state/work";
import { ParamControls } from "../controls/param-controls";
import { NodeTools } from "../node-tools";
import { EnvelopeSection } from "./envelope-section";
import { FitSection } from "./fit-section";
import { PoseSection } from "./pose-section";

const kinds = [
  { value: "none", label: "None", hint: "The words stand straight" },
  { value: "guide", label: "Line", hint: "On an arc, around a ring, along a wave or a curve of your own" },
  { value: "envelope", label: "Envelope", hint: "Between curved edges" },
  { value: "fit", label: "Shape", hint: "Pressed into a shape on the board" },
];

/** How the words are bent, and how the whole is seen. */
export function BendDrawer() {
  const item = useSelectedItem();
  const lettering = useLettering();
  if (!item)
    return (
      <Section title="Bend">
        <p className="text-pencil">
          Click a lettering on the bench to put it on a line, between curved edges or into a shape. The words stay words: type on, and all
          follows.
        </p>
      </Section>
    );
  return (
    <>
      {lettering ? (
        <Bend lettering={lettering} />
      ) : (
        <Section title="Bend">
          <p className="text-pencil">
            A shape is not bent by itself; edit its nodes under Words. Words can run along it or fill it: select them, and choose Line or
            Shape here.
          </p>
        </Section>
      )}
      <PoseSection item={item} />
    </>
  );
}

function Bend({ lettering }: { lettering: Lettering }) {
  const { bend } = lettering;
  const { change } = studioNow();
  const selection = useStudio((s) => s.selection);
  const choose = (kind: string) => {
    if (kind === (bend?.kind ?? "none")) return;
    const next =
      kind === "guide"
        ? newGuideBend("arc")
        : kind === "envelope"
          ? newEnvelope()
          : kind === "fit"
            ? ({ kind: "fit", shape: "", corners: null, inset: 60, gap: 60 } as const)
            : null;
    change((w) => setBend(w, selection, next));
  };
  return (
    <>
      <Section title="Bend">
        <Choice label="Bend" value={bend?.kind ?? "none"} options={kinds} onChange={choose} />
        {!bend && (
          <p className="text-pencil">
            Straight, as it was set. Choose a line, an envelope or a shape; outlines and shades are built afterwards and keep their even
            width.
          </p>
        )}
      </Section>
      {bend?.kind === "guide" && <Guide lettering={lettering} bend={bend} />}
      {bend?.kind === "envelope" && <EnvelopeSection lettering={lettering} bend={bend} />}
      {bend?.kind === "fit" && <FitSection lettering={lettering} bend={bend} />}
    </>
  );
}

const lettersOptions = [
  { value: "turn", label: "Turn", hint: "Each letter turns with the line and stays rigid" },
  { value: "flow", label: "Flow", hint: "The outlines bend with the line" },
];

function Guide({ lettering: { id }, bend }: { lettering: Lettering; bend: GuideBend }) {
  const { change, settle } = studioNow();
  const edit = (name: string | null, apply: (g: GuideBend) => GuideBend) =>
    change((w) => editGuide(w, id, apply), name && `guide ${name} ${id}`);
  const kind = guideKind(bend.line.kind);
  const setLine = (name: string, value: unknown) =>
    name === "shape"
      ? change((w) => {
          const shape = shapeItemOf(w, value as string);
          return shape ? runAlong(w, id, shape) : w;
        })
      : edit(name, (g) => ({ ...g, line: withValue(g.line, name, value) }));
  const closed = bend.line.kind === "ring" || bend.line.kind === "outline" || (bend.line.kind === "drawn" && bend.line.line.closed);
  return (
    <Section title="Guide line">
      <Field label="Kind" hint={kind.hint}>
        <Choice
          id="guide-kind"
          label="Kind of line"
          value={bend.line.kind}
          options={guideKinds.map((k) => ({ value: k.kind, label: k.label, hint: k.hint }))}
          onChange={(k) => edit(null, (g) => ({ ...g, line: newGuideLine(k) }))}
        />
      </Field>
      <ParamControls params={kind.params} values={bend.line} onChange={setLine} />
      <Field label="Letters" hint="How letters take to the line">
        <Choice
          label="Letters"
          value={bend.letters}
          options={lettersOptions}
          onChange={(v) => edit(null, (g) => ({ ...g, letters: v as "turn" }))}
        />
      </Field>
      <Field label="Shift" hint="Moved along the line, in thousandths of the em" htmlFor="guide-shift">
        <NumberField
          id="guide-shift"
          label="Shift"
          suffix="‰"
          min={-100_000}
          max={100_000}
          step={10}
          value={bend.shift}
          onChange={(v) => edit("shift", (g) => ({ ...g, shift: v }))}
          onSettle={settle}
        />
      </Field>
      <Field label="Distance" hint="Away from the line, in thousandths of the em; below 0 across it" htmlFor="guide-distance">
        <NumberField
          id="guide-distance"
          label="Distance"
          suffix="‰"
          min={-100_000}
          max={100_000}
          step={10}
          value={bend.distance}
          onChange={(v) => edit("distance", (g) => ({ ...g, distance: v }))}
          onSettle={settle}
        />
      </Field>
      {closed && (
        <Switch
          label="Close the circle"
          hint="The spaces are made even, so that the words go all the way round"
          checked={bend.spread}
          onChange={(on) => edit(null, (g) => ({ ...g, spread: on }))}
        />
      )}
      {bend.line.kind === "drawn" && <NodeTools />}
    </Section>
  );
}
