import { Plus, Trash2 } from "lucide-react";
import { inksOf } from "@/core/style/inks";
import type { Style } from "@/core/style/schema";
import { Button, IconButton } from "../parts/button";
import { ColourField, Swatch } from "../parts/colour-field";
import { Section } from "../parts/field";
import { editInk, removeInk } from "../state/edits/style";
import { useStudio } from "../state/store";
import { useStyleControls } from "./controls/context";

/** The named colours of the style. Changing one recolours every coat that uses it. */
export function InksSection({ style }: { style: Style }) {
  const { changeStyle, settle } = useStudio.getState();
  const { addInk } = useStyleControls();
  return (
    <Section
      title="Inks"
      actions={
        <IconButton label="Add an ink" onClick={addInk}>
          <Plus />
        </IconButton>
      }
    >
      <div className="grid grid-cols-2 gap-1.5">
        {style.inks.map((ink) => {
          const coats = style.coats.filter((c) => inksOf(c).includes(ink.id)).length;
          const other = style.inks.find((i) => i.id !== ink.id);
          return (
            <ColourField
              key={ink.id}
              label={`Ink ${ink.name}`}
              value={ink.colour}
              onChange={(colour) => changeStyle((s) => editInk(s, ink.id, { colour }), `ink ${ink.id}`)}
              onSettle={settle}
              extra={
                <div className="mt-2 space-y-2 border-t border-rule pt-2">
                  <input
                    aria-label="Name of the ink"
                    value={ink.name}
                    maxLength={80}
                    onChange={(e) => changeStyle((s) => editInk(s, ink.id, { name: e.target.value }), `ink name ${ink.id}`)}
                    onBlur={settle}
                    className="h-8 w-full rounded-md border border-rule bg-sheet px-2 outline-none focus:border-accent"
                  />
                  <div className="flex items-center justify-between text-xs text-pencil">
                    <span>{coats === 0 ? "Not used" : `Used by ${coats} coat${coats === 1 ? "" : "s"}`}</span>
                    <Button
                      look="quiet"
                      className="!h-7 !px-2"
                      disabled={!other}
                      onClick={() => other && changeStyle((s) => removeInk(s, ink.id, other.id))}
                    >
                      <Trash2 className="size-3.5" /> Delete
                    </Button>
                  </div>
                </div>
              }
            >
              <button
                type="button"
                aria-label={`Ink ${ink.name}, ${ink.colour}`}
                className="flex h-8 min-w-0 items-center gap-2 rounded-md border border-rule bg-sheet pl-1 pr-2 hover:border-pencil"
              >
                <Swatch colour={ink.colour} className="size-6 shrink-0" />
                <span className="truncate">{ink.name || "Unnamed"}</span>
              </button>
            </ColourField>
          );
        })}
      </div>
    </Section>
  );
}
