import { Select } from "radix-ui";
import { ChevronDown } from "lucide-react";
import { faceStyle, useFaceFonts, useFaces } from "../faces";

/** The faces, each with the present word in itself. */
export function FacePicker({ id, value, word, onChange }: { id: string; value: string; word: string; onChange: (face: string) => void }) {
  const faces = useFaces();
  useFaceFonts(faces);
  const chosen = faces.find((f) => f.id === value);
  const sample = word.split("\n")[0].trim().slice(0, 18) || "Brindlemoor";
  return (
    <Select.Root value={value} onValueChange={onChange}>
      <Select.Trigger id={id} aria-label="Face" className="flex h-14 w-full items-center gap-2 rounded-md border border-rule bg-sheet px-3 text-left">
        <span className="min-w-0 grow">
          <span className="block text-xs text-pencil">
            {chosen ? `${chosen.name} · ${chosen.kind}` : `${value} (not here)`}
          </span>
          <span className="block truncate text-xl leading-7" style={chosen && faceStyle(chosen)}>
            {sample}
          </span>
        </span>
        <ChevronDown className="size-4 shrink-0 text-pencil" />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content position="popper" side="right" align="start" sideOffset={12} collisionPadding={8} className="z-50 max-h-[min(600px,var(--radix-select-content-available-height))] w-[340px] overflow-hidden rounded-xl border border-rule bg-sheet shadow-xl">
          <Select.Viewport className="p-1">
            {faces.map((f) => (
              <Select.Item key={f.id} value={f.id} textValue={f.name} className="cursor-pointer rounded-md px-3 py-1.5 outline-none data-[highlighted]:bg-wash data-[state=checked]:shadow-[inset_3px_0_0_var(--accent)]">
                <span className="flex justify-between text-xs text-pencil">
                  <span>{f.name}</span>
                  <span>{f.kind}</span>
                </span>
                <span className="block overflow-hidden whitespace-nowrap py-0.5 text-[28px] leading-10" style={faceStyle(f)}>
                  {sample}
                </span>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
