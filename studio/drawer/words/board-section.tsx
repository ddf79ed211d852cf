import { RotateCw, Trash2 } from "lucide-react";
import { produce } from "immer";
import type { Board } from "@/core/piece/board";
import { boardSizes, type BoardSize } from "@/core/piece/board-sizes";
import { decimalsOf, fromPx, toPx, units, type Unit } from "@/core/units";
import { Button, IconButton } from "../../parts/button";
import { Switch } from "../../parts/switch";
import { Choice } from "../../parts/choice";
import { ColourField, Swatch } from "../../parts/colour-field";
import { Field, Fold } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { studioNow, useParts, useStudio } from "../../state/store";
import { unitFactors } from "../units";

const names: Record<Unit, string> = { px: "Pixels, 96 to the inch", pt: "Points, 72 to the inch", mm: "Millimetres", in: "Inches" };

/** Size, unit, resolution and ground of the board. */
export function BoardSection() {
  const board = useStudio((s) => s.work!.piece.board);
  const { change, settle } = studioNow();
  const edit = (name: string, apply: (b: Board) => void) => change((w) => produce(w, (d) => void apply(d.piece.board)), `board ${name}`);
  const side = (name: "width" | "height", label: string) => (
    <Field label={label} hint={`${label} of the board, which is what is exported`} htmlFor={`board-${name}`}>
      <NumberField
        id={`board-${name}`}
        label={`Board ${name}`}
        suffix={board.unit}
        units={unitFactors(board.unit)}
        decimals={decimalsOf[board.unit]}
        step={board.unit === "in" ? 0.25 : 10}
        min={0.05}
        max={20_000}
        value={board[name]}
        onChange={(v) => edit(name, (b) => void (b[name] = v))}
        onSettle={settle}
      />
    </Field>
  );
  const convert = (unit: Unit) =>
    edit("unit", (b) => {
      const to = (v: number) => Math.min(20_000, Number(fromPx(toPx(v, b.unit), unit).toFixed(4)));
      [b.width, b.height, b.unit] = [to(b.width), to(b.height), unit];
    });
  const sizes = boardSizes.flatMap((g) => g.sizes);
  const chosen = sizes.findIndex(
    (s) =>
      s.unit === board.unit &&
      ((s.width === board.width && s.height === board.height) || (s.width === board.height && s.height === board.width)),
  );
  return (
    <Fold title="Board" open>
      <Field label="Common size" hint="Sizes of print, screens and stickers" htmlFor="board-size">
        <div className="flex gap-1.5">
          <select
            id="board-size"
            aria-label="Common size"
            value={chosen}
            className="h-8 min-w-0 grow rounded-md border border-rule bg-sheet px-2"
            onChange={(e) => {
              const size = sizes.at(Number(e.target.value));
              if (Number(e.target.value) >= 0 && size) edit("size", (b) => void Object.assign(b, sized(size)));
            }}
          >
            {chosen < 0 && <option value={-1}>Own size</option>}
            {boardSizes.map((g) => (
              <optgroup key={g.group} label={g.group}>
                {g.sizes.map((s) => (
                  <option key={s.name} value={sizes.indexOf(s)}>
                    {s.name}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
          <IconButton
            label="Turn the board on its side"
            look="plain"
            onClick={() => edit("side", (b) => void Object.assign(b, { width: b.height, height: b.width }))}
          >
            <RotateCw />
          </IconButton>
        </div>
      </Field>
      {side("width", "Width")}
      {side("height", "Height")}
      <Field label="Unit" hint="The unit of every length on this board; changing it keeps the size">
        <Choice
          label="Unit"
          value={board.unit}
          options={units.map((u) => ({ value: u, label: u, hint: names[u] }))}
          onChange={(v) => convert(v as Unit)}
        />
      </Field>
      <Field label="Resolution" hint="Pixels to the inch of pictures made of this board" htmlFor="board-dpi">
        <NumberField
          id="board-dpi"
          label="Resolution"
          suffix="dpi"
          min={10}
          max={2400}
          value={board.dpi}
          onChange={(v) => edit("dpi", (b) => void (b.dpi = v))}
          onSettle={settle}
        />
      </Field>
      <Field label="Ground" hint="The colour of the board behind everything, or none">
        <div className="flex gap-2">
          <div className="min-w-0 grow">
            <Choice
              label="Ground"
              value={board.ground ? "colour" : "none"}
              options={[
                { value: "colour", label: "Colour", hint: "The board is filled" },
                { value: "none", label: "None", hint: "The board is transparent" },
              ]}
              onChange={(v) => edit("ground", (b) => void (b.ground = v === "none" ? null : (b.ground ?? "#ffffff")))}
            />
          </div>
          {board.ground && (
            <ColourField
              label="Ground colour"
              value={board.ground}
              onChange={(c) => edit("ground", (b) => void (b.ground = c))}
              onSettle={settle}
            >
              <button type="button" aria-label="Ground colour" className="rounded-md">
                <Swatch colour={board.ground} className="size-8" />
              </button>
            </ColourField>
          )}
        </div>
      </Field>
      <Aids board={board} edit={edit} />
    </Fold>
  );
}

const sized = ({ width, height, unit, dpi }: BoardSize) => ({ width, height, unit, dpi });

/** Guides, the grid and the increments of moves. */
function Aids({ board, edit }: { board: Board; edit: (name: string, apply: (b: Board) => void) => void }) {
  const { increments, set, settle } = useParts("increments", "set", "settle");
  const { unit, grid, guides } = board;
  const across = toPx(board.width, unit);
  const down = toPx(board.height, unit);
  return (
    <>
      <Switch
        label="Grid"
        hint="Lines that moves are drawn to"
        checked={grid?.on ?? false}
        onChange={(on) => edit("grid", (b) => void (b.grid = { step: b.grid?.step ?? Number(fromPx(40, unit).toPrecision(1)), on }))}
      />
      {grid?.on && (
        <Field label="Grid step" hint="From one line of the grid to the next" htmlFor="grid-step">
          <NumberField
            id="grid-step"
            label="Grid step"
            suffix={unit}
            units={unitFactors(unit)}
            decimals={decimalsOf[unit]}
            min={0.01}
            max={10_000}
            value={grid.step}
            onChange={(v) => edit("grid step", (b) => void (b.grid = { step: v, on: true }))}
            onSettle={settle}
          />
        </Field>
      )}
      <Field label="Guides" hint="Lines across the board that moves are drawn to; drag them by their grips">
        <div className="flex gap-1.5">
          <Button className="min-w-0 grow !px-1" onClick={() => edit("guide", (b) => void b.guides.push({ axis: "x", at: across / 2 }))}>
            Upright
          </Button>
          <Button className="min-w-0 grow !px-1" onClick={() => edit("guide", (b) => void b.guides.push({ axis: "y", at: down / 2 }))}>
            Level
          </Button>
        </div>
      </Field>
      {guides.map((g, i) => (
        <Field key={i} label={g.axis === "x" ? "Upright at" : "Level at"} hint="From the left or the top edge of the board">
          <div className="flex gap-1.5">
            <NumberField
              label={`Guide ${i + 1}`}
              className="grow"
              suffix={unit}
              units={unitFactors(unit)}
              decimals={decimalsOf[unit]}
              value={fromPx(g.at, unit)}
              onChange={(v) => edit(`guide ${i}`, (b) => void (b.guides[i].at = toPx(v, unit)))}
              onSettle={settle}
            />
            <IconButton label={`Take guide ${i + 1} away`} onClick={() => edit("guide", (b) => void b.guides.splice(i, 1))}>
              <Trash2 />
            </IconButton>
          </div>
        </Field>
      ))}
      <Switch
        label="Moves in steps"
        hint="Moves, turns and scales go in fixed steps; without it Shift does so for turns and scales"
        checked={increments.on}
        onChange={(on) => set({ increments: { ...increments, on } })}
      />
      <div className="grid grid-cols-3 gap-1.5">
        <NumberField
          label="Step of moves"
          suffix={unit}
          units={unitFactors(unit)}
          decimals={decimalsOf[unit]}
          min={0.01}
          max={10_000}
          value={fromPx(increments.move, unit)}
          onChange={(v) => set({ increments: { ...increments, move: toPx(v, unit) } })}
        />
        <NumberField
          label="Step of turns"
          suffix="°"
          min={0.1}
          max={180}
          value={increments.turn}
          onChange={(v) => set({ increments: { ...increments, turn: v } })}
        />
        <NumberField
          label="Step of scales"
          suffix="%"
          min={0.1}
          max={100}
          value={increments.scale}
          onChange={(v) => set({ increments: { ...increments, scale: v } })}
        />
      </div>
    </>
  );
}
