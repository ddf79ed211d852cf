import { Popover } from "radix-ui";
import { useState, type ReactNode } from "react";
import { HexColorPicker } from "react-colorful";
import { toHex } from "@/core/colour";

interface Props {
  label: string;
  value: string;
  onChange: (colour: string) => void;
  onSettle?: () => void;
  /** The button that opens the picker. */
  children: ReactNode;
  extra?: ReactNode;
}

/** A colour picker on a button; its text field takes any CSS colour. */
export function ColourField({ label, value, onChange, onSettle, children, extra }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const hex = draft === null ? value : toHex(draft);
  const commit = () => {
    if (draft !== null && hex) onChange(hex);
    setDraft(null);
    onSettle?.();
  };
  return (
    <Popover.Root onOpenChange={(open) => !open && onSettle?.()}>
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
