import { Spline } from "lucide-react";
import { withValue } from "@/core/params";
import { newShape, type ShapeItem } from "@/core/piece/schema";
import { shapeKind, shapeKinds } from "@/core/shape/kinds";
import { decimalsOf, fromPx, toPx } from "@/core/units";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Field, Section } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { editNodes, setTool } from "../../state/commands";
import { editShape } from "../../state/edits/items";
import { studioNow, useItem, useStudio } from "../../state/store";
import { ParamControls } from "../controls/param-controls";
import { NodeTools } from "../node-tools";
import { unitFactors } from "../units";

/** What a shape is and how large. */
export function ShapeSection({ shape }: { shape: ShapeItem }) {
  const update = useItem(shape.id);
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const tool = useStudio((s) => s.tool);
  const { change, settle } = studioNow();
  const edit = (name: string | null, apply: (s: ShapeItem) => void) =>
    change((w) => editShape(w, [shape.id], apply), name && `shape ${name} ${shape.id}`);
  const px = (side: "width" | "height"): number => {
    const box = update?.view?.box ?? update?.ink;
    const units = !box || !(box.maxX >= box.minX) ? shape[side] : side === "width" ? box.maxX - box.minX : box.maxY - box.minY;
    return (units * shape.size) / 1000;
  };
  const side = (name: "width" | "height", label: string) => (
    <Field label={label} hint={`${label} of the shape; its coats stay as they are`} htmlFor={`shape-${name}`}>
      <NumberField
        id={`shape-${name}`}
        label={label}
        suffix={unit}
        units={unitFactors(unit)}
        decimals={decimalsOf[unit]}
        min={fromPx(0.1, unit)}
        max={fromPx(1e5, unit)}
        value={fromPx(px(name), unit)}
        onChange={(v) =>
          edit(name, (s) => void (px(name) > 0 && (s[name] = Math.min(1e6, Math.max(0.1, (s[name] * toPx(v, unit)) / px(name))))))
        }
        onSettle={settle}
      />
    </Field>
  );
  const kinds = shapeKinds.filter((k) => k.kind !== "path").map((k) => ({ value: k.kind, label: k.label, hint: k.hint }));
  const free = shape.shape.kind === "path";
  return (
    <Section title="Shape">
      <input
        aria-label="Name of the shape"
        value={shape.name}
        maxLength={80}
        onChange={(e) => edit("name", (s) => void (s.name = e.target.value))}
        onBlur={settle}
        className="h-8 w-full rounded-md border border-rule bg-sheet px-2 font-medium outline-none focus:border-accent"
      />
      {!free && (
        <Field label="Kind" hint="What it is; its size and coats stay">
          <Choice
            id="shape-kind"
            label="Kind of shape"
            value={shape.shape.kind}
            options={kinds}
            onChange={(kind) => edit(null, (s) => void (s.shape = newShape(kind)))}
          />
        </Field>
      )}
      {side("width", "Width")}
      {shape.shape.kind !== "line" && side("height", "Height")}
      <ParamControls
        params={shapeKind(shape.shape.kind).params}
        values={shape.shape}
        onChange={(name, value) => edit(name, (s) => void (s.shape = withValue(s.shape, name, value)))}
      />
      <Field label="Coat size" hint="What the lengths of its coats are relative to: an em of this size" htmlFor="shape-size">
        <NumberField
          id="shape-size"
          label="Coat size"
          suffix={unit}
          units={unitFactors(unit)}
          decimals={decimalsOf[unit]}
          min={fromPx(1, unit)}
          max={fromPx(20_000, unit)}
          value={fromPx(shape.size, unit)}
          onChange={(v) =>
            edit("size", (s) => {
              const next = Math.min(20_000, Math.max(1, toPx(v, unit)));
              const k = s.size / next;
              [s.size, s.width, s.height] = [next, Math.min(1e6, Math.max(0.1, s.width * k)), Math.min(1e6, Math.max(0.1, s.height * k))];
            })
          }
          onSettle={settle}
        />
      </Field>
      <Button
        look={tool === "nodes" ? "primary" : "plain"}
        className="w-full"
        aria-pressed={tool === "nodes"}
        onClick={() => (tool === "nodes" ? setTool("items") : editNodes())}
      >
        <Spline className="size-4" /> {tool === "nodes" ? "Done with nodes" : free ? "Edit its nodes" : "Make a free path, edit its nodes"}
      </Button>
      {tool === "nodes" && free && <NodeTools />}
    </Section>
  );
}
