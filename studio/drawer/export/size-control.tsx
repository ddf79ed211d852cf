import { useState } from "react";
import { mostSide, picturePixels, printed, type PictureSize, type Pixels } from "@/core/picture-size";
import type { Board } from "@/core/piece/board";
import { pxPer, toPx } from "@/core/units";
import { Choice } from "../../parts/choice";
import { Field } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { unitFactors } from "../units";
import { useExportedPart } from "./exported-part";

/** What is chosen for a picture: what it is measured by, and the values of all of them, so that going from one to another loses nothing. */
interface SizeChoice {
  readonly by: PictureSize["kind"];
  readonly times: number;
  /** Pixels. */
  readonly width: number;
  /** Inches. */
  readonly print: number;
  /** Of a picture that is measured by its width in print. */
  readonly printDpi: number;
  readonly dpi: number;
}

/** What pictures are printed at (common practice). */
const fineDpi = 300;

/** A board in pixels is taken at its own pixels, any other at its resolution; in print, it is as large as these allow. */
function firstChoice(board: Board): SizeChoice {
  const px = board.unit === "px";
  const printDpi = px ? fineDpi : board.dpi;
  return {
    by: px ? "times" : "dpi",
    times: 1,
    width: 2000,
    print: px ? board.width / printDpi : toPx(board.width, board.unit) / pxPer.in,
    printDpi,
    dpi: board.dpi,
  };
}

function sizeOf({ by, times, width, print, printDpi, dpi }: SizeChoice, board: Board): PictureSize {
  const prints = board.unit === "px" ? { dpi } : {};
  if (by === "times") return { kind: "times", times, ...prints };
  if (by === "width") return { kind: "width", width, ...prints };
  return by === "print" ? { kind: "print", width: print, dpi: printDpi } : { kind: "dpi", dpi };
}

const mmPerInch = 25.4;

const ways = {
  times: { value: "times", label: "Times", hint: "So many times the board's pixels" },
  dpi: { value: "dpi", label: "Resolution", hint: "The board's size in print, at so many pixels to the inch" },
  width: { value: "width", label: "Width", hint: "Pixels across" },
  print: { value: "print", label: "Print", hint: "A width in print, and a resolution" },
};

interface Props {
  board: Board;
  choice: SizeChoice;
  /** What comes of it; nothing where there is nothing to draw. */
  pixels: Pixels | null;
  onChange: (choice: SizeChoice) => void;
}

/** How large a picture is: the control of such a setting. */
export function SizeControl({ value, onChange }: { value: PictureSize | null; onChange: (size: PictureSize) => void }) {
  const { board, part } = useExportedPart();
  const [choice, setChoice] = useState(() => firstChoice(board));
  const pixels = part && picturePixels(value, part.width, part.height, board);
  return (
    <PictureSizeFields
      board={board}
      choice={choice}
      pixels={pixels}
      onChange={(c) => {
        setChoice(c);
        onChange(sizeOf(c, board));
      }}
    />
  );
}

/** How large a picture is, in pixels and in print. */
function PictureSizeFields({ board, choice, pixels, onChange }: Props) {
  const put = (values: Partial<SizeChoice>) => onChange({ ...choice, ...values });
  const inPixels = board.unit === "px";
  const { by } = choice;
  const paper = pixels && printed(pixels);
  const unit = board.unit === "in" ? "in" : "mm";
  const length = (inches: number) => (unit === "in" ? inches.toFixed(2) : (inches * mmPerInch).toFixed(1));
  return (
    <>
      <Field label="Size by" hint="What the size of the picture is measured by">
        <Choice
          label="Size by"
          value={by}
          options={[inPixels ? ways.times : ways.dpi, ways.width, ways.print]}
          onChange={(v) => put({ by: v as SizeChoice["by"] })}
        />
      </Field>
      {by === "times" && (
        <Field label="Times" hint="How many pixels one of the board's becomes, each way">
          <div className="flex gap-1.5">
            <div className="grow">
              <Choice
                label="Times the board"
                value={String(choice.times)}
                options={["1", "2", "3", "4"].map((n) => ({
                  value: n,
                  label: `${n}×`,
                  hint: n === "1" ? "The board's own pixels" : `${n} times the board's pixels, for dense screens`,
                }))}
                onChange={(v) => put({ times: Number(v) })}
              />
            </div>
          </div>
        </Field>
      )}
      {by === "width" && (
        <Field label="Width" hint="Pixels across; the height follows" htmlFor="png-width">
          <NumberField
            id="png-width"
            label="Picture width"
            suffix="px"
            min={1}
            max={mostSide}
            decimals={0}
            value={choice.width}
            onChange={(v) => put({ width: Math.round(v) })}
          />
        </Field>
      )}
      {by === "print" && (
        <Field label="Print width" hint="How wide the picture prints; the height follows" htmlFor="png-print">
          <NumberField
            id="png-print"
            label="Print width"
            suffix={unit}
            units={unitFactors(unit)}
            decimals={unit === "in" ? 2 : 1}
            min={unit === "in" ? 0.1 : 2.5}
            max={unit === "in" ? 1000 : 25_400}
            value={(choice.print * pxPer.in) / pxPer[unit]}
            onChange={(v) => put({ print: (v * pxPer[unit]) / pxPer.in })}
          />
        </Field>
      )}
      {(by !== "width" || inPixels) && (
        <Field
          label="Resolution"
          hint={
            inPixels && by !== "print"
              ? "Pixels to the inch: how large the picture prints. Its pixels stay as they are"
              : "Pixels to the inch of the picture"
          }
          htmlFor="png-dpi"
        >
          <NumberField
            id="png-dpi"
            label="Picture resolution"
            suffix="dpi"
            min={1}
            max={4800}
            value={by === "print" ? choice.printDpi : choice.dpi}
            onChange={(v) => put(by === "print" ? { printDpi: v } : { dpi: v })}
          />
        </Field>
      )}
      <p aria-live="polite" className="text-pencil">
        {pixels && paper ? (
          <>
            <span className="font-medium text-graphite">
              {pixels.width.toLocaleString("en")} × {pixels.height.toLocaleString("en")} pixels
            </span>
            <br />
            prints {length(paper.width)} × {length(paper.height)} {unit} at {Number(pixels.dpi.toFixed(1))} dpi
          </>
        ) : (
          "Nothing to draw"
        )}
      </p>
    </>
  );
}
