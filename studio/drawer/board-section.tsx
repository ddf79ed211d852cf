import { produce } from "immer";
import type { Board } from "@/core/piece/schema";
import { decimalsOf, fromPx, toPx, units, type Unit } from "@/core/units";
import { Choice } from "../parts/choice";
import { ColourField, Swatch } from "../parts/colour-field";
import { Field, Section } from "../parts/field";
import { NumberField } from "../parts/number-field";
import { useStudio } from "../state/store";
import { unitFactors } from "./units";

const names: Record<Unit, string> = { px: "Pixels, 96 to the inch", pt: "Points, 72 to the inch", mm: "Millimetres", in: "Inches" };

/** Size, unit, resolution and ground of the board. */
export function BoardSection() {
  const board = useStudio((s) => s.work!.piece.board);
  const { change, settle } = useStudio.getState();
  const edit = (name: string, apply: (b: Board) => void) =>
    change((w) => produce(w, (d) => void apply(d.piece.board)), `board ${name}`);
  const side = (name: "width" | "height", label: string) => (
    <Field label={label} hint={`${label} of the board, which is what is exported`} htmlFor={`board-${name}`}>
      <NumberField
        id={`board-${name}`} label={`Board ${name}`} suffix={board.unit} units={unitFactors(board.unit)} decimals={decimalsOf[board.unit]}
        step={board.unit === "in" ? 0.25 : 10} min={0.05} max={20_000} value={board[name]}
        onChange={(v) => edit(name, (b) => void (b[name] = v))} onSettle={settle}
      />
    </Field>
  );
  const convert = (unit: Unit) =>
    edit("unit", (b) => {
      const to = (v: number) => Math.min(20_000, Number(fromPx(toPx(v, b.unit), unit).toFixed(4)));
      [b.width, b.height, b.unit] = [to(b.width), to(b.height), unit];
    });
  return (
    <Section title="Board">
      {side("width", "Width")}
      {side("height", "Height")}
      <Field label="Unit" hint="The unit of every length on this board; changing it keeps the size">
        <Choice label="Unit" value={board.unit} options={units.map((u) => ({ value: u, label: u, hint: names[u] }))} onChange={(v) => convert(v as Unit)} />
      </Field>
      <Field label="Resolution" hint="Pixels to the inch of pictures made of this board" htmlFor="board-dpi">
        <NumberField id="board-dpi" label="Resolution" suffix="dpi" min={10} max={2400} value={board.dpi} onChange={(v) => edit("dpi", (b) => void (b.dpi = v))} onSettle={settle} />
      </Field>
      <Field label="Ground" hint="The colour of the board behind everything, or none">
        <div className="flex gap-2">
          <Choice
            label="Ground"
            value={board.ground ? "colour" : "none"}
            options={[{ value: "colour", label: "Colour", hint: "The board is filled" }, { value: "none", label: "None", hint: "The board is transparent" }]}
            onChange={(v) => edit("ground", (b) => void (b.ground = v === "none" ? null : (b.ground ?? "#ffffff")))}
          />
          {board.ground && (
            <ColourField label="Ground colour" value={board.ground} onChange={(c) => edit("ground", (b) => void (b.ground = c))} onSettle={settle}>
              <button type="button" aria-label="Ground colour" className="rounded-md">
                <Swatch colour={board.ground} className="size-8" />
              </button>
            </ColourField>
          )}
        </div>
      </Field>
    </Section>
  );
}
