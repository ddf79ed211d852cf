import type { Lettering } from "@/core/piece/schema";
import { lineSchema, type LineOptions } from "@/core/lettering/options";
import { decimalsOf, fromPx, toPx } from "@/core/units";
import { Button } from "../../parts/button";
import { Choice } from "../../parts/choice";
import { Fold } from "../../parts/field";
import { NumberField } from "../../parts/number-field";
import { editLettering } from "../../state/edits/items";
import { studioNow, useLetteringUpdate, useStudio } from "../../state/store";
import { unitFactors } from "../units";
import { useFaceFacts } from "../../face-facts";

const ways = [
  { value: "size", label: "Size", hint: "The letters grow or shrink" },
  { value: "spacing", label: "Spacing", hint: "The letters keep their size and move apart or together" },
  { value: "axis", label: "Width axis", hint: "A variable face grows wider or narrower; what the axis does not reach is left to spacing" },
];

/** Lines that are fitted to an exact width of ink, each its own. */
export function LinesSection({ lettering }: { lettering: Lettering }) {
  const item = useLetteringUpdate(lettering.id);
  const unit = useStudio((s) => s.work!.piece.board.unit);
  const hasWidth = useFaceFacts(lettering)?.axes.some((a) => a.tag === "wdth") ?? false;
  const { change, settle } = studioNow();
  const texts = lettering.text.split("\n");
  const lineOf = (i: number): LineOptions => lettering.lines[i] ?? lineSchema.parse({});
  const edit = (name: string | null, apply: (line: LineOptions, i: number) => LineOptions) =>
    change(
      (w) => editLettering(w, [lettering.id], (l) => void (l.lines = texts.map((_, i) => apply(l.lines[i] ?? lineSchema.parse({}), i)))),
      name && `${name} ${lettering.id}`,
    );
  const inked = (i: number): number => {
    const ink = item?.lines[i]?.ink;
    return ink && ink.maxX > ink.minX ? ((ink.maxX - ink.minX) * lettering.size) / 1000 : 0;
  };
  const widest = Math.max(...texts.map((_, i) => inked(i)));
  const fitted = texts.some((_, i) => lineOf(i).width !== null);
  return (
    <Fold title="Widths of the lines">
      {texts.map((text, i) => {
        const line = lineOf(i);
        return (
          <div key={i} className="rounded-lg border border-rule bg-sheet/60 p-2">
            <p className="mb-1 truncate text-xs text-pencil">{text.trim() || "Empty line"}</p>
            <div className="flex items-center gap-1.5">
              <NumberField
                label={`Width of line ${i + 1}`}
                className="min-w-0 flex-1"
                suffix={unit}
                units={unitFactors(unit)}
                decimals={decimalsOf[unit] + 1}
                step={unit === "in" ? 0.05 : 1}
                min={fromPx(0.1, unit)}
                max={fromPx(1e6, unit)}
                value={fromPx(line.width ?? inked(i), unit)}
                onChange={(v) => edit(`width ${i}`, (l, k) => (k === i ? { ...l, width: toPx(v, unit) } : l))}
                onSettle={settle}
              />
              {line.width === null ? (
                <span className="w-14 text-xs text-pencil">as it is</span>
              ) : (
                <Button
                  look="quiet"
                  className="!h-7 w-14 !px-1 text-xs"
                  aria-label={`Let line ${i + 1} be as wide as it is`}
                  onClick={() => edit(null, (l, k) => (k === i ? { ...l, width: null } : l))}
                >
                  Let go
                </Button>
              )}
            </div>
            {line.width !== null && (
              <div className="mt-1.5">
                <Choice
                  label={`Fit line ${i + 1} by`}
                  value={line.by}
                  options={hasWidth ? ways : ways.slice(0, 2)}
                  onChange={(by) => edit(null, (l, k) => (k === i ? { ...l, by: by as "size" } : l))}
                />
              </div>
            )}
          </div>
        );
      })}
      <div className="flex gap-1.5">
        <Button className="min-w-0 grow" disabled={!(widest > 0)} onClick={() => edit(null, (l) => ({ ...l, width: widest, by: "size" }))}>
          All as wide as the widest
        </Button>
        {fitted && <Button onClick={() => edit(null, (l) => ({ ...l, width: null }))}>Let all go</Button>}
      </div>
    </Fold>
  );
}
