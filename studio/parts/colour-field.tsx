import { Pipette } from "lucide-react";
import { Popover } from "radix-ui";
import { useState, type ReactNode } from "react";
import { HexColorPicker } from "react-colorful";
import { toHex } from "@/core/colour";
import { IconButton } from "./button";

interface Props {
  label: string;
  value: string;
  onChange: (colour: string) => void;
  onSettle?: () => void;
  /** The button that opens the picker. */
  children: ReactNode;
  extra?: ReactNode;
  /** Whether it opens as it comes: a new colour is chosen at once. */
  opened?: boolean;
}

interface Dropper {
  open(): Promise<{ readonly sRGBHex: string }>;
}
/** The browser's own, where it has one (WICG EyeDropper API). */
const dropper = (): Dropper | undefined => {
  const made = typeof window === "undefined" ? undefined : (window as { readonly EyeDropper?: new () => Dropper }).EyeDropper;
  return made && new made();
};

/** A colour picker on a button; its text field takes any CSS colour. */
export function ColourField({ label, value, onChange, onSettle, children, extra, opened }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const hex = draft === null ? value : toHex(draft);
  const commit = () => {
    if (draft !== null && hex) onChange(hex);
    setDraft(null);
    onSettle?.();
  };
  const pick = async () => {
    const picked = await dropper()
      ?.open()
      .catch(() => undefined);
    const colour = picked && toHex(picked.sRGBHex);
    if (colour) onChange(colour);
    onSettle?.();
  };
  return (
    <Popover.Root defaultOpen={opened} onOpenChange={(open) => !open && onSettle?.()}>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
          className="z-50 w-60 rounded-xl border border-rule bg-paper p-3 shadow-xl"
        >
          <HexColorPicker className="colour-field" color={value} onChange={onChange} onPointerUp={onSettle} onKeyUp={onSettle} />
          <div className="mt-2 flex items-center gap-2">
            <span className="size-8 shrink-0 rounded-md border border-rule" style={{ background: value }} />
            <input
              aria-label={`${label}: colour value`}
              aria-invalid={draft !== null && !hex}
              className="h-8 w-full min-w-0 rounded-md border border-rule bg-sheet px-2 outline-none focus:border-accent aria-invalid:border-accent"
              value={draft ?? value}
              onChange={(e) => setDraft(e.target.value)}
              onFocus={(e) => e.target.select()}
              onBlur={commit}
              onKeyDown={(e) => e.key === "Enter" && commit()}
            />
            {dropper() && (
              <IconButton label="Take a colour from the board" onClick={() => void pick()}>
                <Pipette />
              </IconButton>
            )}
          </div>
          {extra}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

export function Swatch({ colour, className = "" }: { colour: string; className?: string }) {
  return <span aria-hidden className={`block rounded-md border border-black/15 ${className}`} style={{ background: colour }} />;
}
