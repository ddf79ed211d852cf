import { Tooltip } from "radix-ui";
import { useEffect, useRef, useState, type ReactNode } from "react";

/** A tooltip that says what a control does, with its key where it has one. */
export function Tip({
  text,
  keys,
  children,
  side = "bottom",
}: {
  text: string;
  keys?: string;
  children: ReactNode;
  side?: "top" | "bottom" | "left" | "right";
}) {
  const [open, setOpen] = useState(false);
  const trigger = useRef<HTMLButtonElement>(null);
  // One that a focus opened, as where a menu gives it back, would stay over what the pointer goes to next.
  useEffect(() => {
    if (!open) return;
    const onMove = (e: PointerEvent) => {
      if (!(e.target instanceof Node && trigger.current?.contains(e.target))) setOpen(false);
    };
    window.addEventListener("pointermove", onMove, { capture: true });
    return () => window.removeEventListener("pointermove", onMove, { capture: true });
  }, [open]);
  return (
    <Tooltip.Root open={open} onOpenChange={setOpen}>
      <Tooltip.Trigger asChild ref={trigger}>
        {children}
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          data-tip
          side={side}
          sideOffset={6}
          collisionPadding={8}
          className="z-50 max-w-64 rounded-md bg-graphite px-2.5 py-1.5 text-xs text-paper shadow-lg"
        >
          {text}
          {keys && <kbd className="ml-2 rounded bg-paper/20 px-1 font-sans">{keys}</kbd>}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
