import type { ItemRef } from "@/core/params";
import { labelOf } from "@/core/piece/label";
import { Choice } from "../../parts/choice";
import { useSelectedItem, useShownStyle, useStudio } from "../../state/store";

const look = "h-8 w-full min-w-0 rounded-md border border-rule bg-sheet px-2";

interface Props<V> {
  id?: string;
  label: string;
  value: V;
  onChange: (value: V) => void;
}

/** The other coats of the style, front to back as they are read, to choose one by its name. */
export function CoatPicker({ id, label, value, onChange }: Props<string>) {
  const own = useStudio((s) => s.coatId);
  const coats = (useShownStyle()?.coats ?? []).map((coat, i) => ({ coat, number: i + 1 })).filter(({ coat }) => coat.id !== own);
  const gone = value !== "" && !coats.some(({ coat }) => coat.id === value);
  return (
    <select id={id} aria-label={label} value={value} onChange={(e) => onChange(e.target.value)} className={look}>
      <option value="">{coats.length ? "Choose a coat" : "No other coat yet"}</option>
      {gone && <option value={value}>A coat that is gone</option>}
      {coats.map(({ coat, number }) => (
        <option key={coat.id} value={coat.id}>
          {number} {coat.name}
        </option>
      ))}
    </select>
  );
}

const whats = [
  { value: "letters", label: "Letters", hint: "Its bare letters; of a shape its outline" },
  { value: "painted", label: "All painted", hint: "All that its coats cover, with their outlines and shades" },
];

/** The other items of the board, to choose one by its words or its name, and what of it. */
export function ItemPicker({ id, label, value, onChange }: Props<ItemRef>) {
  const own = useSelectedItem()?.id;
  const items = useStudio((s) => s.work!.piece.items).filter((i) => i.id !== own);
  const gone = value.id !== "" && !items.some((i) => i.id === value.id);
  return (
    <div className="min-w-0 space-y-1.5">
      <select id={id} aria-label={label} value={value.id} onChange={(e) => onChange({ ...value, id: e.target.value })} className={look}>
        <option value="">{items.length ? "Choose an item" : "Nothing else on the board"}</option>
        {gone && <option value={value.id}>An item that is not on this board</option>}
        {items.map((item) => (
          <option key={item.id} value={item.id}>
            {labelOf(item)}
          </option>
        ))}
      </select>
      <Choice
        label={`What of the ${label.toLowerCase()}`}
        value={value.what}
        options={whats}
        onChange={(what) => onChange({ ...value, what: what === "painted" ? "painted" : "letters" })}
      />
    </div>
  );
}
