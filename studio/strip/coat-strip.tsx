import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { horizontalListSortingStrategy, SortableContext, sortableKeyboardCoordinates } from "@dnd-kit/sortable";
import { ClipboardPaste, Plus } from "lucide-react";
import { useEffect } from "react";
import { IconButton } from "../parts/button";
import { pasteCopied } from "../state/commands";
import { moveCoat } from "../state/edits/style";
import { studioNow, useItem, useParts, useSelectedItem, useShownStyle, useStudio } from "../state/store";
import { CoatCard } from "./coat-card";
import { StarterSheet } from "./starter-sheet";

/**
 * What hovering shows ends with the hover: at the first move that is not over a card, wherever it goes (a menu lies over everything and
 * lets no card know that it was left), and where the pointer leaves the window.
 */
function useEndOfHover(): void {
  const shown = useStudio((s) => s.shownUpTo !== null);
  useEffect(() => {
    if (!shown) return;
    const ended = new AbortController();
    const { signal } = ended;
    const end = () => studioNow().set({ shownUpTo: null });
    const onMove = (e: Event) => {
      if (!(e.target instanceof Element && e.target.closest("[data-coat]"))) end();
    };
    for (const event of ["pointermove", "pointerdown"] as const) window.addEventListener(event, onMove, { capture: true, signal });
    document.documentElement.addEventListener("pointerleave", end, { signal });
    window.addEventListener("blur", end, { signal });
    return () => {
      ended.abort();
      end();
    };
  }, [shown]);
}

/** The coats of the selected item, back to front from left to right. */
export function CoatStrip() {
  const lettering = useSelectedItem();
  const item = useItem(lettering?.id);
  const style = useShownStyle();
  const { copied, changeStyle } = useParts("copied", "changeStyle");
  useEndOfHover();
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
            <ol className="flex min-w-0 grow items-stretch gap-2 scroll-px-3 overflow-x-auto px-3 py-2">
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
