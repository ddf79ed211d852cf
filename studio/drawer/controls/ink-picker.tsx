import { Plus } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import { Swatch } from "../../parts/colour-field";
import { IconButton } from "../../parts/button";
import { Tip } from "../../parts/tip";
import { useStyleControls } from "./context";

/** The inks of the style as swatches, to choose one. */
export function InkPicker({ label, value, onChange }: { label: string; value: string; onChange: (id: string) => void }) {
  const { inks, addInk } = useStyleControls();
  return (
    <div className="flex flex-wrap items-center gap-1">
      <ToggleGroup.Root type="single" aria-label={label} value={value} onValueChange={(v) => v && onChange(v)} className="contents">
        {inks.map((ink) => (
          <Tip key={ink.id} text={ink.name}>
            <ToggleGroup.Item value={ink.id} aria-label={ink.name} className="rounded-lg p-0.5 ring-accent aria-checked:ring-2">
              <Swatch colour={ink.colour} className="size-6" />
            </ToggleGroup.Item>
          </Tip>
        ))}
      </ToggleGroup.Root>
      <IconButton label="Add an ink and use it" className="!size-7" onClick={() => onChange(addInk())}>
        <Plus />
      </IconButton>
    </div>
  );
}
