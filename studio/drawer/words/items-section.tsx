import { Eye, EyeOff, Lock, LockOpen, Shapes, Type } from "lucide-react";
import { IconButton } from "../../parts/button";
import { Fold } from "../../parts/field";
import { flagItems } from "../../state/edits/items";
import { studioNow, useStudio } from "../../state/store";

/** All items of the board, the foremost first: those that are hidden or locked are reached here. */
export function ItemsSection() {
  const items = useStudio((s) => s.work!.piece.items);
  const selection = useStudio((s) => s.selection);
  const { change, select } = studioNow();
  return (
    <Fold title={`On the board (${items.length})`}>
      {items.length === 0 && <p className="text-pencil">Nothing yet. Add a lettering or a shape at the lower left of the bench.</p>}
      <ul>
        {[...items].reverse().map((item) => {
          const name = item.kind === "shape" ? item.name || "Shape" : item.text.replace(/\s+/g, " ").trim() || "Empty lettering";
          const Icon = item.kind === "shape" ? Shapes : Type;
          return (
            <li
              key={item.id}
              data-item={item.id}
              aria-current={selection.includes(item.id)}
              className="flex items-center gap-1 rounded-md aria-[current=true]:bg-wash"
              style={{ paddingLeft: item.groups.length * 12 }}
            >
              <button
                type="button"
                aria-label={`Select ${name}`}
                className={`flex h-8 min-w-0 grow items-center gap-2 px-1.5 text-left ${item.hidden ? "opacity-50" : ""}`}
                onClick={(e) =>
                  select(
                    e.shiftKey
                      ? selection.includes(item.id)
                        ? selection.filter((i) => i !== item.id)
                        : [...selection, item.id]
                      : [item.id],
                  )
                }
              >
                <Icon className="size-3.5 shrink-0 text-pencil" />
                <span className="truncate">{name}</span>
              </button>
              <IconButton
                label={item.hidden ? `Show ${name}` : `Hide ${name}`}
                className="!size-7"
                active={item.hidden}
                onClick={() => change((w) => flagItems(w, [item.id], "hidden", !item.hidden))}
              >
                {item.hidden ? <EyeOff /> : <Eye />}
              </IconButton>
              <IconButton
                label={item.locked ? `Unlock ${name}` : `Lock ${name}`}
                className="!size-7"
                active={item.locked}
                onClick={() => change((w) => flagItems(w, [item.id], "locked", !item.locked))}
              >
                {item.locked ? <Lock /> : <LockOpen />}
              </IconButton>
            </li>
          );
        })}
      </ul>
    </Fold>
  );
}
