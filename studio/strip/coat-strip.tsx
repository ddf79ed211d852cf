import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { horizontalListSortingStrategy, SortableContext, sortableKeyboardCoordinates } from "@dnd-kit/sortable";
import { ClipboardPaste, Plus } from "lucide-react";
import { IconButton } from "../parts/button";
import { pasteCopied } from "../state/commands";
import { moveCoat } from "../state/edits/style";
import { useItem, useParts, useSelectedItem, useShownStyle } from "../state/store";
import { CoatCard } from "./coat-card";
import { StarterSheet } from "./starter-sheet";

/** The coats of the selected item, back to front from left to right. */
export function CoatStrip() {
  const lettering = useSelectedItem();
  const item = useItem(lettering?.id);
  const style = useShownStyle();
  const { copied, set, changeStyle } = useParts("copied", "set", "changeStyle");
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: sortableKeyboardCoordinates,
      keyboardCodes: { start: ["Space"], end: ["Space", "Enter"], cancel: ["Escape"] },
    }),
  );
  const coats = style?.coats ?? [];
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const to = coats.findIndex((c) => c.id === over?.id);
    if (over && active.id !== over.id && to >= 0) changeStyle((s) => moveCoat(s, String(active.id), to));
  };
  return (
    <section aria-label="Coats" data-strip className="flex h-full items-stretch border-t border-rule bg-paper">
      <div className="flex w-11 shrink-0 flex-col items-center justify-center gap-1 border-r border-rule">
        <StarterSheet lettering={lettering}>
          <IconButton side="right" label="Add a coat" disabled={!lettering} data-add-coat>
            <Plus />
          </IconButton>
        </StarterSheet>
        <IconButton
          side="right"
          label={copied ? `Paste the coat “${copied.coat.name}”` : "Paste a coat: copy one first"}
          keys="Ctrl V"
          disabled={!lettering || !copied}
          onClick={pasteCopied}
        >
          <ClipboardPaste />
        </IconButton>
      </div>
      {!lettering ? (
        <p className="self-center px-5 text-pencil">
          Select a lettering or a shape to see its coats here, back to front from left to right.
        </p>
      ) : coats.length === 0 ? (
        <p className="self-center px-5 text-pencil">
          No coats yet: nothing is painted. Add one with +, or choose a style in the drawer under Coats.
        </p>
      ) : (
        <DndContext id="coats" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={coats.map((c) => c.id)} strategy={horizontalListSortingStrategy}>
            <ol
              className="flex min-w-0 grow items-stretch gap-2 scroll-px-3 overflow-x-auto px-3 py-2"
              onPointerLeave={() => set({ shownUpTo: null })}
            >
              {coats.map((coat, i) => (
                <CoatCard key={coat.id} coat={coat} index={i} count={coats.length} item={item} />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
      )}
    </section>
  );
}
