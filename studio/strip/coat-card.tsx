import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { clsx } from "clsx";
import { Eye, EyeOff, MoreVertical, TriangleAlert } from "lucide-react";
import { useEffect, useMemo, useRef, type KeyboardEvent } from "react";
import { flushSync } from "react-dom";
import type { Coat } from "@/core/coat/schema";
import { isEmpty } from "@/core/curves/bounds";
import { isPale } from "@/core/style/pale";
import { layerKey, type ItemUpdate, type LayerUpdate } from "@/worker/protocol";
import { Layer } from "../bench/layer";
import { withIds } from "../bench/patch-svg";
import { IconButton } from "../parts/button";
import { focusNext } from "../parts/focus-next";
import { Menu } from "../parts/menu";
import { Tip } from "../parts/tip";
import { copyCoat } from "../state/clipboard";
import { duplicateCoat, editCoat, moveCoat, removeCoat } from "../state/edits/style";
import { studioNow, useStudio } from "../state/store";
import { useUnhurried } from "../state/use-unhurried";
import { sayUndoable } from "../state/undoable";
import { itemOf, shownStyle } from "../state/work";

interface Props {
  coat: Coat;
  index: number;
  count: number;
  item: ItemUpdate | undefined;
}

/** One coat: a live picture of it alone, its name, and what can be done with it. */
export function CoatCard({ coat, index, count, item }: Props) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: coat.id });
  const chosen = useStudio((s) => s.coatId === coat.id);
  const { changeStyle, set } = studioNow();
  const pale = useStudio((s) => !!s.work && isPale(shownStyle(s.work, itemOf(s.work, s.selection.at(-1)))?.inks ?? []));

  // The chosen coat is never out of sight, however long the strip.
  const own = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (chosen) own.current?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [chosen]);

  const choose = () => set({ coatId: coat.id, stage: "coats" });
  const rename = () => {
    flushSync(choose);
    document.querySelector<HTMLInputElement>('[aria-label="Name of the coat"]')?.select();
  };
  const remove = () => {
    const { coats = [] } = shownStyle(studioNow().work!, itemOf(studioNow().work!, studioNow().selection.at(-1))) ?? {};
    const take = () => {
      changeStyle((s) => removeCoat(s, coat.id));
      if (chosen) set({ coatId: (coats[index + 1] ?? coats[index - 1])?.id ?? null });
    };
    focusNext(take, "[data-coat]", index, "[data-add-coat]");
    sayUndoable(`“${coat.name}” was taken off.`);
  };
  const duplicate = () => {
    let id = "";
    changeStyle((s) => {
      const made = duplicateCoat(s, coat.id);
      id = made.id;
      return made.style;
    });
    set({ coatId: id });
  };
  const move = (by: number) => changeStyle((s) => moveCoat(s, coat.id, index + by));
  const toggle = () => changeStyle((s) => editCoat(s, coat.id, (c) => ({ ...c, on: !c.on })));

  const onKeyDown = (e: KeyboardEvent) => {
    if (e.target !== e.currentTarget) return;
    const command = e.ctrlKey || e.metaKey;
    const done = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    if (e.key === "Enter") return choose();
    if (e.key === "Delete" || e.key === "Backspace") return (done(), remove());
    if (command && e.key.toLowerCase() === "d") return (done(), duplicate());
    if (e.altKey && e.key === "ArrowLeft") return (done(), move(-1));
    if (e.altKey && e.key === "ArrowRight") return (done(), move(1));
    listeners?.onKeyDown?.(e);
  };

  return (
    <li
      ref={(card) => {
        setNodeRef(card);
        own.current = card;
      }}
      {...attributes}
      {...listeners}
      role="button"
      aria-label={`Coat ${index + 1} of ${count}: ${coat.name}${coat.on ? "" : ", off"}`}
      aria-pressed={chosen}
      data-coat={coat.name}
      data-coat-id={coat.id}
      onKeyDown={onKeyDown}
      onClick={choose}
      onPointerEnter={() => set({ shownUpTo: coat.id })}
      onFocus={(e) => e.currentTarget.scrollIntoView({ block: "nearest", inline: "nearest" })}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={clsx(
        "group relative flex w-[136px] shrink-0 flex-col overflow-hidden rounded-lg border bg-sheet",
        chosen ? "border-accent shadow-[0_0_0_1px_var(--accent)]" : "border-rule hover:border-pencil",
        isDragging && "z-10 opacity-80 shadow-lg",
      )}
    >
      {/* A middle grey, on which every ink can be told but where all are pale. */}
      <div className={clsx("relative min-h-0 grow", pale ? "bg-proof-deep" : "bg-proof")}>
        <CoatPicture coat={coat} item={item} pale={pale} />
      </div>
      <div className="flex h-7 shrink-0 items-center gap-1 pl-2">
        <span className="text-xs tabular-nums text-pencil">{index + 1}</span>
        <span className={clsx("min-w-0 grow truncate text-xs", !coat.on && "text-pencil line-through")}>{coat.name}</span>
        <span
          className="flex"
          onPointerDown={(e) => e.stopPropagation()}
          onClick={(e) => e.stopPropagation()}
          onKeyDown={(e) => e.stopPropagation()}
        >
          <IconButton
            side="top"
            label={coat.on ? "Switch this coat off" : "Switch this coat on"}
            className="!size-6"
            active={!coat.on}
            onClick={toggle}
          >
            {coat.on ? <Eye /> : <EyeOff />}
          </IconButton>
          <Menu
            onOpen={() => set({ shownUpTo: null })}
            trigger={
              <IconButton side="top" label={`More for ${coat.name}`} className="!size-6">
                <MoreVertical />
              </IconButton>
            }
            items={[
              { label: "Duplicate", keys: "Ctrl D", onSelect: duplicate },
              { label: "Copy", keys: "Ctrl C", onSelect: () => copyCoat(coat.id) },
              { label: "Further back", keys: "Alt ←", disabled: index === 0, onSelect: () => move(-1) },
              { label: "Further front", keys: "Alt →", disabled: index === count - 1, onSelect: () => move(1) },
              { label: "Rename", focuses: true, onSelect: rename },
              null,
              { label: "Delete", keys: "Del", focuses: true, onSelect: remove },
            ]}
          />
        </span>
      </div>
    </li>
  );
}

