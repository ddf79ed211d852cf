import { isShape } from "@/core/piece/schema";
import { useStudio } from "../../state/store";

/** The shapes of the board, to choose one by its name. */
export function ShapePicker({ id, label, value, onChange }: { id?: string; label: string; value: string; onChange: (id: string) => void }) {
  const shapes = useStudio((s) => s.work!.piece.items).filter(isShape);
  return (
    <select
      id={id}
      aria-label={label}
      value={shapes.some((s) => s.id === value) ? value : ""}
      onChange={(e) => e.target.value && onChange(e.target.value)}
      className="h-8 w-full rounded-md border border-rule bg-sheet px-2"
    >
      <option value="">{shapes.length ? "Choose a shape" : "No shape on the board"}</option>
      {shapes.map((s, i) => (
        <option key={s.id} value={s.id}>
          {s.name || `Shape ${i + 1}`}
        </option>
      ))}
    </select>
  );
}
