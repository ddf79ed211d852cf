import { FlipHorizontal2, FlipVertical2, RotateCcw } from "lucide-react";
import type { Item } from "@/core/piece/schema";
import { resized } from "../../bench/gestures";
import { Button, IconButton } from "../../parts/button";
import { Field, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { setTool } from "../../state/commands";
import { editItems } from "../../state/edits/items";
import { studioNow, useStudio } from "../../state/store";

/** How the whole is posed, after its coats were built: turned, leaned, mirrored, seen in perspective. */
export function PoseSection({ item }: { item: Item }) {
  const selection = useStudio((s) => s.selection);
  const tool = useStudio((s) => s.tool);
  const { change, settle } = studioNow();
  const edit = (name: string | null, apply: (i: Item) => void) =>
    change(
      (w) =>
        editItems(w, selection, (i) =>
          resized(
            i,
            studioNow().scene?.items.find((u) => u.id === i.id),
            apply,
          ),
        ),
      name && `pose ${name} ${selection.join()}`,
    );
  const ratio = (v: number) => Math.sign(v || 1) * Math.min(50, Math.max(0.01, Math.abs(v)));
  const plain = item.across === 1 && item.down === 1 && item.slant === 0 && item.turn === 0 && !item.view;
  return (
    <Section
      title="Pose"
      actions={
        <>
          <IconButton label="Mirror, left to right" onClick={() => edit(null, (i) => void (i.across = -i.across))}>
            <FlipHorizontal2 />
          </IconButton>
          <IconButton label="Mirror, top to bottom" onClick={() => edit(null, (i) => void (i.down = -i.down))}>
            <FlipVertical2 />
          </IconButton>
          <IconButton
            label="Straight again"
            disabled={plain}
            onClick={() => edit(null, (i) => void Object.assign(i, { across: 1, down: 1, slant: 0, turn: 0, view: null }))}
          >
            <RotateCcw />
          </IconButton>
        </>
      }
    >
      <Field label="Turn" hint="Clockwise, about the middle" htmlFor="pose-turn">
        <NumberField
          id="pose-turn"
          label="Turn of the whole"
          suffix="°"
          min={-360}
          max={360}
          value={item.turn}
          onChange={(v) => edit("turn", (i) => void (i.turn = v))}
          onSettle={settle}
        />
      </Field>
      <Field label="Across" hint="Width of the whole, coats and all; below 0 mirrored" htmlFor="pose-across">
        <NumberField
          id="pose-across"
          label="Across of the whole"
          suffix="%"
          min={-5000}
          max={5000}
          value={item.across * 100}
          onChange={(v) => edit("across", (i) => void (i.across = ratio(v / 100)))}
          onSettle={settle}
        />
      </Field>
      <Field label="Down" hint="Height of the whole, coats and all; below 0 mirrored" htmlFor="pose-down">
        <NumberField
          id="pose-down"
          label="Down of the whole"
          suffix="%"
          min={-5000}
          max={5000}
          value={item.down * 100}
          onChange={(v) => edit("down", (i) => void (i.down = ratio(v / 100)))}
          onSettle={settle}
        />
      </Field>
      <Field label="Slant" hint="How far upright lines lean to the right" htmlFor="pose-slant">
        <NumberField
          id="pose-slant"
          label="Slant of the whole"
          suffix="°"
          min={-80}
          max={80}
          value={item.slant}
          onChange={(v) => edit("slant", (i) => void (i.slant = v))}
          onSettle={settle}
        />
      </Field>
      <Field label="Perspective" hint="Seen by four corners, which are dragged on the bench; Shift moves both of a row">
        <div className="flex gap-1.5">
          <Button
            look={tool === "view" ? "primary" : "plain"}
            className="min-w-0 grow"
            aria-pressed={tool === "view"}
            onClick={() => setTool(tool === "view" ? "items" : "view")}
          >
            {tool === "view" ? "Done" : "Drag corners"}
          </Button>
          {item.view && <Button onClick={() => edit(null, (i) => void (i.view = null))}>None</Button>}
        </div>
      </Field>
    </Section>
  );
}
