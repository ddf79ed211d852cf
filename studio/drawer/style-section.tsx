import { useQueryClient } from "@tanstack/react-query";
import { ChevronDown, Link2, Link2Off, MoreHorizontal, PenLine } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import type { Item } from "@/core/piece/schema";
import { withMeasure } from "@/core/style/measure";
import type { Measure } from "@/core/style/schema";
import { Button, IconButton } from "../parts/button";
import { Choice } from "../parts/choice";
import { NameDialog } from "../parts/dialog";
import { Field, Section } from "../parts/field";
import { Menu } from "../parts/menu";
import { session } from "../state/session";
import { detach, revert, saveAsStyle, updateStyle } from "../state/edits/style";
import { useItem, useParts, useShownStyle, useStudio } from "../state/store";
import { TagsDialog } from "../shelf/tags-dialog";
import { UsesDialog } from "../shelf/uses-dialog";
import { StrainLine } from "./strain-line";
import { StylePicker } from "./style-picker";

const measures = [
  { value: "em", label: "Em", hint: "Lengths follow the size of the letters" },
  { value: "cap", label: "Caps", hint: "Lengths follow the height of the capitals" },
  { value: "stem", label: "Stem", hint: "Lengths follow the thickness of the stems" },
  { value: "fixed", label: "Fixed", hint: "Lengths stay as they are, in points, whatever the size" },
];

const scopes = [
  { value: "style", label: "The style", hint: "All that is linked to this style changes with it" },
  { value: "lettering", label: "This one only", hint: "The style stays as it is; this item keeps changes of its own" },
];

/** Which style a lettering has, how it is linked, and where changes go. */
export function StyleSection({ lettering }: { lettering: Item }) {
  const { work, scope, change, changeStyle, set } = useParts("work", "scope", "change", "changeStyle", "set");
  const style = useShownStyle();
  const item = useItem(lettering.id);
  const queries = useQueryClient();
  const [naming, setNaming] = useState<"save" | "rename" | null>(null);
  const [asking, setAsking] = useState<"tags" | "uses" | null>(null);
  const linked = lettering.styleId ? work!.styles[lettering.styleId] : undefined;
  const users = work!.piece.items.filter((i) => i.styleId && i.styleId === lettering.styleId && !i.ownStyle).length;
  const elsewhere = useStudio((s) => (lettering.styleId ? s.uses[lettering.styleId]?.length : 0)) ?? 0;
  const worn = `${users} item${users === 1 ? "" : "s"} here${elsewhere ? `, ${elsewhere} other piece${elsewhere === 1 ? "" : "s"}` : ""}`;
  const own = Boolean(linked && lettering.ownStyle);

  const save = (name: string) => {
    const made = saveAsStyle(work!, lettering.id, name);
    if (!made) return;
    change(() => made.work);
    set({ scope: "style" });
    const { saver } = session();
    void saver.flush().then(() => {
      // Where it could not be saved yet, the bar says so.
      if (!saver.unsavedStyles.includes(made.style.id)) toast(`“${name}” is on the shelf.`);
      return queries.invalidateQueries({ queryKey: ["styles"] });
    });
  };
  const rename = (name: string) => change((w) => ({ ...w, styles: { ...w.styles, [linked!.id]: { ...linked!, name } } }));

  return (
    <Section
      title="Style"
      actions={
        <Menu
          trigger={
            <IconButton label="More for this style">
              <MoreHorizontal />
            </IconButton>
          }
          items={[
            { label: "Save as a new style…", disabled: !style, onSelect: () => setNaming("save") },
            { label: "Rename the style…", disabled: !linked, onSelect: () => setNaming("rename") },
            { label: "Tags of the style…", disabled: !linked, onSelect: () => setAsking("tags") },
            { label: "Where it is used…", disabled: !linked, onSelect: () => setAsking("uses") },
            null,
            { label: "Give these changes to the style", disabled: !own, onSelect: () => change((w) => updateStyle(w, lettering.id)) },
            { label: "Revert to the style", disabled: !own, onSelect: () => change((w) => revert(w, lettering.id)) },
            { label: "Detach from the style", disabled: !lettering.styleId, onSelect: () => change((w) => detach(w, lettering.id)) },
          ]}
        />
      }
    >
      <StylePicker current={lettering.styleId}>
        <button
          type="button"
          aria-label="Choose a style"
          className="flex h-10 w-full items-center gap-2 rounded-md border border-rule bg-sheet px-3 text-left hover:border-pencil"
        >
          {linked ? (
            own ? (
              <PenLine className="size-4 text-accent" />
            ) : (
              <Link2 className="size-4 text-guide" />
            )
          ) : (
            <Link2Off className="size-4 text-pencil" />
          )}
          <span className="min-w-0 grow">
            <span className="block truncate font-semibold leading-4">{linked?.name ?? (style ? "Own coats" : "No style yet")}</span>
            <span className="block truncate text-xs leading-4 text-pencil">
              {own
                ? "with changes of its own here"
                : linked
                  ? `linked · ${worn}`
                  : style
                    ? "not linked to a style"
                    : "choose one, or add a coat below"}
            </span>
          </span>
          <ChevronDown className="size-4 shrink-0 text-pencil" />
        </button>
      </StylePicker>
      {linked && !own && (
        <Field label="Changes go to" hint="Whether a change to a coat or ink is for all who use the style" stacked>
          <Choice label="Changes go to" value={scope} options={scopes} onChange={(v) => set({ scope: v as "style" })} />
        </Field>
      )}
      {own && (
        <div className="flex gap-2">
          <Button className="min-w-0 flex-1 !px-2" onClick={() => change((w) => revert(w, lettering.id))}>
            Revert
          </Button>
          <Button className="min-w-0 flex-[2] !px-2" onClick={() => change((w) => updateStyle(w, lettering.id))}>
            Give to the style
          </Button>
        </div>
      )}
      {!linked && style && (
        <Button className="w-full" onClick={() => setNaming("save")}>
          Save as a style…
        </Button>
      )}
      {style && item && (
        <Field label="Measure" hint="What the lengths of this style are measured by; changing it keeps the look here">
          <Choice
            label="Measure"
            value={style.measure}
            options={measures}
            onChange={(m) => changeStyle((s) => withMeasure(s, m as Measure, item.metrics, lettering.size))}
          />
        </Field>
      )}
      {style && lettering.kind === "lettering" && <StrainLine lettering={lettering} />}
      {linked && <UsesDialog open={asking === "uses"} style={linked} onClose={() => setAsking(null)} />}
      {linked && (
        <TagsDialog
          open={asking === "tags"}
          of={linked.name}
          tags={linked.tags}
          onClose={() => setAsking(null)}
          onTags={(tags) => change((w) => ({ ...w, styles: { ...w.styles, [linked.id]: { ...linked, tags } } }))}
        />
      )}
      <NameDialog
        open={naming !== null}
        title={naming === "rename" ? "Rename the style" : "Save as a style"}
        start={naming === "rename" ? (linked?.name ?? "") : linked ? `${linked.name} 2` : ""}
        action={naming === "rename" ? "Rename" : "Save style"}
        onClose={() => setNaming(null)}
        onName={naming === "rename" ? rename : save}
      />
    </Section>
  );
}
