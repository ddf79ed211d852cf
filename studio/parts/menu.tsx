import { clsx } from "clsx";
import { DropdownMenu } from "radix-ui";
import { useRef, type ReactNode } from "react";

export interface MenuItem {
  readonly label: string;
  readonly keys?: string;
  readonly hint?: string;
  readonly icon?: ReactNode;
  readonly disabled?: boolean;
  /** Takes the focus elsewhere, and so is done when the menu has given it up. */
  readonly focuses?: boolean;
  readonly onSelect: () => void;
}

/** A menu on a button. `null` draws a line. */
export function Menu({
  trigger,
  items,
  align = "end",
  wide = false,
  onOpen,
}: {
  trigger: ReactNode;
  items: readonly (MenuItem | null)[];
  align?: "start" | "end";
  /** In three columns, where there are many. */
  wide?: boolean;
  onOpen?: () => void;
}) {
  const afterwards = useRef<(() => void) | null>(null);
  const onClosed = (e: Event) => {
    if (!afterwards.current) return;
    e.preventDefault();
    afterwards.current();
    afterwards.current = null;
  };
  return (
    <DropdownMenu.Root onOpenChange={(open) => open && onOpen?.()}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          side={wide ? "right" : "bottom"}
          sideOffset={4}
          collisionPadding={8}
          onCloseAutoFocus={onClosed}
          className={clsx(
            "z-50 max-h-(--radix-dropdown-menu-content-available-height) overflow-y-auto rounded-lg border border-rule bg-sheet p-1 shadow-xl",
            wide ? "grid w-[820px] max-w-[94vw] grid-cols-3 items-start gap-x-1" : "min-w-44 max-w-80",
          )}
        >
          {items.map((item, i) =>
            item === null ? (
              <DropdownMenu.Separator key={i} className={clsx("my-1 h-px bg-rule", wide && "col-span-3")} />
            ) : (
              <DropdownMenu.Item
                key={`${i} ${item.label}`}
                disabled={item.disabled}
                onSelect={item.focuses ? () => void (afterwards.current = item.onSelect) : item.onSelect}
                className="flex min-h-8 items-center gap-2 rounded px-2 py-1 outline-none data-[disabled]:opacity-40 data-[highlighted]:bg-wash [&_svg]:size-4"
              >
                {item.icon}
                <span className="max-w-64 grow">
                  {item.label}
                  {item.hint && <span className="block text-xs text-pencil">{item.hint}</span>}
                </span>
                {item.keys && <kbd className="font-sans text-xs text-pencil">{item.keys}</kbd>}
              </DropdownMenu.Item>
            ),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
