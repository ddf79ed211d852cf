import { useQuery } from "@tanstack/react-query";
import { ArrowLeftRight, Merge, Palette, Plus, Trash2, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import type { Ink } from "@/core/coat/schema";
import { harmoniesOf, weakBorders } from "@/core/style/harmony";
import { inksOf } from "@/core/style/inks";
import { withInkSet } from "@/core/style/ink-set";
import type { Style } from "@/core/style/schema";
import { api } from "../api/client";
import { Button, IconButton } from "../parts/button";
import { ColourField, Swatch } from "../parts/colour-field";
import { Section } from "../parts/field";
import { Menu } from "../parts/menu";
import { Tip } from "../parts/tip";
import { addInk as withInk, editInk, removeInk, swapInks } from "../state/edits/style";
import { studioNow } from "../state/store";
import { useStyleControls } from "./controls/context";

/** The named colours of the style. Changing one recolours every coat that uses it. */
export function InksSection({ style }: { style: Style }) {
  const { addInk } = useStyleControls();
  const [added, setAdded] = useState<string | null>(null);
  const weak = weakBorders(style);
  return (
    <Section
      title="Inks"
      actions={
        <>
          <InkSets current={style.id} />
          <IconButton label="Add an ink" onClick={() => setAdded(addInk())}>
            <Plus />
          </IconButton>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-1.5">
        {style.inks.map((ink) => (
          <InkField key={ink.id} style={style} ink={ink} opened={ink.id === added} />
        ))}
      </div>
      {weak.map((w) => (
        <p key={`${w.front} ${w.behind}`} role="note" className="flex gap-1.5 text-xs text-pencil">
          <TriangleAlert className="mt-0.5 size-3.5 shrink-0 text-warn" />
          <span>
            “{w.front}” hardly stands out from “{w.behind}” behind it: {w.ratio.toFixed(1)} to 1.
          </span>
        </p>
      ))}
    </Section>
  );
}

async function inksOfStyle(id: string): Promise<readonly Ink[]> {
  const style = studioNow().work?.styles[id] ?? (await api.get("styles", id)).document;
  return style.inks;
}

/** The inks of the shelf's other styles, to be laid on this one. */
function InkSets({ current }: { current: string }) {
  const { changeStyle } = studioNow();
  const styles = useQuery({ queryKey: ["styles"], queryFn: () => api.list("styles") });
  const lay = async (id: string) => {
    try {
      const inks = await inksOfStyle(id);
      changeStyle((s) => withInkSet(s, inks));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const others = (styles.data ?? []).filter((s) => s.id !== current);
  return (
    <Menu
      trigger={
        <IconButton label="Lay the inks of another style on this one" disabled={!others.length}>
          <Palette />
        </IconButton>
      }
      items={others.map((s) => ({ label: s.name, onSelect: () => void lay(s.id) }))}
    />
  );
}

function InkField({ style, ink, opened }: { style: Style; ink: Ink; opened: boolean }) {
  const { changeStyle, settle } = studioNow();
  const coats = style.coats.filter((c) => inksOf(c).includes(ink.id)).length;
  const others = style.inks.filter((i) => i.id !== ink.id);
  const named = (change: (other: Ink) => void) =>
    others.map((o) => ({ label: o.name || "Unnamed", hint: o.colour, onSelect: () => change(o) }));
  return (
    <ColourField
      label={`Ink ${ink.name}`}
      value={ink.colour}
      opened={opened}
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
          <Harmonies ink={ink} />
          <div className="flex h-7 items-center justify-between text-xs text-pencil">
            <span>{coats === 0 ? "Not used" : `Used by ${coats} coat${coats === 1 ? "" : "s"}`}</span>
            {coats === 0 && others.length > 0 && (
              <Button look="quiet" className="!h-7 !px-2" onClick={() => changeStyle((s) => removeInk(s, ink.id, others[0].id))}>
                <Trash2 className="size-3.5" /> Delete
              </Button>
            )}
          </div>
          <div className="flex gap-1.5">
            <Menu
              trigger={
                <Button className="!h-7 grow !px-2" disabled={!others.length}>
                  <ArrowLeftRight className="size-3.5" /> Swap
                </Button>
              }
              items={named((o) => changeStyle((s) => swapInks(s, ink.id, o.id)))}
            />
            <Menu
              trigger={
                <Button className="!h-7 grow !px-2" disabled={!others.length}>
                  <Merge className="size-3.5" /> Merge
                </Button>
              }
              items={named((o) => changeStyle((s) => removeInk(s, ink.id, o.id)))}
            />
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
}

/** Colours that go with an ink; a click adds one. */
function Harmonies({ ink }: { ink: Ink }) {
  const { changeStyle } = studioNow();
  return (
    <div className="space-y-1">
      {harmoniesOf(ink.colour).map(({ name, hint, colours }) => (
        <div key={name} className="flex items-center gap-1">
          <Tip text={hint} side="left">
            <span className="w-[62px] shrink-0 text-xs text-pencil">{name}</span>
          </Tip>
          {colours.map((colour, i) => (
            <button
              key={i}
              type="button"
              aria-label={`Add ${colour} as an ink`}
              onClick={() => changeStyle((s) => withInk(s, colour).style)}
              className="h-6 min-w-0 flex-1 rounded border border-black/15 hover:ring-2 hover:ring-accent"
              style={{ background: colour }}
            />
          ))}
        </div>
      ))}
    </div>
  );
}