function CoatPicture({ coat, item, pale }: { coat: Coat; item: ItemUpdate | undefined; pale: boolean }) {
  const layers = item?.layers.filter((l) => l.coat === coat.id) ?? [];
  const fault = layers.find((l) => l.fault)?.fault;
  if (fault)
    return (
      <Tip text={fault}>
        <p role="alert" className="flex h-full flex-col items-center justify-center gap-1 px-2 text-center text-xs text-[#3c3935]">
          <TriangleAlert className="size-4 text-[#8f2b12]" />
          <span className="line-clamp-3">{fault}</span>
        </p>
      </Tip>
    );
  const nothing = coat.on ? layers.find((l) => l.nothing)?.nothing : undefined;
  if (!item || !layers.length || isEmpty(item.painted) || nothing)
    return (
      <p
        title={nothing}
        className={clsx("flex h-full items-center justify-center px-2 text-center text-xs", pale ? "text-[#e8e6e1]" : "text-[#3c3935]")}
      >
        {nothing ? (
          <span className="line-clamp-4">{nothing}</span>
        ) : !coat.on ? (
          "off"
        ) : !item ? (
          "not drawn yet"
        ) : item.kind === "lettering" && !item.carets.some((c) => c.index > 0) ? (
          "no letters yet"
        ) : (
          "nothing left of the letters"
        )}
      </p>
    );
  const b = item.painted;
  const margin = Math.max(b.maxX - b.minX, b.maxY - b.minY) * 0.06;
  const viewBox = `${b.minX - margin} ${b.minY - margin} ${b.maxX - b.minX + 2 * margin} ${b.maxY - b.minY + 2 * margin}`;
  return layers.map((layer) => <LayerPicture key={layer.id} item={item.id} layer={layer} viewBox={viewBox} />);
}

/** Milliseconds between two pictures of a coat. */
const following = 250;

function LayerPicture({ item, layer, viewBox }: { item: string; layer: LayerUpdate; viewBox: string }) {
  // What is dragged is watched on the bench: here it may follow.
  const node = useUnhurried(
    useStudio((s) => s.nodes.get(layerKey(item, layer.id))),
    following,
  );
  // The board's layers have the same ids in this document.
  const own = useMemo(() => node && withIds(node, "strip-"), [node]);
  if (!own) return null;
  return (
    <Layer
      id={`strip-${item}-${layer.id}`}
      node={own}
      viewBox={viewBox}
      transform=""
      opacity={Math.max(layer.opacity, 0.25)}
      blend="normal"
      className="absolute inset-0 size-full"
    />
  );
}
