import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";

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
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
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
